import { insideOf, literalPattern } from '../guard/character-set';
import { type Guard, isStrict } from '../guard/guard';
import { attribute, type Field, hasAttribute } from '../html/field';
import { engineDeviations } from '../model/deviations/engine-deviations';
import type { Habits } from '../model/deviations/habits';
import { allOf, beginningsOf, combined, everyText, lengthTable } from '../pattern/combine';
import { mostStates, usualBudget } from '../pattern/limits';
import { rangeTable } from '../pattern/number-table';
import { type PatternTable, patternTable } from '../pattern/pattern-table';
import { acceptsText, type Table } from '../pattern/table';
import { GaveUp } from '../regexp/budget';
import type { UnworkedCode } from '../regexp/unworked';
import { validEmailAddress } from '../standard/email-addresses';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';

/** What several rules accept together; unknown where one of them is. */
export function allRules(rules: readonly PatternTable[]): PatternTable {
  const tables: Table[] = [];
  for (const rule of rules) {
    if (rule.status !== 'known') return rule;
    tables.push(rule.table);
  }
  if (tables.length === 0) return { status: 'known', table: everyText };
  try {
    return {
      status: 'known',
      table: allOf(tables, { states: mostStates, budget: usualBudget() }),
    };
  } catch (error) {
    if (error instanceof GaveUp) return { status: 'unknown', why: error.code };
    throw error;
  }
}

/** A rule that no text at all may break: nothing entered is left to `required`. */
function orNothing(rule: PatternTable): PatternTable {
  if (rule.status !== 'known' || acceptsText(rule.table, '')) return rule;
  return {
    status: 'known',
    table: combined([rule.table, nothing], ([is, isNothing]) => is || isNothing === true),
  };
}
const nothing = lengthTable(0, 0, 'code units');

/** What a rule says of texts that are not empty: browsers hold no others against a `pattern` (HTML Standard, "The pattern attribute"). */
export function ofSomeText(rule: PatternTable): PatternTable {
  return allRules([rule, known(lengthTable(1, null, 'code units'))]);
}

const unknown = (why: UnworkedCode): PatternTable => ({ status: 'unknown', why });
const known = (table: Table): PatternTable => ({ status: 'known', table });
const whole = (source: string): PatternTable => patternTable({ source, match: 'whole' });

/** What a field's own attributes accept of what is typed: its pattern and its length limits, carried along. */
export function fieldRule(field: Field, { deviations }: Pick<Habits, 'deviations'>): PatternTable {
  const [control] = field.controls;
  if (field.kind === 'number') return unknown('numbers are read by the browser');
  const source = attribute(control, 'pattern');
  const reading = source === null ? null : engineDeviations[deviations].readPattern(source);
  const least = parseNonNegativeInteger(attribute(control, 'minlength')) ?? 0;
  const most = parseNonNegativeInteger(attribute(control, 'maxlength'));
  const rules = [
    ...(reading?.status === 'compiled' ? [whole(reading.source)] : []),
    ...(least > 0 || most !== null ? [known(lengthTable(least, most, 'code units'))] : []),
  ];
  return hasAttribute(control, 'required')
    ? allRules([...rules, known(lengthTable(1, null, 'code units'))])
    : orNothing(allRules(rules));
}

/** What a browser checks by itself for a kind, where the standard says it with a pattern (HTML Standard, "Email state"); else null. */
export function nativeRule({ kind, controls: [control] }: Field): PatternTable | null {
  if (kind !== 'email' || hasAttribute(control, 'multiple')) return null;
  return patternTable({ source: validEmailAddress.source, flags: 'u', match: 'part' });
}

/** What a guard accepts in the end. */
export function guardRule(guard: Guard): PatternTable {
  return orNothing(ruleOf(guard));
}

function ruleOf(guard: Guard): PatternTable {
  switch (guard.kind) {
    case 'allow':
    case 'deny': {
      const inside = insideOf(guard.set);
      const source = guard.kind === 'allow' ? `[${inside}]*` : inside === '' ? '[^]*' : `[^${inside}]*`;
      return patternTable({ source, flags: 'u', match: 'whole' });
    }
    case 'length':
      return guard.unit === 'graphemes'
        ? unknown('counts graphemes')
        : known(lengthTable(0, guard.most, guard.unit));
    case 'decimals': {
      const digits = guard.whole === undefined ? '\\d*' : `\\d{0,${guard.whole}}`;
      return whole(`(?=.*\\d)[+\\-\u2212]?${digits}${guard.most > 0 ? `(?:[.,]\\d{0,${guard.most}})?` : ''}`);
    }
    case 'range':
      return known(rangeTable(guard.min, guard.max));
    case 'pattern':
      return patternTable({ source: guard.source, match: guard.match });
    case 'words':
      return guard.sense === 'one of'
        ? whole(guard.words.map(literalPattern).join('|') || '[]')
        : unknown('ignores case');
    case 'mask':
      return unknown('counts letters of every script');
    case 'case':
      return unknown('changes case');
    case 'date':
      return unknown('dates exist or not');
    case 'check digit':
      return unknown('check digit');
  }
}

/** What a guard lets stand while one types. */
export function liveRule(guard: Guard): PatternTable {
  const rule = guardRule(guard);
  const isLenient = guard.kind === 'decimals' || guard.kind === 'range' || guard.kind === 'words';
  return isLenient && rule.status === 'known' ? known(beginningsOf(rule.table)) : rule;
}

/** What all guards together let stand while one types; null where none acts then. */
export function liveRules(guards: readonly Guard[]): PatternTable | null {
  const live = guards.filter((guard) => guard.on && !isStrict(guard));
  return live.length === 0 ? null : allRules(live.map(liveRule));
}

/** All that is asked of a field in the end: its own attributes and the guards on leaving and on submission. */
export function submitRule(
  field: Field,
  guards: readonly Guard[],
  habits: Pick<Habits, 'deviations'>,
): PatternTable {
  const known = submitRules.get(field);
  if (known?.guards === guards && known.deviations === habits.deviations) return known.rule;
  const rule = submitRuleAnew(field, guards, habits);
  submitRules.set(field, { guards, deviations: habits.deviations, rule });
  return rule;
}
const submitRules = new WeakMap<
  Field,
  {
    readonly guards: readonly Guard[];
    readonly deviations: Habits['deviations'];
    readonly rule: PatternTable;
  }
>();

function submitRuleAnew(
  field: Field,
  guards: readonly Guard[],
  habits: Pick<Habits, 'deviations'>,
): PatternTable {
  const strict = guards.filter((guard) => guard.on && isStrict(guard));
  return allRules([fieldRule(field, habits), ...strict.map(guardRule)]);
}

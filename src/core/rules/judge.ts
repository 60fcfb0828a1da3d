import { type Guard, isStrict } from '../guard/guard';
import { holds, mayStand } from '../guard/rule';
import { type Judgement, judgementOf, type Objection } from '../guard/verdict';
import type { Field } from '../html/field';
import { engineDeviations } from '../model/deviations/engine-deviations';
import { type Habits, isNativeField } from '../model/deviations/habits';
import { typedNumberValue } from '../model/typing/number-text';
import { patternTable } from '../pattern/pattern-table';
import { dead, stateAfter } from '../pattern/table';
import { validityOf, willValidate } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import type { ValidityFlag } from '../standard/validity-flags';
import { sanitizeValue } from '../standard/value-sanitization';
import { submitRule } from './rule-table';

export interface Judge {
  judge(text: string): Judgement;
}

const none: readonly ValidityFlag[] = [];
const accepted: Judgement = { verdict: 'accepted', by: [] };

/**
 * The checks that a text meets on leaving and on submission: the field's own constraints as the target knows them (HTML
 * Standard, "Constraints"), then the guards of those stages.
 */
export function judgeFor(
  field: Field,
  guards: readonly Guard[],
  habits: Pick<Habits, 'deviations' | 'typing'>,
): Judge {
  const own = isNativeField(habits) ? () => none : ownCheck(field, habits);
  const strict = guards.filter((guard) => guard.on && isStrict(guard));
  const together = strict.length > 0 && isTakenAsTyped(field) && !isNativeField(habits);
  return { judge: (text) => judgementOf(() => judged(text)) };

  function judged(text: string): Judgement {
    const flags = own(text);
    const refusing = strict.filter((guard) => !holds(guard, text));
    if (flags.length === 0 && refusing.length === 0) return accepted;
    const open =
      refusing.every((guard) => mayBecome(guard, text)) &&
      flags.every((flag) => mayPass(field, flag, text)) &&
      !(together && isImpossible(field, guards, habits, text));
    return { verdict: open ? 'unfinished' : 'refused', by: objectionsOf(flags, refusing) };
  }
}

function objectionsOf(flags: readonly ValidityFlag[], guards: readonly Guard[]): Objection[] {
  return [
    ...flags.map((flag): Objection => ({ code: 'own constraint', flag })),
    ...guards.map((guard): Objection => ({ code: 'guard', guard })),
  ];
}

/** Kinds of which nothing is rewritten before it is checked. */
function isTakenAsTyped({ kind }: Field): boolean {
  return ['text', 'search', 'tel', 'password'].includes(kind);
}

/** Whether all rules together rule out whatever begins with a text, though each by itself would let something follow. */
function isImpossible(
  field: Field,
  guards: readonly Guard[],
  habits: Pick<Habits, 'deviations'>,
  text: string,
): boolean {
  const rule = submitRule(field, guards, habits);
  return rule.status === 'known' && stateAfter(rule.table, text) === dead;
}

/** Whether more of it can make a text match a pattern as a whole. Where nobody can tell, nothing is called impossible. */
function canBegin(source: string, text: string): boolean {
  const rule = patternTable({ source, match: 'whole' });
  return rule.status !== 'known' || stateAfter(rule.table, text) !== dead;
}

/** Whether more strokes can make a text hold to a rule. */
export function mayBecome(guard: Guard, text: string): boolean {
  if (guard.kind !== 'pattern') return mayStand(guard, text);
  if (guard.match === 'part') return true;
  return canBegin(guard.source, text);
}

function ownCheck(
  field: Field,
  { deviations: engine, typing }: Pick<Habits, 'deviations' | 'typing'>,
): (text: string) => readonly ValidityFlag[] {
  const deviations = engineDeviations[engine];
  const isNumber = field.kind === 'number';
  // Read once: what changes from text to text is the value alone.
  const untouched = fieldStateOf(field, { value: '', byPerson: true }, deviations);
  if (!willValidate(untouched, deviations)) return () => none;
  return (text) => {
    const currentValue = isNumber
      ? typedNumberValue(text, typing, deviations)
      : sanitizeValue(field.kind, text, untouched, deviations);
    const badInput = isNumber && text !== '' && currentValue === '';
    return validityOf({ ...untouched, currentValue, badInput }, deviations).flags;
  };
}

const emailBeginning = /^[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]+(?:@[a-zA-Z0-9.-]*)?$/;
const urlBeginning = /^\s*[a-z][a-z0-9+.-]*(?::.*)?$/i;
const numberBeginning = /^[+-]?\d*\.?\d*(?:e[+-]?\d*)?$/i;

/** Whether more strokes can take a flag of the field's own validity away. */
function mayPass(field: Field, flag: ValidityFlag, text: string): boolean {
  const attribute = (name: string) =>
    field.controls[0].attributes.find((one) => one.name === name)?.value ?? null;
  switch (flag) {
    case 'valueMissing':
    case 'tooShort':
    case 'customError':
      return true;
    case 'tooLong':
      return false;
    case 'typeMismatch':
      return field.kind === 'email'
        ? emailBeginning.test(text) || text.includes(',')
        : urlBeginning.test(text);
    case 'patternMismatch': {
      const most = parseNonNegativeInteger(attribute('maxlength'));
      if (most !== null && text.length >= most) return false;
      return canBegin(attribute('pattern') ?? '', text);
    }
    // With an exponent any number can still become any other.
    case 'badInput':
    case 'rangeOverflow':
    case 'rangeUnderflow':
    case 'stepMismatch':
      return field.kind === 'number' ? numberBeginning.test(text) : true;
  }
}

import type { Sample } from '../guard/sample';
import { searchedStanding } from '../pattern/bounded-search';
import { comparedRules, type RuleComparison } from '../pattern/compare-rules';
import { usualBudget } from '../pattern/limits';
import { type LiveCheck, lenientPattern, liveCheck } from '../pattern/live-rule';
import { partsOf } from '../pattern/parts';
import { untouchedParts } from '../pattern/path-through';
import { type PatternTable, patternTable } from '../pattern/pattern-table';
import { type PatternWarning, patternWarnings } from '../pattern/pattern-warnings';
import { acceptsText, type Table } from '../pattern/table';
import { type Standing, standingOf } from '../pattern/three-way';
import type { Purpose, Writing } from '../purpose/purpose';
import { type PlaceOfUse, placeOfUse } from '../purpose/regions';
import { writingsOf } from '../purpose/writings';
import { Budget, GaveUp } from '../regexp/budget';
import { compiledPattern } from '../regexp/compiled-pattern';
import type { Pattern } from '../regexp/pattern';
import type { UnworkedCode } from '../regexp/unworked';
import { graphemes } from '../script/graphemes';
import { type MadeSample, ruleSamples } from './rule-samples';
import { ofSomeText } from './rule-table';

/** What is asked about a rule while it is edited. */
export interface RuleQuestion {
  readonly pattern: Pattern;
  /** Whether an empty text is held against it too: guards do, the attribute of a field does not. */
  readonly holdsEmpty: boolean;
  /** The rule as it was saved, which changes are held against. */
  readonly saved: string;
  readonly samples: readonly Sample[];
  /** What the guards let stand while one types; null: there are none. */
  readonly live: PatternTable | null;
  /** All that is asked of the field in the end; the pattern alone where there is nothing else. */
  readonly submit: PatternTable;
  /** What the browser checks by itself for this kind of field; null where that is no pattern. */
  readonly native: PatternTable | null;
  /** What the field is for, which it is held against; null: nothing that is known. */
  readonly purpose: Purpose | null;
  /** Of the field; null where the page says none. */
  readonly language: string | null;
}

/** How a text stands to a rule, or why nobody can tell. */
export type SoughtStanding = Standing | { readonly verdict: 'not worked out'; readonly why: UnworkedCode };

/** A sample under the rule, and what it was under the saved one. */
export interface SampleStanding {
  readonly standing: SoughtStanding;
  /** How it stands to all that is asked of the field, where that is another verdict: limits of length and other rules. */
  readonly together: Standing | null;
  /** Found by trying some continuations, not by a table: more may be there. */
  readonly searched: boolean;
  /** Null: not worked out. */
  readonly wasAccepted: boolean | null;
}

/** An answer that is exact, or why there is none. */
export type Exact<T> =
  | { readonly status: 'known'; readonly answer: T }
  | { readonly status: 'unknown'; readonly why: UnworkedCode };

/** Where a rule and what people enter part. */
export interface Misjudged {
  readonly refused: readonly Writing[];
  readonly accepted: readonly Writing[];
}

export interface RuleReport {
  readonly rule: { readonly status: 'known' } | Exclude<PatternTable, { status: 'known' }>;
  readonly samples: readonly SampleStanding[];
  /** The saved rule first, the rule as it is now second. */
  readonly changed: Exact<RuleComparison>;
  /** All of the text first, a part of it second: what a partial match lets through besides. */
  readonly partial: Exact<RuleComparison>;
  /** As the v flag reads it first, as the older u flag does second; null where the u flag does not read it. */
  readonly older: Exact<RuleComparison> | null;
  /** The rule first, what the browser checks by itself second; null where it checks no text. */
  readonly native: Exact<RuleComparison> | null;
  readonly warnings: readonly PatternWarning[];
  /** What people enter and it refuses, and what means nothing and it accepts; null where nothing is known of the purpose. */
  readonly entries: Misjudged | null;
  /** Null where no guard acts while one types. */
  readonly live: Exact<LiveCheck> | null;
  /** A pattern for the beginnings; null where none is short enough, or nobody can tell. */
  readonly lenient: string | null;
  readonly made: readonly MadeSample[];
  /** Ids of parts that no accepted sample goes through. */
  readonly untouched: readonly number[];
}

/** Steps that all questions of a report besides the rules themselves may take. */
const stepsOfReport = 6_000_000;

/** Most samples that are looked at. */
export const mostReported = 2000;

/** Everything that is shown beside a rule while it is edited. */
export function ruleReport({
  pattern,
  holdsEmpty,
  saved,
  samples,
  live,
  submit,
  native,
  purpose,
  language,
}: RuleQuestion): RuleReport {
  // Each rule by itself has steps of its own; all that is asked besides shares some.
  const budget = new Budget(stepsOfReport);
  const own = patternTable(pattern);
  const [now, before] = [pattern, { ...pattern, source: saved }].map(asApplied) as [Applied, Applied];
  const compared: typeof exact<RuleComparison> = ([a, b], ask) =>
    exact(holdsEmpty ? [a, b] : [ofSomeText(a), ofSomeText(b)], ask);
  const looked = samples.slice(0, mostReported);
  const rows = partsOf(pattern.source) ?? [];
  return {
    rule: own.status === 'known' ? { status: 'known' } : own,
    samples: looked.map(({ text }) => standingOfText(text, { now, before, submit, budget })),
    changed: compared([before.found, now.found], ([first, second]) =>
      comparedRules(first, second, 6, budget),
    ),
    partial: compared(
      [
        patternTable({ ...pattern, match: 'whole' }, budget),
        patternTable({ ...pattern, match: 'part' }, budget),
      ],
      ([first, second]) => comparedRules(first, second, 3, budget),
    ),
    older: own.status === 'fault' ? null : olderReading(pattern, own, compared, budget),
    native:
      native && compared([now.found, native], ([first, second]) => comparedRules(first, second, 4, budget)),
    warnings: patternWarnings(pattern, budget),
    entries: purpose && misjudgedBy(now, purpose, placeOfUse(language)),
    live: live && exact([live, submit], ([first, second]) => liveCheck(first, second, budget)),
    lenient: lenientOf(pattern, own, budget),
    made: own.status === 'known' ? ruleSamples(own.table) : [],
    untouched: untouchedParts(
      rows,
      looked.map(({ text }) => text),
    ),
  };
}

type Tables = readonly [Table, Table];

/** What two tables say together, where both are known and it does not take too long. */
function exact<T>([a, b]: readonly [PatternTable, PatternTable], ask: (tables: Tables) => T): Exact<T> {
  if (a.status !== 'known') return { status: 'unknown', why: whyUnknown(a) };
  if (b.status !== 'known') return { status: 'unknown', why: whyUnknown(b) };
  try {
    return { status: 'known', answer: ask([a.table, b.table]) };
  } catch (error) {
    if (error instanceof GaveUp) return { status: 'unknown', why: error.code };
    throw error;
  }
}

/** One text under a rule, as all of them are in the report. */
export function textStanding(
  { pattern, saved, submit }: Pick<RuleQuestion, 'pattern' | 'saved' | 'submit'>,
  text: string,
): SampleStanding {
  return standingOfText(text, {
    now: asApplied(pattern),
    before: asApplied({ ...pattern, source: saved }),
    submit,
    budget: usualBudget(),
  });
}

/** A pattern as browsers apply it: what does not compile is ignored, and everything is accepted. */
interface Applied {
  readonly found: Exclude<PatternTable, { status: 'fault' }>;
  readonly accepts: (text: string) => boolean;
  /** Characters that its source is made of. */
  readonly alphabet: readonly string[];
}

const everything: Pattern = { source: '[^]*', match: 'whole' };

function asApplied(pattern: Pattern): Applied {
  const found = patternTable(pattern);
  if (found.status === 'fault') return asApplied(everything);
  const alphabet = graphemes(pattern.source);
  if (found.status === 'known') return { found, alphabet, accepts: (text) => acceptsText(found.table, text) };
  const expression = compiledPattern(pattern);
  return { found, alphabet, accepts: (text) => expression?.test(text) ?? true };
}

interface Asked {
  readonly now: Applied;
  readonly before: Applied;
  readonly submit: PatternTable;
  readonly budget: Budget;
}

function standingOfText(text: string, { now, before, submit, budget }: Asked): SampleStanding {
  const found = standingUnder(now, text, budget);
  const together = submit.status === 'known' ? standingOf(submit.table, text) : null;
  return {
    ...found,
    together: together?.verdict === found.standing.verdict ? null : together,
    wasAccepted: orWhenGivenUp(() => before.accepts(text), null),
  };
}

function orWhenGivenUp<Answer>(work: () => Answer, otherwise: Answer): Answer {
  try {
    return work();
  } catch (error) {
    if (error instanceof GaveUp) return otherwise;
    throw error;
  }
}

/** What nobody can tell is neither too strict nor too lenient. */
function misjudgedBy({ accepts }: Applied, purpose: Purpose, place: PlaceOfUse): Misjudged | null {
  return orWhenGivenUp(() => {
    const { entered, meaningless } = writingsOf(purpose, place, accepts);
    return {
      refused: entered.filter(({ text }) => !accepts(text)),
      accepted: meaningless.filter(({ text }) => accepts(text)),
    };
  }, null);
}

function standingUnder(
  { found, accepts, alphabet }: Applied,
  text: string,
  budget: Budget,
): Pick<SampleStanding, 'standing' | 'searched'> {
  if (found.status === 'known') return { standing: standingOf(found.table, text), searched: false };
  try {
    const { verdict, rest, searched } = searchedStanding(accepts, text, alphabet, budget);
    if (verdict === 'accepted') return { standing: { verdict }, searched };
    if (verdict === 'unfinished') return { standing: { verdict, rest: rest ?? '' }, searched };
    return { standing: { verdict, at: text.length }, searched };
  } catch (error) {
    if (error instanceof GaveUp)
      return { standing: { verdict: 'not worked out', why: error.code }, searched: false };
    throw error;
  }
}

function whyUnknown(table: Exclude<PatternTable, { status: 'known' }>): UnworkedCode {
  return table.status === 'unknown' ? table.why : 'does not compile';
}

function olderReading(
  pattern: Pattern,
  now: PatternTable,
  compared: typeof exact<RuleComparison>,
  budget: Budget,
): Exact<RuleComparison> | null {
  const older = patternTable({ ...pattern, flags: 'u' }, budget);
  return older.status === 'fault'
    ? null
    : compared([now, older], ([first, second]) => comparedRules(first, second, 4, budget));
}

/** Length limits act by themselves while one types: the pattern alone is asked. */
function lenientOf(pattern: Pattern, rule: PatternTable, budget: Budget): string | null {
  if (rule.status !== 'known' || pattern.match === 'part') return null;
  try {
    return lenientPattern(pattern.source, rule.table, budget);
  } catch (error) {
    if (error instanceof GaveUp) return null;
    throw error;
  }
}

import { expressionOf } from '../guard/pattern-rule';
import type { Sample } from '../replay/sample';
import { graphemes } from '../script/graphemes';
import { searchedStanding } from './bounded-search';
import { comparedRules, type RuleComparison } from './compare-rules';
import { knownShapes, type ShapeCheck, shapeCheck } from './known-shapes';
import { GaveUp } from './limits';
import { type LiveCheck, lenientPattern, liveCheck } from './live-rule';
import { partsOf } from './parts';
import { untouchedParts } from './path-through';
import { type Pattern, type PatternTable, patternTable } from './pattern-table';
import { type PatternWarning, patternWarnings } from './pattern-warnings';
import { type MadeSample, ruleSamples } from './rule-samples';
import { acceptsText, type Table } from './table';
import { type Standing, standingOf } from './three-way';

/** What is asked about a rule while it is edited. */
export interface RuleQuestion {
  readonly pattern: Pattern;
  /** The rule as it was saved, which changes are held against. */
  readonly saved: string;
  readonly samples: readonly Sample[];
  /** What the guards let stand while one types; null: there are none. */
  readonly live: PatternTable | null;
  /** All that is asked of the field in the end; the pattern alone where there is nothing else. */
  readonly submit: PatternTable;
  /** What the browser checks by itself for this kind of field; null where that is no pattern. */
  readonly native: PatternTable | null;
  /** The shape that it is held against; null: none. */
  readonly shape: string | null;
}

/** A sample under the rule, and what it was under the saved one. */
export interface SampleStanding {
  readonly standing: Standing;
  /** How it stands to all that is asked of the field, where that is another verdict: limits of length and other rules. */
  readonly together: Standing | null;
  /** Found by trying some continuations, not by a table: more may be there. */
  readonly searched: boolean;
  /** Null where the saved rule is no pattern. */
  readonly wasAccepted: boolean | null;
}

/** An answer that is exact, or why there is none. */
export type Exact<T> =
  | { readonly status: 'known'; readonly answer: T }
  | { readonly status: 'unknown'; readonly reason: string };

export interface RuleReport {
  readonly rule: { readonly status: PatternTable['status']; readonly reason: string | null };
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
  readonly shape: ShapeCheck | null;
  /** Null where no guard acts while one types. */
  readonly live: Exact<LiveCheck> | null;
  /** A pattern for the beginnings; null where none is short enough, or nobody can tell. */
  readonly lenient: string | null;
  readonly made: readonly MadeSample[];
  /** Ids of parts that no accepted sample goes through. */
  readonly untouched: readonly number[];
}

/** Most samples that are looked at. */
export const mostReported = 2000;

/** Everything that is shown beside a rule while it is edited. */
export function ruleReport({
  pattern,
  saved,
  samples,
  live,
  submit,
  native,
  shape,
}: RuleQuestion): RuleReport {
  const now = patternTable(pattern);
  const before = patternTable({ ...pattern, source: saved });
  const accepts = acceptsBy(pattern, now);
  const accepted = acceptsBy({ ...pattern, source: saved }, before);
  const looked = samples.slice(0, mostReported);
  const rows = partsOf(pattern.source) ?? [];
  const known = knownShapes.find(({ id }) => id === shape);
  return {
    rule: { status: now.status, reason: now.status === 'known' ? null : now.reason },
    samples: looked.map(({ text }) => ({
      ...withTogether(sampleStanding(now, accepts, text, pattern.source), submit, text),
      wasAccepted: accepted(text),
    })),
    changed: exact([before, now], ([first, second]) => comparedRules(first, second, 6)),
    partial: exact(
      [patternTable({ ...pattern, match: 'whole' }), patternTable({ ...pattern, match: 'part' })],
      ([first, second]) => comparedRules(first, second, 3),
    ),
    older: olderReading(pattern, now),
    native: native && exact([now, native], ([first, second]) => comparedRules(first, second, 4)),
    warnings: patternWarnings(pattern),
    shape: known && now.status !== 'fault' ? shapeCheck((text) => accepts(text) ?? false, known) : null,
    live: live && exact([live, submit], ([first, second]) => liveCheck(first, second)),
    lenient: lenientOf(pattern, now),
    made: now.status === 'known' ? ruleSamples(now.table) : [],
    untouched: untouchedParts(
      rows,
      looked.map(({ text }) => text),
    ),
  };
}

type Tables = readonly [Table, Table];

/** What two tables say together, where both are known and it does not take too long. */
function exact<T>([a, b]: readonly [PatternTable, PatternTable], ask: (tables: Tables) => T): Exact<T> {
  if (a.status !== 'known') return { status: 'unknown', reason: a.reason };
  if (b.status !== 'known') return { status: 'unknown', reason: b.reason };
  try {
    return { status: 'known', answer: ask([a.table, b.table]) };
  } catch (error) {
    if (error instanceof GaveUp) return { status: 'unknown', reason: error.message };
    throw error;
  }
}

/** By the table where there is one, else by the engine itself; null where the pattern is none. */
function acceptsBy(pattern: Pattern, found: PatternTable): (text: string) => boolean | null {
  if (found.status === 'known') return (text) => acceptsText(found.table, text);
  const expression = found.status === 'unknown' ? expressionOf(pattern) : null;
  return (text) => expression?.test(text) ?? null;
}

function withTogether(
  found: Pick<SampleStanding, 'standing' | 'searched'>,
  submit: PatternTable,
  text: string,
): Omit<SampleStanding, 'wasAccepted'> {
  const together = submit.status === 'known' ? standingOf(submit.table, text) : null;
  return { ...found, together: together?.verdict === found.standing.verdict ? null : together };
}

function sampleStanding(
  found: PatternTable,
  accepts: (text: string) => boolean | null,
  text: string,
  source: string,
): Pick<SampleStanding, 'standing' | 'searched'> {
  if (found.status === 'known') return { standing: standingOf(found.table, text), searched: false };
  // A pattern that does not compile is ignored: everything is accepted.
  if (found.status === 'fault') return { standing: { verdict: 'accepted' }, searched: false };
  const { verdict, rest, searched } = searchedStanding(
    (one) => accepts(one) ?? true,
    text,
    graphemes(source),
  );
  switch (verdict) {
    case 'accepted':
      return { standing: { verdict }, searched };
    case 'unfinished':
      return { standing: { verdict, rest: rest ?? '' }, searched };
    case 'refused':
      return { standing: { verdict, at: text.length }, searched };
  }
}

function olderReading(pattern: Pattern, now: PatternTable): Exact<RuleComparison> | null {
  const older = patternTable({ ...pattern, flags: 'u' });
  return older.status === 'fault' || now.status === 'fault'
    ? null
    : exact([now, older], ([first, second]) => comparedRules(first, second, 4));
}

/** Length limits act by themselves while one types: the pattern alone is asked. */
function lenientOf(pattern: Pattern, rule: PatternTable): string | null {
  if (rule.status !== 'known' || pattern.match === 'part') return null;
  try {
    return lenientPattern(pattern.source, rule.table);
  } catch (error) {
    if (error instanceof GaveUp) return null;
    throw error;
  }
}

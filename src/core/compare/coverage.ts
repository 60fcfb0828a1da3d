import { grouped } from '../grouped';
import type { Field } from '../html/field';
import type { EntryRoute, FieldEntry, LeftReason } from '../observation/field-entry';
import type { Unanswered } from '../observation/outcome';
import { type ProvenanceMark, provenanceMarks } from '../observation/provenance';
import type { ReasonCode } from '../observation/reason';
import type { Observation, Question } from '../questions/observation';
import type { LineUp } from '../target/line-up';
import type { TargetId } from '../target/target';

/** Something that could not be asked or done, and where. */
export type Gap =
  | {
      readonly what: 'unanswered';
      readonly why: Unanswered;
      readonly questions: readonly Question[];
      readonly targets: readonly string[];
    }
  /** Nobody could fill it before the form was sent. */
  | { readonly what: 'not filled'; readonly why: LeftReason; readonly targets: readonly string[] }
  /** What it opens holds fields that are not asked, see `OpeningFacts`. */
  | { readonly what: 'fields inside'; readonly names: readonly string[]; readonly targets: readonly string[] }
  | { readonly what: 'never asked' };

/** How far one field was asked in a run. */
export interface FieldCoverage {
  readonly field: Field;
  /** How many targets answered at least one question, by how that is known; marks without one are left out. */
  readonly targets: readonly { readonly mark: ProvenanceMark; readonly count: number }[];
  /** How it was filled on a page of the developer's own, wherever it was. */
  readonly routes: readonly EntryRoute[];
  readonly gaps: readonly Gap[];
}

/** Reasons of a field that mean that its question could not be asked; others are answers. */
const hindrances: readonly ReasonCode[] = ['not in page', 'no room', 'no focus', 'focus taken away'];

/**
 * What was asked of each field, by which route, and what could not be, in the order of the form. Hidden fields are not among them: there is
 * nothing to ask. What an observer never sees (a model draws nothing) is no gap of a field.
 */
export function coverageOf(
  fields: readonly Field[],
  { targets }: LineUp,
  observations: readonly Observation[],
): FieldCoverage[] {
  const names = new Map(targets.map(({ id, name }) => [id, name]));
  const inLineUp = observations.filter(({ target }) => names.has(target));
  const byField = grouped(inLineUp, ({ field }) => field);
  const filled = grouped(filledIn(inLineUp, names), ({ entry }) => entry.field);
  return fields
    .filter(({ kind }) => kind !== 'hidden')
    .map((field) => {
      const own = byField.get(field.id) ?? [];
      const entries = filled.get(field.id) ?? [];
      return {
        field,
        targets: countsOf(own.filter(({ outcome }) => outcome.status === 'answered')),
        routes: [...new Set(entries.flatMap(({ entry }) => (entry.status === 'entered' ? [entry.by] : [])))],
        gaps: [
          ...unanswered(own, names),
          ...notFilled(entries),
          ...fieldsInside(own, names),
          ...(own.length === 0 ? [neverAsked] : []),
        ],
      };
    });
}

const neverAsked: Gap = { what: 'never asked' };

type Names = ReadonlyMap<TargetId, string>;

function countsOf(answered: readonly Observation[]): FieldCoverage['targets'] {
  return provenanceMarks.flatMap((mark) => {
    const own = answered.filter(({ provenance }) => provenance.mark === mark);
    const count = new Set(own.map(({ target }) => target)).size;
    return count === 0 ? [] : [{ mark, count }];
  });
}

function unanswered(own: readonly Observation[], names: Names): Gap[] {
  const byReason = new Map<string, { why: Unanswered; questions: Set<Question>; targets: Set<string> }>();
  for (const { outcome, question, target } of own) {
    if (outcome.status === 'answered' || !isHindrance(outcome)) continue;
    const key = JSON.stringify(outcome);
    const gap = byReason.get(key) ?? { why: outcome, questions: new Set(), targets: new Set() };
    gap.questions.add(question);
    gap.targets.add(names.get(target) ?? target);
    byReason.set(key, gap);
  }
  return [...byReason.values()].map(({ why, questions, targets }) => ({
    what: 'unanswered',
    why,
    questions: [...questions],
    targets: [...targets],
  }));
}

function isHindrance(outcome: Unanswered): boolean {
  if (outcome.status === 'failed') return true;
  const { code } = outcome.reason;
  return hindrances.some((one) => one === code);
}

/** Fields in what a field opens: they are there for a moment, and nobody asks them. */
function fieldsInside(own: readonly Observation[], names: Names): Gap[] {
  const seen = own.flatMap(({ question, outcome, target }) =>
    question === 'opening' && outcome.status === 'answered' && outcome.facts.fieldsInside
      ? [{ inside: outcome.facts.fieldsInside, target: names.get(target) ?? target }]
      : [],
  );
  return [...grouped(seen, ({ inside }) => JSON.stringify(inside)).values()].flatMap((same): Gap[] => {
    const [first] = same;
    return first
      ? [{ what: 'fields inside', names: first.inside, targets: same.map(({ target }) => target) }]
      : [];
  });
}

interface FilledIn {
  readonly entry: FieldEntry;
  readonly target: string;
}

/** What came of filling fields, once for each field and target: each button fills the form anew. */
function filledIn(observations: readonly Observation[], names: Names): FilledIn[] {
  const last = new Map<string, FilledIn>();
  for (const { question, outcome, target } of observations) {
    if (question !== 'submission' || outcome.status !== 'answered') continue;
    for (const entry of outcome.facts.entries ?? [])
      last.set(`${target}|${entry.field}`, { entry, target: names.get(target) ?? target });
  }
  return [...last.values()];
}

function notFilled(entries: readonly FilledIn[]): Gap[] {
  const left = entries.flatMap(({ entry, target }) =>
    entry.status === 'left' ? [{ why: entry.why, target }] : [],
  );
  return [...grouped(left, ({ why }) => why)].map(([why, same]) => ({
    what: 'not filled',
    why,
    targets: same.map(({ target }) => target),
  }));
}

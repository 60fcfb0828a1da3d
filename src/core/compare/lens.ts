import { type LookState, lookStates } from '../document/look-state';
import type { FieldId } from '../html/field';
import { type CountPixels, type Difference, differences } from '../questions/differences';
import type { Observation, Question } from '../questions/observation';
import { type Answers, answerTo } from '../run/answers';
import type { TargetId } from '../target/target';

export const lenses = ['look', 'message', 'keyboard', 'accessibility'] as const;
/** What the cells of the survey show. */
export type Lens = (typeof lenses)[number];

export const lensStates = ['closed', 'focused', 'filled', 'invalid', 'disabled', 'open'] as const;
/** A state of a control, or *open*: with what a person can make it open. */
export type LensState = (typeof lensStates)[number];

/** Under which lens the answers to a question are seen; null for those that have a view of their own. */
const lensOf: { readonly [Q in Question]: Lens | null } = {
  look: 'look',
  parts: 'look',
  opening: 'look',
  message: 'message',
  bubble: 'message',
  keyboard: 'keyboard',
  accessibility: 'accessibility',
  submission: null,
  fallback: null,
  typing: null,
  restriction: null,
};
const seen = (Object.keys(lensOf) as Question[]).filter((question) => lensOf[question] !== null);

/** The questions of a lens; those of *look* are of its states: what a control is made of belongs to how it looks closed. */
function questionsOf(lens: Lens, state: LensState): readonly Question[] {
  if (lens !== 'look') return seen.filter((question) => lensOf[question] === lens);
  if (state === 'open') return ['opening'];
  return state === 'closed' ? ['look', 'parts'] : ['look'];
}

/** The answers of a target about a field that a lens looks at. */
export function seenThrough(
  lens: Lens,
  state: LensState,
  answers: Answers,
  target: TargetId,
  field: FieldId,
): readonly (Observation | undefined)[] {
  return questionsOf(lens, state).map((question) =>
    question === 'look' && state !== 'open'
      ? answerTo(answers, question, target, field, state)
      : answerTo(answers, question, target, field),
  );
}

/** Where a target's answers are compared from: another target of the run, or the same target in another run. */
export interface ComparedAnswers {
  readonly answers: Answers;
  readonly target: TargetId;
}

export function differencesThrough(
  lens: Lens,
  state: LensState,
  reference: ComparedAnswers,
  other: ComparedAnswers,
  field: FieldId,
  pixels: CountPixels | null,
): Difference[] {
  const base = seenThrough(lens, state, reference.answers, reference.target, field);
  return seenThrough(lens, state, other.answers, other.target, field).flatMap((answer, index) =>
    differences(base[index], answer, pixels),
  );
}

/** Every difference in all that was asked about a field; each once. */
export function allDifferences(
  reference: ComparedAnswers,
  other: ComparedAnswers,
  field: FieldId,
  pixels: CountPixels | null,
): Difference[] {
  const of = (side: ComparedAnswers): (Observation | undefined)[] => [
    ...lookStates.map((state: LookState) => answerTo(side.answers, 'look', side.target, field, state)),
    ...seen
      .filter((question) => question !== 'look')
      .map((question) => answerTo(side.answers, question, side.target, field)),
  ];
  const base = of(reference);
  const found = of(other).flatMap((answer, index) => differences(base[index], answer, pixels));
  const told = found.map((one) => JSON.stringify(one));
  return found.filter((_, index) => told.indexOf(told[index] ?? '') === index);
}

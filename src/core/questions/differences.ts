import type { Outcome } from '../observation/outcome';
import type { PictureId } from '../observation/picture';
import { isOfObserver, type Reason } from '../observation/reason';
import type { Sides } from '../observation/sides';
import { type AccessibilityDifference, accessibilityDifferences } from './accessibility/differences';
import { type BubbleDifference, bubbleDifferences } from './bubble/differences';
import { type KeyboardDifference, keyboardDifferences } from './keyboard/differences';
import { type LookDifference, lookDifferences } from './look/differences';
import { type MessageDifference, messageDifferences } from './message/differences';
import type { Observation, Question } from './observation';
import { type OpeningDifference, openingDifferences } from './opening/differences';
import { type PartsDifference, partsDifferences } from './parts/differences';
import type { SendingDifference } from './submission/differences';

/**
 * One way in which an answer differs from another one to the same question: `here` it is so, and `there`, in what it is compared with,
 * it is not. Its sentence is made in `words/`.
 */
export type Difference =
  /** One side has an answer, and the other says why there can be none; null where it is `there` that has none. */
  | { readonly what: 'applicable'; readonly reason: Reason | null }
  | LookDifference
  | PartsDifference
  | OpeningDifference
  | BubbleDifference
  | MessageDifference
  | AccessibilityDifference
  | KeyboardDifference
  /** What stands in the field after the last stroke. */
  | Sides<'typed', string>
  /** Something of a form is sent otherwise, when it is as it is at first, or filled in; null: whenever. */
  | {
      readonly what: 'sent' | 'sending';
      readonly when: 'asIs' | 'filled' | null;
      readonly difference: SendingDifference;
    }
  /** Px in which two pictures of one engine differ. */
  | { readonly what: 'picture'; readonly pixels: number };

/** Px in which two pictures differ; null where they cannot be compared. Only asked about pictures of one engine. */
export type CountPixels = (a: PictureId, b: PictureId) => number | null;

type FactsOf<Q extends Question> =
  Extract<Observation, { question: Q }>['outcome'] extends Outcome<infer Facts> ? Facts : never;

/**
 * How the facts of each question differ. What is sent, tried and typed is not told answer by answer: it is compared by its button
 * (`submission/differences.ts`), by its plan, and stroke by stroke.
 */
const factDifferences: {
  readonly [Q in Question]: ((there: FactsOf<Q>, here: FactsOf<Q>) => Difference[]) | null;
} = {
  look: lookDifferences,
  message: messageDifferences,
  accessibility: accessibilityDifferences,
  opening: openingDifferences,
  bubble: bubbleDifferences,
  parts: partsDifferences,
  submission: null,
  fallback: null,
  typing: null,
  keyboard: keyboardDifferences,
  restriction: null,
};

/**
 * How an answer differs from another answer to the same question. What either side does not know is no difference; an
 * answer that failed is none either, for it says nothing about the target.
 * @param pixels null: pictures are not compared
 */
export function differences(
  reference: Observation | undefined,
  other: Observation | undefined,
  pixels: CountPixels | null,
): Difference[] {
  if (!reference || !other || reference.question !== other.question) return [];
  // Both are answers to the question by which the table is looked up.
  const compare = factDifferences[reference.question] as Compare | null;
  return compare ? outcomeDifferences(reference.outcome, other.outcome, pixels, compare) : [];
}

type Compare = (there: object, here: object) => Difference[];

function outcomeDifferences(
  reference: Outcome<object>,
  other: Outcome<object>,
  pixels: CountPixels | null,
  compare: Compare,
): Difference[] {
  if (reference.status === 'failed' || other.status === 'failed') return [];
  if (reference.status === 'answered' && other.status === 'answered')
    return [
      ...compare(reference.facts, other.facts),
      ...pictureDifferences(reference.facts, other.facts, pixels),
    ];
  if (reference.status === other.status || !saysSomething(reference) || !saysSomething(other)) return [];
  return [{ what: 'applicable', reason: other.status === 'inapplicable' ? other.reason : null }];
}

/** A question that a kind of observer cannot answer at all tells nothing about the target. */
function saysSomething(outcome: Outcome<object>): boolean {
  return outcome.status !== 'inapplicable' || !isOfObserver(outcome.reason);
}

function pictureDifferences(reference: object, other: object, pixels: CountPixels | null): Difference[] {
  const [a, b] = [pictureOf(reference), pictureOf(other)];
  if (!pixels || a === null || b === null || a === b) return [];
  const count = pixels(a, b);
  return count === null || count === 0 ? [] : [{ what: 'picture', pixels: count }];
}

function pictureOf(facts: object): PictureId | null {
  if ('moves' in facts && facts.moves) return null;
  return 'picture' in facts ? (facts.picture as PictureId | null) : null;
}

import type { Field, FieldId } from '@/core/form/field';
import type { Asking } from '@/core/observation/asking';
import type { Observation, Outcome } from '@/core/observation/observation';
import type { Picture } from '@/core/observation/picture';
import type { AskablePage, Receiver } from '../askable-page';
import type { ProbeField } from '../probe-api';

type AnswerOf<O> = O extends Observation ? Omit<O, 'field' | 'target' | 'provenance' | 'at'> : never;
/** An observation without what is the same for all answers of one observer. */
export type Answer = AnswerOf<Observation>;

/** What a question needs: the page, the fields, and where its answers go. */
export interface QuestionContext {
  readonly page: AskablePage;
  readonly receiver: Receiver | null;
  readonly asking: Asking;
  readonly signal: AbortSignal;
  answer(field: FieldId, answer: Answer): void;
  picture(picture: Picture): void;
  /** The page reads from right to left. */
  readonly rightToLeft: boolean;
  /** The browser itself speaks a language that reads from right to left. */
  readonly speaksRightToLeft: boolean;
  /** By which gesture fields opened, as far as that was asked. */
  readonly openings: Map<FieldId, string>;
}

export function inapplicable(reason: string): Outcome<never> {
  return { status: 'inapplicable', reason };
}

export function probeField(field: Field): ProbeField {
  return { kind: field.kind, ordinals: field.controls.map((control) => control.ordinal) };
}

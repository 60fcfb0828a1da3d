import type { LookState } from '@/core/document/look-state';
import type { Field, FieldId } from '@/core/html/field';
import type { Outcome } from '@/core/observation/outcome';
import type { Picture } from '@/core/observation/picture';
import type { ReasonCode } from '@/core/observation/reason';
import type { Asking, PlannedQuestion } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import type { AskablePage, Receiver } from '../api/askable-page';
import type { ProbeField } from '../api/probe-api';

type AnswerOf<O> = O extends Observation ? Omit<O, 'field' | 'target' | 'provenance' | 'at'> : never;
/** An observation without what is the same for all answers of one observer. */
export type Answer = AnswerOf<Observation>;

/** What a question needs: the page, the fields, and where its answers go. */
export interface QuestionContext {
  readonly page: AskablePage;
  readonly receiver: Receiver | null;
  readonly asking: Asking;
  readonly signal: AbortSignal;
  /** The fields one by one, for what is done to one alone: when the page is lost meanwhile, it is known over which. Throws once `signal` has aborted. */
  oneByOne(fields: readonly Field[]): AsyncIterable<Field>;
  answer(field: FieldId, answer: Answer): void;
  /** Whether this has not been answered yet of a field; what is known need not be read and photographed. */
  owes(field: Field, asked: Pick<PlannedQuestion, 'question'> & { readonly state?: LookState }): boolean;
  picture(picture: Picture): void;
  /** The page reads from right to left. */
  readonly rightToLeft: boolean;
  /** The browser itself speaks a language that reads from right to left. */
  readonly speaksRightToLeft: boolean;
  /** By which gesture fields opened, as far as that was asked. */
  readonly openings: Map<FieldId, string>;
}

export function inapplicable(code: ReasonCode): Outcome<never> {
  return { status: 'inapplicable', reason: { code } };
}

export function probeField(field: Field): ProbeField {
  return { kind: field.kind, ordinals: field.controls.map((control) => control.ordinal) };
}

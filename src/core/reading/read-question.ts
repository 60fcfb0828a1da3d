import type { Schema } from 'yup';
import { fitted, type Misfit } from './misfit';

/** What is asked of the server; the words of each say what is not done when it cannot be read. */
export type QuestionName =
  | 'keyboard'
  | 'page of one’s own'
  | 'sending'
  | 'slow text'
  | 'device page'
  | 'guards';

/** Why what the app asks of its server cannot be read. */
export interface QuestionFault {
  readonly question: QuestionName;
  readonly misfit: Misfit;
}

/** What the app asks of its server, read. */
export type QuestionReading<Question> =
  | { readonly status: 'read'; readonly question: Question }
  | { readonly status: 'fault'; readonly fault: QuestionFault };

/** Reads a question by its schema. */
export function readQuestion<Question>(
  schema: Schema<Question>,
  data: unknown,
  question: QuestionName,
): QuestionReading<Question> {
  const fitting = fitted(schema, data);
  return fitting.status === 'fits'
    ? { status: 'read', question: fitting.value }
    : { status: 'fault', fault: { question, misfit: fitting.misfit } };
}

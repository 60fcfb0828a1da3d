import type { Schema } from 'yup';
import { fitted } from './misfit';
import type { QuestionFault, QuestionName } from './request-fault';

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

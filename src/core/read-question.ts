import { type Schema, ValidationError } from 'yup';

/** What the app asks of its server, read; a fault says in one sentence why it cannot be. */
export type QuestionReading<Question> =
  | { readonly status: 'read'; readonly question: Question }
  | { readonly status: 'fault'; readonly text: string };

/**
 * Reads a question by its schema.
 * @param refused how a sentence begins that says why it cannot be read
 */
export function readQuestion<Question>(
  schema: Schema<Question>,
  data: unknown,
  refused: string,
): QuestionReading<Question> {
  try {
    return { status: 'read', question: schema.validateSync(data, { strict: true }) };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return { status: 'fault', text: `${refused}: ${error.errors[0] ?? 'its shape is another'}.` };
  }
}

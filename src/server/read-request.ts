import type { QuestionReading } from '@/core/reading/read-question';
import type { Refusal } from '@/core/reading/refusal';
import { readBody } from './read-body';
import { refused } from './refused';

/**
 * Reads what a request asks for.
 * @param read checks the JSON of its body
 * @param refusal why it is refused
 * @returns what was read, or the refusal to answer with
 */
export async function readRequest<Reading extends { readonly status: 'read' }, Fault>(
  request: Request,
  read: (data: unknown) => Reading | { readonly status: 'fault'; readonly fault: Fault },
  refusal: (fault: Fault) => Refusal,
): Promise<Reading | Response> {
  const body = await readBody(request);
  if (body.status === 'fault')
    return refused({ code: body.code }, body.code === 'body too large' ? 413 : 400);
  const reading = read(body.value);
  return reading.status === 'fault' ? refused(refusal(reading.fault), 400) : reading;
}

/** The same of a question. */
export function readQuestionOf<Question>(
  request: Request,
  read: (data: unknown) => QuestionReading<Question>,
): Promise<{ readonly status: 'read'; readonly question: Question } | Response> {
  return readRequest(request, read, (fault) => ({ code: 'question misfit', ...fault }));
}

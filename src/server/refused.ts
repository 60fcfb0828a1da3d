import type { Refusal } from '@/core/reading/refusal';
import { refusalText } from '@/core/words/refusal-words';

/** The answer to a request that is refused: why, in a sentence, as JSON. */
export function refused(refusal: Refusal, status: number): Response {
  return Response.json({ error: refusalText(refusal) }, { status });
}

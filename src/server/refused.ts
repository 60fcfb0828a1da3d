import type { Failure } from '@/core/observation/failure';
import type { Refusal } from '@/core/reading/refusal';
import { failureText } from '@/core/words/failure-words';

/** The answer to a request that is refused, as JSON: why, for the app; and `error`, its sentence, for a person who asks by hand. */
export function refused(refusal: Refusal, status: number): Response {
  return refusedFor({ code: 'server refused', refusal }, status);
}

/** The same, where it is what a sweep could fail for too. */
export function refusedFor(failure: Failure, status: number): Response {
  return Response.json({ failure, error: failureText(failure) }, { status });
}

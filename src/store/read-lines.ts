import { object } from 'yup';
import type { Failure } from '@/core/observation/failure';
import { failureSchema } from '@/core/observation/failure-schema';
import { fitted } from '@/core/reading/misfit';
import { failureText } from '@/core/words/failure-words';

/** The lines of a stream of text, as they come; empty ones are left out. */
export async function* readLines(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = body.pipeThrough(new TextDecoderStream() as TransformStream<Uint8Array, string>).getReader();
  let rest = '';
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    const parts = (rest + read.value).split('\n');
    rest = parts.pop() ?? '';
    yield* parts.filter(Boolean);
  }
  if (rest) yield rest;
}

const refusedSchema = object({ failure: failureSchema }).required();

/** Why a server refused, in a sentence; `unsaid` where it did not say. */
export async function refusedText(response: Response, unsaid: string): Promise<string> {
  const refusal = await refusalOf(response);
  return refusal ? failureText(refusal) : unsaid;
}

/** Why a server refused; null when it did not say. */
export async function refusalOf(response: Response): Promise<Failure | null> {
  const body: unknown = await response.json().catch(() => null);
  const fitting = fitted(refusedSchema, body);
  return fitting.status === 'fits' ? (fitting.value.failure as Failure) : null;
}

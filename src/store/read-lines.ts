import type { Failure } from '@/core/observation/failure';

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

/** Why a server refused, in its own words; null when it gave none. */
export async function refusalOf(response: Response): Promise<string | null> {
  const body: unknown = await response.json().catch(() => null);
  return typeof body === 'object' && body !== null && 'error' in body ? String(body.error) : null;
}

/** Why a server refused; `unsaid` where it did not say. */
export async function refused(response: Response, unsaid: Failure): Promise<Failure> {
  const says = await refusalOf(response);
  return says === null ? unsaid : { code: 'server refused', says };
}

import { readJson } from '@/core/reading/read-json';

export type BodyReading =
  | { readonly status: 'read'; readonly value: unknown }
  | { readonly status: 'fault'; readonly code: 'body too large' | 'body no JSON' };

/** Longest request body, bytes. */
export const maxBody = 4_000_000;

/** Reads a JSON body, and stops reading as soon as it is too long. */
export async function readBody(request: Request): Promise<BodyReading> {
  const chunks: Uint8Array[] = [];
  let length = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    length += chunk.byteLength;
    if (length > maxBody) return { status: 'fault', code: 'body too large' };
    chunks.push(chunk);
  }
  try {
    return { status: 'read', value: readJson(Buffer.concat(chunks).toString('utf8')) };
  } catch {
    return { status: 'fault', code: 'body no JSON' };
  }
}

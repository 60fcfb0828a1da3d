import { readBody } from './read-body';

/**
 * Reads what a request asks for.
 * @param read checks the JSON of its body
 * @param told says why it is refused
 * @returns what was read, or the refusal to answer with
 */
export async function readRequest<Reading extends { readonly status: 'read' }, Fault>(
  request: Request,
  read: (data: unknown) => Reading | { readonly status: 'fault'; readonly fault: Fault },
  told: (fault: Fault) => string,
): Promise<Reading | Response> {
  const body = await readBody(request);
  if (body.status === 'fault') return Response.json({ error: body.text }, { status: body.code });
  const reading = read(body.value);
  return reading.status === 'fault'
    ? Response.json({ error: told(reading.fault) }, { status: 400 })
    : reading;
}

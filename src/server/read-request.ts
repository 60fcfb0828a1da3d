import { readBody } from './read-body';

interface Fault {
  readonly status: 'fault';
  readonly text: string;
}

/**
 * Reads what a request asks for.
 * @param read checks the JSON of its body
 * @returns what was read, or the refusal to answer with
 */
export async function readRequest<Reading extends { readonly status: 'read' }>(
  request: Request,
  read: (data: unknown) => Reading | Fault,
): Promise<Reading | Response> {
  const body = await readBody(request);
  if (body.status === 'fault') return Response.json({ error: body.text }, { status: body.code });
  const reading = read(body.value);
  return reading.status === 'fault' ? Response.json({ error: reading.text }, { status: 400 }) : reading;
}

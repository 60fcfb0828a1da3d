import { readSweepRequest } from '@/core/observation/sweep-request';
import { readBody } from '@/server/read-body';
import { maxSweeps } from '@/server/run-registry';
import { sweepStream } from '@/server/sweep-stream';

export const dynamic = 'force-dynamic';

/** Asks engines on this machine; answers with NDJSON of `SweepMessage`. */
export async function POST(request: Request): Promise<Response> {
  const body = await readBody(request);
  if (body.status === 'fault') return Response.json({ error: body.text }, { status: body.code });
  const reading = readSweepRequest(body.value);
  if (reading.status === 'fault') return Response.json({ error: reading.text }, { status: 400 });
  const stream = sweepStream(reading.targets, reading.asking, request.signal);
  if (!stream) {
    const error = `${maxSweeps} sweeps are running already. Wait for one to end, or cancel it.`;
    return Response.json({ error }, { status: 429 });
  }
  return new Response(stream, {
    headers: {
      'content-type': 'application/x-ndjson; charset=utf-8',
      'cache-control': 'no-store, no-transform',
      'x-content-type-options': 'nosniff',
    },
  });
}

import { readDeviceRequest } from '@/core/device/device-request';
import { deviceHtml } from '@/probe/device-html';
import { readBody } from '@/server/read-body';

export const dynamic = 'force-dynamic';

/** The page for a device as one file, to be carried over. It has nowhere to send its answers to; they are saved as a file. */
export async function POST(request: Request): Promise<Response> {
  const body = await readBody(request);
  if (body.status === 'fault') return Response.json({ error: body.text }, { status: body.code });
  const reading = readDeviceRequest(body.value);
  if (reading.status === 'fault') return Response.json({ error: reading.text }, { status: 400 });
  const html = await deviceHtml({ ...reading.request, nonce: crypto.randomUUID(), answers: null });
  return new Response(html, {
    headers: {
      // To be saved, never to be shown from here.
      'content-type': 'application/octet-stream',
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
    },
  });
}

import { readDeviceRequest } from '@/core/device/device-request';
import { deviceHtml } from '@/probe/device-html';
import { readQuestionOf } from '@/server/read-request';

export const dynamic = 'force-dynamic';

/** The page for a device as one file, to be carried over. It has nowhere to send its answers to; they are saved as a file. */
export async function POST(request: Request): Promise<Response> {
  const reading = await readQuestionOf(request, readDeviceRequest);
  if (reading instanceof Response) return reading;
  const html = await deviceHtml({ ...reading.question, nonce: crypto.randomUUID(), answers: null });
  return new Response(html, {
    headers: {
      // To be saved, never to be shown from here.
      'content-type': 'application/octet-stream',
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
    },
  });
}

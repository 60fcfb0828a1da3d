import type { DeviceNews } from '@/core/device/device-news';
import { readDeviceRequest } from '@/core/device/device-request';
import { listenForDevice } from '@/server/device-listener';
import { jsonLines } from '@/server/json-lines';
import { log } from '@/server/log';
import { readBody } from '@/server/read-body';
import { listeners, register } from '@/server/run-registry';

export const dynamic = 'force-dynamic';

/** Listens on the local network for a device as long as the client reads; answers with NDJSON of `DeviceNews`. */
export async function POST(request: Request): Promise<Response> {
  const body = await readBody(request);
  if (body.status === 'fault') return Response.json({ error: body.text }, { status: body.code });
  const reading = readDeviceRequest(body.value);
  if (reading.status === 'fault') return Response.json({ error: reading.text }, { status: 400 });
  const stream = jsonLines<DeviceNews>(
    request.signal,
    (emit, signal) => register(listeners, signal, (until) => listenForDevice(reading.request, emit, until)),
    (error) => log.error({ error: String(error) }, 'listening broke'),
  );
  return stream ?? Response.json({ error: listeners.full }, { status: 429 });
}

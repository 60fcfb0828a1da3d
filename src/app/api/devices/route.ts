import type { DeviceNews } from '@/core/device/device-news';
import { readDeviceRequest } from '@/core/device/device-request';
import { listenForDevice } from '@/server/device-listener';
import { jsonLines } from '@/server/json-lines';
import { log } from '@/server/log';
import { readQuestionOf } from '@/server/read-request';
import { refused } from '@/server/refused';
import { listeners, register } from '@/server/run-registry';

export const dynamic = 'force-dynamic';

/** Listens on the local network for a device as long as the client reads; answers with NDJSON of `DeviceNews`. */
export async function POST(request: Request): Promise<Response> {
  const reading = await readQuestionOf(request, readDeviceRequest);
  if (reading instanceof Response) return reading;
  const stream = jsonLines<DeviceNews>(
    request.signal,
    (emit, signal) => register(listeners, signal, (until) => listenForDevice(reading.question, emit, until)),
    (error) => log.error({ error: String(error) }, 'listening broke'),
  );
  return stream ?? refused(listeners.full, 429);
}

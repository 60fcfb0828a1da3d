import type { SweepMessage } from '@/core/sweep/sweep-message';
import { readSweepRequest } from '@/core/sweep/sweep-request';
import { sweepEngines } from '@/engines/sweep-engines';
import { jsonLines } from '@/server/json-lines';
import { log } from '@/server/log';
import { readRequest } from '@/server/read-request';
import { refused } from '@/server/refused';
import { register, sweeps } from '@/server/run-registry';
import { warmBrowsers } from '@/server/warm-browsers';

export const dynamic = 'force-dynamic';

/** Asks engines on this machine; answers with NDJSON of `SweepMessage`. It ends when the client goes away. */
export async function POST(request: Request): Promise<Response> {
  const reading = await readRequest(request, readSweepRequest, (fault) => ({ code: 'no sweep', fault }));
  if (reading instanceof Response) return reading;
  const { targets, asking, earlier } = reading;
  const stream = jsonLines<SweepMessage>(
    request.signal,
    (emit, signal) =>
      register(sweeps, signal, (until) =>
        sweepEngines(targets, asking, emit, until, { earlier, browsers: warmBrowsers }),
      ),
    (error) => log.error({ error: String(error) }, 'sweep broke'),
  );
  return stream ?? refused(sweeps.full, 429);
}

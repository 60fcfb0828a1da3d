import { readSlowQuestion, type SlowNews } from '@/core/rules/slow-question';
import { engines } from '@/engines/engines';
import { measureSlowness } from '@/engines/measure-slowness';
import { jsonLines } from '@/server/json-lines';
import { log } from '@/server/log';
import { readQuestionOf } from '@/server/read-request';
import { refused } from '@/server/refused';
import { register, sweeps } from '@/server/run-registry';

export const dynamic = 'force-dynamic';

/** Times a pattern over a growing text in the engines of this machine; answers with NDJSON of `SlowNews`. */
export async function POST(request: Request): Promise<Response> {
  const reading = await readQuestionOf(request, readSlowQuestion);
  if (reading instanceof Response) return reading;
  const { question } = reading;
  const asked = [engines.chromium, engines.firefox, engines.webkit];
  const stream = jsonLines<SlowNews>(
    request.signal,
    (emit, signal) =>
      register(sweeps, signal, async (until) => {
        // One after the other: side by side they would time each other.
        for (const engine of asked) if (!until.aborted) emit(await measureSlowness(engine, question, until));
      }),
    (error) => log.error({ error: String(error) }, 'pattern broke'),
  );
  return stream ?? refused(sweeps.full, 429);
}

import { readWarming } from '@/core/sweep/warming';
import { everyEngine } from '@/engines/engines';
import { readQuestionOf } from '@/server/read-request';
import { warmBrowsers } from '@/server/warm-browsers';

export const dynamic = 'force-dynamic';

/** Starts the browsers of a line-up ahead, so that its first sweep need not wait for them. Answers at once, with nothing. */
export async function POST(request: Request): Promise<Response> {
  const reading = await readQuestionOf(request, readWarming);
  if (reading instanceof Response) return reading;
  const { all } = await everyEngine();
  const { targets, isForOwnPage } = reading.question;
  for (const { engine: name, variant } of targets) {
    const engine = all.find((one) => one.name === name);
    if (engine) warmBrowsers.warm(engine, variant, isForOwnPage);
  }
  return new Response(null, { status: 204 });
}

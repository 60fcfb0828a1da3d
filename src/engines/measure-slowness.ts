import { setTimeout as wait } from 'node:timers/promises';
import type { Failure } from '@/core/observation/failure';
import { growthOf } from '@/core/pattern/blow-up';
import type { SlowNews, SlowQuestion } from '@/core/rules/slow-question';
import { plainVariant } from '@/core/target/variant';
import { probeBundle } from '@/probe/bundle';
import { type Engine, EngineLost, type EngineSession } from './api/engine';
import { startPageServer } from './network/page-server';

/** How long one engine is asked, ms; and how long it may be silent over one text. */
const [patience, silence] = [4000, 3000];

/**
 * Times a pattern over a growing text in a real engine. An engine that does not come back from one text is ended, and what was
 * timed until then is the answer. Nothing that was started stays behind.
 */
export async function measureSlowness(
  engine: Engine,
  { pattern, text }: SlowQuestion,
  signal: AbortSignal,
): Promise<SlowNews> {
  const { title } = engine;
  const failed = (failure: Failure): SlowNews => ({ type: 'failed', engine: title, failure });
  const found = await engine.find();
  if (found.status === 'missing') return failed(found.failure);
  const server = await startPageServer(engine.pagesFrom);
  let session: EngineSession | null = null;
  try {
    const { code } = await probeBundle('probe');
    session = await engine.launch(found.path, plainVariant, { signal });
    const page = await session.open(server.add('<!doctype html><title>Ukko</title>'), code, plainVariant);
    const { source, flags = 'v', match } = pattern;
    const anchored = match === 'whole' ? `^(?:${source})$` : source;
    const time = async (tried: string) => {
      const script = `(() => { const expression = new RegExp(${JSON.stringify(anchored)}, ${JSON.stringify(flags)}); const text = ${JSON.stringify(tried)}; const begin = performance.now(); expression.test(text); return performance.now() - begin; })()`;
      const ms = await Promise.race([page.evaluate(script), wait(silence, null, { ref: false })]);
      return typeof ms === 'number' ? ms : silence;
    };
    const growth = await growthOf(text, time, Date.now() + patience);
    return { type: 'answer', engine: title, version: session.provenance.version, growth };
  } catch (error) {
    if (error instanceof EngineLost) return failed(error.failure);
    if (signal.aborted) return failed({ code: 'cancelled' });
    throw error;
  } finally {
    await session?.close();
    await server.close();
  }
}

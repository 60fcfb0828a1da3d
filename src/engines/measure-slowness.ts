import { setTimeout as wait } from 'node:timers/promises';
import { growthOf } from '@/core/pattern/blow-up';
import type { SlowNews, SlowQuestion } from '@/core/pattern/slow-question';
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
  const failed = (reason: string): SlowNews => ({ type: 'failed', engine: title, reason });
  const found = await engine.find();
  if (found.status === 'missing') return failed(found.remedy);
  const server = await startPageServer(engine.pagesFrom);
  let session: EngineSession | null = null;
  try {
    const { code } = await probeBundle('probe');
    session = await engine.launch(found.path, plainVariant, signal);
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
    if (error instanceof EngineLost) return failed(error.message);
    if (signal.aborted) return failed('It was cancelled.');
    throw error;
  } finally {
    await session?.close();
    await server.close();
  }
}

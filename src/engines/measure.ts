import { pageUnderTest } from '@/core/form/page-under-test';
import type { Asking } from '@/core/observation/asking';
import type { Measured } from '@/core/observation/provenance';
import type { EmitSweepMessage } from '@/core/observation/sweep-message';
import type { EngineTarget } from '@/core/target/target';
import { askTarget } from '@/probe/ask-page';
import { probeBundle } from '@/probe/bundle';
import { EngineLost, type EngineSession } from './engine';
import { engines } from './engines';
import { startPageServer } from './page-server';

/**
 * The measuring observer: asks one engine everything, see `askTarget`. Everything that it started (browser, profile,
 * page server) is gone when it returns.
 */
export function measure(
  target: EngineTarget,
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
): Promise<void> {
  const unasked: Measured = { mark: 'measured', engine: target.name, version: 'unknown', protocol: 'none' };
  return askTarget(
    target.id,
    asking,
    (work) =>
      withSession(target, signal, async (session) => {
        const server = await startPageServer();
        try {
          const { code } = await probeBundle('probe');
          const page = await session.open(server.add(pageUnderTest(asking.markup)), code);
          await work(page, session.provenance);
        } finally {
          await server.close();
        }
      }),
    unasked,
    emit,
    signal,
  );
}

async function withSession(
  target: EngineTarget,
  signal: AbortSignal,
  work: (session: EngineSession) => Promise<void>,
): Promise<void> {
  const engine = engines[target.engine];
  const found = await engine.find();
  if (found.status === 'missing') throw new EngineLost(found.remedy);
  signal.throwIfAborted();
  const session = await engine.launch(found.path);
  // Closing the browser is what makes a cancel quick: whatever is being waited for ends at once.
  const stop = () => void session.close();
  signal.addEventListener('abort', stop, { once: true });
  try {
    signal.throwIfAborted();
    await work(session);
  } finally {
    signal.removeEventListener('abort', stop);
    await session.close();
  }
}

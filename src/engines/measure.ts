import { pageUnderTest } from '@/core/form/page-under-test';
import type { Asking } from '@/core/observation/asking';
import { askingOfTarget } from '@/core/observation/asking-of-target';
import type { Measured } from '@/core/observation/provenance';
import type { EmitSweepMessage } from '@/core/observation/sweep-message';
import type { EngineTarget } from '@/core/target/target';
import { askTarget } from '@/probe/ask-page';
import { probeBundle } from '@/probe/bundle';
import { EngineLost, type EngineSession } from './engine';
import { engineNamed } from './engines';
import { startPageServer } from './page-server';
import { unableTo } from './variant-check';

/**
 * The measuring observer: asks targets that one browser can be, one after the other, see `askTarget`. A browser that
 * goes away costs the target that was being asked its remaining answers; the next one gets a new browser. Everything
 * that it started (browser, profile, display, page server) is gone when it returns.
 */
export async function measure(
  targets: readonly EngineTarget[],
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
): Promise<void> {
  const browser: { session: EngineSession | null } = { session: null };
  const close = async () => {
    const { session } = browser;
    browser.session = null;
    await session?.close();
  };
  // Closing the browser is what makes a cancel quick: whatever is being waited for ends at once.
  const stop = () => void browser.session?.close();
  signal.addEventListener('abort', stop, { once: true });
  try {
    for (const target of targets) {
      if (signal.aborted) return;
      const asked = askingOfTarget(asking, target);
      const { ended } = await askTarget(
        target.id,
        asked,
        async (work) => {
          browser.session ??= await sessionFor(target, signal);
          await withPage(browser.session, target, asked, work);
        },
        { mark: 'measured', engine: target.name, version: 'unknown', protocol: 'none', unable: [] },
        emit,
        signal,
      );
      if (ended === 'failed') await close();
    }
  } finally {
    signal.removeEventListener('abort', stop);
    await close();
  }
}

async function sessionFor(target: EngineTarget, signal: AbortSignal): Promise<EngineSession> {
  const engine = await engineNamed(target.engine);
  if (typeof engine === 'string') throw new EngineLost(engine);
  const found = await engine.find();
  if (found.status === 'missing') throw new EngineLost(found.remedy);
  signal.throwIfAborted();
  const session = await engine.launch(found.path, target.variant);
  if (!signal.aborted) return session;
  await session.close();
  throw signal.reason;
}

async function withPage(
  session: EngineSession,
  target: EngineTarget,
  asked: Asking,
  work: Parameters<Parameters<typeof askTarget>[2]>[0],
): Promise<void> {
  const engine = await engineNamed(target.engine);
  const server = await startPageServer(typeof engine === 'string' ? null : engine.pagesFrom);
  try {
    const { code } = await probeBundle('probe');
    const address = server.add(pageUnderTest(asked.markup));
    const page = await session.open(address, code, target.variant);
    const provenance: Measured = {
      ...session.provenance,
      unable: await unableTo(page, target.variant),
    };
    await work(page, provenance);
  } finally {
    await server.close();
  }
}

import { pageUnderTest } from '@/core/html/page-under-test';
import { type Measured, notAsked } from '@/core/observation/provenance';
import type { Asking } from '@/core/questions/asking';
import { askingOfTarget } from '@/core/sweep/asking-of-target';
import type { KnownAnswers } from '@/core/sweep/known-answers';
import type { EmitSweepMessage } from '@/core/sweep/sweep-message';
import type { EngineTarget } from '@/core/target/target';
import { unlessAborted } from '@/core/unless-aborted';
import { askTarget } from '@/probe/ask-page';
import { probeBundle } from '@/probe/bundle';
import { type Engine, EngineLost, type EnginePage, type EngineSession } from './api/engine';
import type { Gate } from './api/gate';
import { engineNamed } from './engines';
import { openGate } from './network/gate';
import { type PageServer, startPageServer } from './network/page-server';
import { ownPageFault, probeWithin, stepsBefore } from './own-page';
import { unableTo } from './variant-check';

/**
 * The measuring observer: asks targets that one browser can be, one after the other, see `askTarget`. After a
 * browser that went away there comes a new one. Everything that it started (browser, profile, display, page server) is gone when it
 * returns.
 * @param known answers that are there already
 */
export async function measure(
  targets: readonly EngineTarget[],
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
  known: KnownAnswers,
): Promise<void> {
  const gate = asking.page ? await openGate(asking.page) : null;
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
      await askTarget(
        target.id,
        asked,
        async (work) => {
          const engine = await engineNamed(target.engine);
          browser.session ??= await sessionFor(engine, target, asking, gate, signal);
          try {
            await withPage(engine, browser.session, target, asked, work);
          } catch (error) {
            // Whatever it was, what is asked next is asked of another browser.
            await close();
            throw error;
          }
        },
        notAsked(target.name),
        emit,
        signal,
        known.get(target.id),
      );
    }
  } finally {
    signal.removeEventListener('abort', stop);
    await close();
    await gate?.close();
  }
}

async function sessionFor(
  engine: Engine,
  target: EngineTarget,
  asking: Asking,
  gate: Gate | null,
  signal: AbortSignal,
): Promise<EngineSession> {
  const found = await engine.find();
  if (found.status === 'missing') throw new EngineLost(found.failure, { isSettled: true });
  signal.throwIfAborted();
  const tellsAccessibility = asking.questions.includes('accessibility');
  const launching = engine.launch(found.path, target.variant, { signal, gate, tellsAccessibility });
  return unlessAborted(launching, signal).catch((error: unknown) => {
    // What is still starting ends as soon as it has started; nobody waits for it.
    if (signal.aborted) launching.then((session) => session.close()).catch(() => undefined);
    throw error;
  });
}

async function opened(
  session: EngineSession,
  { variant, withheld }: EngineTarget,
  { page, markup, fields }: Asking,
  server: PageServer,
): Promise<EnginePage> {
  const { code } = await probeBundle('probe');
  if (!page) return session.open(server.add(pageUnderTest(markup)), code, variant);
  if (withheld) throw new EngineLost({ code: 'kind withheld' }, { isSettled: true });
  const fault = await ownPageFault(page);
  if (fault) throw new EngineLost({ code: 'page fault', fault }, { isSettled: true });
  return session.open(
    page.address,
    probeWithin(page, fields, code),
    variant,
    stepsBefore(page, { form: page.form, fields }),
  );
}

async function withPage(
  engine: Engine,
  session: EngineSession,
  target: EngineTarget,
  asked: Asking,
  work: Parameters<Parameters<typeof askTarget>[2]>[0],
): Promise<void> {
  const server = await startPageServer(engine.pagesFrom);
  try {
    const page = await opened(session, target, asked, server);
    const provenance: Measured = {
      ...session.provenance,
      unable: await unableTo(page, target.variant, engine.wordsPackages),
    };
    await work(page, provenance, server.receiver());
  } finally {
    await server.close();
  }
}

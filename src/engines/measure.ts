import { pageUnderTest } from '@/core/html/page-under-test';
import { type Measured, notAsked } from '@/core/observation/provenance';
import type { Asking } from '@/core/questions/asking';
import { answerBases, type EarlierAnswers } from '@/core/sweep/answer-basis';
import { askingOfTarget } from '@/core/sweep/asking-of-target';
import type { KnownAnswers } from '@/core/sweep/known-answers';
import type { EmitSweepMessage } from '@/core/sweep/sweep-message';
import type { EngineTarget } from '@/core/target/target';
import type { Receiver } from '@/probe/api/askable-page';
import { askTarget, type Earlier } from '@/probe/ask-page';
import { probeBundle } from '@/probe/bundle';
import { type Engine, EngineLost, type EnginePage, type EngineSession } from './api/engine';
import { engineNamed } from './engines';
import { openGate } from './network/gate';
import { type PageServer, startPageServer } from './network/page-server';
import { ownPageFault, probeWithin, stepsBefore } from './own-page';
import type { Browsers, LentBrowser } from './pool/browsers';
import type { Trace } from './trace/trace';
import { tracedPage } from './trace/traced-page';
import { unableTo } from './variant-check';

/** With what a sweep is made. */
export interface SweepMeans {
  /** Answers that are there already, and are not asked for again. */
  readonly known: KnownAnswers;
  /** Answers of an earlier sweep, which are kept as long as they hold. */
  readonly earlier: EarlierAnswers;
  readonly browsers: Browsers;
  /** Takes down what the time is spent on; null: nobody wants to know. */
  readonly trace: Trace | null;
}

/**
 * The measuring observer: asks targets that one browser can be, one after the other, see `askTarget`. After a
 * browser that went away there comes a new one. Everything that it started or was lent (browser, profile, display, page server) is gone
 * or given back when it returns.
 */
export async function measure(
  targets: readonly EngineTarget[],
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
  { known, earlier, browsers, trace }: SweepMeans,
): Promise<void> {
  const gate = asking.page ? await openGate(asking.page) : null;
  const tellsAccessibility = asking.questions.includes('accessibility');
  const browser: { lent: LentBrowser | null } = { lent: null };
  const giveBack = async (isSound: boolean) => {
    const { lent } = browser;
    browser.lent = null;
    await lent?.giveBack(isSound && !signal.aborted);
  };
  // Closing the browser is what makes a cancel quick: whatever is being waited for ends at once.
  const stop = () => void browser.lent?.session.close();
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
          browser.lent ??= await browsers.take(engine, target.variant, { signal, gate, tellsAccessibility });
          try {
            const { session } = browser.lent;
            const begin = performance.now();
            await withPage(engine, session, target, asked, (page, ...more) => {
              trace?.({ target: target.id, name: 'open', kind: 'command', begin, end: performance.now() });
              return work(trace ? tracedPage(page, target.id, trace) : page, ...more);
            });
          } catch (error) {
            // Whatever it was, what is asked next is asked of another browser.
            await giveBack(false);
            throw error;
          }
        },
        notAsked(target.name),
        emit,
        signal,
        known.get(target.id),
        await earlierOf(target, asked, earlier),
      );
    }
  } finally {
    signal.removeEventListener('abort', stop);
    await giveBack(true);
    await gate?.close();
  }
}

/** Null where nobody can tell on what answers rest: of a page of the developer's own, and of an engine whose version is not known. */
async function earlierOf(
  { id, engine, variant }: EngineTarget,
  asking: Asking,
  earlier: EarlierAnswers,
): Promise<Earlier | null> {
  if (asking.page) return null;
  const found = await engineNamed(engine)
    .then((one) => one.find())
    .catch(() => null);
  if (found?.status !== 'found' || found.version === null) return null;
  const bases = answerBases(asking, { engine, version: found.version, variant });
  return { answers: earlier.get(id) ?? [], bases };
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
  work: (page: EnginePage, provenance: Measured, receiver: Receiver) => Promise<void>,
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

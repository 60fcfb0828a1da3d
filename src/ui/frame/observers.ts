import { pageUnderTest } from '@/core/html/page-under-test';
import type { Asking } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import { keepingUnchanged } from '@/core/sweep/keep-unchanged';
import type { Observers } from '@/core/sweep/sweep';
import type { EmitSweepMessage } from '@/core/sweep/sweep-message';
import type { ProbeTarget } from '@/core/target/target';
import { capture } from '@/probe/capture';
import { askServer } from '@/store/ask-server';
import { isLongMarkup, markupReader } from '@/workers/markup-reader';
import { askModelsBeside } from '@/workers/model';

const pageOf = (markup: string) =>
  isLongMarkup(markup) ? markupReader().pageUnderTest(markup) : pageUnderTest(markup);

/** Begins in a task of its own: a long form, written out for each observer at once, would hold the page up. */
function inOwnTask<Given extends unknown[]>(
  observe: (...given: Given) => Promise<void>,
): (...given: Given) => Promise<void> {
  return async (...given) => {
    await new Promise((resolve) => setTimeout(resolve));
    return observe(...given);
  };
}

/**
 * Engines are asked through the server, this browser by its own frame, the model in a worker.
 * @param earlier answers of an earlier sweep: those that still hold are kept
 */
export function observersAfter(earlier: readonly Observation[]): Observers {
  const captured = keepingUnchanged(captureEach, earlier, thisBrowser());
  return {
    engines: inOwnTask((targets, asking, emit, signal) => askServer(targets, asking, emit, signal, earlier)),
    probe: (target, asking, emit, signal) => captured([target], asking, emit, signal),
    models: inOwnTask(keepingUnchanged(askModelsBeside, earlier, '')),
  };
}

async function captureEach(
  targets: readonly ProbeTarget[],
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
): Promise<void> {
  for (const { id } of targets) await capture(id, asking, emit, signal, { pageOf });
}

/** What pictures depend on that this browser takes of its own pages. */
function thisBrowser(): string {
  const isDark = window.matchMedia('(prefers-color-scheme: dark)').matches;
  return JSON.stringify([navigator.userAgent, navigator.language, window.devicePixelRatio, isDark]);
}

import { pageUnderTest } from '@/core/html/page-under-test';
import type { Observation } from '@/core/questions/observation';
import type { Observers } from '@/core/sweep/sweep';
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
 * @param earlier answers of an earlier sweep: of engines, those that still hold are kept
 */
export function observersAfter(earlier: readonly Observation[]): Observers {
  return {
    engines: inOwnTask((targets, asking, emit, signal) => askServer(targets, asking, emit, signal, earlier)),
    probe: (target, asking, emit, signal) => capture(target.id, asking, emit, signal, { pageOf }),
    models: inOwnTask(askModelsBeside),
  };
}

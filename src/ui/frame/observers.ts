import { pageUnderTest } from '@/core/html/page-under-test';
import type { Observers } from '@/core/sweep/sweep';
import { capture } from '@/probe/capture';
import { askServer } from '@/store/ask-server';
import { isLongMarkup, markupReader } from '@/workers/markup-reader';
import { askModelsBeside } from '@/workers/model';

const pageOf = (markup: string) =>
  isLongMarkup(markup) ? markupReader().pageUnderTest(markup) : pageUnderTest(markup);

/** Engines are asked through the server, this browser by its own frame, the model in a worker. */
export const observers: Observers = {
  engines: askServer,
  probe: (target, asking, emit, signal) => capture(target.id, asking, emit, signal, { pageOf }),
  models: askModelsBeside,
};

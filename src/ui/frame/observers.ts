import type { Observers } from '@/core/observation/sweep';
import { capture } from '@/probe/capture';
import { askServer } from '@/store/ask-server';

/** Engines are asked through the server, this browser by its own frame. */
export const observers: Observers = {
  engines: askServer,
  probe: (target, asking, emit, signal) => capture(target.id, asking, emit, signal),
};

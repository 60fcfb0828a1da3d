import type { Variant } from '@/core/target/variant';
import { unlessAborted } from '@/core/unless-aborted';
import { type Engine, EngineLost, type EngineSession, type LaunchOptions } from '../api/engine';

/** A browser that is lent to one sweep. */
export interface LentBrowser {
  readonly session: EngineSession;
  /**
   * Ends the loan; never throws.
   * @param isSound false where something went wrong with it: nobody gets it again
   */
  giveBack(isSound: boolean): Promise<void>;
}

/** Where browsers come from. */
export interface Browsers {
  /** Throws `EngineLost` when none can be had, and the reason of `how.signal` as soon as that aborts. */
  take(engine: Engine, variant: Variant, how: LaunchOptions): Promise<LentBrowser>;
}

/** A new browser for each loan, which ends with it. */
export const newBrowsers: Browsers = {
  async take(engine, variant, how) {
    const session = await launched(engine, variant, how);
    return { session, giveBack: () => session.close() };
  },
};

/** Starts a browser of an engine. Throws as `Browsers.take` does. */
export async function launched(engine: Engine, variant: Variant, how: LaunchOptions): Promise<EngineSession> {
  const found = await engine.find();
  if (found.status === 'missing') throw new EngineLost(found.failure, { isSettled: true });
  const { signal } = how;
  signal?.throwIfAborted();
  const launching = engine.launch(found.path, variant, how);
  if (!signal) return launching;
  return unlessAborted(launching, signal).catch((error: unknown) => {
    // What is still starting ends as soon as it has started; nobody waits for it.
    if (signal.aborted) launching.then((session) => session.close()).catch(() => undefined);
    throw error;
  });
}

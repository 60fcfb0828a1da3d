import type { PagePlace } from '@/core/document/own-page';
import { plainVariant } from '@/core/target/variant';
import type { Engine, EngineSession } from './api/engine';
import { onceMore } from './api/once-more';
import { openGate } from './network/gate';

/** Runs a browser of an engine over a page of the developer's own, behind a gate, for as long as `use` takes; it ends when `signal` aborts, which lets `use` fail. Throws `EngineLost`. */
export async function withSession<Result>(
  engine: Engine,
  path: string,
  page: PagePlace,
  signal: AbortSignal,
  use: (session: EngineSession) => Promise<Result>,
): Promise<Result> {
  const gate = await openGate(page);
  try {
    return await used(
      await onceMore(() => engine.launch(path, plainVariant, { signal, gate }), signal),
      signal,
      use,
    );
  } finally {
    await gate.close();
  }
}

async function used<Result>(
  session: EngineSession,
  signal: AbortSignal,
  use: (session: EngineSession) => Promise<Result>,
): Promise<Result> {
  const stop = () => void session.close();
  signal.addEventListener('abort', stop, { once: true });
  try {
    return await use(session);
  } finally {
    signal.removeEventListener('abort', stop);
    await session.close();
  }
}

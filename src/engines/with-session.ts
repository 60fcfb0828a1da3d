import { plainVariant } from '@/core/target/variant';
import type { Engine, EngineSession } from './engine';

/** Runs a browser of an engine for as long as `use` takes; it ends when `signal` aborts, which lets `use` fail. Throws `EngineLost`. */
export async function withSession<Result>(
  engine: Engine,
  path: string,
  signal: AbortSignal,
  use: (session: EngineSession) => Promise<Result>,
): Promise<Result> {
  const session = await engine.launch(path, plainVariant, signal);
  const stop = () => void session.close();
  signal.addEventListener('abort', stop, { once: true });
  try {
    return await use(session);
  } finally {
    signal.removeEventListener('abort', stop);
    await session.close();
  }
}

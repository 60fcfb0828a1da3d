import { plainVariant, type Variant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import type { EnginePage } from '@/engines/api/engine';
import { engineNamed } from '@/engines/engines';
import { startPageServer } from '@/engines/network/page-server';

/** In place of the probe, for pages that are asked by hand. */
const noProbe = 'window.ukkoProbe = { settle() {} };';

/**
 * Opens a page with an empty form in an engine, asks it, and ends all of it.
 * @param probe what runs in the page from the outside
 */
export async function inBarePage(
  name: string,
  ask: (page: EnginePage) => Promise<void>,
  { variant = plainVariant, probe = noProbe }: { variant?: Variant; probe?: string } = {},
): Promise<void> {
  const engine = await engineNamed(name);
  const found = await engine.find();
  if (found.status === 'missing') throw new Error(failureText(found.failure));
  const session = await engine.launch(found.path, variant);
  const server = await startPageServer(engine.pagesFrom);
  try {
    const address = server.add('<!doctype html><meta charset="utf-8"><body><form></form>');
    await ask(await session.open(address, probe, variant));
  } finally {
    await server.close();
    await session.close();
  }
}

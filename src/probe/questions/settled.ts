import type { AskablePage } from '../api/askable-page';
import type { TypedSoFar } from '../api/probe-api';

/** How long the page may take over a stroke, ms; what goes on for longer is not waited for. */
const longest = 500;
const betweenLooks = 4;

type SettlingPage = Pick<AskablePage, 'probe' | 'stopwatch'>;

/** Waits until the page has done what it does about what was done in it just now. */
export async function settled(page: SettlingPage): Promise<void> {
  await onceQuiet(page, async () => (await page.probe('isQuiet')) || null);
}

/** What was typed, once the page has done what it does about it, or has taken too long. */
export async function typedOnceSettled(page: SettlingPage): Promise<TypedSoFar> {
  const typed = await onceQuiet(page, () => page.probe('takeTypedIfQuiet'));
  return typed ?? page.probe('takeTyped');
}

/** Asks again and again until there is an answer; null where the page is not quiet for so long. */
async function onceQuiet<Answer>(
  page: SettlingPage,
  ask: () => Promise<Answer | null>,
): Promise<Answer | null> {
  await page.probe('waitForQuiet');
  for (const elapsed = page.stopwatch(); elapsed() < longest; ) {
    const answer = await ask();
    if (answer !== null) return answer;
    await new Promise((resolve) => setTimeout(resolve, betweenLooks));
  }
  return null;
}

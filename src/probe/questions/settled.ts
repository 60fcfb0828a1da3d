import type { AskablePage } from '../api/askable-page';

/** How long the page may take over a stroke, ms; what goes on for longer is not waited for. */
const longest = 500;
const betweenLooks = 4;

/** Waits until the page has done what it does about what was done in it just now. */
export async function settled(page: Pick<AskablePage, 'probe' | 'stopwatch'>): Promise<void> {
  await page.probe('waitForQuiet');
  for (const elapsed = page.stopwatch(); elapsed() < longest; ) {
    if (await page.probe('isQuiet')) return;
    await new Promise((resolve) => setTimeout(resolve, betweenLooks));
  }
}

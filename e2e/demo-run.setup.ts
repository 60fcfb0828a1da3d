import { exported, runFile, sweep, test } from './app';

test('the demo form is swept once for all walks', async ({ page }) => {
  await page.goto('/survey');
  await sweep(page);
  await (await exported(page)).saveAs(runFile);
});

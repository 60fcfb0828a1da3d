import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { test as base, type Download, expect, type Page } from '@playwright/test';
import { startApp } from '../scripts/start-app.mjs';

/** The run that all walks share: a sweep of the demo form over the whole line-up, made once before them. */
export const runFile = join(import.meta.dirname, '../test-results/demo-run.json');

type App = Awaited<ReturnType<typeof startApp>>;

/** Tests with the built app running, and a page that fails on any error in its console. */
export const test = base.extend<{ quiet: undefined }, { app: App }>({
  app: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright wants the first parameter to be destructured
    async ({}, use) => {
      const app = await startApp();
      await use(app);
      await app.stop();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ app }, use) => use(app.address),
  quiet: [
    async ({ page }, use) => {
      const errors: string[] = [];
      page.on('pageerror', (error) => errors.push(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error') errors.push(`${message.text()} ${message.location().url}`);
      });
      await use(undefined);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** Pastes HTML onto a page where nothing has the focus: it is opened as a form of its own. */
export async function pasteForm(page: Page, html: string): Promise<void> {
  await page.goto('/form');
  await page.getByRole('button', { name: /^Station code/ }).waitFor();
  await page.evaluate((text) => {
    const data = new DataTransfer();
    data.setData('text/plain', text);
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
  }, html);
}

/** Sweeps the line-up and waits until every target has ended. */
export async function sweep(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Sweep', exact: true }).click();
  await page.getByRole('button', { name: 'Cancel' }).waitFor();
  await page.getByRole('button', { name: 'Sweep', exact: true }).waitFor({ timeout: 380_000 });
}

/** The run that is shown, as a file. */
export async function exported(page: Page): Promise<Download> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByRole('menuitem', { name: 'Export run' }).click();
  return download;
}

/** Opens the run that all walks share. */
export async function openRun(page: Page): Promise<void> {
  await page.goto('/survey');
  await page.getByRole('heading', { name: 'Nothing was asked yet' }).waitFor();
  await page.getByLabel('File to open').setInputFiles(runFile);
  await page.getByRole('grid', { name: 'Survey' }).waitFor();
}

/** What Ukko complains about; the router has an alert of its own outside of the view. */
export function alert(page: Page) {
  return page.getByRole('main').getByRole('alert');
}

/** The survey's cell of a field and a target, by their names on the screen. */
export function cell(page: Page, field: string, target: string) {
  const row = page
    .getByRole('row')
    .filter({ has: page.getByRole('rowheader').filter({ hasText: new RegExp(`^${field}`) }) });
  const column = ['Chromium', 'Firefox', 'WebKit', 'This browser', 'Android-like phone'].indexOf(target);
  return row.getByRole('gridcell').nth(column);
}

/** What depends on the colours of a scheme; all else is one in both. */
const rulesOfColour = ['color-contrast', 'link-in-text-block'];

/** WCAG 2.2 AA, as far as a program can tell, in the light scheme and in the dark one. */
export async function expectAccessible(page: Page): Promise<void> {
  // One view's title goes a moment before the next one's comes.
  await expect(page).toHaveTitle(/./);
  await inScheme(page, 'light');
  const inLight = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  await inScheme(page, 'dark');
  const inDark = await new AxeBuilder({ page }).withRules(rulesOfColour).analyze();
  expect([...inLight.violations.map(told), ...inDark.violations.map(told)]).toEqual([]);
}

type Violation = Awaited<ReturnType<AxeBuilder['analyze']>>['violations'][number];

const told = ({ id, nodes }: Violation) => `${id}: ${nodes.map((node) => node.html).join(' ')}`;

/** Ends once nothing is between one colour and another any more. */
async function inScheme(page: Page, colorScheme: 'light' | 'dark'): Promise<void> {
  await page.emulateMedia({ colorScheme });
  await expect(page.locator('html')).toHaveAttribute('data-theme', colorScheme);
  await expect.poll(() => page.evaluate(() => document.getAnimations().length)).toBe(0);
}

/** Clicks into the markup of the Form view and waits for the editor that comes then. */
export async function intoMarkup(page: Page): Promise<void> {
  const markup = page.getByRole('textbox', { name: 'Markup of the form' });
  await markup.click();
  await expect(markup).toHaveAttribute('contenteditable', 'true');
  await expect(markup).toBeFocused();
}

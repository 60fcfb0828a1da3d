/** Takes one picture of each main view, made from the demo data, at 1280×800: npm run screenshots [-- DIRECTORY]. */
import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { startExample } from '../example/server.mjs';
import { startApp } from './start-app.mjs';

const directory = process.argv[2] ?? 'docs/screenshots';
const only = process.argv[3]?.split(',');

const shots: Readonly<Record<string, (page: Page, address: string) => Promise<void>>> = {
  form: async (page, address) => {
    await page.goto(`${address}/form?field=level`);
    await page.getByRole('textbox', { name: 'Try a value' }).waitFor();
    await settled(page);
  },
  survey: (page, address) => page.goto(`${address}/survey`).then(() => settled(page)),
  'survey-messages': (page, address) =>
    page
      .goto(`${address}/survey?lens=message&field=email&target=this-browser&closeup=on`)
      .then(() => settled(page)),
  'close-up': (page, address) =>
    page
      .goto(`${address}/survey?state=invalid&field=date&target=chromium&closeup=on`)
      .then(() => settled(page)),
  'survey-open': (page, address) =>
    page.goto(`${address}/survey?state=open&field=date&target=firefox`).then(async () => {
      await settled(page);
      await page.getByRole('grid').evaluate((grid) => grid.scrollTo(0, 480));
      await settled(page);
    }),
  'line-up': async (page, address) => {
    await page.goto(`${address}/survey`);
    await page.getByRole('button', { name: /^Line-up/ }).click();
    await settled(page);
  },
  fallback: async (page, address) => {
    await page.goto(`${address}/survey?field=month&target=firefox&closeup=on`);
    await page.getByRole('button', { name: 'Fallback plans' }).click();
    await page.getByRole('button', { name: 'Try the plans' }).click();
    await page.getByRole('button', { name: 'Try again' }).waitFor({ timeout: 60_000 });
    await page.getByRole('button', { name: 'Cancel' }).waitFor({ state: 'detached', timeout: 60_000 });
    await settled(page);
  },
  typing: async (page, address) => {
    await page.goto(`${address}/typing?field=level&stroke=5`);
    for (const target of ['Chromium', 'Firefox', 'WebKit']) {
      const column = page.getByRole('columnheader', { name: new RegExp(target) });
      // A sweep has asked before.
      await column.getByRole('button', { name: /^Ask/ }).click();
      await column.getByText('measured, as modelled').waitFor({ timeout: 60_000 });
      await page.getByRole('button', { name: 'Cancel' }).waitFor({ state: 'detached', timeout: 60_000 });
    }
    await settled(page);
  },
  'typing-guards': (page, address) =>
    page.goto(`${address}/typing?field=serial&stroke=12`).then(() => settled(page)),
  'typing-ways-in': (page, address) =>
    page.goto(`${address}/typing?field=serial&typing=ways+in`).then(() => settled(page)),
  'typing-samples': async (page, address) => {
    await page.goto(`${address}/typing?field=serial&typing=samples`);
    await page.getByRole('table', { name: 'Samples' }).getByText('accepted !').first().waitFor();
    await settled(page);
  },
  'typing-rule': async (page, address) => {
    await page.goto(`${address}/typing?field=station&typing=rule`);
    await page.getByRole('button', { name: 'Add samples from it' }).click();
    await page.getByRole('textbox', { name: 'Source of the rule' }).fill('[A-Z]{3}-[0-9]{1,3}');
    await page.getByRole('textbox', { name: 'Try a text' }).fill('SKR-0');
    await page.getByRole('button', { name: 'Add the live rule that fits' }).waitFor();
    await settled(page);
  },
  keyboards: async (page, address) => {
    await page.goto(`${address}/keyboards?field=phone`);
    await page.getByRole('article').first().waitFor();
    const keys = page.getByRole('group', { name: /^Keyboard of Android-like phone/ });
    for (const name of ['4', '7', '1']) await keys.getByRole('button', { name, exact: true }).click();
    await settled(page);
  },
  'keyboards-measured': async (page, address) => {
    await page.goto(`${address}/keyboards?field=level`);
    for (const name of ['Firefox on Linux', 'Chromium on Linux', 'WebKit on Linux']) {
      const card = page.getByRole('article', { name });
      await card.getByRole('button', { name: 'Ask', exact: true }).click();
      await card.getByRole('img', { name: /with the keyboard/ }).waitFor({ timeout: 60_000 });
    }
    await page.getByRole('article', { name: 'Firefox on Linux' }).evaluate((card) => card.scrollIntoView());
    await settled(page);
  },
  'own-page': async (page, address) => {
    const example = await startExample();
    await page.goto(`${address}/form`);
    await page.getByRole('button', { name: 'Files' }).click();
    await page.getByRole('menuitem', { name: 'Open a page of yours…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Open a page of yours' });
    await dialog.getByLabel('Address on this machine').fill(`${example.address}sign-in`);
    await dialog.getByLabel(/^What is done before/).fill('fill "User" "ada"\nclick "Sign in"');
    await dialog.getByRole('button', { name: 'Find its forms' }).click();
    await dialog.getByRole('button', { name: 'click “New entry”' }).click({ timeout: 60_000 });
    await dialog.getByRole('button', { name: 'click “Send entry”' }).waitFor({ timeout: 60_000 });
    await dialog.getByText('New entry (6 fields)').click();
    await settled(page);
    await example.stop();
  },
  findings: async (page, address) => {
    await page.goto(`${address}/findings?form=hurried-tide-log`);
    await page.getByRole('button', { name: /there is no input type/ }).click();
    await page.getByText(/With it, /).waitFor();
    await page.getByRole('button', { name: /^Ask the targets/ }).click();
    await page.getByRole('list', { name: 'Before and after' }).waitFor({ timeout: 240_000 });
    await settled(page);
  },
  submission: (page, address) =>
    page.goto(`${address}/submission?state=filled&target=firefox`).then(() => settled(page)),
  'submission-blocked': (page, address) =>
    page.goto(`${address}/submission?target=webkit`).then(() => settled(page)),
  'survey-dark': async (page, address) => {
    await page.goto(`${address}/survey?state=filled`);
    await page.getByRole('button', { name: 'Dark' }).click();
    await settled(page);
  },
};

async function settled(page: Page): Promise<void> {
  // A worker that is ended while it loads would keep the network from ever being idle.
  // The app's policy forbids what waits inside of the page: it is looked at from outside.
  const isStill = `!document.querySelector('.ant-spin') && [...document.images].every(({ complete }) => complete)`;
  for (const end = Date.now() + 60_000; Date.now() < end; await page.waitForTimeout(50))
    if (await page.evaluate(isStill)) break;
  await page.waitForTimeout(1500);
}

async function sweep(page: Page, address: string): Promise<void> {
  await page.goto(`${address}/survey`);
  await page.getByRole('button', { name: 'Sweep now' }).click();
  await page.getByRole('button', { name: 'Cancel' }).waitFor();
  await page.getByRole('button', { name: 'Sweep', exact: true }).waitFor({ timeout: 180_000 });
}

await mkdir(directory, { recursive: true });
const app = await startApp();
const browser = await chromium.launch({
  executablePath: process.env.UKKO_CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-dev-shm-usage', '--hide-scrollbars'],
});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme: 'light' });
  page.on('console', (message) => {
    if (message.type() === 'error') console.error(`console: ${message.text()}`);
  });
  page.on('pageerror', (error) => console.error(`page: ${error.message}`));
  if (!only?.every((name) => /^(?:typing|keyboard|own)/.test(name))) await sweep(page, app.address);
  for (const [name, open] of Object.entries(shots)) {
    if (only && !only.includes(name)) continue;
    await open(page, app.address);
    await page.screenshot({ path: join(directory, `${name}.png`) });
    console.log(join(directory, `${name}.png`));
  }
} finally {
  await browser.close();
  await app.stop();
}

/**
 * npm run bench -- blocks, after npm run build: for how long a large form keeps each view from answering, as the longest task of the
 * page's main thread while it is opened, edited, looked at and loaded again; and how long its markup takes to be read.
 */
import { chromium, type Page } from '@playwright/test';
import { readForm } from '@/core/form/read-form';
import { hostilePatterns } from '../tests/fixtures/hostile-patterns';
import { startApp } from './start-app.mjs';

const lines = (count: number) =>
  '<p>A line of text about tides and buoys, with a <b>bold</b> word.</p>\n'.repeat(count);
const times = (count: number, one: (index: number) => string) =>
  Array.from({ length: count }, (_, index) => one(index)).join('');
const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('"', '&quot;');
const field = (index: number) =>
  `<p><label>Field ${index} <input name=f${index} required pattern="[a-z]+"></label>\n`;

const shapes: readonly (readonly [string, string])[] = [
  ['a form of 30 fields', `<form>${times(30, field)}<button>Send</button></form>`],
  ['a page of 300 KB', `<form>${times(30, (index) => lines(150) + field(index))}</form>`],
  [
    'hostile patterns',
    `<form>${hostilePatterns.map((pattern, index) => `<p><label>Field ${index} <input name=f${index} pattern="${escaped(pattern)}" value="${'a'.repeat(40)}"></label>`).join('')}</form>`,
  ],
  ['1 million characters of text', `<form>${lines(14_500)}<input name=a></form>`],
  ['20,000 elements deep', `${'<div>'.repeat(20_000)}<input name=a>`],
  ['500 fields', `<form>${times(500, field)}</form>`],
  ['20,000 fields', `<form>${times(20_000, (index) => `<input name=f${index}>\n`)}</form>`],
  ['38,461 options', `<form><select name=s>${'<option>Buoy number '.repeat(38_461)}</select></form>`],
  ['one attribute of 900 KB', `<form><input name=a title="${'x'.repeat(900_000)}"></form>`],
];

/** Keeps the lengths of all tasks of 50 ms and more. */
const watchTasks = `window.tasks = [];
new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((one) => one.duration))).observe({ type: 'longtask' });`;

async function longestSince(page: Page): Promise<number> {
  return Math.round(await page.evaluate('Math.max(0, ...window.tasks.splice(0))'));
}

async function walked(page: Page, markup: string): Promise<Record<string, number>> {
  const longest: Record<string, number> = {};
  const step = async (name: string, act: () => Promise<unknown>) => {
    await page.waitForTimeout(500);
    await longestSince(page);
    await act();
    await page.waitForTimeout(3500);
    longest[name] = await longestSince(page);
  };
  await page.goto('/form');
  await page.getByRole('button', { name: /^Station code/ }).waitFor();
  // Without the text in it, the event costs what it costs to paste.
  await page.evaluate((text) => Object.assign(window, { text }), markup);
  await step('opened', () =>
    page.evaluate(`{
      const data = new DataTransfer();
      data.setData('text/plain', window.text);
      document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
    }`),
  );
  await step('edited', async () => {
    await page.mouse.click(900, 300);
    await page.waitForTimeout(1000);
    await page.keyboard.type('tide');
  });
  for (const [index, view] of ['survey', 'typing', 'keyboards', 'submission', 'findings'].entries())
    await step(view, () => page.keyboard.press(`Alt+${index + 2}`));
  await page.reload();
  await page.waitForTimeout(4000);
  longest['loaded again'] = await longestSince(page);
  return longest;
}

const app = await startApp();
const browser = await chromium.launch({
  executablePath: process.env.UKKO_CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox'],
});
try {
  for (const [name, markup] of shapes) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: app.address });
    await page.addInitScript(watchTasks);
    const longest = await walked(page, markup);
    await page.close();
    const begin = performance.now();
    readForm(markup);
    const read = performance.now() - begin;
    const told = Object.entries(longest).map(([step, ms]) => `${step} ${ms < 50 ? 'under 50' : ms}`);
    console.log(`Longest task, ms, ${name}: ${told.join(', ')}; read in ${Math.round(read)} ms`);
  }
} finally {
  await browser.close();
  await app.stop();
}

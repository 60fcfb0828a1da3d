/**
 * npm run bench -- blocks [PART OF A NAME], after npm run build: for how long a large form keeps each view from answering, as the longest task of the
 * page's main thread while it is opened, edited, looked at and loaded again; and how long its markup takes to be read. Of each task the
 * first figure is the time that the thread was at work on it, the second the time that went by: on a busy machine others have the rest.
 */
import { type CDPSession, chromium, type Page } from '@playwright/test';
import { readForm } from '@/core/html/read-form';
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

/** Of a task of the main thread, ms. */
interface Task {
  readonly atWork: number;
  readonly went: number;
}

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  /** μs that went by, and that the thread was at work. */
  readonly dur?: number;
  readonly tdur?: number;
}

/** A mark by which the page's own thread is found among all. */
const ownThread = 'own thread';

/** The longest task of a page while something is done, by the time at work. */
async function longestTask(browser: CDPSession, page: Page, act: () => Promise<unknown>): Promise<Task> {
  const events: TraceEvent[] = [];
  const collect = ({ value }: { value: object[] }) => events.push(...(value as TraceEvent[]));
  browser.on('Tracing.dataCollected', collect);
  await browser.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: {
      includedCategories: ['disabled-by-default-devtools.timeline', 'blink.user_timing'],
      excludedCategories: ['*'],
    },
  });
  // Frames under test have threads of their own, which hold nobody up.
  await page.evaluate(`performance.mark('${ownThread}')`);
  await act();
  const complete = new Promise((resolve) => browser.once('Tracing.tracingComplete', resolve));
  await browser.send('Tracing.end');
  await complete;
  browser.off('Tracing.dataCollected', collect);
  const mains = new Set(events.flatMap(({ name, pid, tid }) => (name === ownThread ? `${pid} ${tid}` : [])));
  return events
    .filter(({ name, ph, pid, tid }) => name === 'RunTask' && ph === 'X' && mains.has(`${pid} ${tid}`))
    .map(({ dur = 0, tdur = dur }) => ({ atWork: Math.round(tdur / 1000), went: Math.round(dur / 1000) }))
    .reduce((longest, task) => (task.atWork > longest.atWork ? task : longest), { atWork: 0, went: 0 });
}

async function walked(browser: CDPSession, page: Page, markup: string): Promise<Record<string, Task>> {
  const longest: Record<string, Task> = {};
  const step = async (name: string, act: () => Promise<unknown>) => {
    await page.waitForTimeout(500);
    longest[name] = await longestTask(browser, page, async () => {
      await act();
      await page.waitForTimeout(3500);
    });
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
  await step('sweeping', () => page.keyboard.press('Control+Enter'));
  await page.keyboard.press('Escape');
  await step('loaded again', () => page.reload());
  return longest;
}

const told = ({ atWork, went }: Task) => (went < 50 ? 'under 50' : `${atWork} of ${went}`);

const app = await startApp();
const browser = await chromium.launch({
  executablePath: process.env.UKKO_CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox'],
});
const session = await browser.newBrowserCDPSession();
try {
  // What is fetched and compiled once is there from the second form on.
  const asked = shapes.filter(([name]) => name.includes(process.argv[3] ?? ''));
  for (const [name, markup] of [...shapes.slice(0, 1), ...asked]) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: app.address });
    const longest = await walked(session, page, markup);
    await page.close();
    const begin = performance.now();
    readForm(markup);
    const read = performance.now() - begin;
    const steps = Object.entries(longest).map(([step, task]) => `${step} ${told(task)}`);
    console.log(`Longest task, ms, ${name}: ${steps.join(', ')}; read in ${Math.round(read)} ms`);
  }
} finally {
  await browser.close();
  await app.stop();
}

/**
 * npm run bench -- views, after npm run build: how long the Typing view takes from a key to a repainted ladder with twelve
 * targets, how long the Keyboards view takes from a tap to repainted text, and how many frames it draws a second while 100,000 samples are replayed and scrolled.
 */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { startApp } from './start-app.mjs';

const targetCount = 12;
const sampleCount = 100_000;

/** In the page: waits for a key, then for the frame in which the ladder has one row more, filled in as many columns as before. */
const keyToLadder = `new Promise((done) => {
  const rows = () => document.querySelector('table[aria-label="Replay, stroke by stroke"]').tBodies[0].rows;
  const filled = (row) => row.querySelectorAll('td button').length;
  const before = rows().length;
  const wanted = filled(rows()[0]);
  addEventListener('keydown', ({ timeStamp }) => {
    const look = () => {
      const last = rows()[before];
      if (!last || filled(last) < wanted) return;
      observer.disconnect();
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = () => done({ ms: performance.now() - timeStamp, wanted });
        port2.postMessage(0);
      });
    };
    const observer = new MutationObserver(look);
    observer.observe(document.body, { childList: true, subtree: true, characterData: true });
  }, { once: true, capture: true });
})`;

/** In the page: taps a key of the first keyboard, and waits for the frame in which its text has grown. */
const tapToText = (key: string) => `new Promise((done) => {
  const card = document.querySelector('article');
  const box = card.querySelector('[role=textbox]');
  const before = box.textContent;
  const button = [...card.querySelectorAll('button')].find((one) => one.getAttribute('aria-label') === '${key}');
  const begin = performance.now();
  const observer = new MutationObserver(() => {
    if (box.textContent === before) return;
    observer.disconnect();
    requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => done(performance.now() - begin);
      port2.postMessage(0);
    });
  });
  observer.observe(box, { childList: true, subtree: true, characterData: true });
  button.click();
})`;

/** In the page: counts frames for some seconds, while it scrolls the samples. */
const frames = (seconds: number) => `new Promise((done) => {
  const list = document.querySelector('[aria-label="Samples, scrolled"]');
  const begin = performance.now();
  let last = begin, longest = 0, count = 0;
  const frame = () => {
    const now = performance.now();
    longest = Math.max(longest, now - last);
    last = now;
    count++;
    list.scrollTop = (list.scrollTop + 97) % Math.max(1, list.scrollHeight);
    if (now - begin < ${seconds * 1000}) requestAnimationFrame(frame);
    else done({ perSecond: count / ((now - begin) / 1000), longest });
  };
  requestAnimationFrame(frame);
})`;

/**
 * The yardstick: a scrolled list of plain rows, nothing else on its page, as tall and with as many columns as the samples,
 * while one worker computes or none does. More than it has on this machine nothing can have.
 */
const plainList = (
  columns: number,
) => `<!doctype html><div aria-label="Samples, scrolled" style="height:500px;overflow:auto">
  <div style="height:3400000px;position:relative"></div></div>
<script>
  const list = document.querySelector('[aria-label]');
  const rows = Array.from({ length: 18 }, () => {
    const row = document.createElement('div');
    row.style.cssText = 'position:absolute;height:34px;width:100%;display:flex;gap:8px;contain:strict';
    row.innerHTML = '<span style="width:100px"></span>'.repeat(${columns});
    list.firstElementChild.append(row);
    return row;
  });
  list.onscroll = () => {
    const first = Math.floor(list.scrollTop / 34);
    for (let index = first; index < first + rows.length; index++) {
      const row = rows[index % rows.length];
      row.style.transform = 'translateY(' + index * 34 + 'px)';
      for (const cell of row.children) cell.textContent = index;
    }
  };
  const busy = new Worker(URL.createObjectURL(new Blob(['onmessage = () => { for (;;) Math.sqrt(Math.random()); }'])));
  window.compute = () => busy.postMessage(0);
</script>`;

const app = await startApp();
const browser = await chromium.launch({
  executablePath: process.env.UKKO_CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-dev-shm-usage'],
});
const folder = mkdtempSync(join(tmpdir(), 'ukko-bench-'));
try {
  const page = await browser.newPage({ baseURL: app.address, viewport: { width: 1280, height: 800 } });
  await ladder(page);
  await taps(page);
  await samples(page);
  await yardstick(page);
} finally {
  await browser.close();
  await app.stop();
  rmSync(folder, { recursive: true });
}

async function ladder(page: Page): Promise<void> {
  await page.goto('/typing?field=serial');
  await page.getByRole('button', { name: /^Line-up/ }).click();
  const more = page.getByRole('button', { name: /^Ask / });
  await more.first().waitFor();
  for (let count = 5; count < targetCount; count++) await more.first().click();
  await page.keyboard.press('Escape');
  const script = page.getByRole('textbox', { name: 'Script', exact: true });
  await script.fill('type "tg4 7719"');
  await page.getByRole('table', { name: 'Replay, stroke by stroke' }).waitFor();
  await script.press('End');
  await script.press('ArrowLeft');
  const times: number[] = [];
  let columns = 0;
  for (const key of 'qx1a2b3c4d5e6f7g8h9i') {
    await page.waitForTimeout(400);
    const measured = page.evaluate(keyToLadder) as Promise<{ ms: number; wanted: number }>;
    await page.waitForTimeout(50);
    await page.keyboard.press(key);
    const { ms, wanted } = await measured;
    times.push(ms);
    columns = wanted;
  }
  const sorted = times.sort((a, b) => a - b);
  console.log(
    `Key to repainted ladder, ${targetCount} targets, ${columns} of them computed, 9 to 28 strokes: ${sorted[Math.floor(sorted.length / 2)]?.toFixed(0)} ms in the middle, ${sorted.at(-1)?.toFixed(0)} ms at most (goal 50 ms)`,
  );
}

async function taps(page: Page): Promise<void> {
  await page.goto('/keyboards?field=phone');
  await page.getByRole('article').first().getByRole('button', { name: '4', exact: true }).waitFor();
  await page.waitForTimeout(1000);
  const times: number[] = [];
  for (const key of '4711471147') {
    times.push((await page.evaluate(tapToText(key))) as number);
    await page.waitForTimeout(200);
  }
  const sorted = times.sort((a, b) => a - b);
  console.log(
    `Key tapped to repainted field, ${await page.getByRole('article').count()} keyboards in sight or below: ${sorted[5]?.toFixed(0)} ms in the middle, ${sorted.at(-1)?.toFixed(0)} ms at most (goal 50 ms)`,
  );
}

async function samples(page: Page): Promise<void> {
  const file = join(folder, 'samples.csv');
  const rows = Array.from(
    { length: sampleCount },
    (_, index) =>
      `tg${index % 10} ${1000 + (index % 9000)}-q${String.fromCharCode(97 + (index % 26))}x,accepted`,
  );
  writeFileSync(file, rows.join('\n'));
  await page.goto('/typing?field=serial&typing=samples');
  await page.getByRole('button', { name: 'Remove all' }).click();
  await page.locator('input[type=file][accept*=".csv"]').setInputFiles(file);
  const progress = page.getByRole('progressbar', { name: 'Samples replayed' });
  await progress.waitFor({ timeout: 60_000 });
  const begin = Date.now();
  const during = (await page.evaluate(frames(3))) as { perSecond: number; longest: number };
  await progress.waitFor({ state: 'detached', timeout: 300_000 });
  const took = (Date.now() - begin) / 1000;
  const after = (await page.evaluate(frames(3))) as { perSecond: number; longest: number };
  console.log(
    `${sampleCount.toLocaleString('en-GB')} samples, scrolled: ${told(during)} while they are replayed (${took.toFixed(1)} s for all targets of the line-up), ${told(after)} after that`,
  );
}

function told({ perSecond, longest }: { perSecond: number; longest: number }): string {
  return `${perSecond.toFixed(0)} frames a second, longest gap ${longest.toFixed(0)} ms`;
}

async function yardstick(page: Page): Promise<void> {
  await page.goto('about:blank');
  await page.setContent(plainList(8));
  type Frames = { perSecond: number; longest: number };
  const idle = (await page.evaluate(frames(3))) as Frames;
  await page.evaluate('compute()');
  const busy = (await page.evaluate(frames(3))) as Frames;
  console.log(
    `The same with a list of plain rows on an empty page: ${told(busy)} while a worker computes, ${told(idle)} while none does`,
  );
}

/**
 * npm run bench -- survey, after npm run build: how long a survey of 300 fields × 12 targets takes to open, how evenly it
 * scrolls beside an empty page of plain rows, and how much script each view loads first.
 */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { PNG } from 'pngjs';
import { demoForm } from '@/core/demo/demo-forms';
import type { FormDocument, FormId } from '@/core/document/form-document';
import { predict } from '@/core/model/predict';
import { type Picture, pictureId } from '@/core/observation/picture';
import { askingOf } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import type { Run, RunId } from '@/core/run/run';
import { runFileVersion } from '@/core/run/run-file';
import { engineTarget } from '@/core/target/target';
import { ukkoVersion } from '@/core/version';
import { startApp } from './start-app.mjs';

const fieldCount = 300;
const targetCount = 12;

function picture(seed: number): Picture {
  const png = new PNG({ width: 186, height: 29 });
  for (let at = 0; at < png.data.length; at += 4) {
    const edge = at < 186 * 4 * 2 || at > png.data.length - 186 * 4 * 2;
    png.data.fill(edge ? (seed * 37) % 200 : 250 - ((at * (seed + 7)) % 23), at, at + 3);
    png.data[at + 3] = 255;
  }
  const bytes = PNG.sync.write(png);
  return { id: pictureId(bytes), width: 186, height: 29, data: bytes.toString('base64') };
}

function largeRun(): Run {
  const kinds = ['text', 'email', 'date', 'number', 'range', 'color', 'checkbox', 'time', 'search', 'url'];
  const markup = `<form>${Array.from(
    { length: fieldCount },
    (_, index) =>
      `<label>Field ${index + 1} <input type="${kinds[index % kinds.length]}" name="f${index}" required></label>`,
  ).join('\n')}</form>`;
  const form: FormDocument = { ...demoForm, id: 'large' as FormId, name: 'Large', markup, typing: {} };
  const asking = askingOf(markup, ['look', 'message', 'parts']);
  const pictures: Picture[] = [];
  const targets = Array.from({ length: targetCount }, (_, index) =>
    engineTarget(`target-${index + 1}`, `Target ${index + 1}`, ''),
  );
  const base = ['chromium', 'firefox', 'webkit'].map((id) =>
    predict(id as never, asking, '2026-11-26T00:00:00Z'),
  );
  const observations = targets.flatMap((target, column) =>
    (base[column % base.length] ?? []).map((one, index): Observation => {
      const measured = { mark: 'measured', engine: 'E', version: '1', protocol: 'P', unable: [] } as const;
      const answer = { ...one, target: target.id, provenance: measured };
      if (answer.question !== 'look' || answer.state !== 'closed' || answer.outcome.status !== 'answered')
        return answer;
      const shown = picture(column * 10_000 + index);
      pictures.push(shown);
      const size = { width: 178, height: 21 };
      return {
        ...answer,
        outcome: { ...answer.outcome, facts: { ...answer.outcome.facts, size, picture: shown.id } },
      };
    }),
  );
  return {
    id: 'large' as RunId,
    form,
    lineUp: { targets, reference: targets[0]?.id as never },
    ukko: ukkoVersion,
    startedAt: '2026-11-26T00:00:00Z',
    finishedAt: '2026-11-26T00:01:00Z',
    observations,
    pictures,
  };
}

/** In the page: scrolls for some seconds, and tells the frame times, ms. */
const scrolled = (selector: string) => `new Promise((done) => {
  const list = document.querySelector('${selector}');
  const times = [];
  let last = performance.now();
  const begin = last;
  const draw = (now) => {
    times.push(now - last);
    last = now;
    list.scrollTop = (list.scrollTop + 24) % Math.max(1, list.scrollHeight - list.clientHeight);
    if (now - begin < 5000) requestAnimationFrame(draw);
    else done(times.slice(2));
  };
  requestAnimationFrame(draw);
})`;

/** In the page: what its own scripts weigh as they came, bytes: when the view first stands, and when nothing more comes. */
const watchScripts = `
  const weight = () => performance.getEntriesByType('resource').filter(({ name, initiatorType }) => name.endsWith('.js') && initiatorType !== 'other').reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0);
  new MutationObserver((_, observer) => {
    if (!document.querySelector('main h1')) return;
    observer.disconnect();
    window.whenItStands = weight();
  }).observe(document, { childList: true, subtree: true });
  window.inAll = weight;
`;

function frameText(times: readonly number[]): string {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (part: number) => sorted[Math.floor((sorted.length - 1) * part)]?.toFixed(1);
  return `${at(0.5)} ms in the middle, ${at(0.95)} ms at 95 %, ${at(1)} ms at most`;
}

const folder = mkdtempSync(join(tmpdir(), 'ukko-bench-'));
const app = await startApp();
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-dev-shm-usage'],
});
try {
  const context = await browser.newContext({ baseURL: app.address, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await loads(page);
  await survey(page);
} finally {
  await browser.close();
  await app.stop();
  rmSync(folder, { recursive: true });
}

async function loads(page: Page): Promise<void> {
  await page.addInitScript(watchScripts);
  for (const view of ['form', 'survey', 'typing', 'keyboards', 'submission', 'findings']) {
    await page.goto(`/${view}`);
    await page.waitForTimeout(2500);
    // Of the page alone: what a worker loads holds nothing up.
    const [first, all] = (await page.evaluate('[whenItStands, inAll()]')) as [number, number];
    console.log(
      `Scripts of /${view}: ${kilobytes(first)} KB gzip until it stands (goal 450), ${kilobytes(all)} KB in all`,
    );
  }
}

function kilobytes(bytes: number): string {
  return (bytes / 1000).toFixed(0);
}

async function survey(page: Page): Promise<void> {
  const file = join(folder, 'large.run.json');
  writeFileSync(file, JSON.stringify({ format: 'ukko-run', version: runFileVersion, ...largeRun() }));
  await page.goto('/survey');
  await page.getByLabel('File to open').setInputFiles(file);
  await page.getByRole('gridcell').nth(20).getByRole('img').waitFor({ timeout: 120_000 });
  const times: number[] = [];
  for (let round = 0; round < 5; round++) {
    await page.goto('about:blank');
    await page.goto('/survey?form=large&run=large', { waitUntil: 'commit' });
    await page.waitForFunction(
      () =>
        [...document.querySelectorAll('[role=gridcell] img')].filter(
          (one) => (one as HTMLImageElement).complete,
        ).length > 20,
      undefined,
      { polling: 'raf', timeout: 60_000 },
    );
    times.push((await page.evaluate('performance.now()')) as number);
  }
  const sorted = times.sort((a, b) => a - b);
  console.log(
    `Survey of ${fieldCount} fields × ${targetCount} targets, from the address to its pictures: ${sorted[2]?.toFixed(0)} ms in the middle, ${sorted.at(-1)?.toFixed(0)} ms at most (goal 1500)`,
  );
  const frames = (await page.evaluate(scrolled('[role=grid]'))) as number[];
  console.log(`Frames of it while scrolling: ${frameText(frames)} (goal 16.7 at 95 %)`);
  await page.goto('about:blank');
  await page.setContent(
    `<div style="height:800px;overflow:auto">${'<div style="height:40px;border:1px solid">row</div>'.repeat(400)}</div>`,
  );
  const plain = (await page.evaluate(scrolled('div'))) as number[];
  console.log(`Frames of plain rows on an empty page: ${frameText(plain)}`);
}

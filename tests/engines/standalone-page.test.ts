import { createServer } from 'node:http';
import { setTimeout as wait } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { standalonePage } from '@/core/html/standalone-page';
import { plainVariant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import type { EngineSession } from '@/engines/api/engine';
import { engines } from '@/engines/engines';
import { startListening, stopListening } from '@/engines/network/local-server';
import { probeBundle } from '@/probe/bundle';
import { enginesAvailable } from '../fixtures/engines';
import { leaks } from '../fixtures/leaks';
import './asking-engines';

const here = await enginesAvailable();

/** Gives every page as it is, without any policy of its own, and writes down what else is asked for. */
const asked: string[] = [];
let pages: readonly string[] = [];
const server = createServer((request, response) => {
  const [, number] = /^\/page\/(\d+)(?:[?#]|$)/.exec(request.url ?? '') ?? [];
  if (number === undefined && request.url !== '/favicon.ico') asked.push(request.url ?? '');
  response
    .writeHead(number === undefined ? 404 : 200, { 'content-type': 'text/html; charset=utf-8' })
    .end(number === undefined ? '' : (pages[Number(number)] ?? '<p>nothing'));
});
const out = await startListening(server, '127.0.0.1');
afterAll(() => stopListening(server));
const vectors = leaks(out);

/** All that a person can do on the page short of following a link. */
const doEverything = `(() => {
  for (const one of document.querySelectorAll('button, input, summary')) { one.focus(); one.click(); }
  for (const form of document.forms) { try { form.requestSubmit(); } catch {} try { HTMLFormElement.prototype.submit.call(form); } catch {} }
  return document.forms.length;
})()`;

/** One page after the other, in one window. @returns by page, what was asked for while it was open */
async function askedBy(session: EngineSession): Promise<string[][]> {
  const { code } = await probeBundle('probe');
  const page = await session.open(`${out}/page/${pages.length}`, code, plainVariant);
  const evaluate = (expression: string) => page.evaluate(expression).catch(() => null);
  const found: string[][] = [];
  for (const number of pages.keys()) {
    asked.splice(0);
    // A page that is just leaving for where its form was sent hears nothing: it is asked again where it came to.
    const go = `location.assign('${out}/page/${number}'), true`;
    await until(async () => (await evaluate(go)) === true);
    const isThere = `location.pathname === '/page/${number}' && document.readyState === 'complete'`;
    await until(async () => (await evaluate(isThere)) === true);
    await evaluate(doEverything);
    await wait(60);
    found.push(asked.splice(0));
  }
  return found;
}

async function until(isSo: () => Promise<boolean>): Promise<void> {
  for (let look = 0; look < 100 && !(await isSo()); look++) await wait(10);
}

/** How many of the vectors ask for something when they are shown as they are. */
async function leaking(session: EngineSession): Promise<number> {
  pages = vectors;
  return (await askedBy(session)).filter((list) => list.length > 0).length;
}

describe.skipIf(!here).each(['chromium', 'firefox', 'webkit'] as const)('an exported page in %s', (name) => {
  let session: EngineSession;
  beforeAll(async () => {
    const found = await engines[name].find();
    if (found.status === 'missing') throw new Error(failureText(found.failure));
    session = await engines[name].launch(found.path, plainVariant);
  });
  afterAll(() => session.close());

  it('asks for nothing, sends nothing and runs nothing', async () => {
    // In one engine it is seen first that these are real: as they are, most of them get out.
    if (name === 'chromium') expect(await leaking(session)).toBeGreaterThan(vectors.length / 2);
    pages = vectors.map((markup) => standalonePage('Log', markup));
    const found = await askedBy(session);
    expect(vectors.length).toBeGreaterThan(60);
    expect(found.flatMap((list, at) => (list.length > 0 ? [[vectors[at], list]] : []))).toEqual([]);
  });
});

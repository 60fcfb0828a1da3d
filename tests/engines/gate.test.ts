import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { plainVariant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import { EngineLost, type EnginePage } from '@/engines/api/engine';
import { engines } from '@/engines/engines';
import { openGate } from '@/engines/network/gate';
import { stepsBefore } from '@/engines/own-page';
import { probeBundle } from '@/probe/bundle';
import { enginesAvailable } from '../fixtures/engines';
import { browsers, profiles } from './asking-engines';

const here = await enginesAvailable();

/** Somebody else's server: another address of this machine, which is none of those that may be opened. */
const heard: string[] = [];
const stranger = createServer((request, response) => {
  heard.push(`${request.method} ${request.url}`);
  response.setHeader('access-control-allow-origin', '*').end('<p>Elsewhere');
});
stranger.on('upgrade', (request: IncomingMessage, socket) => {
  heard.push(`upgrade ${request.url}`);
  socket.destroy();
});

/** The page of the developer's own, which asks a stranger for this and that, and leads there. */
const own = createServer((request, response) => {
  const there = `http://127.0.0.2:${portOf(stranger)}`;
  response.setHeader('content-type', 'text/html');
  if (request.url === '/redirect') response.writeHead(302, { location: `${there}/led` }).end();
  else if (request.url === '/script') response.end(`<script>location.href = '${there}/led'</script>`);
  else if (request.url === '/refresh')
    response.end(`<meta http-equiv=refresh content="0;url=${there}/led"><p>Soon`);
  else if (request.url === '/prepared') response.end(leadingWhenSet(there, 1));
  else if (request.url === '/probed') response.end(leadingWhenSet(there, 2));
  else if (request.url === '/settled') response.end(leadingWhenChanged(there));
  else if (request.url === '/hop') response.writeHead(307, { location: `${there}/hop` }).end();
  else
    response.end(`<!doctype html><title>Own</title>
      <link rel=stylesheet href="${there}/style"><style>@import "${there}/import"; body { background: url(${there}/background) }</style>
      <img src="${there}/img"><iframe src="${there}/frame"></iframe><img src="/hop">
      <form><input name=a></form>
      <script src="${there}/script"></script>
      <script>
        fetch('${there}/fetch').catch(() => 0);
        navigator.sendBeacon('${there}/beacon', 'x');
        new WebSocket('${there.replace('http', 'ws')}/socket');
        new Worker(URL.createObjectURL(new Blob(["fetch('${there}/worker').catch(() => 0)"])));
      </script>`);
});

/** Leads away while the page is being made ready: where what it may call is set from outside once it has loaded, the first or a later time. */
function leadingWhenSet(there: string, times: number): string {
  return `<p>Soon<script>let left = ${times};
    const lead = () => { location.href = '${there}/led'; };
    setTimeout(lead, 800);
    Object.defineProperty(window, 'alert', { set() { if (--left === 0) lead(); } });</script>`;
}

/** Leads away once what is in it is changed from outside. */
function leadingWhenChanged(there: string): string {
  return `<p>Soon<script>onload = () => new MutationObserver(() => { location.href = '${there}/led'; })
    .observe(document, { childList: true, subtree: true });</script>`;
}

function portOf(server: typeof own): number {
  return (server.address() as AddressInfo).port;
}

beforeAll(async () => {
  await new Promise<void>((done) => stranger.listen(0, '127.0.0.2', done));
  await new Promise<void>((done) => own.listen(0, '127.0.0.1', done));
});
afterAll(() => {
  stranger.closeAllConnections();
  stranger.close();
  own.closeAllConnections();
  own.close();
});

const asked = [
  'background',
  'beacon',
  'fetch',
  'frame',
  'hop',
  'img',
  'import',
  'script',
  'socket',
  'style',
  'worker',
];

describe.skipIf(!here).each(Object.keys(engines))('behind a gate, %s', (name) => {
  const engine = engines[name as keyof typeof engines];

  async function open(path: string, held: boolean, use: (page: EnginePage) => Promise<void>): Promise<void> {
    heard.length = 0;
    const gate = await openGate({ held });
    const found = await engine.find();
    if (found.status === 'missing') throw new Error(failureText(found.failure));
    const session = await engine.launch(found.path, plainVariant, { gate });
    try {
      const { code } = await probeBundle('probe');
      const address = `http://127.0.0.1:${portOf(own)}${path}`;
      await use(await session.open(address, code, plainVariant, stepsBefore({ steps: '' })));
    } finally {
      await session.close();
      await gate.close();
    }
  }

  it('asks nobody but who may be asked, where a page is held', async () => {
    await open('/', true, async (page) => {
      await wait(1500);
      expect(await page.evaluate('document.title')).toBe('Own');
    });
    expect(heard).toEqual([]);
  });

  it('lets a page ask whom it wants, where it is not', async () => {
    await open('/', false, async () => {
      await expect
        .poll(() => [...new Set(heard.map((one) => one.replace(/.*\//, '')))].sort(), { timeout: 15_000 })
        // A socket that is not secure does not get through a proxy in WebKit.
        .toEqual(name === 'webkit' ? asked.filter((one) => one !== 'socket') : asked);
    });
  });

  it.each(['/redirect', '/script', '/refresh', '/prepared', '/probed', '/settled'])(
    'never follows where a page leads away, and says so: %s',
    async (path) => {
      const opening = open(path, false, async (page) => {
        // A page may lead away a moment after it was looked at.
        await wait(1000);
        await page.reload();
      });
      await expect(opening).rejects.toThrow(EngineLost);
      await expect(opening).rejects.toThrow(
        /^The page led to another address\. http:\/\/127\.0\.0\.2:\d+ is not/,
      );
      expect(heard).toEqual([]);
      expect([browsers(), profiles()]).toEqual([[], []]);
    },
  );
});

import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { pageChange } from './served-page';

type Files = Record<string, readonly [type: string, text: () => string]>;

let server: Server | null = null;
afterEach(() => server?.close());

/** A dev server of these files, which can be changed while it runs. @param asked hears how often the page was asked for */
async function serving(files: Files, asked: (times: number) => void): Promise<string> {
  let times = 0;
  server = createServer((request, response) => {
    const { pathname } = new URL(request.url ?? '', 'http://x');
    if (pathname === '/') asked(++times);
    const file = files[pathname];
    if (!file) response.writeHead(404).end();
    else if (file[0] === leadsTo) response.writeHead(302, { location: file[1]() }).end();
    else response.setHeader('content-type', file[0]).end(file[1]());
  });
  await new Promise<void>((done) => server?.listen(0, '127.0.0.1', done));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
}

const script = 'text/javascript';
const leadsTo = 'leads to';
let fetches = 0;
const page = (): Files => ({
  '/': [
    'text/html',
    () =>
      `<!doctype html><link rel=stylesheet href=/look.css><script src=/token.js></script><script type=module src="/main.js?v=${fetches++}"></script>`,
  ],
  '/look.css': ['text/css', () => '@import "/more.css";'],
  '/more.css': ['text/css', () => 'input { color: red }'],
  '/main.js': [
    script,
    () => 'import { field } from "./field.js"; import "react"; const later = () => import(\'/later.js\');',
  ],
  '/field.js': [script, () => 'export * from "./main.js"; export const field = 1;'],
  '/later.js': [script, () => 'export {};'],
  '/token.js': [script, () => `${Math.random()}`],
  '/more.js': [script, () => 'export {};'],
});

/** It is asked for twice before it is watched, and is given up after some looks. */
const [firstLook, lastLook] = [3, 6];

/** Whether a change of the files is noticed. @param later is done two looks after the change */
async function isNoticed(
  change: (files: Files) => void,
  later: (files: Files) => void = () => {},
  files = page(),
): Promise<boolean> {
  const ending = new AbortController();
  const address = await serving(files, (times) => {
    if (times === firstLook) change(files);
    if (times === firstLook + 2) later(files);
    if (times === lastLook) ending.abort();
  });
  return pageChange(address, ending.signal).then(() => !ending.signal.aborted);
}

describe('a page that is watched', () => {
  it('is found where its address leads to, and another site is left alone', async () => {
    const changed = (files: Files) => {
      files['/more.css'] = ['text/css', () => ''];
    };
    const behind = (to: string) => ({ ...page(), '/entry': page()['/'], '/': [leadsTo, () => to] }) as Files;
    expect(await isNoticed(changed, undefined, behind('/entry'))).toBe(true);
    expect(await isNoticed(changed, undefined, behind('http://127.0.0.1:9/'))).toBe(false);
  });
  it.each(['/more.css', '/main.js', '/field.js', '/later.js'])(
    'changes with %s',
    async (path) => {
      const noticed = await isNoticed((files) => {
        files[path] = [files[path]?.[0] ?? '', () => 'const changed = 1;'];
      });
      expect(noticed).toBe(true);
    },
    30_000,
  );

  it('changes with a file more', async () => {
    const noticed = await isNoticed((files) => {
      files['/later.js'] = [script, () => 'import "/more.js";'];
    });
    expect(noticed).toBe(true);
  });

  it('changes when a server that was away has come', async () => {
    const ending = new AbortController();
    const files: Files = {};
    const address = await serving(files, (times) => {
      if (times === firstLook) Object.assign(files, page());
      if (times === lastLook) ending.abort();
    });
    await pageChange(address, ending.signal);
    expect(ending.signal.aborted).toBe(false);
  });

  it('does not change with what is another each time, nor while its server is away', async () => {
    const { '/': index } = page();
    const noticed = await isNoticed(
      (files) => {
        delete files['/'];
      },
      (files) => {
        if (index) files['/'] = index;
      },
    );
    expect(noticed).toBe(false);
  });
});

import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { pageChange } from './served-page';

type Files = Record<string, readonly [type: string, text: () => string]>;

let server: Server | null = null;
afterEach(() => server?.close());

/** A dev server of these files, which can be changed while it runs. */
async function serving(files: Files): Promise<string> {
  server = createServer((request, response) => {
    const file = files[new URL(request.url ?? '', 'http://x').pathname];
    if (!file) response.writeHead(404).end();
    else response.setHeader('content-type', file[0]).end(file[1]());
  });
  await new Promise<void>((done) => server?.listen(0, '127.0.0.1', done));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
}

const script = 'text/javascript';
let fetches = 0;
const page = (): Files => ({
  '/': [
    'text/html',
    () =>
      `<!doctype html><link rel=stylesheet href=/look.css><script type=module src="/main.js?v=${fetches++}"></script>`,
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
});

/** Whether a change of the files is noticed before some time is over. */
async function isNoticed(change: (files: Files) => void): Promise<boolean> {
  const files = page();
  const address = await serving(files);
  const signal = AbortSignal.timeout(5500);
  const changed = pageChange(address, signal).then(() => !signal.aborted);
  setTimeout(() => change(files), 700);
  return changed;
}

describe('a page that is watched', () => {
  it.each(['/more.css', '/main.js', '/field.js', '/later.js'])(
    'changes with %s',
    async (path) => {
      const noticed = await isNoticed((files) => {
        files[path] = [files[path]?.[0] ?? '', () => 'const changed = 1;'];
      });
      expect(noticed).toBe(true);
    },
    15_000,
  );

  it('changes with a file more', async () => {
    const noticed = await isNoticed((files) => {
      files['/later.js'] = [script, () => 'import "/token.js";'];
    });
    expect(noticed).toBe(true);
  }, 15_000);

  it('does not change with what is another each time, nor while its server is away', async () => {
    const noticed = await isNoticed((files) => {
      const { '/': index } = files;
      delete files['/'];
      if (index) setTimeout(() => Object.assign(files, { '/': index }), 2500);
    });
    expect(noticed).toBe(false);
  }, 15_000);
});

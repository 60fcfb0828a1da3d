import { readFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';

/** Who signs in is led to the page; a page before the form, as many have one. */
const signIn = `<!doctype html><html lang="en"><title>Sign in</title><h1>Sign in</h1>
<form action="/"><label>User <input name="user" required></label> <button>Sign in</button></form></html>`;

const files = { '/': ['index.html', 'text/html'], '/page.js': ['page.js', 'text/javascript'] };

/** The example page, and a log that forgets everything; `log` holds what arrived. */
export function startExample(port = 4311) {
  const log = [];
  const server = createServer(async (request, response) => {
    const path = (request.url ?? '/').split('?')[0];
    if (request.method !== 'GET') log.push(`${request.method} ${path}`);
    if (request.method === 'POST' && path === '/log')
      return response
        .writeHead(201, { 'content-type': 'application/json' })
        .end(JSON.stringify({ entry: log.length }));
    if (path === '/sign-in')
      return response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(signIn);
    const [name, type] = files[path] ?? [];
    if (!name) return response.writeHead(request.method === 'GET' ? 404 : 204).end();
    response.writeHead(200, { 'content-type': `${type}; charset=utf-8`, 'cache-control': 'no-store' });
    response.end(await readFile(fileURLToPath(new URL(name, import.meta.url))));
  });
  return new Promise((resolve) => {
    server.listen(port, '127.0.0.1', () =>
      resolve({
        address: `http://127.0.0.1:${server.address().port}/`,
        log,
        stop: () => new Promise((done) => server.close(done) && server.closeAllConnections()),
      }),
    );
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { address } = await startExample();
  console.log(`The example page is at ${address}. Open it in Ukko: Files, “Open a page of yours…”.`);
}

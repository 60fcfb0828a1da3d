import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';

/** Nothing in a page under test loads, runs or leaves; only its own styles and embedded pictures apply. */
export const pageUnderTestPolicy =
  "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; form-action 'none'; base-uri 'none'; frame-ancestors 'none'";

export interface PageServer {
  /** @returns the address of a page with this HTML; it can be had until the server closes. */
  add(html: string): string;
  close(): Promise<void>;
}

/** A small server on 127.0.0.1 that gives engines the pages under test, at addresses that nobody can guess. */
export async function startPageServer(): Promise<PageServer> {
  const pages = new Map<string, string>();
  const server = createServer((request, response) => {
    const page = request.method === 'GET' ? pages.get(request.url ?? '') : undefined;
    response.writeHead(page === undefined ? 404 : 200, {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': pageUnderTestPolicy,
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
    });
    response.end(page ?? 'Not here.');
  });
  const origin = await listen(server);
  return {
    add(html) {
      const path = `/${randomUUID()}`;
      pages.set(path, html);
      return origin + path;
    },
    close: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}

function listen(server: Server): Promise<string> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      resolve(`http://127.0.0.1:${(server.address() as AddressInfo).port}`);
    });
  });
}

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

/**
 * A small server that gives engines the pages under test, at addresses that nobody can guess.
 * @param host where a remote engine reaches this machine, as the engines file says; null for 127.0.0.1 alone.
 */
export async function startPageServer(host: string | null = null): Promise<PageServer> {
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
  const origin = await listen(server, host ?? '127.0.0.1');
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

function listen(server: Server, host: string): Promise<string> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(0, host, () => {
      const name = host.includes(':') ? `[${host}]` : host;
      resolve(`http://${name}:${(server.address() as AddressInfo).port}`);
    });
  });
}

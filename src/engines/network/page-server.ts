import { randomUUID } from 'node:crypto';
import { createServer, type IncomingMessage } from 'node:http';
import type { Received, Receiver } from '@/probe/api/askable-page';
import { startListening, stopListening } from './local-server';

/**
 * Nothing in a page under test loads or runs; only its own styles and embedded pictures apply. A form is sent back to
 * this very server or nowhere.
 */
export const pageUnderTestPolicy =
  "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

export interface PageServer {
  /** @returns the address of a page with this HTML; it can be had until the server closes. */
  add(html: string): string;
  /** A new place where forms may be sent. */
  receiver(): Receiver;
  close(): Promise<void>;
}

/**
 * A small server that gives engines the pages under test, at addresses that nobody can guess.
 * @param host where a remote engine reaches this machine, as the engines file says; null for 127.0.0.1 alone.
 */
export async function startPageServer(host: string | null = null): Promise<PageServer> {
  const pages = new Map<string, string>();
  const arrived = new Map<string, Received[]>();
  const server = createServer((request, response) => {
    const [place = '', path] = placeOf(request.url ?? '');
    const received = arrived.get(place);
    if (received && path !== undefined) {
      void readBody(request).then((body) => {
        const contentType = request.headers['content-type'] ?? null;
        received.push({ method: request.method ?? '', url: path, contentType, body });
        // No content: the page stays where it is.
        response.writeHead(204, { 'cache-control': 'no-store' }).end();
      });
      return;
    }
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
  const origin = await startListening(server, host ?? '127.0.0.1');
  return {
    add(html) {
      const path = `/${randomUUID()}`;
      pages.set(path, html);
      return origin + path;
    },
    receiver() {
      const place = `/${randomUUID()}`;
      arrived.set(place, []);
      return {
        address: origin + place,
        take: () => arrived.get(place)?.splice(0) ?? [],
      };
    },
    close: () => stopListening(server),
  };
}

/** The first part of a path, and the rest of it with its query. */
function placeOf(url: string): [string?, string?] {
  const [, place, rest] = /^(\/[^/?]*)(\/.*)$/.exec(url) ?? [];
  return place === undefined || rest === undefined ? [] : [place, rest];
}

/** Bytes that one form may send. */
const mostBytes = 10_000_000;

async function readBody(request: IncomingMessage): Promise<string> {
  const chunks: Buffer[] = [];
  let size = 0;
  try {
    for await (const chunk of request as AsyncIterable<Buffer>) {
      size += chunk.length;
      if (size > mostBytes) break;
      chunks.push(chunk);
    }
  } catch {
    // A page that goes away in the middle sent what it sent.
  }
  return Buffer.concat(chunks).toString('latin1');
}

import { type IncomingMessage, Server, type ServerResponse } from 'node:http';
import type { Duplex } from 'node:stream';
import { refusalText } from '@/core/words/refusal-words';
import { isOwnServer } from '@/engines/network/local-server';
import { checkRequest } from './request-check';

/**
 * Holds every request to the app's own server to `checkRequest` before anything answers it: files, redirects and upgrades too, so that
 * a foreign name or another site gets one and the same refusal whatever it asks for. Servers that Ukko itself starts, as for pages
 * under test, have rules of their own.
 */
export function guardServer(): void {
  const emit = Server.prototype.emit as (this: Server, name: string | symbol, ...given: unknown[]) => boolean;
  Server.prototype.emit = function guarded(
    this: Server,
    name: string | symbol,
    ...given: unknown[]
  ): boolean {
    if ((name === 'request' || name === 'upgrade') && !isOwnServer(this)) {
      const [request, answer] = given as [IncomingMessage, ServerResponse | Duplex];
      const check = checkRequest(headersOf(request), pathOf(request));
      if (!check.allowed) {
        refuse(answer, refusalText(check.refusal));
        return true;
      }
    }
    return emit.call(this, name, ...given);
  };
}

function headersOf({ headers }: IncomingMessage): Headers {
  return new Headers(
    Object.entries(headers).flatMap(([name, value]) =>
      typeof value === 'string' ? [[name, value] as [string, string]] : [],
    ),
  );
}

function pathOf({ url = '/' }: IncomingMessage): string {
  return url.split('?')[0] ?? '/';
}

function refuse(answer: ServerResponse | Duplex, text: string): void {
  const body = JSON.stringify({ error: text });
  const head = { 'content-type': 'application/json', 'cache-control': 'no-store', connection: 'close' };
  if ('writeHead' in answer) {
    answer.writeHead(403, head).end(body);
    return;
  }
  const lines = Object.entries({ ...head, 'content-length': Buffer.byteLength(body) });
  answer.end(
    `HTTP/1.1 403 Forbidden\r\n${lines.map(([name, value]) => `${name}: ${value}\r\n`).join('')}\r\n${body}`,
  );
}

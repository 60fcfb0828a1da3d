import { randomInt, randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { networkInterfaces } from 'node:os';
import { codeLength, deviceCode } from '@/core/device/device-code';
import { maxDeviceMessage, readDeviceMessage } from '@/core/device/device-message';
import type { DeviceNews } from '@/core/device/device-news';
import type { DeviceRequest } from '@/core/device/device-request';
import { readJson } from '@/core/reading/read-json';
import type { Refusal } from '@/core/reading/refusal';
import { refusalText } from '@/core/words/refusal-words';
import { deviceFaultText } from '@/core/words/request-fault-words';
import { startListening, stopListening } from '@/engines/network/local-server';
import { aliveEvery } from '@/probe/device-data';
import { deviceHtml, devicePolicy } from '@/probe/device-html';
import { listeners } from './run-registry';

/** How long a device may be silent before that is said, ms. */
const patience = 3 * aliveEvery;
/** Wrong codes after which a sender is not heard any more. */
const mostWrongBySender = 20;
/**
 * Wrong codes in all after which the code is thrown away: somebody guesses from many addresses. Of 31 letters to the power of 8, so
 * many are one in two thousand million.
 */
const mostWrong = 400;
/** All that one visit may send, bytes. */
const mostSent = 100_000_000;

/**
 * Listens on the local network for one page alone: the one behind a one-time code. The first browser that opens the code gets
 * it for itself; whoever else comes, and whatever else is asked for, is refused with a sentence. Resolves when `signal` aborts
 * or too many wrong codes came; then nothing listens any more.
 *
 * @param host where to listen; by default this machine's own address on its network
 */
export async function listenForDevice(
  { form, markup }: DeviceRequest,
  tell: (news: DeviceNews) => void,
  signal: AbortSignal,
  host: string | null = networkAddress(),
): Promise<void> {
  const code = deviceCode(randomInt);
  const visit: Visit = { secret: null, nextPart: 0, sent: 0, heardAt: 0, isSilent: false };
  const guesses: Guesses = { inAll: 0, bySender: new Map() };
  const over = new AbortController();
  const until = AbortSignal.any([signal, over.signal]);
  const server = createServer((request, response) => {
    answer(request, response, { code, form, markup, visit, guesses, tell, close: () => over.abort() }).catch(
      () => {
        // A device that goes away in the middle of a message has sent nothing.
        response.destroy();
      },
    );
  });
  const address = await startListening(server, host ?? '127.0.0.1');
  tell({
    type: 'listening',
    address: `${address}/${code}`,
    onNetwork: host !== null,
    until: new Date(Date.now() + listeners.longest).toISOString(),
  });
  const watch = setInterval(() => {
    if (visit.secret === null || visit.isSilent || Date.now() - visit.heardAt < patience) return;
    visit.isSilent = true;
    tell({ type: 'silent' });
  }, 1000);
  try {
    if (!until.aborted) await once(until, 'abort');
  } finally {
    clearInterval(watch);
    await stopListening(server);
  }
}

interface Visit {
  /** Of the browser that opened the page; null before anybody did. */
  secret: string | null;
  nextPart: number;
  sent: number;
  heardAt: number;
  isSilent: boolean;
}

/** Wrong codes, in all and by the address of whoever sent them. */
interface Guesses {
  inAll: number;
  readonly bySender: Map<string, number>;
}

interface Desk extends DeviceRequest {
  readonly code: string;
  readonly visit: Visit;
  readonly guesses: Guesses;
  readonly tell: (news: DeviceNews) => void;
  readonly close: () => void;
}

async function answer(request: IncomingMessage, response: ServerResponse, desk: Desk): Promise<void> {
  const { code } = desk;
  const { port } = request.socket.address() as AddressInfo;
  const names = [`${request.socket.localAddress}:${port}`, `localhost:${port}`];
  // Another name for this address is another site that was led here.
  if (!names.includes(request.headers.host ?? ''))
    return refuse(response, 403, { code: 'device at other host' });
  if ((desk.guesses.bySender.get(request.socket.remoteAddress ?? '') ?? 0) >= mostWrongBySender)
    return refuse(response, 429, { code: 'device guesses' });
  if (request.url === `/${code}` && request.method === 'GET') return givePage(request, response, desk);
  if (request.url === `/${code}/answers` && request.method === 'POST')
    return takeAnswers(request, response, desk);
  if (isGuess(request.url ?? '')) countGuess(request.socket.remoteAddress ?? '', desk);
  return refuse(response, 404, { code: 'device code unknown' });
}

/** What browsers ask for by themselves is no guess; everything else that is as long as a code, or longer, may be one. */
function isGuess(url: string): boolean {
  return url.length > codeLength && !/^\/(?:favicon\.ico|apple-touch-icon[-\w]*\.png)$/.test(url);
}

/**
 * A stranger's guesses are the stranger's: that address is not heard any more, and the person is told at once. Only when guesses come from
 * many addresses, and nobody has opened the link yet, is the code thrown away.
 */
function countGuess(sender: string, { guesses, visit, tell, close }: Desk): void {
  const own = (guesses.bySender.get(sender) ?? 0) + 1;
  guesses.bySender.set(sender, own);
  guesses.inAll++;
  if (own === mostWrongBySender) tell(refusedNews({ code: 'sender shut out', wrong: own, sender }));
  if (guesses.inAll < mostWrong || visit.secret !== null) return;
  tell(refusedNews({ code: 'listening ended', wrong: guesses.inAll, senders: guesses.bySender.size }));
  close();
}

const cookieName = 'ukko-visit';

async function givePage(
  request: IncomingMessage,
  response: ServerResponse,
  { code, form, markup, visit, tell }: Desk,
): Promise<void> {
  const isSame = visit.secret !== null && request.headers.cookie?.includes(`${cookieName}=${visit.secret}`);
  if (visit.secret !== null && !isSame) {
    tell(refusedNews({ code: 'device opened again' }));
    return refuse(response, 410, { code: 'device link used' });
  }
  const isFirst = visit.secret === null;
  visit.secret ??= randomUUID();
  visit.nextPart = 0;
  hear(visit);
  if (isFirst) tell({ type: 'opened' });
  const nonce = randomUUID();
  const html = await deviceHtml({
    form,
    markup,
    nonce,
    answers: { path: `/${code}/answers`, visit: visit.secret },
  });
  response.writeHead(200, {
    'content-type': 'text/html; charset=utf-8',
    'content-security-policy': `${devicePolicy(nonce)}; frame-ancestors 'none'`,
    'set-cookie': `${cookieName}=${visit.secret}; HttpOnly; SameSite=Strict; Path=/${code}`,
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'no-referrer',
  });
  response.end(html);
}

async function takeAnswers(
  request: IncomingMessage,
  response: ServerResponse,
  { visit, tell }: Desk,
): Promise<void> {
  if (visit.secret === null || request.headers['x-ukko-visit'] !== visit.secret)
    return refuse(response, 410, { code: 'device not visiting' });
  const body = await bodyOf(request);
  hear(visit);
  const refused = (status: number, text: string) => {
    tell({ type: 'refused', text });
    return refuse(response, status, text);
  };
  if (body === null)
    return refused(
      413,
      refusalText({ code: 'device sent too much at once', most: maxDeviceMessage / 1_000_000 }),
    );
  visit.sent += body.length;
  if (visit.sent > mostSent)
    return refused(410, refusalText({ code: 'device sent too much', most: mostSent / 1_000_000 }));
  const reading = readDeviceMessage(parsed(body));
  if (reading.status === 'fault') return refused(400, deviceFaultText(reading.fault));
  const { message } = reading;
  // A message whose answer was lost is sent again; it counts once.
  if (message.part >= visit.nextPart) {
    visit.nextPart = message.part + 1;
    if (message.observations.length > 0) tell({ type: 'message', message });
  }
  response.writeHead(204).end();
}

function hear(visit: Visit): void {
  visit.heardAt = Date.now();
  visit.isSilent = false;
}

function refusedNews(refusal: Refusal): DeviceNews {
  return { type: 'refused', text: refusalText(refusal) };
}

function refuse(response: ServerResponse, status: number, why: Refusal | string): void {
  response
    .writeHead(status, {
      'content-type': 'text/plain; charset=utf-8',
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
      connection: 'close',
    })
    .end(typeof why === 'string' ? why : refusalText(why));
}

/** Null when it is longer than may be; the rest of it is not read. */
async function bodyOf(request: IncomingMessage): Promise<Buffer | null> {
  const chunks: Buffer[] = [];
  let length = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    length += chunk.length;
    if (length > maxDeviceMessage) return null;
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

function parsed(body: Buffer): unknown {
  try {
    return readJson(body.toString('utf8'));
  } catch {
    return undefined;
  }
}

/** This machine's address on its network; null when it is on none. */
export function networkAddress(): string | null {
  const all = Object.values(networkInterfaces()).flatMap((list) => list ?? []);
  return all.find(({ family, internal }) => family === 'IPv4' && !internal)?.address ?? null;
}

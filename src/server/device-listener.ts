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
    return refuse(response, 403, 'This page is opened by the address that Ukko shows, and by no other.');
  if ((desk.guesses.bySender.get(request.socket.remoteAddress ?? '') ?? 0) >= mostWrongBySender)
    return refuse(response, 429, 'Too many wrong codes came from here. Open the link on another device.');
  if (request.url === `/${code}` && request.method === 'GET') return givePage(request, response, desk);
  if (request.url === `/${code}/answers` && request.method === 'POST')
    return takeAnswers(request, response, desk);
  if (isGuess(request.url ?? '')) countGuess(request.socket.remoteAddress ?? '', desk);
  return refuse(
    response,
    404,
    'Nothing is behind this address. Check the code that Ukko shows, or make a new one there.',
  );
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
  if (own === mostWrongBySender)
    tell({
      type: 'refused',
      text: `${own} wrong codes came from ${sender}, so Ukko does not answer that address any more. The code still works from others; make a new one if this was your device.`,
    });
  if (guesses.inAll < mostWrong || visit.secret !== null) return;
  tell({
    type: 'refused',
    text: `${guesses.inAll} wrong codes came from ${guesses.bySender.size} addresses, so Ukko stopped listening before one was right. Listen again for a new code.`,
  });
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
    tell({
      type: 'refused',
      text: 'Somebody opened the link again. It works once; make a new one for another device.',
    });
    return refuse(
      response,
      410,
      'This link was opened already, and works once. Make a new one in Ukko for this device.',
    );
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
    return refuse(response, 410, 'This page is not the one that opened the link. Open a new link from Ukko.');
  const body = await bodyOf(request);
  hear(visit);
  const refused = (status: number, text: string) => {
    tell({ type: 'refused', text });
    return refuse(response, status, text);
  };
  if (body === null)
    return refused(
      413,
      `The device sent more than ${maxDeviceMessage / 1_000_000} MB at once. That was left out; all that came before is kept.`,
    );
  visit.sent += body.length;
  if (visit.sent > mostSent)
    return refused(
      410,
      `The device sent more than ${mostSent / 1_000_000} MB in all. What came before is kept; make a new link to go on.`,
    );
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

function refuse(response: ServerResponse, status: number, text: string): void {
  response
    .writeHead(status, {
      'content-type': 'text/plain; charset=utf-8',
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
      connection: 'close',
    })
    .end(text);
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

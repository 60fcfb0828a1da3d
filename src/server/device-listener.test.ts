import { get } from 'node:http';
import { afterEach, describe, expect, it } from 'vitest';
import type { DeviceNews } from '@/core/device/device-news';
import { listenForDevice } from './device-listener';

const form = '<form><label>Phone <input type="tel" name="phone"></label></form>';
const message = (part: number, more: object = {}) => ({
  format: 'ukko-device',
  version: 1,
  browser: 'Some browser 1',
  part,
  observations: [
    {
      field: 'phone',
      target: 'device',
      provenance: { mark: 'captured', browser: 'Some browser 1', events: 'trusted' },
      at: '2026-11-26T08:00:00Z',
      question: 'keyboard',
      outcome: { status: 'failed', failure: { code: 'older', text: 'nothing was tapped' } },
    },
  ],
  pictures: [],
  ...more,
});

interface Listening {
  readonly address: string;
  readonly news: DeviceNews[];
  readonly stop: () => Promise<void>;
}
const open: Listening[] = [];
afterEach(async () => {
  for (const one of open.splice(0)) await one.stop();
});

async function listening(): Promise<Listening> {
  const abort = new AbortController();
  const news: DeviceNews[] = [];
  let ended = Promise.resolve();
  const address = await new Promise<string>((resolve) => {
    ended = listenForDevice(
      { form: 'Skerry Tide Log', markup: form },
      (one) => {
        news.push(one);
        if (one.type === 'listening') resolve(one.address);
      },
      abort.signal,
      '127.0.0.1',
    );
  });
  const one: Listening = {
    address,
    news,
    stop: async () => {
      abort.abort();
      await ended;
    },
  };
  open.push(one);
  return one;
}

/** Opens the page as a browser does. */
async function visitOf(address: string): Promise<{ secret: string; cookie: string; html: string }> {
  const response = await fetch(address);
  expect(response.status).toBe(200);
  const html = await response.text();
  const [, secret = ''] = /"visit":"([^"]+)"/.exec(html) ?? [];
  return { secret, cookie: response.headers.get('set-cookie')?.split(';')[0] ?? '', html };
}

const post = (address: string, secret: string, body: string) =>
  fetch(`${address}/answers`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-ukko-visit': secret },
    body,
  });
/** Another address of this very machine. */
function guessFrom(localAddress: string, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    get({ host: '127.0.0.1', port, path: '/wrongcode', localAddress, agent: false }, (response) => {
      response.resume();
      response.on('end', resolve);
    }).on('error', reject);
  });
}

const told = (news: readonly DeviceNews[]) => news.map(({ type }) => type);

describe('a listener for a device', () => {
  it('gives its page once, and takes what that page sends', async () => {
    const { address, news } = await listening();
    const { secret, html } = await visitOf(address);
    expect(html).toContain('<title>Skerry Tide Log · Ukko on this device</title>');
    expect((await post(address, secret, JSON.stringify(message(0)))).status).toBe(204);
    expect(told(news)).toEqual(['listening', 'opened', 'message']);
    const again = await fetch(address);
    expect(again.status).toBe(410);
    expect(await again.text()).toMatch(/^This link was opened already, and works once\./);
    expect(told(news).at(-1)).toBe('refused');
  });

  it('gives it again to the browser that has it, whose parts then count from the first', async () => {
    const { address, news } = await listening();
    const { secret, cookie } = await visitOf(address);
    await post(address, secret, JSON.stringify(message(0)));
    expect((await fetch(address, { headers: { cookie } })).status).toBe(200);
    await post(address, secret, JSON.stringify(message(0)));
    expect(told(news)).toEqual(['listening', 'opened', 'message', 'message']);
  });

  it('counts a message once that comes twice', async () => {
    const { address, news } = await listening();
    const { secret } = await visitOf(address);
    for (const part of [0, 0, 1, 0]) await post(address, secret, JSON.stringify(message(part)));
    expect(told(news).filter((type) => type === 'message')).toHaveLength(2);
  });

  it.each([
    ['rubbish', 'rubbish', 400, /cannot be read/],
    ['answers that are none', JSON.stringify(message(0, { observations: [1] })), 400, /cannot be read/],
    ['too much', 'x'.repeat(4_000_001), 413, /more than 4 MB at once/],
  ])('refuses %s with a sentence, and goes on', async (_, body, status, text) => {
    const { address, news } = await listening();
    const { secret } = await visitOf(address);
    const refused = await post(address, secret, body).catch(() => null);
    // The rest of what is too long is not read: the sender may find the door shut.
    if (refused) expect(refused.status).toBe(status);
    expect(news.find((one) => one.type === 'refused')).toMatchObject({ text: expect.stringMatching(text) });
    expect((await post(address, secret, JSON.stringify(message(0)))).status).toBe(204);
    expect(told(news).at(-1)).toBe('message');
  });

  it('takes nothing from a page that did not open the link', async () => {
    const { address, news } = await listening();
    expect((await post(address, '', JSON.stringify(message(0)))).status).toBe(410);
    await visitOf(address);
    expect((await post(address, 'another', JSON.stringify(message(0)))).status).toBe(410);
    expect(told(news)).not.toContain('message');
  });

  it('refuses wrong codes, and hears a sender of many no more, with or without a dot', async () => {
    const { address, news } = await listening();
    const { origin } = new URL(address);
    const wrong = await fetch(`${origin}/aaaaaaaa`);
    expect([wrong.status, await wrong.text()]).toEqual([
      404,
      'Nothing is at this address. Check the code that Ukko shows, or make a new one there.',
    ]);
    for (let count = 0; count < 19; count++) await fetch(`${origin}/guess.${count}aa`);
    expect(news.at(-1)).toMatchObject({
      type: 'refused',
      text: expect.stringContaining('wrong codes came from'),
    });
    expect((await fetch(address)).status).toBe(429);
  });

  it('is not switched off by a stranger: not by requests without a code, and not by guesses of one address', async () => {
    const { address, news } = await listening();
    const { origin } = new URL(address);
    for (let count = 0; count < 450; count++) await fetch(`${origin}/`);
    expect((await fetch(address)).status).toBe(200);
    expect(told(news)).toEqual(['listening', 'opened']);
    for (let count = 0; count < 450; count++) await fetch(`${origin}/guess${count}aaa`);
    expect((await fetch(`${origin}/`)).status).toBe(429);
    expect(told(news)).toEqual(['listening', 'opened', 'refused']);
  });

  it('throws the code away when guesses come from many addresses', async () => {
    const { address, news } = await listening();
    const { port } = new URL(address);
    for (let sender = 2; sender < 24; sender++)
      for (let count = 0; count < 19; count++)
        await guessFrom(`127.0.0.${sender}`, Number(port)).catch(() => null);
    await expect(fetch(address)).rejects.toThrow();
    expect(news.at(-1)).toMatchObject({ text: expect.stringContaining('stopped listening') });
  });

  it('gives nothing under another name, and nothing else of Ukko', async () => {
    const { address } = await listening();
    const { origin, port } = new URL(address);
    for (const path of ['/', '/form', '/api/sweep', '/probe'])
      expect((await fetch(`${origin}${path}`)).status).toBe(404);
    const { request } = await import('node:http');
    const status = await new Promise((resolve) => {
      request(address, { headers: { host: `elsewhere.example:${port}` } }, (response) => {
        response.resume();
        resolve(response.statusCode);
      }).end();
    });
    expect(status).toBe(403);
  });

  it('is gone when it is switched off', async () => {
    const one = await listening();
    await one.stop();
    await expect(fetch(one.address)).rejects.toThrow();
  });

  it('says when the device has gone silent', async () => {
    const { address, news } = await listening();
    const { secret } = await visitOf(address);
    await post(address, secret, JSON.stringify(message(0)));
    await expect.poll(() => told(news), { timeout: 20_000 }).toContain('silent');
  });
});

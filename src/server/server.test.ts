import { describe, expect, it } from 'vitest';
import { readDeviceRequest } from '@/core/device/device-request';
import type { Refusal } from '@/core/reading/refusal';
import { refusalOf } from '@/store/read-lines';
import { maxBody, readBody } from './read-body';
import { readQuestionOf } from './read-request';
import { checkRequest } from './request-check';
import { listeners, register, stopAll, sweeps } from './run-registry';

const check = (headers: Record<string, string>, path = '/api/sweep') =>
  checkRequest(new Headers(headers), path).allowed;

describe('who may ask', () => {
  it('is this machine by its own names', () => {
    expect(check({ host: '127.0.0.1:4310' })).toBe(true);
    expect(
      check({ host: 'localhost:4310', origin: 'http://localhost:4310', 'sec-fetch-site': 'same-origin' }),
    ).toBe(true);
  });
  it.each([
    [{}],
    [{ host: 'elsewhere.example' }],
    [{ host: '127.0.0.1.elsewhere.example:4310' }],
    [{ host: '127.0.0.1:4310', origin: 'http://elsewhere.example' }],
    [{ host: '127.0.0.1:4310', origin: 'http://localhost:4310' }],
    [{ host: '127.0.0.1:4310', origin: 'http://127.0.0.1:9999' }],
    [{ host: '127.0.0.1:4310', origin: 'null' }],
    [{ host: '127.0.0.1:4310', 'sec-fetch-site': 'cross-site' }],
    [{ host: '127.0.0.1:4310', 'sec-fetch-site': 'same-site' }],
  ])('is not %j', (headers) => {
    expect(check(headers as Record<string, string>)).toBe(false);
  });
  it('may follow a link to a page from anywhere', () => {
    const link = { host: '127.0.0.1:4310', 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' };
    expect(check({ ...link, 'sec-fetch-dest': 'document' }, '/form')).toBe(true);
    expect(check({ ...link, 'sec-fetch-dest': 'document' }, '/api/engines')).toBe(false);
    expect(check({ ...link, 'sec-fetch-dest': 'iframe' }, '/form')).toBe(false);
  });
  it.each(['/date-picker.js', '/icon.svg', '/favicon.ico', '/_next/static/x.js', '/probe'])(
    'may not be told by another site’s page that Ukko runs: %s',
    (path) => {
      const asset = { host: '127.0.0.1:4310', 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' };
      for (const dest of ['script', 'image', 'style', 'empty'])
        expect(check({ ...asset, 'sec-fetch-dest': dest }, path)).toBe(false);
      expect(check({ ...asset, 'sec-fetch-site': 'same-origin' }, path)).toBe(true);
    },
  );
});

describe('a request body', () => {
  const post = (body: BodyInit) => readBody(new Request('http://127.0.0.1/', { method: 'POST', body }));
  it('is read as JSON', async () => {
    expect(await post('{"a":"é"}')).toEqual({ status: 'read', value: { a: 'é' } });
  });
  it('that is not JSON, empty or too long is refused', async () => {
    expect(await post('{')).toMatchObject({ status: 'fault', code: 'body no JSON' });
    expect(await readBody(new Request('http://127.0.0.1/', { method: 'POST' }))).toMatchObject({
      code: 'body no JSON',
    });
    expect(await post('x'.repeat(maxBody + 1))).toMatchObject({ status: 'fault', code: 'body too large' });
  });
  it('that cannot be read is answered with what the app reads as the reason, and its sentence', async () => {
    const answer = async (body: string) => {
      const request = new Request('http://127.0.0.1/', { method: 'POST', body });
      const reading = await readQuestionOf(request, readDeviceRequest);
      if (!(reading instanceof Response)) throw new Error('It was read.');
      const { error } = (await reading.clone().json()) as { readonly error: string };
      return { status: reading.status, failure: await refusalOf(reading), error };
    };
    const refused = (refusal: Refusal) => ({ failure: { code: 'server refused', refusal } });
    expect(await answer('{')).toMatchObject({ status: 400, ...refused({ code: 'body no JSON' }) });
    expect(await answer('x'.repeat(maxBody + 1))).toMatchObject({
      status: 413,
      ...refused({ code: 'body too large' }),
    });
    const misfit = { code: 'missing', path: 'markup' } as const;
    expect(await answer('{"form":"x"}')).toEqual({
      status: 400,
      ...refused({ code: 'question misfit', question: 'device page', misfit }),
      error: expect.stringContaining('The form cannot be given to a device'),
    });
  });
});

describe('the run registry', () => {
  const untilAborted = (signal: AbortSignal) =>
    new Promise<void>((resolve) => signal.addEventListener('abort', () => resolve(), { once: true }));

  it('takes so many sweeps and no more, and ends them all when the server stops', async () => {
    const { signal } = new AbortController();
    const running = Array.from({ length: sweeps.most }, () => register(sweeps, signal, untilAborted));
    expect(running.every((one) => one !== null)).toBe(true);
    expect(register(sweeps, signal, untilAborted)).toBeNull();
    // Work of another sort is counted apart.
    const listener = register(listeners, signal, untilAborted);
    expect(listener).not.toBeNull();
    await stopAll();
    await Promise.all([...running, listener]);
    expect(register(sweeps, signal, async () => undefined)).not.toBeNull();
  });

  it('waits for browsers that are closing, and takes no more than so many meanwhile', async () => {
    let open = 0;
    let most = 0;
    let close = () => {};
    const closed = new Promise<void>((resolve) => {
      close = resolve;
    });
    const sweeping = async (signal: AbortSignal) => {
      open++;
      most = Math.max(most, open);
      await untilAborted(signal);
      await closed;
      open--;
    };
    const clients = Array.from({ length: sweeps.most }, () => new AbortController());
    const first = clients.map(({ signal }) => register(sweeps, signal, sweeping));
    await expect.poll(() => open).toBe(sweeps.most);
    for (const client of clients) client.abort();
    const client = new AbortController();
    const again = clients.map(() => register(sweeps, client.signal, sweeping));
    expect(again.every((one) => one !== null)).toBe(true);
    expect(register(sweeps, client.signal, sweeping)).toBeNull();
    expect(open).toBe(sweeps.most);
    close();
    await Promise.all(first);
    await expect.poll(() => open).toBe(sweeps.most);
    client.abort();
    await Promise.all(again);
    expect([open, most]).toEqual([0, sweeps.most]);
  });

  it('ends a sweep when its client goes', async () => {
    const client = new AbortController();
    const ended = register(sweeps, client.signal, untilAborted);
    client.abort();
    await ended;
  });
});

import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, get, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { guardServer } from '@/server/guard-server';
import type { Gate } from '../api/gate';
import { openGate } from './gate';
import { startListening, stopListening } from './local-server';

/** Another address of this machine, which may be opened because the configuration says so; a third one, which may not. */
const [listed, stranger] = ['listed', 'stranger'].map((name) =>
  createServer((_, response) => response.end(name)),
);
const folder = mkdtempSync(join(tmpdir(), 'ukko-gate-'));
let gate: Gate;
let addresses: { readonly listed: string; readonly stranger: string };

beforeAll(async () => {
  // As in the app, where whoever is not the app's own server is held to its rules.
  guardServer();
  if (!listed || !stranger) throw new Error('no servers');
  addresses = {
    listed: await startListening(listed, '127.0.0.3'),
    stranger: await startListening(stranger, '127.0.0.2'),
  };
  writeFileSync(join(folder, 'ukko.engines.json'), JSON.stringify({ pages: [addresses.listed] }));
  vi.stubEnv('UKKO_ENGINES', join(folder, 'ukko.engines.json'));
  gate = await openGate({ held: true });
});
afterAll(async () => {
  await gate.close();
  for (const server of [listed, stranger]) if (server) await stopListening(server);
  vi.unstubAllEnvs();
  rmSync(folder, { recursive: true });
});

describe('a gate', () => {
  it.each([
    'http://localhost:5173/a',
    'https://127.0.0.1/',
    'ws://app.localhost/hot',
    'WSS://[::1]:9/',
    'data:text/html,x',
    'blob:http://elsewhere.example/1',
    'about:blank',
  ])('lets %s be asked for', (address) => {
    expect(gate.fault(address)).toBeNull();
  });

  it.each([
    'http://elsewhere.example/',
    'https://localhost.elsewhere.example/',
    'http://127.0.0.1@elsewhere.example/',
    ' HTTP://elsewhere.example/',
    'ws://elsewhere.example/socket',
    'wss://127.0.0.1.elsewhere.example/',
    'ftp://127.0.0.1/',
    'http://127.0.0.2/',
    'http://169.254.169.254/latest',
  ])('keeps %s from being asked for', (address) => {
    expect(gate.fault(address)).not.toBeNull();
  });
});

/** What comes of asking for an address through the proxy, as a browser does for `http:`. */
function through(address: string): Promise<readonly [number | undefined, string]> {
  const [host, port] = gate.proxy.split(':');
  return new Promise((resolve, reject) => {
    get({ host, port, path: address, headers: { host: new URL(address).host } }, (response) => {
      let text = '';
      response.on('data', (part) => {
        text += part;
      });
      response.on('end', () => resolve([response.statusCode, text]));
    }).on('error', reject);
  });
}

/** The status with which a tunnel is answered, as browsers ask for one for `https:` and sockets. */
function tunnel(to: string): Promise<number | undefined> {
  const [host, port] = gate.proxy.split(':');
  return new Promise((resolve, reject) => {
    const asking = request({ host, port, method: 'CONNECT', path: to });
    asking.on('connect', ({ statusCode }, socket) => {
      socket.destroy();
      resolve(statusCode);
    });
    asking.on('response', ({ statusCode }) => resolve(statusCode));
    asking.on('error', reject);
    asking.end();
  });
}

describe('its proxy', () => {
  it('lets through what the configuration lists, and answers the rest with why not', async () => {
    expect(await through(`${addresses.listed}/page`)).toEqual([200, 'listed']);
    const [status, text] = await through(`${addresses.stranger}/page`);
    expect([status, text]).toEqual([403, expect.stringContaining('is not on this machine')]);
  });

  it('opens tunnels to what may be asked for alone', async () => {
    const at = (address: string) => new URL(address).host;
    expect(await tunnel(at(addresses.listed))).toBe(200);
    expect(await tunnel(at(addresses.stranger))).toBe(403);
    expect(await tunnel('169.254.169.254:80')).toBe(403);
  });

  it('is on this machine alone', () => {
    expect(gate.proxy).toMatch(/^127\.0\.0\.1:\d+$/);
  });

  it('is gone once it is closed', async () => {
    const other = await openGate({});
    await other.close();
    const [host, port] = other.proxy.split(':');
    const asking = new Promise((resolve, reject) => get({ host, port }, resolve).on('error', reject));
    await expect(asking).rejects.toThrow('ECONNREFUSED');
  });
});

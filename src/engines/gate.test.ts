import { afterAll, expect, it } from 'vitest';
import { openGate } from './gate';

const gate = await openGate({ held: true });
afterAll(() => gate.close());

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

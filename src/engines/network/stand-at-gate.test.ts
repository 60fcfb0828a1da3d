import type { Page } from 'puppeteer-core';
import { expect, it } from 'vitest';
import { EngineLost } from '../api/engine';
import type { Gate } from '../api/gate';
import { standAt } from './stand-at-gate';

const gate: Gate = {
  fault: (address) => (address.startsWith('http://own/') ? null : { code: 'not listed', origin: address }),
  holdsAll: false,
  proxy: '',
  close: async () => undefined,
};

/** A page whose documents are asked for by hand, and what became of each. */
async function madeUpPage() {
  const answered: string[] = [];
  let paused: (event: { requestId: string; request: { url: string }; frameId: string }) => void = () =>
    undefined;
  const protocol = {
    send: async (method: string) => {
      if (method.startsWith('Fetch.') && method !== 'Fetch.enable') answered.push(method);
      return { frameTree: { frame: { id: 'main' } } };
    },
    on: (_: string, hear: typeof paused) => {
      paused = hear;
    },
  };
  const page = { createCDPSession: async () => protocol } as unknown as Page;
  const led = await standAt(gate, page, 'chrome');
  return {
    led,
    answered,
    ask: (url: string, frameId = 'main') => paused({ requestId: '1', request: { url }, frameId }),
  };
}

it('lets a page go where it may, and its frames anywhere', async () => {
  const { led, answered, ask } = await madeUpPage();
  const work = async () => {
    ask('http://own/next');
    ask('http://elsewhere/frame', 'frame');
    return 7;
  };
  expect(await led.unless(work)).toBe(7);
  expect(answered).toEqual(['Fetch.continueRequest', 'Fetch.continueRequest']);
});

it('ends what is done in a page that is led away, and says where to', async () => {
  const { led, answered, ask } = await madeUpPage();
  const never = () => {
    ask('http://elsewhere/');
    return new Promise<never>(() => undefined);
  };
  await expect(led.unless(never)).rejects.toThrow(
    /^The page led to another address\. http:\/\/elsewhere\/ is not on this machine/,
  );
  expect(answered).toEqual(['Fetch.failRequest']);
});

it('begins nothing in a page that was led away meanwhile, and tells it once', async () => {
  const { led, ask } = await madeUpPage();
  ask('http://elsewhere/');
  let begun = 0;
  const work = async () => {
    begun++;
  };
  await expect(led.unless(work)).rejects.toThrow(EngineLost);
  expect(begun).toBe(0);
  await led.unless(work);
  expect(begun).toBe(1);
});

it('tells of a page that was led away after a work was done in it at the next one', async () => {
  const { led, ask } = await madeUpPage();
  expect(await led.unless(async () => 7)).toBe(7);
  ask('http://elsewhere/');
  await new Promise((resolve) => setTimeout(resolve));
  await expect(led.unless(async () => 8)).rejects.toThrow(EngineLost);
});

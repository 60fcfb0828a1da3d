import { describe, expect, it } from 'vitest';
import type { DeviceNews } from '@/core/device/device-news';
import type { Observation } from '@/core/questions/observation';
import { plainVariant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import { engines } from '@/engines/engines';
import { listenForDevice } from '@/server/device-listener';
import { enginesAvailable } from '../fixtures/engines';
import { profiles } from './asking-engines';

const here = await enginesAvailable();
// In the frame of the device's page, the first field fills its upper left corner.
const markup =
  '<form style="margin:0"><input type="tel" name="phone" aria-label="Phone" style="position:absolute;left:0;top:0;width:200px;height:60px"><input type="month" name="month" aria-label="Month" style="margin-top:100px"></form>';

/** What each engine says of a month. */
const months = { chromium: 'month', firefox: 'text', webkit: 'month' } as const;

describe.skipIf(!here).each(['chromium', 'firefox', 'webkit'] as const)('a device that runs %s', (name) => {
  it('opens the link, answers by itself, and tells what is typed by hand', async () => {
    const engine = engines[name];
    const found = await engine.find();
    if (found.status === 'missing') throw new Error(failureText(found.failure));
    const off = new AbortController();
    const observations: Observation[] = [];
    let ended = Promise.resolve();
    const address = await new Promise<string>((resolve) => {
      const hear = (news: DeviceNews) => {
        if (news.type === 'listening') resolve(news.address);
        if (news.type === 'refused') throw new Error(news.text);
        if (news.type === 'message') observations.push(...news.message.observations);
      };
      ended = listenForDevice({ form: 'A month and a phone', markup }, hear, off.signal, '127.0.0.1');
    });
    const session = await engine.launch(found.path, plainVariant);
    try {
      const page = await session.open(address, 'window.ukkoProbe = { settle() {} }', plainVariant);
      const state = () => page.evaluate('document.querySelector("[role=status]").textContent');
      await expect.poll(state, { timeout: 30_000 }).toMatch(/^Now tap the fields below/);
      const corner = (await page.evaluate(
        '(() => { const { x, y } = document.querySelector("main iframe").getBoundingClientRect(); return { x, y }; })()',
      )) as { x: number; y: number };
      await page.click?.(Math.round(corner.x) + 20, Math.round(corner.y) + 20);
      for (const key of '+4a') await page.press(key);
      const typed = () => observations.findLast(({ question }) => question === 'typing')?.outcome;
      await expect.poll(() => JSON.stringify(typed()), { timeout: 20_000 }).toContain('"text":"+4a"');

      const facts = (question: string, field: string) => {
        const told = observations.findLast(
          (one) => one.question === question && one.field === field && one.outcome.status === 'answered',
        );
        return told?.outcome.status === 'answered' ? told.outcome.facts : null;
      };
      expect(facts('look', 'month')).toMatchObject({ typeReflected: months[name] });
      expect(facts('typing', 'phone')).toMatchObject({
        script: [
          { kind: 'focus', by: 'click' },
          { kind: 'key', key: '+' },
          { kind: 'key', key: '4' },
          { kind: 'key', key: 'a' },
        ],
        steps: [{ value: '' }, { value: '+' }, { value: '+4' }, { value: '+4a' }],
      });
      expect(facts('keyboard', 'phone')).toMatchObject({
        asked: 'untold',
        tapped: expect.arrayContaining([expect.objectContaining({ type: 'keydown', key: '+' })]),
      });
      expect(observations.every(({ provenance }) => provenance.mark === 'captured')).toBe(true);
    } finally {
      await session.close();
      off.abort();
      await ended;
    }
    expect(profiles()).toEqual([]);
  });
});

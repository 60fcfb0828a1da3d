import { describe, expect, it } from 'vitest';
import type { KeyboardFacts } from '@/core/questions/keyboard/facts';
import { failureText } from '@/core/words/failure-words';
import { measureKeyboards } from '@/engines/measure-keyboards';
import { findPhonePrograms } from '@/engines/phone/phone-screen';
import { enginesAvailable } from '../fixtures/engines';
import { profiles } from './asking-engines';

const phone = await findPhonePrograms();
if (phone.status === 'missing') {
  if (process.env.CI === 'true') throw new Error(failureText(phone.failure));
  console.warn(failureText(phone.failure));
}
const here = (await enginesAvailable()) && phone.status === 'found';

const controls: Readonly<Record<string, string>> = {
  text: '<input name=text>',
  email: '<input type=email name=email>',
  url: '<input type=url name=url>',
  tel: '<input type=tel name=tel>',
  number: '<input type=number name=number>',
  password: '<input type=password name=password>',
  date: '<input type=date name=date>',
  digits: '<input inputmode=numeric name=digits>',
  lines: '<textarea inputmode=numeric name=lines></textarea>',
  none: '<input inputmode=none name=none>',
  readonly: '<input readonly name=readonly>',
  shut: '<fieldset disabled><input name=shut></fieldset>',
};
const markup = `<form>${Object.values(controls)
  .map((one) => `<p>${one}`)
  .join('')}</form>`;

/** Layouts that came up when all of this was tried by hand, before there was a program for it. */
const common = {
  text: 'us',
  email: 'email/us',
  url: 'url/us',
  tel: 'number/us',
  number: 'number/us',
  password: 'us',
  date: null,
  none: 'us',
  shut: null,
};
const layouts = {
  chromium: { ...common, digits: 'us', lines: 'us', readonly: null },
  firefox: { ...common, digits: 'number/us', lines: 'number/us', readonly: null },
  webkit: { ...common, digits: 'us', lines: 'number/us', readonly: 'us' },
} as const;
/** What the page hears of a tapped letter. */
const heard = {
  chromium: ['keypress', 'beforeinput', 'input'],
  firefox: ['keydown', 'keypress', 'beforeinput', 'input', 'keyup'],
  webkit: ['keydown', 'beforeinput', 'input', 'compositionend'],
} as const;

describe.skipIf(!here).each(['chromium', 'firefox', 'webkit'] as const)(
  'a real keyboard under %s',
  (engine) => {
    it('comes up as the engine asks for it, takes room, and its keys are heard', async () => {
      const all = new Map<string, KeyboardFacts>();
      await measureKeyboards(
        engine,
        { markup, page: null },
        () => true,
        ({ observation: { field, outcome, provenance }, picture }) => {
          expect([picture.width, picture.height]).toEqual([520, 960]);
          expect(provenance).toMatchObject({ mark: 'measured', version: expect.stringMatching(/^\d+\.\d/) });
          if (outcome.status === 'answered') all.set(field, outcome.facts);
        },
      );
      const told = Object.fromEntries([...all].map(([name, { layout }]) => [name, layout]));
      expect(told).toEqual(layouts[engine]);
      for (const [name, { layout, height, tapped }] of all) {
        expect([name, height.with < height.before]).toEqual([name, layout !== null]);
        expect([name, tapped !== null]).toEqual([name, layout !== null]);
      }
      expect(all.get('email')?.asked).toMatchObject({ purpose: 'email' });
      expect(all.get('password')?.asked).toMatchObject({ hints: expect.arrayContaining(['hidden_text']) });
      const heardOf = (name: string, key: string) =>
        all.get(name)?.tapped?.filter(({ by }) => by === key) ?? [];
      expect(heardOf('text', 'q').map(({ type }) => type)).toEqual(heard[engine]);
      // The key of another layer, and the one that takes away, were tapped where they were thought to be.
      expect(heardOf('text', '1').at(-1)?.value).toBe('q1');
      expect(heardOf('text', 'Backspace').at(-1)?.value).toBe('q');
      expect(heardOf('text', 'Backspace').find(({ type }) => type === 'keydown')?.key).toBe('Backspace');
      expect(heardOf('tel', '-').at(-1)?.value).toBe('1-');
      expect(heardOf('number', '1').at(-1)?.value).toBe('1');
      expect(profiles()).toEqual([]);
    });

    it('is asked for what the very first field wants', async () => {
      const answers = await measureKeyboards(
        engine,
        { markup: `<form>${controls.number}</form>`, page: null },
        () => true,
      );
      expect(answers).toMatchObject([{ observation: { outcome: { facts: { layout: 'number/us' } } } }]);
    });

    it('that is cancelled leaves nothing behind', async () => {
      const abort = new AbortController();
      const asking = measureKeyboards(
        engine,
        { markup, page: null },
        () => true,
        () => abort.abort(),
        abort.signal,
      );
      await expect(asking).rejects.toThrow(/aborted/);
      expect(profiles()).toEqual([]);
    });
  },
);

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readForm } from '@/core/html/read-form';
import { engineDeviations } from '@/core/model/deviations/engine-deviations';
import {
  formatDate,
  formatLocalDateAndTime,
  formatMonth,
  formatTime,
  formatWeek,
} from '@/core/standard/dates-and-times';
import { fieldStateOf } from '@/core/standard/field-state';
import { arrowed, type Stepping, stepped } from '@/core/standard/stepping';
import { enginesAvailable } from '../fixtures/engines';
import './asking-engines';
import { inBarePage } from './bare-page';

const here = await enginesAvailable();
const seed = Date.now();

const upTo = (most: number, format: (n: number) => string) =>
  fc.integer({ min: 0, max: most }).map((n) => format(n));
const quarter = fc.integer({ min: -90, max: 90 }).map((n) => String(n / 4));
const kinds: Readonly<Record<string, readonly [fc.Arbitrary<string>, readonly string[]]>> = {
  number: [quarter, ['1', '0.25', '7', 'any', '0', '0.1']],
  range: [quarter, ['1', '0.5', '7', 'any']],
  date: [upTo(400, (n) => formatDate(n * 86_400_000)), ['1', '7', 'any', '']],
  month: [upTo(60, formatMonth), ['1', '5']],
  week: [upTo(60, (n) => formatWeek((n * 7 + 4) * 86_400_000)), ['1', '3']],
  time: [upTo(86_399, (n) => formatTime(n * 1000)), ['60', '900', '1', '7', 'any']],
  'datetime-local': [upTo(8_639_900, (n) => formatLocalDateAndTime(n * 1000)), ['60', '900', '']],
};

const questionOf = (kind: string) => {
  const [value, steps] = kinds[kind] ?? [fc.constant(''), []];
  const limit = fc.option(value, { nil: null, freq: 2 });
  return fc
    .record({
      min: limit,
      max: limit,
      step: fc.option(fc.constantFrom(...steps), { nil: null }),
      value: fc.option(value, { nil: null }),
    })
    .chain((attributes) => {
      const text = Object.entries(attributes).flatMap(([name, held]) =>
        held === null ? [] : [` ${name}="${held}"`],
      );
      return fc.record({
        html: fc.constant(`<input id="t" type="${kind}"${text.join('')}>`),
        value: fc.oneof({ weight: 4, arbitrary: value }, { weight: 1, arbitrary: fc.constant('') }),
        count: fc.constantFrom(1, -1, 3, -2),
      });
    });
};
const questions = fc.sample(fc.constantFrom(...Object.keys(kinds)).chain(questionOf), { numRuns: 600, seed });
const isReversed = ({ html }: { html: string }) => {
  const [, min, max] = /min="([^"]*)".*max="([^"]*)"/.exec(html) ?? [];
  return min !== undefined && Number(min) > Number(max);
};
const pressed = fc.sample(
  questionOf('number').filter((one) => !isReversed(one)),
  { numRuns: 40, seed },
);

const place = `const place = (html, value) => { const form = document.querySelector('form'); form.innerHTML = html; const t = form.querySelector('#t'); t.value = value; return t; };`;

function stateOf(html: string, value: string, name: keyof typeof engineDeviations) {
  const [field] = readForm(html).fields;
  if (!field) throw new Error(html);
  return fieldStateOf(field, { value }, engineDeviations[name]);
}

const said = (stepping: Stepping, value: string) =>
  stepping.status === 'value' ? stepping.value : stepping.status === 'stays' ? value : stepping.status;

describe.skipIf(!here).each(['chromium', 'firefox', 'webkit'] as const)('%s and its steps', (name) => {
  it(`go where the model says in at least 98 of 100 cases that were made just now (seed ${seed})`, () =>
    inBarePage(name, async (page) => {
      const real = (await page.evaluate(
        `(() => { ${place} return ${JSON.stringify(questions)}.map(({ html, value, count }) => { const t = place(html, value); try { t.stepUp(count); return t.value; } catch (error) { return error.name; } }); })()`,
      )) as string[];
      const apart = questions.flatMap(({ html, value, count }, at) => {
        const state = stateOf(html, value, name);
        const model = said(stepped(state, count, engineDeviations[name]), state.currentValue);
        return model === real[at] ? [] : [{ html, value, count, engine: real[at], model }];
      });
      expect(apart.length, JSON.stringify(apart.slice(0, 5))).toBeLessThanOrEqual(questions.length / 50);
    }));

  it(`are what the arrow keys of a number field do in at least 37 of 40 cases (seed ${seed})`, () =>
    inBarePage(name, async (page) => {
      const apart: unknown[] = [];
      for (const { html, value, count } of pressed) {
        await page.evaluate(
          `(() => { ${place} place(${JSON.stringify(html)}, ${JSON.stringify(value)}).focus(); return true; })()`,
        );
        await page.press(count > 0 ? 'ArrowUp' : 'ArrowDown');
        const state = stateOf(html, value, name);
        const model = said(
          arrowed(state, Math.sign(count) as 1 | -1, engineDeviations[name]),
          state.currentValue,
        );
        // On a busy machine a key takes effect a moment after its protocol says that it was pressed.
        let real = await page.evaluate(`document.querySelector('#t').value`);
        for (let attempt = 0; real !== model && attempt < 10; attempt++) {
          await new Promise((resolve) => setTimeout(resolve, 30));
          real = await page.evaluate(`document.querySelector('#t').value`);
        }
        if (model !== real) apart.push({ html, value, count, engine: real, model });
      }
      // Odd corners of two engines, far from where anybody types, are not followed.
      expect(apart.length, JSON.stringify(apart.slice(0, 5))).toBeLessThanOrEqual(3);
    }));
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readForm } from '@/core/html/read-form';
import { engineDeviations } from '@/core/model/deviations/engine-deviations';
import { validationMessage } from '@/core/model/validation-message';
import { validityOf } from '@/core/standard/constraint-validation';
import { formatDate, formatTime } from '@/core/standard/dates-and-times';
import { fieldStateOf } from '@/core/standard/field-state';
import { plainVariant } from '@/core/target/variant';
import { enginesAvailable } from '../fixtures/engines';
import './asking-engines';
import { inBarePage } from './bare-page';

const here = await enginesAvailable();
const seed = Date.now();

const number = fc.oneof(
  fc.integer({ min: -2000, max: 2000 }),
  fc.integer({ min: -900, max: 900 }).map((n) => n / 4),
);
const date = fc.integer({ min: 0, max: 40_000 }).map((day) => formatDate(day * 86_400_000));
const time = fc.integer({ min: 0, max: 86_399 }).map((second) => formatTime(second * 1000));
const text = fc.string({ unit: fc.constantFrom('a', 'b', '@', '.', '-', ' ', 'ä', '(', '3'), maxLength: 7 });
const limited = (type: string, value: fc.Arbitrary<string | number>, steps: readonly string[]) =>
  fc
    .record({
      min: fc.option(value, { nil: null }),
      max: fc.option(value, { nil: null }),
      step: fc.constantFrom(...steps),
      value: value.map(String),
    })
    .map(({ min, max, step, value: set }) => ({
      html: `<input id="t" type="${type}" step="${step}"${min === null ? '' : ` min="${min}"`}${max === null ? '' : ` max="${max}"`}>`,
      value: set,
    }));

const questions = fc.sample(
  fc.oneof(
    limited('number', number, ['1', '0.25', '7', 'any']),
    limited('date', date, ['1', '7', '30']),
    limited('time', time, ['60', '900', '1', 'any']),
    fc.record({
      html: fc.constantFrom(
        '<input id="t" type="email">',
        '<input id="t" type="email" multiple>',
        '<input id="t" type="url">',
        '<input id="t" required pattern="a+" title="Qxw">',
      ),
      value: text,
    }),
  ),
  { numRuns: 250, seed },
);

describe.skipIf(!here).each(['chromium', 'firefox', 'webkit'] as const)('%s and its words', (name) => {
  it.each(['en-US', 'fi-FI'] as const)(
    `are as the model has them, for values made just now (seed ${seed}), in %s`,
    async (language) => {
      const variant = { ...plainVariant, language };
      await inBarePage(
        name,
        async (page) => {
          const real = (await page.evaluate(
            `${JSON.stringify(questions)}.map(({ html, value }) => { const form = document.querySelector('form'); form.innerHTML = html; const t = form.querySelector('#t'); t.value = value; return { valid: t.validity.valid, message: t.validationMessage }; })`,
          )) as { valid: boolean; message: string }[];
          expect(real.filter(({ valid }) => !valid).length).toBeGreaterThan(100);
          const deviations = engineDeviations[name];
          const modelled = questions.map(({ html, value }) => {
            const [field] = readForm(html).fields;
            if (!field) throw new Error(html);
            const state = fieldStateOf(field, { value }, deviations);
            return validationMessage(
              field,
              state,
              validityOf(state, deviations).flags,
              { words: name, deviations: name },
              language,
            );
          });
          const apart = questions.flatMap(({ html, value }, at) => {
            const { valid, message } = real[at] ?? { valid: true, message: '' };
            // Two engines have words for a time that a range past midnight lets stand; nobody ever sees them. Whether a
            // value is valid is asked in another test.
            if (valid || modelled[at] === '' || modelled[at] === message) return [];
            return [{ html, value, engine: message, model: modelled[at] }];
          });
          expect(apart).toEqual([]);
        },
        { variant },
      );
    },
  );
});

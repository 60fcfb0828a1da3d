import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askingOf } from '@/core/questions/asking';
import type { Showing } from '@/core/questions/parts/facts';
import { enginesAvailable } from '../fixtures/engines';
import { ask, ownTargets } from './asking-engines';

/** Kinds as they are without a style, and how each shows two values apart. */
const kinds: readonly (readonly [markup: string, shows: Showing])[] = [
  ['<label>A <input name=text></label>', 'text'],
  ['<label>B <input name=email type=email></label>', 'text'],
  ['<label>C <input name=number type=number></label>', 'text'],
  ['<label>D <textarea name=textarea></textarea></label>', 'text'],
  ['<label>E <textarea name=limited maxlength=300 rows=3></textarea></label>', 'text'],
  ['<label>F <select name=select><option>Hesten<option>Norra</select></label>', 'text'],
  ['<label>G <input name=date type=date></label>', 'text'],
  ['<label><input name=checkbox type=checkbox required> H</label>', 'picture'],
  ['<label><input name=consent type=checkbox> I</label>', 'picture'],
  ['<label><input name=radio type=radio value=a> J</label>', 'picture'],
  ['<label>K <input name=range type=range></label>', 'picture'],
];
const orders = fc.sample(fc.shuffledSubarray([...kinds], { minLength: kinds.length }), 2);

describe.skipIf(!(await enginesAvailable()))('how three engines show values', () => {
  it('is told of each field, whatever stands beside it in its line', async () => {
    for (const order of orders) {
      const markup = `<form>${order.map(([one]) => one).join('\n')}</form>`;
      const { observations } = await ask(ownTargets, askingOf(markup, ['parts']));
      const shown = observations.map(({ target, field, question, outcome }) => [
        target,
        field,
        question === 'parts' && outcome.status === 'answered' ? outcome.facts.shows : null,
      ]);
      const expected = ownTargets.flatMap(({ id }) =>
        order.map(([one, shows]) => [id, /name=(\w+)/.exec(one)?.[1], shows]),
      );
      expect([markup, shown.sort()]).toEqual([markup, expected.sort()]);
    }
  }, 300_000);
});

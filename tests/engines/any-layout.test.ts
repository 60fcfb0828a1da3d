import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askingOf } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import type { Showing } from '@/core/questions/parts/facts';
import { enginesAvailable } from '../fixtures/engines';
import { ask, ownTargets } from './asking-engines';

/** Kinds as they are without a style, and how each shows two values apart. */
const kinds: readonly (readonly [markup: string, shows: Showing])[] = [
  ['<label>A <input name=text required></label>', 'text'],
  ['<label>B <input name=email type=email></label>', 'text'],
  ['<label>C <input name=number type=number max=8></label>', 'text'],
  ['<label>D <textarea name=textarea required></textarea></label>', 'text'],
  ['<label>E <textarea name=limited maxlength=300 rows=3></textarea></label>', 'text'],
  ['<label>F <select name=select><option>Hesten<option>Norra</select></label>', 'text'],
  ['<label>G <input name=date type=date required></label>', 'text'],
  ['<label><input name=checkbox type=checkbox required> H</label>', 'picture'],
  ['<label><input name=consent type=checkbox> I</label>', 'picture'],
  ['<label><input name=radio type=radio value=a required> J</label>', 'picture'],
  [
    '<fieldset><label><input name=group type=radio value=a required> L</label><label><input name=group type=radio value=b> M</label></fieldset>',
    'picture',
  ],
  ['<label>K <input name=range type=range></label>', 'picture'],
  ['<label>N <input name=color type=color></label>', 'picture'],
];

/** How a form may be laid out besides in lines: one under the other, side by side, and with what an author may do to labels. */
const layouts = [
  'label{display:block}',
  'form{display:flex;flex-wrap:wrap;gap:4px}',
  'form{display:grid;gap:60px 2px}label{display:grid}',
  'form{display:table}label{display:table-row}input,textarea,select{display:table-cell}',
];

const orders = fc.sample(fc.shuffledSubarray([...kinds], { minLength: kinds.length }), 2);
const chosen = ['', ...fc.sample(fc.constantFrom(...layouts), 1)];

/** What an answer says apart from where, how large and in which picture: that is the layout's. */
function told({ target, field, question, outcome }: Observation): [string, string] {
  const ofLayout = ['picture', 'size', 'sizeWithoutLimits', 'popUp', 'leaves'];
  const facts = JSON.stringify(outcome, (name, value) => (ofLayout.includes(name) ? undefined : value));
  return [`${target} ${field} ${question}`, facts];
}

describe.skipIf(!(await enginesAvailable()))('what three engines answer', () => {
  it('is the same of each field, whatever its layout and what stands beside it', async () => {
    const answers: Map<string, string>[] = [];
    for (const [index, order] of orders.entries()) {
      const css = chosen[index] ?? '';
      const markup = `<!doctype html><html lang=en><style>${css}</style><form>${order.map(([one]) => one).join('\n')}</form>`;
      const { observations } = await ask(
        ownTargets,
        askingOf(markup, ['message', 'parts', 'opening', 'bubble']),
      );
      const shown = observations.flatMap(({ target, field, question, outcome }) =>
        question === 'parts'
          ? [[target, field, outcome.status === 'answered' ? outcome.facts.shows : null]]
          : [],
      );
      const expected = ownTargets.flatMap(({ id }) =>
        order.map(([one, shows]) => [id, /name=(\w+)/.exec(one)?.[1], shows]),
      );
      expect([markup, shown.sort()]).toEqual([markup, expected.sort()]);
      answers.push(new Map(observations.map(told)));
    }
    const [some, other] = answers;
    const differing = [...(some ?? [])].filter(([key, facts]) => other?.get(key) !== facts);
    expect([chosen, differing.map(([key, facts]) => [key, facts, other?.get(key)])]).toEqual([chosen, []]);
  }, 300_000);
});

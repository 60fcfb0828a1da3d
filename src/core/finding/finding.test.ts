import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Difference } from '../compare/differences';
import { demoForm, hurriedForm } from '../demo/demo-forms';
import { markupFaults } from '../fault/markup-faults';
import type { Field } from '../form/field';
import { readForm } from '../form/read-form';
import { targets } from '../target/line-up';
import { collectFindings, type Known, type TargetDifferences } from './collect-findings';
import { faultHarm } from './fault-harm';
import { type Finding, harms, ranked } from './finding';

const [chromium, firefox, webkit] = ['chromium', 'firefox', 'webkit'].map((id) => {
  const found = targets.find((one) => one.id === id);
  if (!found) throw new Error(id);
  return found;
}) as [(typeof targets)[number], (typeof targets)[number], (typeof targets)[number]];

const month = fieldOf('<label>Month <input type=month name=month></label>');
function fieldOf(markup: string): Field {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return field;
}
const different = (target: (typeof targets)[number], ...differences: Difference[]): TargetDifferences => ({
  target,
  mark: 'measured',
  field: month,
  differences,
});
const found = (known: Partial<Known>) =>
  collectFindings({ form: { markup: '' }, differences: [], traps: [], ...known });

describe('findings', () => {
  it('are every fault of the hurried form, with a reason and a remedy each, and none of the good one', () => {
    const hurried = found({ form: hurriedForm });
    const faults = markupFaults(hurriedForm.markup, readForm(hurriedForm.markup));
    for (const { text, rule } of faults) {
      const finding = hurried.find(({ says }) => says === text);
      expect([rule, finding?.why, finding?.remedy].every(Boolean)).toBe(true);
    }
    expect(new Set(hurried.map(({ id }) => id)).size).toBe(hurried.length);
    expect(found({ form: demoForm })).toEqual([]);
  });

  it('stay the same where the form is moved about: a decision goes with what they say', () => {
    const moved = `<!-- moved -->\n\n${hurriedForm.markup}`;
    const ids = (markup: string) =>
      found({ form: { markup } })
        .map(({ id }) => id)
        .sort();
    expect(ids(moved)).toEqual(ids(hurriedForm.markup));
  });

  it('name a rule that means something else, with its remedy', () => {
    const markup = '<label>Code <input name=a pattern="[A-z]{2}" title="two letters"></label>';
    expect(found({ form: { markup } })).toMatchObject([
      {
        harm: 'wrong value sent',
        says: expect.stringContaining('It accepts “a_”.'),
        remedy: 'Write pattern="[A-Za-z]{2}".',
        evidence: 'typing',
      },
    ]);
  });

  it('merge what has one cause: a kind that a target does not know, on all targets', () => {
    const all = found({
      differences: [
        different(
          firefox,
          { what: 'type', text: 'is text, in Chromium month' },
          { what: 'size', text: 'is wider' },
          { what: 'opening', text: 'nothing opens' },
        ),
        different(webkit, { what: 'type', text: 'is text' }),
      ],
    });
    expect(all).toMatchObject([
      {
        says: 'Month is another kind of field in Firefox, WebKit.',
        harm: 'person misled',
        targets: [
          { name: 'Firefox', says: ['is text, in Chromium month', 'is wider', 'nothing opens'] },
          { name: 'WebKit' },
        ],
        marks: ['measured'],
      },
    ]);
  });

  it('never blur how they are known', () => {
    const [phone] = targets.filter(({ ask }) => ask === 'model');
    if (!phone) throw new Error('no phone');
    const differs = { what: 'size', text: 'is wider' } as const;
    const [finding] = found({
      differences: [different(firefox, differs), { ...different(phone, differs), mark: 'modelled' }],
    });
    expect(finding?.marks).toEqual(['measured', 'modelled']);
    expect(finding?.targets.map(({ mark }) => mark)).toEqual(['measured', 'modelled']);
    expect(finding?.says).toBe(`Month in Firefox, ${phone.name}: is wider`);
  });

  it.each([
    ['pattern', 'A has a pattern and nowhere says what it wants.', 'person misled'],
    ['pattern', 'The pattern of A does not compile.', 'wrong value sent'],
    ['pattern', 'The pattern of A means something.', 'cannot enter a valid value'],
    ['no name', 'A has no name.', 'value lost'],
  ])('weigh %s: %s', (rule, text, harm) => {
    expect(faultHarm(rule, text)[0]).toBe(harm);
  });

  it('keep apart what harms in another way', () => {
    const all = found({
      differences: [
        different(firefox, { what: 'size', text: 'is wider' }, { what: 'value', text: 'is empty' }),
      ],
    });
    expect(all.map(({ harm, targets: on }) => [harm, on[0]?.says])).toEqual([
      ['wrong value sent', ['is empty']],
      ['cosmetic', ['is wider']],
    ]);
  });

  it('put keyboards together that lack the same', () => {
    const trap = { missing: ['-'], value: '-1' };
    const all = found({
      traps: [
        { target: chromium, field: month, trap },
        { target: firefox, field: month, trap },
        { target: webkit, field: month, trap: { missing: ['.', '-'], value: '-0.1' } },
      ],
    });
    expect(all.map(({ targets: on }) => on.map(({ name }) => name))).toEqual([
      ['Chromium', 'Firefox'],
      ['WebKit'],
    ]);
    expect(all.every(({ harm }) => harm === 'cannot enter a valid value')).toBe(true);
  });

  it('stand in the order of their harm, what is so everywhere before what is so somewhere', () => {
    const one = fc.record({
      harm: fc.constantFrom(...harms),
      targets: fc.array(fc.constant({ target: chromium.id, name: 'Chromium', mark: 'measured', says: [] }), {
        maxLength: 3,
      }),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 12 }), (all) => {
        const order = ranked(all as unknown as Finding[]);
        expect([order.length, new Set(order)]).toEqual([all.length, new Set(all)]);
        for (const [index, next] of order.slice(1).entries()) {
          const before = order[index] as Finding;
          const [a, b] = [harms.indexOf(before.harm), harms.indexOf(next.harm)];
          expect(a).toBeLessThanOrEqual(b);
          if (a === b && next.targets.length === 0) expect(before.targets.length).toBe(0);
          else if (a === b && before.targets.length > 0)
            expect(before.targets.length).toBeGreaterThanOrEqual(next.targets.length);
        }
      }),
    );
  });
});

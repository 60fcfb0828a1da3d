import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Difference } from '../compare/differences';
import { demoForm, hurriedForm } from '../demo/demo-forms';
import { markupFaults } from '../fault/markup-faults';
import { type Field, fieldId } from '../form/field';
import type { FormDocument } from '../form/form-document';
import { readForm } from '../form/read-form';
import type { Guard } from '../guard/guard';
import { predict } from '../model/predict';
import { askingOf, sweepQuestions } from '../observation/asking';
import type { Observation, SubmissionObservation } from '../observation/observation';
import { targets } from '../target/line-up';
import type { Target } from '../target/target';
import { changedForm, changedLines } from './change';
import { findingsOfRun, formFindingsAtOnce } from './collect-findings';
import { differenceFindings } from './difference-findings';
import { faultHarm } from './fault-harm';
import { collected, type Finding, harms, merged, ranked } from './finding';
import type { TargetDifferences } from './reference-differences';

const [chromium, firefox, webkit, phone] = ['chromium', 'firefox', 'webkit', 'blink-phone'].map((id) => {
  const found = targets.find((one) => one.id === id);
  if (!found) throw new Error(id);
  return found;
}) as [Target, Target, Target, Target];

const setup = { language: 'en-US', corrections: [] } as const;
const ofForm = (form: Pick<FormDocument, 'markup' | 'typing'>): Finding[] =>
  collected(formFindingsAtOnce(form, setup));
const found = (markup: string, typing: FormDocument['typing'] = {}) => ofForm({ markup, typing });
const textsOf = (findings: readonly Finding[]) => findings.flatMap(({ says, details }) => [says, ...details]);

const month = fieldOf('<label>Month <input type=month name=month></label>');
function fieldOf(markup: string): Field {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return field;
}
const different = (target: Target, ...differences: Difference[]): TargetDifferences => ({
  target,
  mark: 'measured',
  field: month,
  differences,
});

describe('findings of a form', () => {
  it('are every fault of the hurried form, with a reason and a remedy each, and no fault of the good one', () => {
    const all = ofForm(hurriedForm);
    const faults = markupFaults(hurriedForm.markup, readForm(hurriedForm.markup));
    expect(faults.length).toBeGreaterThan(30);
    for (const { text } of faults) expect(textsOf(all)).toContain(text);
    expect(all.every(({ why, remedy }) => why && remedy)).toBe(true);
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
    expect(ofForm(demoForm).filter(({ evidence }) => evidence === 'form')).toEqual([]);
  });

  it('stay the same where the form is moved about: a decision goes with what they say', () => {
    const ids = (markup: string) =>
      found(markup)
        .map(({ id }) => id)
        .sort();
    expect(ids(`<!-- moved -->\n\n${hurriedForm.markup}`)).toEqual(ids(hurriedForm.markup));
  });

  it('name a rule that means something else, with its remedy', () => {
    expect(found('<label>Code <input name=a pattern="[A-z]{2}" title="two letters"></label>')).toMatchObject([
      {
        harm: 'wrong value sent',
        says: expect.stringContaining('It accepts “a_”.'),
        remedy: 'Write pattern="[A-Za-z]{2}".',
        evidence: 'rule',
      },
    ]);
  });

  it('name a pattern that a matcher does not get through, the field’s own and a guard’s', () => {
    const slow = (markup: string, guards: readonly Guard[] = []) =>
      found(markup, { [fieldId('a')]: { script: '', guards } }).filter(({ harm }) => harm === 'value lost');
    expect(slow('<label>Code <input name=a pattern="(a+)+" title="a"></label>')).toMatchObject([
      {
        says: 'Code: a matcher takes ever longer over “aaaaaaaa!”, the longer the worse.',
        details: [
          expect.stringMatching(/^With “a” \d+ times: [\d,]+ steps\.$/),
          expect.anything(),
          expect.anything(),
        ],
        evidence: 'rule',
      },
    ]);
    expect(slow('<label>Code <input name=a pattern="(a+)+" title="a" maxlength=9></label>')).toEqual([]);
    const guard: Guard = {
      kind: 'pattern',
      id: 'p',
      on: true,
      stage: 'on submission',
      source: '(\\w+ ?)+',
      match: 'whole',
    };
    expect(slow('<label>Code <input name=a></label>', [guard])).toHaveLength(1);
    expect(slow('<label>Code <input name=a></label>', [{ ...guard, on: false }])).toEqual([]);
  });

  it('put keyboards together that lack the same, with the cheapest setting that has it', () => {
    const markup = '<label>Level <input name=a inputmode=numeric pattern="-?[0-9]" title="a digit"></label>';
    const [trap] = found(markup);
    expect(textsOf(trap ? [trap] : []).join(' ')).toContain('the keyboard that comes up lacks “-”');
    expect(trap).toMatchObject({ harm: 'cannot enter a valid value', marks: ['modelled'] });
    const mended = trap?.change && changedForm({ markup, typing: {} }, trap.change);
    expect(mended && ofForm(mended)).toEqual([]);
  });

  it.each([
    ['pattern', 'A has a pattern and nowhere says what it wants.', 'person misled'],
    ['pattern', 'The pattern of A does not compile.', 'wrong value sent'],
    ['pattern', 'The pattern of A also accepts nothing.', 'wrong value sent'],
    ['no name', 'A has no name.', 'value lost'],
    ['a rule of tomorrow', '', 'cannot enter a valid value'],
  ])('%s: “%s” does this to the person: %s', (rule, text, harm) => {
    expect(faultHarm(rule, text)[0]).toBe(harm);
  });
});

describe('a remedy', () => {
  const mendable = ofForm(hurriedForm).filter(({ change }) => change !== null);
  it('is there as an edit for most faults of the hurried form', () => {
    expect(mendable.length).toBeGreaterThan(18);
  });
  it.each(mendable.map((finding) => [finding.says, finding] as const))(
    'does what it promises: %s',
    (_, finding) => {
      if (!finding.change) throw new Error('no change');
      const after = ofForm(changedForm(hurriedForm, finding.change));
      expect(after.map(({ id }) => id)).not.toContain(finding.id);
      const before = new Set(textsOf(ofForm(hurriedForm)));
      // A field that gets a name or a label is called by it from then on.
      const fresh = textsOf(after).filter(
        (text) => !before.has(text) && !/label|name/.test(finding.remedy ?? ''),
      );
      expect(fresh.filter((text) => !/Tide coefficient/.test(text))).toEqual([]);
    },
  );
  it('is shown by the lines that it changes', () => {
    const [first] = mendable.filter(({ says }) => says.includes('datetime'));
    if (first?.change?.kind !== 'markup') throw new Error('no edit');
    expect(changedLines(hurriedForm.markup, first.change.edits)).toEqual([
      {
        line: 11,
        before: '<p><label>Reading moment <input type="datetime" name="moment"></label></p>',
        after: '<p><label>Reading moment <input type="datetime-local" name="moment"></label></p>',
      },
    ]);
  });
  it('of one edit for several faults makes them one finding', () => {
    const radios = ofForm(hurriedForm).filter(({ says, details }) =>
      [says, ...details].some((text) => text.includes('alone in its group')),
    );
    expect(radios).toMatchObject([
      { details: [expect.stringContaining('slack'), expect.stringContaining('falling')] },
    ]);
  });
});

describe('findings about guards', () => {
  const markup = '<label>Code <input name=code></label>';
  const digits = { classes: ['ASCII digits'], own: '' } as const;
  const guarded = (
    guard: Guard,
    more: Partial<FormDocument['typing'][ReturnType<typeof fieldId>]> = {},
    at = markup,
  ) => found(at, { [fieldId('code')]: { script: '', guards: [guard], ...more } });

  it('say by which ways a filter on keys is got past, show it, and put it where it hears them', () => {
    const onKeys: Guard = {
      kind: 'allow',
      stage: 'key',
      id: 'a',
      on: true,
      set: digits,
      keys: ['Backspace'],
    };
    const all = guarded(onKeys);
    const past = all.find(({ says }) => says.includes('got past'));
    expect(past).toMatchObject({
      harm: 'wrong value sent',
      says: expect.stringContaining('drop'),
      details: [expect.stringContaining('This shows it: ')],
      evidence: 'ways in',
    });
    const mended = past?.change && changedForm({ markup, typing: {} }, past.change);
    expect(mended && ofForm(mended).filter(({ says }) => says.includes('got past'))).toEqual([]);
    const swallows = all.find(({ says }) => says.includes('swallows'));
    expect(swallows?.says).toMatch(/swallows .*Tab/);
    expect(swallows?.change).toMatchObject({ guards: [{ keys: expect.arrayContaining(['Tab']) }] });
  });

  it('mislead rather than send something wrong where the same is checked at submission', () => {
    const onKeys: Guard = { kind: 'allow', stage: 'key', id: 'a', on: true, set: digits };
    const strict: Guard = { kind: 'allow', stage: 'on submission', id: 'b', on: true, set: digits };
    const all = found(markup, { [fieldId('code')]: { script: '', guards: [onKeys, strict] } });
    expect(all.find(({ says }) => says.includes('got past'))?.harm).toBe('person misled');
  });

  it('name the shortest valid value that cannot be typed', () => {
    const strictTooEarly: Guard = {
      kind: 'pattern',
      stage: 'before insert',
      id: 'a',
      on: true,
      source: '[A-Z]{2}',
      match: 'whole',
    };
    const [blocked] = guarded(
      strictTooEarly,
      {},
      '<label>Code <input name=code pattern="[A-Z]{2}" title="two letters"></label>',
    ).filter(({ evidence }) => evidence === 'rule');
    expect(blocked).toMatchObject({
      harm: 'cannot enter a valid value',
      says: 'Code: “AA” is valid and cannot be typed: the rule while typing lets “A” not stand.',
    });
  });

  it('count the samples that come out otherwise', () => {
    const short: Guard = {
      kind: 'length',
      stage: 'before insert',
      id: 'a',
      on: true,
      most: 2,
      unit: 'graphemes',
    };
    const submit: Guard = {
      kind: 'pattern',
      stage: 'on submission',
      id: 'b',
      on: true,
      source: 'x*',
      match: 'whole',
    };
    const [surprise] = found(markup, {
      [fieldId('code')]: {
        script: '',
        guards: [short, submit],
        samples: 'text,expected\nxx,accepted\nyy,accepted',
      },
    }).filter(({ evidence }) => evidence === 'samples');
    expect(surprise).toMatchObject({
      says: 'Code: 1 of 2 samples come out otherwise than expected.',
      details: ['“yy” is refused, accepted was expected: all of it matches x*.'],
    });
  });
});

describe('findings of answers', () => {
  it('merge what has one cause: a kind that a target does not know, on all targets', () => {
    const all = differenceFindings([
      different(
        firefox,
        { what: 'type', text: 'is text, in Chromium month' },
        { what: 'size', text: 'is wider' },
        { what: 'opening', text: 'nothing opens' },
      ),
      different(webkit, { what: 'type', text: 'is text' }),
    ]);
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
    const differs = { what: 'opening', text: 'nothing opens' } as const;
    const [finding] = differenceFindings([
      different(firefox, differs),
      { ...different(phone, differs), mark: 'modelled' },
    ]);
    expect(finding?.marks).toEqual(['measured', 'modelled']);
    expect(finding?.targets.map(({ mark }) => mark)).toEqual(['measured', 'modelled']);
    expect(finding?.says).toBe(`Month in Firefox, ${phone.name}: nothing opens`);
  });

  it('are apart by what they do to the person', () => {
    const all = ranked(
      differenceFindings([
        different(firefox, { what: 'size', text: 'is wider' }, { what: 'value', text: 'is empty' }),
      ]),
    );
    expect(all.map(({ says, harm, targets: on }) => [says, harm, on[0]?.says])).toEqual([
      ['Month in Firefox: is empty', 'wrong value sent', ['is empty']],
      ['Month has another size in Firefox.', 'cosmetic', ['is wider']],
    ]);
  });

  it('are one for what an engine does by itself, over all fields and targets', () => {
    const week = fieldOf('<label>Week <input type=week name=week></label>');
    const [wording, ...others] = differenceFindings([
      different(firefox, { what: 'message', text: 'other words' }),
      { ...different(firefox, { what: 'message', text: 'more words' }), field: week },
      { ...different(webkit, { what: 'title', text: 'no title' }), field: week },
    ]);
    expect(others).toEqual([]);
    expect(wording).toMatchObject({
      field: null,
      says: 'Month and Week word their messages otherwise in Firefox, WebKit.',
      harm: 'cosmetic',
      targets: [
        { name: 'Firefox', says: ['Month: other words', 'Week: more words'] },
        { name: 'WebKit', says: ['Week: no title'] },
      ],
      evidence: 'messages',
    });
  });

  it('name three fields of many', () => {
    const fields = ['A', 'B', 'C', 'D', 'E'].map((label) =>
      fieldOf(`<label>${label} <input name=${label}></label>`),
    );
    const saysOf = (count: number) =>
      differenceFindings(
        fields
          .slice(0, count)
          .map((field) => ({ ...different(webkit, { what: 'size', text: 'is wider' }), field })),
      )[0]?.says;
    expect(saysOf(4)).toBe('A, B, C and D have another size in WebKit.');
    expect(saysOf(5)).toBe('A, B, C and 2 others have another size in WebKit.');
  });

  it('keep words about another fault with the fault', () => {
    const all = differenceFindings([
      different(firefox, { what: 'flags', text: 'another flag' }, { what: 'message', text: 'other words' }),
    ]);
    expect(all.map(({ harm, targets: on }) => [harm, on[0]?.says])).toEqual([
      ['wrong value sent', ['another flag', 'other words']],
    ]);
  });

  it('tell what is sent otherwise at the field of that name, and what stops a button at the button', () => {
    const form = {
      ...demoForm,
      markup:
        '<form action="/log"><label>Boat <input name=boat required></label><button name=do value=go>Go</button></form>',
    };
    const asking = askingOf(form.markup, sweepQuestions);
    const answers = [chromium, phone].flatMap(({ id }) => predict(id, asking, '2026-01-01T00:00:00.000Z'));
    const otherwise = answers.map((one): Observation => {
      if (one.question !== 'submission' || one.target !== phone.id || one.outcome.status !== 'answered')
        return one;
      const { facts } = one.outcome;
      const sent: SubmissionObservation['outcome'] = {
        status: 'answered',
        facts: {
          ...facts,
          asIs: { status: 'nothing', why: 'asleep' },
          filled: {
            status: 'sent',
            method: 'GET',
            url: '/log?boat=rowing&do=go',
            contentType: null,
            body: '',
          },
        },
      };
      return { ...one, outcome: sent };
    });
    const lineUp = { targets: [chromium, phone], reference: chromium.id };
    expect(findingsOfRun({ form, lineUp, observations: answers }, setup)).toEqual([]);
    const all = findingsOfRun({ form, lineUp, observations: otherwise }, setup);
    expect(all.map(({ field, harm, evidence }) => [field?.label, harm, evidence])).toEqual([
      ['Boat', 'wrong value sent', 'submission'],
      ['Go', 'wrong value sent', 'submission'],
    ]);
    expect(all[0]?.says).toMatch(/^Boat in Android-like phone: boat is “rowing”, in Chromium “/);
  });
});

describe('the order of findings', () => {
  it('is that of their harm, what is so everywhere before what is so somewhere', () => {
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

describe('findings of one cause', () => {
  it('lose nothing that they say when they are merged', () => {
    const one = fc.record({
      says: fc.string(),
      harm: fc.constantFrom(...harms),
      targets: fc.constant([]),
      details: fc.array(fc.string(), { maxLength: 2 }),
      change: fc.constantFrom(
        null,
        { kind: 'markup', edits: [] },
        { kind: 'guards', field: 'a', guards: [] },
      ),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 9 }), (all) => {
        const together = merged(all as unknown as Finding[]);
        expect(textsOf(together).sort()).toEqual(textsOf(all as unknown as Finding[]).sort());
        const changes = together.flatMap(({ change }) => (change ? [JSON.stringify(change)] : []));
        expect(new Set(changes).size).toBe(changes.length);
      }),
    );
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import { told } from '../../../tests/fixtures/told-finding';
import { demoForm, hurriedForm } from '../demo/demo-forms';
import type { FormDocument } from '../document/form-document';
import { markupFaults } from '../fault/markup-faults';
import type { Guard } from '../guard/guard';
import { fieldId } from '../html/field';
import { readForm } from '../html/read-form';
import { targetId } from '../target/target';
import { findingTitle, findingWords } from '../words/finding-words';
import { toldFault } from '../words/told-fault';
import { formFindingsAtOnce } from './collect-findings';
import { collected, type Finding, harms, merged, ranked } from './finding';
import { markupFindings } from './markup-findings';
import { changedForm } from './remedy-edit';

const setup = { language: 'en-US', corrections: [] } as const;
const ofForm = (form: Pick<FormDocument, 'markup' | 'typing'>): Finding[] =>
  collected(formFindingsAtOnce(form, setup, askRestriction));
const found = (markup: string, typing: FormDocument['typing'] = {}) => ofForm({ markup, typing });
const textsOf = (findings: readonly Finding[]) =>
  findings.map(findingWords).flatMap(({ says, details }) => [says, ...details]);

describe('findings of a form', () => {
  it('are every fault of the hurried form, with a reason and a remedy each, and no fault of the good one', () => {
    const all = ofForm(hurriedForm);
    const faults = markupFaults(hurriedForm.markup, readForm(hurriedForm.markup));
    expect(faults.length).toBeGreaterThan(30);
    // What the keyboards themselves are known to lack is said of them.
    const own = faults.filter(({ fault }) => fault.code !== 'keypad lacks a character');
    for (const { text } of own.map(toldFault)) expect(textsOf(all)).toContain(text);
    expect(all.map(findingWords).every(({ why, remedy }) => why && remedy)).toBe(true);
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
    const markup = '<label>Code <input name=a pattern="[A-z]{2}" title="two letters"></label>';
    expect(found(markup).map(told)).toMatchObject([
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
        claim: { code: 'slow pattern', text: { again: 'a' }, steps: [{ isMore: false }, {}, {}] },
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
    expect(textsOf(trap ? [trap] : []).join(' ')).toContain('keyboard has no key for “-”');
    expect(trap).toMatchObject({ harm: 'cannot enter a valid value', marks: ['modelled'] });
    const mended = trap?.change && changedForm({ markup, typing: {} }, trap.change);
    expect(mended && ofForm(mended)).toEqual([]);
  });

  it.each([
    ['<label>A <input name=a pattern="[0-9]+"></label>', 'no hint states the format', 'person misled'],
    ['<label>A <input name=a pattern="[" title=x></label>', 'does not compile', 'wrong value sent'],
    ['<label>A <input name=a pattern="a*" title=x></label>', 'accepts the empty string', 'wrong value sent'],
    ['<label>A <input></label>', 'has no name', 'value lost'],
  ])('%s: “%s” does this to the person: %s', (markup, words, harm) => {
    const all = markupFindings(markup, readForm(markup).fields);
    expect(all.map((one) => [findingTitle(one), one.harm])).toEqual([[expect.stringContaining(words), harm]]);
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

  it('say by which routes a filter on keys is bypassed, show it, and put it where it hears them', () => {
    const onKeys: Guard = {
      kind: 'allow',
      stage: 'key',
      id: 'a',
      on: true,
      set: digits,
      keys: ['Backspace'],
    };
    const all = guarded(onKeys);
    const isPast = ({ claim }: Finding) => claim.code === 'guard bypassed';
    const past = all.find(isPast);
    expect(past).toMatchObject({
      claim: { routes: expect.arrayContaining(['drop', 'soft keys']), isCaught: false },
      harm: 'wrong value sent',
      script: [{ kind: 'text', route: 'soft keys', text: 'x' }, { kind: 'leave' }],
      evidence: 'ways in',
    });
    const mended = past?.change && changedForm({ markup, typing: {} }, past.change);
    expect(mended && ofForm(mended).filter(isPast)).toEqual([]);
    const swallows = all.find(({ claim }) => claim.code === 'guard blocks');
    expect(swallows?.claim).toMatchObject({ keys: expect.arrayContaining(['Tab']), isMended: true });
    expect(swallows?.change).toMatchObject({ guards: [{ keys: expect.arrayContaining(['Tab']) }] });
  });

  it('mislead rather than send something wrong where the same is checked at submission', () => {
    const onKeys: Guard = { kind: 'allow', stage: 'key', id: 'a', on: true, set: digits };
    const strict: Guard = { kind: 'allow', stage: 'on submission', id: 'b', on: true, set: digits };
    const all = found(markup, { [fieldId('code')]: { script: '', guards: [onKeys, strict] } });
    expect(all.find(({ claim }) => claim.code === 'guard bypassed')).toMatchObject({
      claim: { isCaught: true },
      harm: 'person misled',
    });
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
      claim: { code: 'valid value blocked', value: 'AA', beginning: 'A' },
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
    expect(surprise?.claim).toEqual({
      code: 'samples differ',
      tried: 2,
      others: [
        { text: 'yy', expected: 'accepted', verdict: 'refused', by: [{ code: 'guard', guard: submit }] },
      ],
    });
  });
});

describe('the order of findings', () => {
  it('is that of their harm, what is so everywhere before what is so somewhere', () => {
    const one = fc.record({
      harm: fc.constantFrom(...harms),
      targets: fc.array(
        fc.constant({ target: targetId('chromium'), name: 'Chromium', mark: 'measured', proofs: [] }),
        {
          maxLength: 3,
        },
      ),
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
  it('lose no claim when they are merged', () => {
    const one = fc.record({
      field: fc.constantFrom(null, { id: 'a', label: 'A' }),
      claim: fc.record({ code: fc.string() }),
      harm: fc.constantFrom(...harms),
      targets: fc.constant([]),
      also: fc.array(fc.record({ field: fc.constant(null), claim: fc.record({ code: fc.string() }) }), {
        maxLength: 2,
      }),
      change: fc.constantFrom(
        null,
        { kind: 'markup', edits: [] },
        { kind: 'guards', field: 'a', guards: [] },
      ),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 9 }), (all) => {
        const together = merged(all as unknown as Finding[]);
        const claimsOf = (findings: readonly Finding[]) =>
          findings
            .flatMap(({ field, claim, also }) => [{ field, claim }, ...also])
            .map((one) => JSON.stringify(one))
            .sort();
        expect(claimsOf(together)).toEqual(claimsOf(all as unknown as Finding[]));
        const changes = together.flatMap(({ change }) => (change ? [JSON.stringify(change)] : []));
        expect(new Set(changes).size).toBe(changes.length);
      }),
    );
  });
});

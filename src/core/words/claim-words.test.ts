import { describe, expect, it } from 'vitest';
import type { Claim } from '../finding/claim';
import type { Guard } from '../guard/guard';
import type { Objection } from '../guard/verdict';
import { claimWords } from './claim-words';

const decimals: Guard = { kind: 'decimals', id: 'd', on: true, stage: 'before insert', most: 2 };
const onKeys: Guard = { kind: 'decimals', id: 'd', on: true, stage: 'key', most: 2 };

const says = (claim: Claim) => claimWords(claim, 'Water level').says;
const typeHere = { what: 'type', here: 'text', there: 'month' } as const;

describe('the first line of a claim', () => {
  it.each<[Claim, string]>([
    [
      { code: 'guard bypassed', guard: decimals, routes: ['autofill'], isCaught: true, better: null },
      'Water level: autofill bypasses “at most 2 decimals” (it runs before insertion).',
    ],
    [
      { code: 'guard bypassed', guard: onKeys, routes: ['soft keys'], isCaught: true, better: null },
      'Water level: soft keys bypass “at most 2 decimals” (it runs on keydown).',
    ],
    [
      {
        code: 'guard bypassed',
        guard: onKeys,
        routes: ['soft keys', 'drop', 'dictation'],
        isCaught: false,
        better: 'after input',
      },
      'Water level: soft keys, drop and dictation bypass “at most 2 decimals” (it runs on keydown).',
    ],
    [
      { code: 'guard blocks', guard: onKeys, keys: ['Tab', 'Home'], routes: [], isMended: true },
      'Water level: “at most 2 decimals” blocks Tab and Home.',
    ],
    [
      { code: 'guard blocks', guard: onKeys, keys: [], routes: ['composition'], isMended: false },
      'Water level: “at most 2 decimals” rejects text that it should accept, by composition.',
    ],
    [
      { code: 'valid value blocked', value: '-3', beginning: '-' },
      'Water level: “-3” is valid, but the rule while typing rejects its beginning “-”.',
    ],
    [
      {
        code: 'shape cut',
        purpose: 'phone',
        texts: [{ text: '+44 20 7946', note: 'spaces', isOnly: false }],
        tried: 3,
        most: 8,
      },
      'Water level: maxlength="8" cuts 1 of 3 values that people enter as a phone number: “+44 20 7946” becomes “+44 20 7”.',
    ],
    [
      {
        code: 'shape accepted',
        purpose: 'date',
        texts: [{ text: '30.02.2026', note: 'no such day', isOnly: false }],
        tried: 4,
      },
      'Water level: the rule accepts 1 of 4 values that only look like a date, such as “30.02.2026”.',
    ],
    [
      { code: 'keyboard lacks', missing: ['-', ' '], value: '- 3', setting: null, isOfPhones: true },
      'Water level: the on-screen keyboard has no key for “-” and the space, so the accepted value “- 3” cannot be typed.',
    ],
    [
      { code: 'action key', trouble: 'no action key', kind: 'number' },
      'Water level: the keyboard has no action key, so the person has to tap beside the field to close it.',
    ],
    [
      { code: 'detour', text: '-3', before: 4, after: 2, inputmode: 'decimal' },
      'Water level: “-3” takes 4 taps, with inputmode="decimal" 2.',
    ],
    [
      {
        code: 'field differs',
        about: 'kind',
        difference: typeHere,
        in: ['Firefox', 'WebKit'],
        from: 'Chromium',
      },
      'Water level: Firefox and WebKit treat it as “text”, Chromium as “month”.',
    ],
    [
      { code: 'kinds unknown', kinds: ['month'], fields: ['Month'], in: ['Firefox', 'WebKit'] },
      'Month: Firefox and WebKit show a text box instead of type="month".',
    ],
    [
      { code: 'kinds unknown', kinds: ['month', 'week'], fields: ['Month', 'From', 'To'], in: ['Firefox'] },
      'Firefox shows a text box for type="month" and type="week" (3 fields).',
    ],
    [
      { code: 'engines differ', about: 'checks', fields: ['A', 'B'], in: ['Firefox'] },
      'Constraints are not checked in Firefox (2 fields).',
    ],
    [
      { code: 'engines differ', about: 'wording', fields: ['A', 'B', 'C'], in: ['Firefox', 'WebKit'] },
      'Validation messages are worded differently in Firefox and WebKit (3 fields).',
    ],
    [
      { code: 'engines differ', about: 'size', fields: ['Level'], in: ['WebKit'] },
      'Level: the control has another size in WebKit.',
    ],
    [{ code: 'seen', sight: 'out of sight' }, 'Water level: the on-screen keyboard covers the field.'],
  ])('%j', (claim, sentence) => {
    expect(says(claim)).toBe(sentence);
  });
});

describe('what to change', () => {
  const remedy = (claim: Claim) => claimWords(claim, 'Level').remedy;

  it('names the stage at which nothing bypasses the rule, or says that there is none', () => {
    const bypassed = { code: 'guard bypassed', guard: onKeys, routes: ['drop'], isCaught: true } as const;
    expect(remedy({ ...bypassed, better: 'before insert' })).toBe('Run the rule before insertion.');
    expect(remedy({ ...bypassed, better: null })).toMatch(/^Check the same rule at submission/);
  });

  it('names the setting whose keyboard has the key', () => {
    const lacks = { code: 'keyboard lacks', missing: ['-'], value: '-3', isOfPhones: true } as const;
    expect(remedy({ ...lacks, setting: { kind: 'text', inputmode: 'decimal' } })).toBe(
      'Write type="text" with inputmode="decimal": its keyboard has the key.',
    );
    expect(remedy({ ...lacks, setting: { kind: 'text', inputmode: null } })).toContain('without inputmode');
    expect(remedy({ ...lacks, setting: null, isOfPhones: false })).toContain('on that keyboard');
  });
});

it('a claim names at most five samples and eight texts', () => {
  const noSpaces = { classes: ['spaces' as const], own: '' };
  const objections: readonly Objection[] = [
    { code: 'own constraint', flag: 'patternMismatch' },
    { code: 'guard', guard: { kind: 'deny', id: 'd', on: true, stage: 'on submission', set: noSpaces } },
  ];
  const others = Array.from({ length: 9 }, (_, index) => ({
    text: `${index}`,
    expected: 'accepted' as const,
    verdict: 'refused' as const,
    by: index === 0 ? objections : [],
  }));
  const samples = claimWords({ code: 'samples differ', tried: 20, others }, 'Level');
  expect(samples.says).toBe('Level: 9 of 20 samples have another verdict than expected.');
  expect(samples.details).toHaveLength(5);
  expect(samples.details?.slice(0, 2)).toEqual([
    '“0” is refused by patternMismatch and no spaces; accepted was expected.',
    '“1” is refused; accepted was expected.',
  ]);
  const texts = others.map(({ text }) => ({ text, note: 'short', isOnly: false }) as const);
  const shape = claimWords({ code: 'shape accepted', purpose: 'name', texts, tried: 9 }, 'Level');
  expect(shape.details).toHaveLength(8);
});

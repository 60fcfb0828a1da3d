import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyText } from '../../../tests/fixtures/patterns';
import type { Guard } from '../guard/guard';
import { readForm } from '../html/read-form';
import { habitsOf } from '../model/deviations/habits';
import { searchedStanding } from '../pattern/bounded-search';
import { patternTable } from '../pattern/pattern-table';
import { acceptsText } from '../pattern/table';
import { Budget, GaveUp } from '../regexp/budget';
import { targetId } from '../target/target';
import { mostReported, type RuleQuestion, ruleReport, textStanding } from './rule-report';
import { allRules, fieldRule, guardRule, liveRule, nativeRule, submitRule } from './rule-table';

const habits = habitsOf(targetId('chromium'));
if (!habits) throw new Error('no habits');
const ways = habits;

const whole = (source: string) => patternTable({ source, match: 'whole' });
function report(source: string, more: Partial<RuleQuestion> = {}) {
  return ruleReport({
    pattern: { source, match: 'whole' },
    holdsEmpty: true,
    saved: source,
    samples: [],
    live: null,
    native: null,
    submit: whole(source),
    purpose: null,
    language: null,
    ...more,
  });
}
const sample = (text: string) => ({ text, expected: 'accepted' as const });

describe('the report on a rule', () => {
  it('says of each sample how it stands, and on which side it was', () => {
    const { samples } = report('[A-Z]{2}[0-9]', {
      saved: '[A-Z]{2}',
      samples: ['TG', 'TG4', 'tg', 'TG4x'].map(sample),
    });
    expect(samples.map(({ standing, wasAccepted }) => [standing, wasAccepted])).toEqual([
      [{ verdict: 'unfinished', rest: '1' }, true],
      [{ verdict: 'accepted' }, false],
      [{ verdict: 'refused', at: 0 }, false],
      [{ verdict: 'refused', at: 3 }, false],
    ]);
  });

  it('says the same of one text that is being typed', () => {
    const question = {
      pattern: { source: '[A-Z]{2}[0-9]', match: 'whole' as const },
      saved: '[A-Z]{2}',
      submit: whole('[A-Z]{2}[0-9]'),
    };
    fc.assert(
      fc.property(fc.stringMatching(/^[A-Za-z0-9]{0,4}$/), (text) => {
        const { samples } = report(question.pattern.source, {
          saved: question.saved,
          samples: [sample(text)],
        });
        expect(textStanding(question, text)).toEqual(samples[0]);
      }),
    );
  });

  it('says what a change let in and shut out', () => {
    const { changed } = report('[A-Z]{2,3}', { saved: '[A-Z]{1,2}' });
    expect(changed).toMatchObject({
      status: 'known',
      answer: { relation: 'overlapping', first: expect.arrayContaining(['A']) },
    });
    expect(report('\\d{4}', { saved: '[0-9]{4}' }).changed).toMatchObject({ answer: { relation: 'equal' } });
  });

  it('leaves an empty text out where browsers hold none against an attribute', () => {
    const widened = { saved: '[A-Z]+', holdsEmpty: false };
    expect(report('[A-Z]*', widened).changed).toMatchObject({ answer: { relation: 'equal' } });
    expect(report('[A-Z]*', { ...widened, holdsEmpty: true }).changed).toMatchObject({
      answer: { relation: 'inside', second: [''] },
    });
    const strict = report('[A-Z]', { saved: '[^]*', holdsEmpty: false }).changed;
    expect(strict.status === 'known' && strict.answer.first).not.toContain('');
  });

  it('shows what a partial match lets through', () => {
    expect(report('[0-9]{4}').partial).toMatchObject({ answer: { relation: 'inside' } });
    expect(report('.*').partial).toMatchObject({
      answer: {
        relation: 'inside',
        second: expect.arrayContaining([expect.stringMatching(/[\n\r\u2028\u2029]/)]),
      },
    });
    expect(report('^[^]*$').partial).toMatchObject({ answer: { relation: 'equal' } });
  });

  it('holds the live guards against all that is asked in the end', () => {
    const [field] = readForm('<input pattern="[A-Z]{2}[0-9]{4}" maxlength=8>').fields;
    const guards: Guard[] = [
      { kind: 'length', id: 'l', stage: 'before insert', on: true, most: 5, unit: 'code units' },
    ];
    if (!field) throw new Error('no field');
    const { live } = report('[A-Z]{2}[0-9]{4}', {
      live: allRules(guards.map(liveRule)),
      submit: submitRule(field, guards, ways),
    });
    expect(live).toEqual({
      status: 'known',
      answer: { blocked: { beginning: 'AA1111', value: 'AA1111' }, idle: 'a' },
    });
  });

  it('says where other rules of the field decide otherwise', () => {
    const [field] = readForm('<input pattern="[a-z]*" maxlength=3 required>').fields;
    if (!field) throw new Error('no field');
    const { samples } = report('[a-z]*', {
      submit: submitRule(field, [], ways),
      samples: ['', 'abc', 'abcd', 'A'].map(sample),
    });
    expect(samples.map(({ standing, together }) => [standing.verdict, together])).toEqual([
      ['accepted', { verdict: 'unfinished', rest: 'a' }],
      ['accepted', null],
      ['accepted', { verdict: 'refused', at: 3 }],
      ['refused', null],
    ]);
  });

  it('makes a lenient pattern, samples, warnings, and says what no sample goes through', () => {
    const found = report('[A-z]{2}|[0-9]x', { samples: [sample('ab'), sample('zz')] });
    expect(found.lenient).toBe('[A-z]{0,2}|(?:[0-9]x?)?');
    expect(found.warnings.map(({ sort }) => sort)).toEqual(['A to z']);
    expect(found.untouched).toHaveLength(2);
    expect(found.made.length).toBeGreaterThan(5);
  });

  it('holds it against what people enter for a purpose, in the language of the page', () => {
    const refused = (language: string | null) =>
      report('[A-Za-z ]+', { purpose: 'name', language }).entries?.refused.map(({ text }) => text);
    expect(refused(null)).toContain("Mairi O'Dunn");
    expect(refused('el')).toEqual(['Νίκη Θαλασσινού']);
    expect(report('[A-Za-z ]+').entries).toBeNull();
  });

  it('tells the readings of two flags apart, and the browser’s own check', () => {
    expect(report('[\\q{ab}]').older).toBeNull();
    expect(report('[a&&b]').older).toMatchObject({ answer: { second: ['&', 'a', 'b'] } });
    expect(report('[a-z]+').older).toMatchObject({ answer: { relation: 'equal' } });
    const [email] = readForm('<input type=email>').fields;
    const native = email ? nativeRule(email) : null;
    expect(report('.+@.+\\..+', { native }).native).toMatchObject({
      answer: { relation: 'overlapping', second: expect.arrayContaining(['a@a']) },
    });
    const [text] = readForm('<input>').fields;
    expect(text && nativeRule(text)).toBeNull();
  });

  it('tries where no table can be made, and says so', () => {
    const found = report('(a+)-\\1', { samples: ['aa-aa', 'aa-a', 'b'].map(sample) });
    expect(found.rule).toEqual({ status: 'unknown', why: 'refers back' });
    expect(found.samples.map(({ standing, searched }) => [standing.verdict, searched])).toEqual([
      ['accepted', false],
      ['unfinished', false],
      ['refused', true],
    ]);
    expect(found.changed).toMatchObject({ status: 'unknown' });
    expect(found.lenient).toBeNull();
  });

  it('says of what does not compile that it is ignored', () => {
    const found = report('[a-]', { samples: [sample('x')], purpose: 'email' });
    expect(found.rule.status).toBe('fault');
    expect(found.samples[0]?.standing.verdict).toBe('accepted');
    expect(found.changed).toMatchObject({ status: 'known', answer: { relation: 'equal' } });
    expect(found.entries?.refused).toEqual([]);
    expect(found.entries?.accepted.length).toBeGreaterThan(2);
    expect([found.older, found.lenient, found.made]).toEqual([null, null, []]);
    const broken = report('[A-Z]{2}[', { saved: '[A-Z]{2}', samples: [sample('x')] });
    expect(broken.changed).toMatchObject({ answer: { relation: 'inside', first: [] } });
    expect(broken.samples[0]).toMatchObject({ standing: { verdict: 'accepted' }, wasAccepted: false });
    expect(broken.rule).toEqual({ status: 'fault', reason: expect.stringMatching(/^[^/]+$/) });
  });

  it('looks at so many samples and no more', () => {
    expect(
      report('a', { samples: Array.from({ length: mostReported + 5 }, () => sample('a')) }).samples,
    ).toHaveLength(mostReported);
  });
});

describe('whatever is typed as a rule', () => {
  it('is reported on, and never breaks anything', () => {
    const piece = fc.oneof(
      fc.constantFrom(
        ...'()[]{}|\\\\^$.*+?-/&~!:=<>,09azAZ \n'.split(''),
        '\\d',
        '\\p{L}',
        '(?:',
        '(?=',
        '(?<!',
        '(?<n>',
        '\\k<n>',
        '\\1',
        '{2,3}',
        '\\q{',
        '&&',
        '--',
        '\ud83d',
        '😀',
      ),
      fc.string({ unit: 'binary', maxLength: 3 }),
    );
    const source = fc.array(piece, { maxLength: 12 }).map((pieces) => pieces.join(''));
    fc.assert(
      fc.property(
        source,
        source,
        fc.constantFrom('whole' as const, 'part' as const),
        anyText,
        (now, saved, match, text) => {
          const found = report(now, {
            pattern: { source: now, match },
            saved,
            samples: [sample(text)],
            purpose: 'email',
            submit: whole(now),
          });
          const compiles = (() => {
            try {
              return new RegExp(now, 'v') !== null;
            } catch {
              return false;
            }
          })();
          expect(found.rule.status === 'fault').toBe(!compiles);
          expect(found.samples).toHaveLength(1);
          for (const { span } of found.warnings)
            expect(span === null || (span.start >= 0 && span.end <= now.length)).toBe(true);
        },
      ),
      // Each rule may be worked on for a while before it is given up.
      { numRuns: 400, interruptAfterTimeLimit: 60_000 },
    );
  });
});

describe('rules together', () => {
  const field = (markup: string) => {
    const [one] = readForm(markup).fields;
    if (!one) throw new Error(markup);
    return one;
  };
  const accepts = (rule: ReturnType<typeof whole>, text: string) =>
    rule.status === 'known' && acceptsText(rule.table, text);

  it.each([
    [
      '<input pattern="[a-z]*" minlength=2 maxlength=4>',
      { '': true, a: false, ab: true, abcd: true, abcde: false, A: false },
    ],
    ['<input pattern="[a-z]*" minlength=2 required>', { '': false, ab: true }],
    ['<input pattern="[a-">', { '': true, anything: true }],
    ['<input>', { '': true, anything: true }],
  ])('carry pattern and length along: %s', (markup, expected) => {
    const rule = fieldRule(field(markup), ways);
    expect(Object.fromEntries(Object.keys(expected).map((text) => [text, accepts(rule, text)]))).toEqual(
      expected,
    );
  });

  const at = { id: 'g', stage: 'on submission', on: true } as const;
  it.each<[string, Guard, Record<string, boolean>]>([
    [
      'allow',
      { ...at, kind: 'allow', set: { classes: ['ASCII digits'], own: 'x' } },
      { '': true, '12x': true, '1y': false },
    ],
    [
      'deny',
      { ...at, kind: 'deny', set: { classes: ['spaces'], own: '<' } },
      { ab: true, 'a b': false, '<': false },
    ],
    ['deny nothing', { ...at, kind: 'deny', set: { classes: [], own: '' } }, { 'a b': true }],
    ['length', { ...at, kind: 'length', most: 2, unit: 'code points' }, { '😀😀': true, abc: false }],
    [
      'decimals',
      { ...at, kind: 'decimals', most: 2, whole: 3 },
      { '-123.45': true, '1.': true, '-': false, '1.234': false, '1234': false },
    ],
    ['range', { ...at, kind: 'range', min: -3, max: 8 }, { '7.99': true, '8,01': false, '': true }],
    [
      'words',
      { ...at, kind: 'words', sense: 'one of', words: ['a.b', 'c'] },
      { 'a.b': true, axb: false, '': true },
    ],
    ['pattern', { ...at, kind: 'pattern', source: 'b', match: 'part' }, { abc: true, ac: false }],
  ])('are what a guard of kind %s says', (_, guard, expected) => {
    const rule = guardRule(guard);
    expect(Object.fromEntries(Object.keys(expected).map((text) => [text, accepts(rule, text)]))).toEqual(
      expected,
    );
  });

  it('let numbers stand that are not finished, and strict patterns not', () => {
    expect(accepts(liveRule({ ...at, kind: 'range', min: 10, max: 20 }), '1')).toBe(true);
    expect(accepts(liveRule({ ...at, kind: 'range', min: 10, max: 20 }), '3')).toBe(false);
    expect(accepts(liveRule({ ...at, kind: 'pattern', source: 'ab', match: 'whole' }), 'a')).toBe(false);
  });

  it('are unknown where one of them is, with its reason', () => {
    const unknown = guardRule({ ...at, kind: 'check digit', method: 'mod 10' });
    expect(allRules([whole('a'), unknown])).toBe(unknown);
    expect(unknown).toMatchObject({ status: 'unknown', why: 'check digit' });
    expect(allRules([])).toMatchObject({ status: 'known' });
  });
});

describe('a bounded search', () => {
  it('finds a short rest, and says how far it looked where it finds none', () => {
    const is = (text: string) => text === 'abc';
    const budget = () => new Budget(1_000_000);
    expect(searchedStanding(is, 'abc', [], budget())).toEqual({
      verdict: 'accepted',
      rest: null,
      searched: false,
    });
    expect(searchedStanding(is, 'a', ['b', 'c'], budget())).toEqual({
      verdict: 'unfinished',
      rest: 'bc',
      searched: false,
    });
    expect(searchedStanding(is, 'x', ['b', 'c'], budget())).toEqual({
      verdict: 'refused',
      rest: null,
      searched: true,
    });
  });

  it('is given up after so many steps', () => {
    expect(() => searchedStanding(() => false, 'x', ['b'], new Budget(1000))).toThrow(GaveUp);
  });
});

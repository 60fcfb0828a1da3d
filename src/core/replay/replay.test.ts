import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { digits, fieldOf, habits } from '../../../tests/fixtures/modelled-field';
import { demoForm } from '../demo/demo-forms';
import type { Guard } from '../guard/guard';
import { offeredGuards } from '../guard/offered-guards';
import { readSamples } from '../guard/sample-table';
import { verdicts } from '../guard/verdict';
import { fieldId } from '../html/field';
import { readForm } from '../html/read-form';
import { typeScript } from '../model/type-script';
import { judgeFor } from '../rules/judge';
import { graphemes } from '../script/graphemes';
import { targetId } from '../target/target';
import { quickReplay } from './quick-replay';
import { replaySamples } from './replay-samples';
import { strokeVerdicts } from './stroke-verdicts';
import { twoStageCheck } from './two-stage';

const now = new Date('2026-03-14T10:30:00');

const chromium = habits('chromium');
/** What a replay that goes step by step comes to. */
function outcome<T>(run: Generator<number, T>): T {
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
  }
}
const judge = (html: string, guards: readonly Guard[] = []) => {
  const { judge: of } = judgeFor(fieldOf(html), guards, chromium);
  return (text: string) => of(text).verdict;
};

describe('verdicts', () => {
  it.each([
    [
      '<input name=a pattern="[A-Z]{3}-[0-9]{2}" required>',
      { 'SKR-04': 'accepted', SK: 'unfinished', '': 'unfinished', sk: 'refused', 'SKR-041': 'refused' },
    ],
    ['<input name=a maxlength=3 pattern="[a-z]{4}">', { abc: 'refused', ab: 'unfinished' }],
    ['<input name=a minlength=3>', { ab: 'unfinished', abc: 'accepted' }],
    [
      '<input name=a type=email>',
      { 'a@b': 'accepted', 'a@': 'unfinished', a: 'unfinished', 'a b': 'refused' },
    ],
    ['<input name=a type=url>', { 'x:y': 'accepted', htt: 'unfinished', '1': 'refused' }],
    [
      '<input name=a type=number min=-3 max=8 step=0.01>',
      { '-1.25': 'accepted', '-': 'unfinished', '1.255': 'unfinished', x: 'refused' },
    ],
  ])('%s', (html, expected) => {
    for (const [text, verdict] of Object.entries(expected))
      expect([text, judge(html)(text)]).toEqual([text, verdict]);
  });
  it('name the guards that do not accept', () => {
    const [field, guards] = [
      fieldOf('<input name=a required>'),
      [offeredGuards.find(({ code }) => code === 'check digit')?.make('c')].flatMap((one) => one ?? []),
    ];
    expect(judgeFor(field, guards, chromium).judge('79927398710')).toEqual({
      verdict: 'unfinished',
      by: [{ code: 'guard', guard: guards[0] }],
    });
    expect(judgeFor(field, guards, chromium).judge('')).toEqual({
      verdict: 'unfinished',
      by: [{ code: 'own constraint', flag: 'valueMissing' }],
    });
  });
  it('call nothing impossible where a pattern is not regular', () => {
    expect(judge('<input name=a pattern="(a+)b\\1">')('c')).toBe('unfinished');
  });
  it('agree with the pattern: a text is unfinished exactly when some continuation is accepted', () => {
    const of = judge('<input name=a pattern="(?:ab|ac+d)?e{2,3}">');
    const words = ['', 'a', 'b', 'c', 'd', 'e'];
    const all = [...Array(5)].reduce<string[]>(
      (list) => [...new Set(list.flatMap((text) => words.map((word) => text + word)))],
      [''],
    );
    const accepted = all.filter((text) => /^(?:(?:ab|ac+d)?e{2,3})$/.test(text));
    for (const text of all.filter(({ length }) => length <= 3)) {
      const can = accepted.some((whole) => whole.startsWith(text) && whole !== text);
      if (can && !accepted.includes(text) && text !== '')
        expect([text, of(text)]).toEqual([text, 'unfinished']);
      if (accepted.includes(text)) expect(of(text)).toBe('accepted');
    }
    expect(of('ad')).toBe('refused');
  });
});

describe('the quick replay', () => {
  it('ends with the text that the whole model ends with', () => {
    const guard = fc.constantFrom(...offeredGuards).map(({ make, code }) => make(code));
    const field = fc
      .constantFrom(
        '<input name=a>',
        '<input name=a type=number>',
        '<input name=a maxlength=5>',
        '<textarea name=a></textarea>',
      )
      .map(fieldOf);
    const text = fc
      .string({ unit: fc.constantFrom(...'aB1-. 9é😀'.split('')), maxLength: 9 })
      .filter((one) => !/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/.test(one));
    fc.assert(
      fc.property(
        field,
        fc.array(guard, { maxLength: 3 }),
        text,
        fc.constantFrom('chromium', 'firefox'),
        (of, guards, sample, id) => {
          const script = [
            ...graphemes(sample).map((key) => ({ kind: 'key' as const, key })),
            { kind: 'leave' as const },
          ];
          const whole = typeScript(of, script, guards, { ...habits(id), now });
          expect(quickReplay(of, guards, habits(id))(sample).text).toBe(whole.steps.at(-1)?.text);
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('the quick replay of a sample', () => {
  const replayed = (html: string, guards: readonly Guard[], sample: string, id = 'chromium') =>
    quickReplay(fieldOf(html), guards, habits(id))(sample);
  it('names the first stroke that was refused, by whom ever', () => {
    expect(replayed('<input name=a>', [digits], '1a2b')).toEqual({
      verdict: 'accepted',
      by: [],
      text: '12',
      refusedAt: 1,
    });
    expect(replayed('<input name=a maxlength=2>', [], 'abc')).toMatchObject({ text: 'ab', refusedAt: 2 });
    expect(replayed('<input name=a>', [], 'abc')).toMatchObject({ text: 'abc', refusedAt: null });
    const strip: Guard = { ...digits, stage: 'after input' };
    expect(replayed('<input name=a>', [strip], '1a2')).toMatchObject({ text: '12', refusedAt: 1 });
    expect(replayed('<input name=a>', [{ ...digits, on: false }], 'a')).toMatchObject({
      text: 'a',
      refusedAt: null,
    });
  });
  it('does what guards do on leaving, and has no keys where a soft keyboard names none', () => {
    expect(replayed('<input name=a>', [{ ...digits, stage: 'on leaving' }], 'a1')).toMatchObject({
      text: '1',
      refusedAt: null,
    });
    expect(replayed('<input name=a>', [digits], 'a1', 'blink-phone').text).toBe('a1');
  });
  it('knows no length limit of a number', () => {
    expect(replayed('<input name=a type=number maxlength=2>', [], '123').text).toBe('123');
  });
});

describe('verdicts after each stroke', () => {
  it('go with the text, and the end says what is sent', () => {
    const field = fieldOf('<input name="tide mark" pattern="[a-z]{2}">');
    const replay = (keys: string) =>
      strokeVerdicts(
        field,
        [],
        chromium,
        typeScript(
          field,
          graphemes(keys).map((key) => ({ kind: 'key', key })),
          [],
          { ...chromium, now },
        ),
      );
    expect(replay('ab').afterStrokes.map(({ verdict }) => verdict)).toEqual(['unfinished', 'accepted']);
    expect(replay('ab').sent).toEqual({ is: 'entry', entry: 'tide+mark=ab' });
    expect(replay('a1').sent).toEqual({
      is: 'nothing',
      by: [{ code: 'own constraint', flag: 'patternMismatch' }],
    });
    const nameless = fieldOf('<input>');
    expect(strokeVerdicts(nameless, [], chromium, { steps: [] }).sent).toEqual({
      is: 'nameless',
    });
  });
});

describe('the two stages', () => {
  it('find the accepted text that cannot be typed, and the stroke at which it dies', () => {
    const field = fieldOf('<input name=a pattern="[A-Z]{3}-[0-9]{2}">');
    const strictLive: Guard = {
      kind: 'pattern',
      id: 'p',
      on: true,
      stage: 'before insert',
      source: '[A-Z]{3}-[0-9]{2}',
      match: 'whole',
    };
    const check = outcome(twoStageCheck(field, [strictLive], ['SKR-04', 'x'], chromium));
    expect(check).toEqual({ accepted: 1, unreachable: [{ text: 'SKR-04', at: 0, left: '' }], letStand: [] });
    const noHyphen: Guard = {
      kind: 'deny',
      id: 'd',
      on: true,
      stage: 'before insert',
      set: { classes: ['punctuation'], own: '' },
    };
    expect(outcome(twoStageCheck(field, [noHyphen], ['SKR-04', 'SKR'], chromium))).toEqual({
      accepted: 1,
      unreachable: [{ text: 'SKR-04', at: 3, left: 'SKR04' }],
      letStand: ['SKR'],
    });
  });
  it('find nothing where what is accepted can be typed, and what is not does not stand', () => {
    const field = fieldOf('<input name=a pattern="[0-9]{2}">');
    expect(
      outcome(twoStageCheck(field, [{ ...digits, stage: 'before insert' }], ['12', 'x1y'], chromium)),
    ).toEqual({
      accepted: 1,
      unreachable: [],
      letStand: [],
    });
  });
  it('tell the stroke after which a rewritten text is on another way, or the last', () => {
    const died = (html: string, guard: Guard, text: string) =>
      outcome(twoStageCheck(fieldOf(html), [guard], [text], chromium)).unreachable;
    const lower: Guard = { kind: 'case', id: 'c', on: true, stage: 'after input', to: 'lower' };
    expect(died('<input name=a pattern="[a-z]{2}[A-Z]">', lower, 'abC')).toEqual([
      { text: 'abC', at: 2, left: 'abc' },
    ]);
    const trim: Guard = { ...digits, stage: 'on leaving' };
    expect(died('<input name=a pattern="[0-9]+ ">', trim, '12 ')).toEqual([
      { text: '12 ', at: 2, left: '12' },
    ]);
  });
});

describe('samples', () => {
  it('of the demo form have one surprise', () => {
    const field = readForm(demoForm.markup).fields.find(({ id }) => id === 'serial');
    const plan = demoForm.typing[fieldId('serial')];
    const reading = readSamples(plan?.samples ?? '');
    if (!field || !plan || reading.status === 'fault') throw new Error('no samples');
    const targets = [{ id: targetId('chromium'), habits: chromium }];
    const found = outcome(replaySamples(field, plan.guards, reading.samples, targets));
    const surprises = reading.samples.filter(
      (sample, index) => verdicts[found.verdicts[0]?.[index] ?? -1] !== sample.expected,
    );
    expect(surprises.map(({ text }) => text)).toEqual(['TG-47719-QX']);
  });
  it('say after each one how far they are, target by target', () => {
    const field = fieldOf('<input id=t maxlength=2>');
    const samples = ['a', 'abc'].map((text) => ({ text, expected: 'accepted' as const }));
    const targets = ['chromium', 'webkit'].map((id) => ({ id: targetId(id), habits: habits(id) }));
    const run = replaySamples(field, [], samples, targets);
    expect([...run]).toEqual([1, 2, 3, 4]);
    expect([...twoStageCheck(field, [], ['a', 'abc'], chromium)]).toEqual([1, 2]);
    const { changed } = outcome(replaySamples(field, [], samples, targets));
    expect(changed.map((one) => [...one])).toEqual([
      [0, 1],
      [0, 1],
    ]);
  });
});

import { describe, expect, it } from 'vitest';
import { told } from '../../../tests/fixtures/told-finding';
import { readForm } from '../html/read-form';
import type { EventRecord } from '../observation/event-record';
import type { TypingFacts, TypingObservation, TypingStep } from '../questions/typing/facts';
import { answersOf } from '../run/answers';
import { readScript } from '../script/script-text';
import { findTarget } from '../target/line-up';
import { targetId } from '../target/target';
import { typingFindings } from './typing-findings';

const { fields } = readForm('<label>Serial <input name=serial></label>');
const [field] = fields;
const chromium = targetId('chromium');
const lineUp = { targets: [chromium].flatMap((id) => findTarget(id) ?? []), reference: chromium };

const step = (text: string, caret: number, ...events: Partial<EventRecord>[]): TypingStep => ({
  text,
  caret: { start: caret, end: caret },
  value: text,
  refused: null,
  guard: null,
  events: events.map((event) => ({
    type: 'keydown',
    key: null,
    code: null,
    inputType: null,
    data: null,
    value: '',
    trusted: true,
    prevented: false,
    ...event,
  })),
});

function found(
  script: string,
  steps: readonly TypingStep[],
  more: Partial<{
    followed: boolean;
    mark: 'measured' | 'modelled';
    markup: string;
    rounds: TypingFacts['rounds'];
    guards: TypingFacts['guards'];
  }> = {},
) {
  const reading = readScript(script);
  if (reading.status === 'fault' || !field) throw new Error('no script');
  const observation: TypingObservation = {
    field: field.id,
    target: chromium,
    at: '',
    provenance:
      more.mark === 'modelled'
        ? { mark: 'modelled', model: 'Ukko', source: '' }
        : { mark: 'measured', engine: 'Chromium', version: '1', protocol: 'P', unable: [] },
    question: 'typing',
    outcome: {
      status: 'answered',
      facts: {
        script: reading.script,
        guards: more.guards ?? [],
        followed: more.followed ?? false,
        steps,
        ...(more.rounds && { rounds: more.rounds }),
      },
    },
  };
  const asked = more.markup ? readForm(more.markup).fields : fields;
  return typingFindings(lineUp, answersOf([observation]), asked)
    .map(told)
    .map(({ says, targets }) => [says, targets[0]?.says[0]]);
}

describe('findings of what is typed', () => {
  const middle = 'type "ab"\nkey ArrowLeft\ntype "x"';
  const before = [step('a', 1), step('ab', 2), step('ab', 1)];
  const jump = [...before, step('a-xb', 4)];

  it('are a caret that jumps to the end from the middle', () => {
    expect(found(middle, jump)).toEqual([
      [
        'Serial: the caret jumps to the end while the person types in the middle.',
        '“ab” becomes “a-xb”, and the caret moves from 1 to 4.',
      ],
    ]);
  });
  it('are none where it stays, where nothing came in, and where it cannot be told', () => {
    expect(found(middle, [...before, step('axb', 2)])).toEqual([]);
    expect(found(middle, [...before, step('ab', 2)])).toEqual([]);
    expect(found(middle, jump, { followed: true })).toEqual([]);
    expect(found(middle, jump, { mark: 'modelled' })).toEqual([]);
  });
  it('are a jump where signs between groups are put elsewhere meanwhile, and none where only signs follow', () => {
    const masked = [step('(201) 5', 7), step('(201) 5', 4), step('(201) 55', 8)];
    expect(found('type "5"\nkey ArrowLeft\ntype "5"', masked)).toHaveLength(1);
    const signs = [step('20-', 3), step('20-', 2), step('205-', 4)];
    expect(found('type "2"\nkey ArrowLeft\ntype "5"', signs)).toEqual([]);
    const behind = [step('20)', 3), step('20)', 2), step('(205', 4)];
    expect(found('type "2"\nkey ArrowLeft\ntype "5"', behind)).toEqual([]);
  });
  it('are none where one types at the end', () => {
    expect(found('type "ab"', [step('a', 1), step('a-b', 3)])).toEqual([]);
  });
  it('are keys that are swallowed, and listeners that take long', () => {
    const keys = [
      step('b', 1, { key: 'b' }),
      step('b', 1, { key: 'Backspace', prevented: true }),
      step('b', 1, { key: 'a', prevented: true }),
    ];
    expect(found('type "b"\nkey Backspace\ntype "a"', keys)).toEqual([
      ['Serial: the page blocks keys for editing and moving.', 'The page blocked Backspace.'],
    ]);
    expect(found('type "a"', [step('a', 1, { type: 'input', took: 81.5 }, { took: 60 })])).toEqual([
      ['Serial: listeners take longer than 50 ms for a key.', 'input took 81.5 ms.'],
    ]);
    expect(found('type "a"', [step('a', 1, { took: 50 })])).toEqual([]);
  });
  it.each([
    '<input name=serial readonly>',
    '<input name=serial role=combobox>',
    '<input name=serial aria-haspopup=dialog>',
  ])('are no keys that go to what %s opens', (markup) => {
    const keys = [step('b', 1), step('b', 1, { key: 'Backspace', prevented: true })];
    const plain = '<input name=serial aria-haspopup=false>';
    expect(found('type "b"\nkey Backspace', keys, { markup })).toEqual([]);
    expect(found('type "b"\nkey Backspace', keys, { markup: plain })).toHaveLength(1);
  });
  it('are strokes that do not go the same way each time, with how often', () => {
    const [steps, says] = [[step('a', 1)], 'Serial: the same strokes do not go the same way each time.'];
    expect(found('type "a"', steps, { rounds: { asked: 3, alike: 2 } })).toEqual([
      [says, '2 of 3 rounds of the same strokes went the same way.'],
    ]);
    expect(found('type "a"', steps, { rounds: { asked: 3, alike: 1 } })).toEqual([
      [says, 'Each of 3 rounds of the same strokes went another way.'],
    ]);
    expect(found('type "a"', steps, { rounds: { asked: 3, alike: 3 } })).toEqual([]);
  });
  it('are no keys that a script carries out by itself, or that had nothing to do', () => {
    const handled = [step('ab', 2), step('a', 1, { key: 'Backspace', prevented: true })];
    expect(found('type "ab"\nkey Backspace', [step('a', 1), ...handled])).toEqual([]);
    const moved = [step('a', 1), step('ab', 2), step('ab', 1, { key: 'ArrowLeft', prevented: true })];
    expect(found('type "ab"\nkey ArrowLeft', moved)).toEqual([]);
    expect(found('key Backspace', [step('', 0, { key: 'Backspace', prevented: true })])).toEqual([]);
  });
  it('are no signs between the groups of a number that is written so or so', () => {
    const digits = [
      step('4', 1, { type: 'input' }),
      step('4', 1, { type: 'input' }),
      step('41', 2, { type: 'input' }),
    ];
    const phone = '<label>Serial <input name=serial autocomplete=tel></label>';
    expect(found('type "4 1"\nleave', [...digits, step('41', 2)], { markup: phone })).toEqual([]);
    expect(found('type "4 1"\nleave', [...digits, step('41', 2)])).toHaveLength(1);
  });
  it('are commands whose key is taken for a character', () => {
    const all = [step('1', 1), step('1', 1, { key: 'Control' }, { key: 'a', prevented: true })];
    expect(found('type "1"\nselect all', all)).toEqual([
      ['Serial: the page blocks keys for editing and moving.', 'The page blocked select all.'],
    ]);
  });
  it('are characters of a valid value that are kept out, before they come in or after', () => {
    const plus = [
      step('', 0, { key: '+', prevented: true }),
      step('4', 1, { type: 'input' }),
      step('4', 1, { type: 'input' }),
      step('41', 2, { type: 'input' }),
    ];
    expect(found('type "+4 1"\nleave', [...plus, step('41', 2)])).toEqual([
      [
        'Serial: scripts of the page drop characters that its constraints accept.',
        '“+4 1” became “41”: the page dropped “+” and “ ”.',
      ],
    ]);
    // A hyphen that a mask had put in already, a value that is not valid, and what the target itself keeps out.
    const masked = [step('4-', 2, { type: 'input' }), step('4-', 2, { type: 'input' }), step('4-1', 3)];
    expect(found('type "4-1"', masked)).toEqual([]);
    expect(found('type "+4 1"', plus, { markup: '<input name=serial pattern="[0-9]+">' })).toEqual([]);
    expect(found('type "+4"', [step('', 0), step('4', 1)])).toEqual([]);
  });

  it('are a jump whatever brings the text in, and none for a key that brings none', () => {
    const pasted = [...before, step('axb', 3)];
    expect(found('type "ab"\nkey ArrowLeft\npaste "x"', pasted)).toHaveLength(1);
    // The end of the text is where End leads to.
    expect(found('type "ab"\nkey ArrowLeft\nkey End', [...before, step('ab', 2)])).toEqual([]);
    expect(found('type "ab"\nkey ArrowLeft\nkey Delete', [...before, step('a', 1)])).toEqual([]);
    expect(found('type "ab"\nkey ArrowLeft\nleave', pasted)).toEqual([]);
  });
  it('are no jump where something was selected, or the rest of the text was replaced', () => {
    const selected = [step('a', 1), step('ab', 2), { ...step('ab', 1), caret: { start: 0, end: 1 } }];
    expect(found(middle, [...selected, step('xb', 2)])).toEqual([]);
    expect(found(middle, [...before, step('axc', 3)])).toEqual([]);
  });
  it('are no fault of the page where guards of Ukko act', () => {
    const guards = [{ kind: 'length', id: 'g', on: true, stage: 'key', most: 1, unit: 'graphemes' }] as const;
    const keys = [step('b', 1), step('b', 1, { key: 'Backspace', prevented: true })];
    expect(found('type "b"\nkey Backspace', keys, { guards })).toEqual([]);
    expect(found('type "ab"', [step('a', 1), step('a', 1, { prevented: true })], { guards })).toEqual([]);
    expect(found('type "ab"', [step('a', 1), step('a', 1, { prevented: true })])).toHaveLength(1);
  });
  it('are keys that a keydown keeps from acting, each once, and no other key or event', () => {
    const blocked = (key: string, more: Partial<EventRecord> = {}) =>
      step('b', 1, { key, prevented: true, ...more });
    const says = (...steps: TypingStep[]) =>
      found(`type "b"\n${steps.map(() => 'key Home').join('\n')}`, [step('b', 1), ...steps]).map(
        ([, one]) => one,
      );
    expect(says(blocked('Home'), blocked('Tab'), blocked('Home'))).toEqual([
      'The page blocked Home and Tab.',
    ]);
    expect(says(blocked('Escape'))).toEqual([]);
    expect(says(blocked('Home', { type: 'keyup' }))).toEqual([]);
    expect(says(blocked('Home', { prevented: false }))).toEqual([]);
  });
  it('are keys that did nothing only where neither the text nor the selection is another', () => {
    const over = (end: number, text = 'ab'): TypingStep => ({
      ...step(text, 1, { key: 'Home', prevented: true }),
      caret: { start: 1, end },
    });
    const blocked = (last: TypingStep) => found('type "ab"\nkey Home', [step('a', 1), step('ab', 1), last]);
    expect(blocked(over(1))).toHaveLength(1);
    expect(blocked(over(2))).toEqual([]);
    expect(blocked(over(1, 'b'))).toEqual([]);
  });
  it('are characters lost of what the lengths accept, to the character', () => {
    const dropped = [step('a', 1, { type: 'input' }), step('a', 1, { type: 'input' })];
    const lost = (own: string, tag = 'input') =>
      found('type "ab"', dropped, { markup: `<${tag} name=serial ${own}></${tag}>` }).length;
    expect(
      ['minlength=2', 'minlength=3', 'maxlength=2', 'maxlength=1', 'maxlength=x'].map((own) => lost(own)),
    ).toEqual([1, 0, 1, 0, 1]);
    // A text area has no pattern; what a kind reads by itself is its own affair.
    expect([
      lost('pattern=x', 'textarea'),
      lost('pattern=x'),
      lost('pattern="[ab]+"'),
      lost('pattern="("'),
    ]).toEqual([1, 0, 1, 1]);
    expect(
      ['type=search', 'type=tel', 'type=password', 'type=url', 'type=email'].map((own) => lost(own)),
    ).toEqual([1, 1, 1, 0, 0]);
    expect([lost('readonly'), lost('role=combobox')]).toEqual([0, 0]);
  });
  it('are no characters that come in with other capitals, later, or are typed after something else', () => {
    const upper = [step('A', 1, { type: 'input' }), step('A', 1, { type: 'input' }), step('AA', 2)];
    expect(found('type "aaa"', upper)).toEqual([
      ['Serial: scripts of the page drop characters that its constraints accept.', expect.any(String)],
    ]);
    expect(
      found('type "ab"', [step('A', 1), step('A', 1, { type: 'input' })].concat(step('AB', 2)).slice(0, 3)),
    ).toHaveLength(1);
    expect(found('type "a"\npaste "b"', [step('a', 1), step('a', 1, { prevented: true })])).toEqual([]);
    // What no listener heard, the target kept out by itself.
    expect(found('type "ab"', [step('a', 1), step('a', 1, { type: 'keydown' })])).toEqual([]);
  });
  it('name the slowest listener of all strokes', () => {
    const slow = [
      step('a', 1, { type: 'keydown', took: 60 }),
      step('ab', 2, { type: 'input', took: 90 }),
      step('abc', 3, { type: 'keyup', took: 70 }),
    ];
    expect(found('type "abc"', slow)).toEqual([
      ['Serial: listeners take longer than 50 ms for a key.', 'input took 90 ms.'],
    ]);
  });
  it('are told of fields that are typed into alone', () => {
    const keys = [step('b', 1), step('b', 1, { key: 'Backspace', prevented: true })];
    expect(found('type "b"\nkey Backspace', keys, { markup: '<input type=range name=serial>' })).toEqual([]);
  });
});

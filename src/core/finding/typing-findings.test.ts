import { describe, expect, it } from 'vitest';
import { readForm } from '../form/read-form';
import { answersOf } from '../observation/answers';
import type { EventRecord } from '../observation/event-record';
import type { TypingObservation, TypingStep } from '../observation/observation';
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
  more: Partial<{ followed: boolean; mark: 'measured' | 'modelled' }> = {},
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
      facts: { script: reading.script, guards: [], followed: more.followed ?? false, steps },
    },
  };
  return typingFindings(lineUp, answersOf([observation]), fields).map(({ says, targets }) => [
    says,
    targets[0]?.says[0],
  ]);
}

describe('findings of what is typed', () => {
  const middle = 'type "ab"\nkey ArrowLeft\ntype "x"';
  const before = [step('a', 1), step('ab', 2), step('ab', 1)];
  const jump = [...before, step('a-xb', 4)];

  it('are a caret that jumps to the end from the middle', () => {
    expect(found(middle, jump)).toEqual([
      [
        'Serial: the caret jumps to the end while one types in the middle.',
        '“ab” becomes “a-xb”, and the caret goes from 1 to 4.',
      ],
    ]);
  });
  it('are none where it stays, where nothing came in, and where it cannot be told', () => {
    expect(found(middle, [...before, step('axb', 2)])).toEqual([]);
    expect(found(middle, [...before, step('ab', 2)])).toEqual([]);
    expect(found(middle, jump, { followed: true })).toEqual([]);
    expect(found(middle, jump, { mark: 'modelled' })).toEqual([]);
  });
  it('are none where one types at the end', () => {
    expect(found('type "ab"', [step('a', 1), step('a-b', 3)])).toEqual([]);
  });
  it('are keys that are swallowed, and listeners that take long', () => {
    const keys = [
      step('', 0, { key: 'Backspace', prevented: true }),
      step('', 0, { key: 'a', prevented: true }),
    ];
    expect(found('key Backspace\ntype "a"', keys)).toEqual([
      ['Serial: keys for editing and moving are swallowed.', 'Backspace did nothing.'],
    ]);
    expect(found('type "a"', [step('a', 1, { type: 'input', took: 81.5 }, { took: 60 })])).toEqual([
      ['Serial: listeners take longer than 50 ms over a key.', 'input took 81.5 ms.'],
    ]);
    expect(found('type "a"', [step('a', 1, { took: 50 })])).toEqual([]);
  });
});

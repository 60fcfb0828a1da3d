import { describe, expect, it } from 'vitest';
import { fieldId } from '../form/field';
import type {
  LookFacts,
  LookObservation,
  MessageFacts,
  MessageObservation,
  Outcome,
  TypingFacts,
} from '../observation/observation';
import { targetId } from '../target/target';
import { differences, sizeText } from './differences';
import { sameTask, typingDisagreements } from './typing-disagreements';

const asked = {
  field: fieldId('a'),
  target: targetId('t'),
  at: '2026-11-23T08:00:00Z',
  provenance: { mark: 'measured', engine: 'E', version: '1', protocol: 'P' },
} as const;
const facts: LookFacts = {
  typeReflected: 'date',
  size: { width: 100, height: 20 },
  value: '',
  parts: null,
  picture: null,
};
const look = (change: Partial<LookFacts> = {}): LookObservation => ({
  ...asked,
  question: 'look',
  state: 'closed',
  outcome: { status: 'answered', facts: { ...facts, ...change } },
});
const lookWith = (outcome: Outcome<LookFacts>): LookObservation => ({ ...look(), outcome });
const message = (change: Partial<MessageFacts> = {}): MessageObservation => ({
  ...asked,
  question: 'message',
  outcome: {
    status: 'answered',
    facts: { tried: '', willValidate: true, flags: ['valueMissing'], message: 'Fill it in.', ...change },
  },
});
const what = (a: Parameters<typeof differences>[0], b: Parameters<typeof differences>[1]) =>
  differences(a, b).map((d) => d.what);

describe('differences', () => {
  it('finds none between equal answers, and none where one side is missing', () => {
    expect(differences(look(), look())).toEqual([]);
    expect(differences(undefined, look())).toEqual([]);
    expect(differences(look(), message())).toEqual([]);
  });
  it('names type, size beyond the tolerance, and value, each in a sentence', () => {
    expect(differences(look(), look({ typeReflected: 'text' }))).toEqual([
      { what: 'type', text: 'It is “text”, in the reference “date”.' },
    ]);
    expect(what(look(), look({ size: { width: 104, height: 20 } }))).toEqual([]);
    expect(what(look(), look({ size: { width: 105, height: 20 } }))).toEqual(['size']);
    expect(differences(look(), look({ value: '50' }))[0]?.text).toBe(
      'The value is “50”, in the reference empty.',
    );
  });
  it('does not call it a difference that one side does not know', () => {
    expect(what(look(), look({ size: null }))).toEqual([]);
    expect(what(message(), message({ message: null }))).toEqual([]);
  });
  it('tells what does not apply from what failed', () => {
    expect(what(look(), lookWith({ status: 'inapplicable', reason: 'Not drawn.' }))).toEqual(['applicable']);
    expect(what(lookWith({ status: 'inapplicable', reason: 'x' }), look())).toEqual(['applicable']);
    expect(what(look(), lookWith({ status: 'failed', reason: 'Gone.' }))).toEqual([]);
  });
  it('compares what is wrong and in which words', () => {
    expect(what(message(), message({ flags: [], message: '' }))).toEqual(['flags', 'message']);
    expect(what(message(), message({ willValidate: false }))).toEqual(['validation']);
  });
  it('writes sizes to a tenth', () => {
    expect(sizeText({ width: 109.296875, height: 21 })).toBe('109.3 × 21 px');
  });
});

describe('model against measured', () => {
  const event = {
    type: 'input',
    key: null,
    code: null,
    inputType: 'insertText',
    data: 'a',
    value: 'a',
    trusted: true,
    prevented: false,
  } as const;
  const step = {
    text: 'a',
    caret: { start: 1, end: 1 },
    value: 'a',
    refused: null,
    guard: null,
    events: [event],
  };
  const replay = (change: Partial<typeof step> | object = {}): TypingFacts => ({
    script: [{ kind: 'key', key: 'a' }],
    guards: [],
    followed: false,
    steps: [{ ...step, ...change }],
  });
  const found = (change: object) => typingDisagreements(replay(), replay(change))[0]?.map((d) => d.what);

  it('marks each way of parting at its stroke', () => {
    expect(found({})).toEqual([]);
    expect(found({ text: 'b', value: 'b' })).toEqual(['text', 'value']);
    expect(found({ caret: { start: 0, end: 0 } })).toEqual(['caret']);
    expect(found({ refused: 'target', events: [] })).toEqual(['refused', 'events']);
  });
  it('compares only what was asked with the same script and guards', () => {
    expect(sameTask(replay(), replay())).toBe(true);
    expect(sameTask(replay(), { script: [], guards: [] })).toBe(false);
  });
});

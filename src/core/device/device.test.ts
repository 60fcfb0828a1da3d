import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fieldId } from '../html/field';
import type { EventRecord } from '../observation/event-record';
import type { Provenance } from '../observation/provenance';
import type { Observation } from '../questions/observation';
import { targetId } from '../target/target';
import { deviceFaultText } from '../words/request-fault-words';
import { codeLength, deviceCode } from './device-code';
import {
  answersOf,
  type DeviceMessage,
  isDeviceFile,
  readDeviceFile,
  readDeviceMessage,
  unnamedDevice,
} from './device-message';
import { firstTapped, type HandTurn, handTyped } from './hand-typing';

const event = (type: EventRecord['type'], rest: Partial<EventRecord> = {}): EventRecord => ({
  type,
  key: null,
  code: null,
  inputType: null,
  data: null,
  value: '',
  trusted: true,
  prevented: false,
  ...rest,
});
const turn = (value: string, ...events: EventRecord[]): HandTurn => ({
  events,
  text: value,
  caret: { start: value.length, end: value.length },
  value,
});

/** A hardware key, with keyup in a turn of its own. */
const hardware = (key: string, value: string): HandTurn[] => [
  turn(
    value,
    event('keydown', { key }),
    event('beforeinput', { inputType: 'insertText', data: key }),
    event('input', { inputType: 'insertText', data: key, value }),
  ),
  turn(value, event('keyup', { key, value })),
];

describe('what a hand typed', () => {
  it('is one stroke a key, with the focus before and the leaving behind', () => {
    const { script, steps } = handTyped(
      [
        turn('', event('focus')),
        ...hardware('4', '4'),
        ...hardware('2', '42'),
        turn('42', event('change', { value: '42' }), event('blur', { value: '42' })),
      ],
      false,
    );
    expect(script).toEqual([
      { kind: 'focus', by: 'click' },
      { kind: 'key', key: '4' },
      { kind: 'key', key: '2' },
      { kind: 'leave' },
    ]);
    expect(steps.map(({ value }) => value)).toEqual(['', '4', '42', '42']);
    expect(steps[1]?.events.map(({ type }) => type)).toEqual(['keydown', 'beforeinput', 'input', 'keyup']);
  });

  it('is soft keys where a keyboard names none of its own, and a refused one where the value stays', () => {
    const soft = (data: string, value: string, more: EventRecord[] = []) =>
      turn(
        value,
        event('keydown', { key: 'Unidentified' }),
        event('beforeinput', { inputType: 'insertText', data }),
        ...more,
      );
    const { script, steps } = handTyped(
      [
        turn('', event('focus')),
        soft('7', '7', [event('input', { inputType: 'insertText', data: '7', value: '7' })]),
        soft('x', '7'),
      ],
      true,
    );
    expect(script.slice(1)).toEqual([
      { kind: 'text', route: 'soft keys', text: '7' },
      { kind: 'text', route: 'soft keys', text: 'x' },
    ]);
    expect(steps.map(({ refused }) => refused)).toEqual([null, null, 'target']);
    expect(firstTapped({ script, steps, guards: [], followed: true })?.map(({ type }) => type)).toEqual([
      'keydown',
      'beforeinput',
      'input',
    ]);
  });

  it('is one composition from its start to its end, whatever keys are told in between', () => {
    const { script, steps } = handTyped(
      [
        turn('', event('keydown', { key: 'Unidentified' }), event('compositionstart', { data: '' })),
        turn('g', event('compositionupdate', { data: 'g' }), event('input', { data: 'g' })),
        turn('g', event('keyup')),
        turn('gu', event('keydown', { key: 'Unidentified' }), event('compositionupdate', { data: 'gu' })),
        turn('gu ', event('compositionend', { data: 'gu' })),
        ...hardware('l', 'gu l'),
      ],
      false,
    );
    expect(script).toEqual([
      { kind: 'composition', texts: ['g', 'gu'] },
      { kind: 'key', key: 'l' },
    ]);
    expect(steps[0]).toMatchObject({ value: 'gu ', refused: null });
  });

  it('is a paste, an autofill, a Backspace and a line feed by what the input events say', () => {
    const by = (inputType: string, data: string | null, more: EventRecord[] = []) =>
      turn(`${inputType}${data}`, ...more, event('beforeinput', { inputType, data }));
    const { script } = handTyped(
      [
        by('insertFromPaste', 'a b', [event('paste')]),
        by('insertReplacementText', 'Ada'),
        by('deleteContentBackward', null),
        by('insertLineBreak', null),
      ],
      false,
    );
    expect(script).toEqual([
      { kind: 'text', route: 'paste', text: 'a b' },
      { kind: 'text', route: 'autofill', text: 'Ada' },
      { kind: 'key', key: 'Backspace' },
      { kind: 'key', key: 'Enter' },
    ]);
  });

  it('never loses an event, and has a step for each stroke', () => {
    const types = fc.constantFrom<EventRecord['type']>(
      'focus',
      'keydown',
      'beforeinput',
      'input',
      'keyup',
      'compositionstart',
      'compositionupdate',
      'compositionend',
      'paste',
      'change',
      'blur',
    );
    const turns = fc.array(
      fc
        .tuple(fc.string({ maxLength: 4 }), fc.array(types, { minLength: 1, maxLength: 4 }))
        .map(([value, all]) =>
          turn(value, ...all.map((type) => event(type, { key: 'a', data: 'a', value }))),
        ),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(turns, (all) => {
        const { script, steps } = handTyped(all, false);
        expect(steps).toHaveLength(script.length);
        expect(steps.flatMap(({ events }) => events)).toEqual(all.flatMap(({ events }) => events));
        expect(steps.at(-1)?.value ?? '').toBe(all.at(-1)?.value ?? '');
      }),
    );
  });
});

const captured: Provenance = { mark: 'captured', browser: 'Some browser 1', events: 'trusted' };
const answer: Observation = {
  field: fieldId('phone'),
  target: unnamedDevice,
  at: '2026-11-26T08:00:00Z',
  provenance: captured,
  question: 'keyboard',
  outcome: {
    status: 'answered',
    facts: {
      asked: 'untold',
      layout: 'untold',
      height: { before: 700, with: 420.5 },
      program: null,
      fieldInSight: true,
      tapped: null,
      picture: null,
    },
  },
};
const message: DeviceMessage = {
  format: 'ukko-device',
  version: 1,
  browser: 'Some browser 1',
  part: 0,
  observations: [answer],
  pictures: [],
};

describe('a message of a device', () => {
  it('is read, and its answers go by the name that the person gave', () => {
    expect(readDeviceMessage(message)).toEqual({ status: 'read', message });
    const [named] = answersOf(message, targetId('own-device-1'));
    expect(named).toEqual({ ...answer, target: 'own-device-1' });
    const file = JSON.stringify(message);
    expect(isDeviceFile(file)).toBe(true);
    expect(readDeviceFile(file)).toEqual({ status: 'read', message });
  });

  it.each([
    ['rubbish', 'rubbish'],
    ['nothing', null],
    ['another format', { ...message, format: 'other' }],
    ['a later version', { ...message, version: 2 }],
    ['more than there is', { ...message, extra: 1 }],
    ['a part that is no number', { ...message, part: '0' }],
    ['too many answers', { ...message, observations: Array(5001).fill(answer) }],
    [
      'an answer that calls itself measured',
      {
        ...message,
        observations: [
          {
            ...answer,
            provenance: { mark: 'measured', engine: 'e', version: '1', protocol: 'p', unable: [] },
          },
        ],
      },
    ],
    ['an answer to no question', { ...message, observations: [{ ...answer, question: 'what' }] }],
  ])('that is %s is refused with a sentence', (_, data) => {
    const reading = readDeviceMessage(data);
    expect(reading.status).toBe('fault');
    if (reading.status === 'fault')
      expect(deviceFaultText(reading.fault)).toMatch(
        /^The device’s answers cannot be read: .+\. They were left out; .+ are kept\.$/s,
      );
  });

  it('that is cut off is refused with a sentence wherever it is cut', () => {
    const file = JSON.stringify(message);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: file.length - 1 }), (at) => {
        expect(readDeviceFile(file.slice(0, at)).status).toBe('fault');
      }),
    );
  });
});

it('a code has no letters that look alike, and uses all the others', () => {
  const seen = new Set<string>();
  for (let at = 0; at < 31; at++) for (const one of deviceCode(() => at)) seen.add(one);
  expect(seen.size).toBe(31);
  for (const one of '0o1il') expect(seen.has(one)).toBe(false);
  expect(deviceCode(() => 3)).toHaveLength(codeLength);
});

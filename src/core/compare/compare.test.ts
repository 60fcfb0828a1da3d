import { describe, expect, it } from 'vitest';
import { type ControlPart, controlParts } from '../html/control-part';
import { fieldId } from '../html/field';
import type { Outcome } from '../observation/outcome';
import type { PictureId } from '../observation/picture';
import type { BubbleFacts } from '../questions/bubble/facts';
import { differences } from '../questions/differences';
import type { KeyboardFacts } from '../questions/keyboard/facts';
import { type LookFacts, type LookObservation, lookNotAsked } from '../questions/look/facts';
import type { MessageFacts, MessageObservation } from '../questions/message/facts';
import { type Observation, observationKey } from '../questions/observation';
import type { OpeningFacts } from '../questions/opening/facts';
import type { PartsFacts } from '../questions/parts/facts';
import type { TypingFacts } from '../questions/typing/facts';
import { defaultLineUp } from '../target/line-up';
import { targetId } from '../target/target';
import { setupWords } from '../words/drift-words';
import { changedSetup, type Setup } from './changed-setup';
import { allDifferences, differencesThrough, seenThrough } from './lens';
import { sameTask, typingDisagreements } from './typing-disagreements';

const asked = {
  field: fieldId('a'),
  target: targetId('t'),
  at: '2026-11-23T08:00:00Z',
  provenance: { mark: 'measured', engine: 'E', version: '1', protocol: 'P', unable: [] },
} as const;
const facts: LookFacts = {
  typeReflected: 'date',
  size: { width: 100, height: 20 },
  value: '',
  ...lookNotAsked,
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
    facts: {
      tried: '',
      willValidate: true,
      flags: ['valueMissing'],
      message: 'Fill it in.',
      saysTitle: null,
      ...change,
    },
  },
});
const what = (a: Parameters<typeof differences>[0], b: Parameters<typeof differences>[1]) =>
  differences(a, b, null).map((d) => d.what);
const part = (name: ControlPart) => ({ part: name, how: 'seen' });
const parts = (change: Partial<PartsFacts>): Observation => ({
  ...asked,
  question: 'parts',
  outcome: {
    status: 'answered',
    facts: {
      parts: [part('text box')],
      lookedFor: controlParts,
      shows: 'text',
      order: null,
      clock: null,
      sizeWithoutLimits: null,
      ...change,
    },
  },
});
const opening = (change: Partial<OpeningFacts>): Observation => ({
  ...asked,
  question: 'opening',
  outcome: {
    status: 'answered',
    facts: { opened: 'a click', tried: ['a click'], popUp: null, leaves: [], picture: null, ...change },
  },
});
const bubble = (change: Partial<BubbleFacts>): Observation => ({
  ...asked,
  question: 'bubble',
  outcome: {
    status: 'answered',
    facts: { tried: '', shown: true, popUp: null, leaves: [], showsTitle: null, picture: null, ...change },
  },
});

describe('differences', () => {
  it('finds none between equal answers, and none where one side is missing', () => {
    expect(what(look(), look())).toEqual([]);
    expect(what(undefined, look())).toEqual([]);
    expect(what(look(), message())).toEqual([]);
  });
  it('names type, size beyond the tolerance, and value, with both sides of each', () => {
    expect(differences(look(), look({ typeReflected: 'text' }), null)).toEqual([
      { what: 'type', here: 'text', there: 'date' },
    ]);
    expect(what(look(), look({ size: { width: 104, height: 20 } }))).toEqual([]);
    expect(what(look(), look({ size: { width: 105, height: 20 } }))).toEqual(['size']);
    expect(differences(look(), look({ value: '50' }), null)).toEqual([
      { what: 'value', here: '50', there: '' },
    ]);
  });
  it('does not call it a difference that one side does not know', () => {
    expect(what(look(), look({ size: null }))).toEqual([]);
    expect(what(message(), message({ message: null }))).toEqual([]);
  });
  it('tells what does not apply from what failed', () => {
    expect(what(look(), lookWith({ status: 'inapplicable', reason: { code: 'not drawn' } }))).toEqual([
      'applicable',
    ]);
    expect(what(lookWith({ status: 'inapplicable', reason: { code: 'not drawn' } }), look())).toEqual([
      'applicable',
    ]);
    expect(what(look(), lookWith({ status: 'failed', failure: { code: 'older', text: 'Gone.' } }))).toEqual(
      [],
    );
  });
  it('compares what is wrong and in which words', () => {
    expect(what(message(), message({ flags: [], message: '' }))).toEqual(['flags', 'message']);
    expect(what(message(), message({ willValidate: false }))).toEqual(['validation']);
  });
  it('counts the dots of two pictures only where they can be compared', () => {
    const [a, b] = [{ picture: 'a' as PictureId }, { picture: 'b' as PictureId }];
    expect(what(look(a), look(b))).toEqual([]);
    const counted = (count: number | null) => differences(look(a), look(b), () => count);
    expect(counted(12)).toEqual([{ what: 'picture', pixels: 12 }]);
    expect(counted(0)).toEqual([]);
    expect(counted(null)).toEqual([]);
  });
  it('names parts that one has and the other has not, what can be read, and the order of a date', () => {
    const one = parts({
      parts: [part('picker button'), part('text box')],
      order: ['month', 'day'],
      clock: '12 hours',
    });
    const other = parts({
      parts: [part('text area')],
      order: ['day', 'month'],
      clock: '24 hours',
      shows: 'nothing',
    });
    expect(differences(one, other, null)).toEqual([
      { what: 'parts', only: 'there', parts: ['picker button'] },
      { what: 'readable', here: 'nothing', there: 'text' },
      { what: 'order', here: 'day month', there: 'month day' },
      { what: 'clock', here: '24 hours', there: '12 hours' },
    ]);
  });
  it('does not miss parts that were not looked for', () => {
    const less = parts({ parts: [], lookedFor: ['swatch'] });
    expect(what(parts({ parts: [part('text box'), part('swatch')] }), less)).toEqual(['parts']);
    expect(differences(parts({}), less, null)).toEqual([]);
  });
  it('names what opens, what shows a bubble, and what leaves the window', () => {
    expect(what(opening({}), opening({ opened: null }))).toEqual(['opening']);
    expect(what(opening({}), opening({ leaves: ['bottom'] }))).toEqual(['window']);
    expect(what(bubble({}), bubble({ shown: false }))).toEqual(['bubble']);
    expect(what(bubble({ showsTitle: true }), bubble({ showsTitle: false, leaves: ['left'] }))).toEqual([
      'title',
      'window',
    ]);
  });
  it('takes what an observer cannot see for no difference', () => {
    const blind = {
      ...opening({}),
      outcome: { status: 'inapplicable', reason: { code: 'page sees no windows' } },
    } as const;
    expect(what(opening({}), blind)).toEqual([]);
  });
});

describe('a lens', () => {
  const answers = (list: Observation[]) => new Map(list.map((one) => [observationKey(one), one]));
  const at = (target: string, list: Observation[]) => ({
    answers: answers(list.map((one) => ({ ...one, target: targetId(target) }))),
    target: targetId(target),
  });
  const one = at('one', [look(), parts({}), opening({}), message()]);
  const other = at('other', [
    look({ typeReflected: 'text' }),
    parts({ parts: [] }),
    opening({ opened: null }),
    message({ message: 'Bitte.' }),
  ]);
  const through = (lens: 'look' | 'message', state: 'closed' | 'filled' | 'open') =>
    differencesThrough(lens, state, one, other, fieldId('a'), null).map(({ what: kind }) => kind);

  it('compares what it shows and nothing else', () => {
    expect(through('look', 'closed')).toEqual(['type', 'parts']);
    expect(through('look', 'filled')).toEqual([]);
    expect(through('look', 'open')).toEqual(['opening']);
    expect(through('message', 'closed')).toEqual(['message']);
  });
  it('is one of several: all of them together name each difference once', () => {
    const all = allDifferences(one, other, fieldId('a'), null).map(({ what: kind }) => kind);
    expect(all.sort()).toEqual(['message', 'opening', 'parts', 'type']);
    expect(allDifferences(one, one, fieldId('a'), null)).toEqual([]);
  });
});

describe('two sweeps', () => {
  const setup = (version: string, change: Partial<Setup> = {}): Setup => ({
    form: { markup: '<input>', typing: {} },
    ukko: '1',
    lineUp: defaultLineUp,
    answers: new Map(
      [
        {
          ...look(),
          target: targetId('chromium'),
          provenance: { mark: 'measured', engine: 'Chromium', version, protocol: 'P', unable: [] } as const,
        },
      ].map((answer) => [observationKey(answer), answer]),
    ),
    ...change,
  });
  it('say what is not the same besides the answers', () => {
    const said = (before: Setup, after: Setup) => changedSetup(before, after).map(setupWords);
    expect(said(setup('1'), setup('1'))).toEqual([]);
    expect(said(setup('1'), setup('2', { form: { markup: '<select>', typing: {} } }))).toEqual([
      'The markup of the form has changed.',
      'Chromium was Chromium 1 and is now Chromium 2.',
    ]);
    const alone = { ...defaultLineUp, targets: defaultLineUp.targets.slice(0, 1) };
    expect(said(setup('1'), setup('1', { lineUp: alone }))).toContain(
      'Firefox was asked before and is not now.',
    );
    expect(said(setup('1', { lineUp: alone }), setup('1'))).toContain('Firefox was not asked before.');
    const dark = defaultLineUp.targets.map((target) =>
      target.ask === 'engine'
        ? { ...target, variant: { ...target.variant, scheme: 'dark' as const } }
        : target,
    );
    expect(said(setup('1'), setup('1', { lineUp: { ...defaultLineUp, targets: dark } }))).toContain(
      'Chromium has other settings.',
    );
    expect(said(setup('1'), setup('1', { ukko: '2' }))).toEqual(['Ukko was 1 and is now 2.']);
    expect(said(setup('1', { ukko: null }), setup('1'))).toEqual([]);
    const guarded = { markup: '<input>', typing: { [fieldId('a')]: { script: 'key a', guards: [] } } };
    expect(said(setup('1'), setup('1', { form: guarded }))).toEqual([
      'The scripts, guards or samples of the form have changed.',
    ]);
  });
});

describe('keyboards', () => {
  const keyboard = (change: Partial<KeyboardFacts> = {}): Observation => ({
    ...asked,
    question: 'keyboard',
    outcome: {
      status: 'answered',
      facts: {
        asked: null,
        layout: 'number/us',
        height: { before: 960, with: 540 },
        program: null,
        fieldInSight: true,
        tapped: null,
        picture: null,
        ...change,
      },
    },
  });

  it('differ by which one comes up and whether the field is still in sight', () => {
    expect(what(keyboard(), keyboard({ height: { before: 700, with: 400 } }))).toEqual([]);
    expect(what(keyboard(), keyboard({ layout: 'us', fieldInSight: false }))).toEqual([
      'keyboard',
      'in sight',
    ]);
    expect(differences(keyboard({ layout: null }), keyboard(), null)).toEqual([
      { what: 'keyboard', here: 'number/us', there: null },
    ]);
  });

  it('do not differ where a page is not told which one came up', () => {
    expect(what(keyboard(), keyboard({ layout: 'untold', asked: 'untold' }))).toEqual([]);
  });

  it('are what their lens looks at', () => {
    const one = keyboard();
    const answers = new Map([[observationKey(one), one]]);
    expect(seenThrough('keyboard', 'closed', answers, one.target, one.field)).toEqual([one]);
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

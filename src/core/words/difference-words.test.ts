import { describe, expect, it } from 'vitest';
import type { Difference } from '../questions/differences';
import { differenceWords, openingText, sizeText } from './difference-words';

const of = { here: ['Firefox'], there: 'Chromium' };
const ofTwo = { here: ['Firefox', 'WebKit'], there: 'Chromium' };
const click = { opened: 'a click in the middle', tried: ['a click in the middle'] };
const nothing = { opened: null, tried: ['a click in the middle', 'Alt+ArrowDown'] };

describe('a difference in words', () => {
  it.each<[Difference, string]>([
    [{ what: 'applicable', reason: null }, 'Firefox gives an answer, Chromium gives none.'],
    [{ what: 'applicable', reason: { code: 'not drawn' } }, 'Firefox: A hidden field is not drawn.'],
    [{ what: 'type', here: 'text', there: 'month' }, 'Firefox treats it as “text”, Chromium as “month”.'],
    [
      { what: 'size', here: { width: 211.31, height: 21 }, there: { width: 177, height: 21 } },
      'Firefox draws it 211.3 × 21 px, Chromium 177 × 21 px.',
    ],
    [{ what: 'value', here: '', there: '50' }, 'Firefox has no value, Chromium the value “50”.'],
    [{ what: 'typed', here: '12', there: '' }, 'Firefox ends with “12”, Chromium with nothing.'],
    [{ what: 'text', here: '1,5', there: '1.5' }, 'Firefox shows “1,5”, Chromium shows “1.5”.'],
    [
      { what: 'marks', here: [{ by: 'label::after', text: '*' }], there: [] },
      'In Firefox styles add label::after “*”, in Chromium nothing.',
    ],
    [{ what: 'parts', only: 'there', parts: ['spinner'] }, 'Firefox has no spinner; Chromium has.'],
    [
      { what: 'parts', only: 'here', parts: ['clear button'] },
      'Firefox has a clear button; Chromium has none.',
    ],
    [
      { what: 'readable', here: 'nothing', there: 'picture' },
      'Firefox does not show the value; Chromium shows it as a picture only.',
    ],
    [
      { what: 'order', here: 'day month', there: 'month day' },
      'Firefox shows day month, Chromium month day.',
    ],
    [
      { what: 'clock', here: '24 hours', there: '12 hours' },
      'Firefox shows a clock of 24 hours, Chromium one of 12 hours.',
    ],
    [
      { what: 'opening', here: nothing, there: click },
      'Firefox opens nothing; Chromium opens on a click in the middle.',
    ],
    [
      { what: 'window', here: ['right', 'bottom'], there: [] },
      'In Firefox it extends past the window on the right and bottom, in Chromium it stays in the window.',
    ],
    [{ what: 'validation', here: false, there: true }, 'Firefox does not validate it; Chromium does.'],
    [
      { what: 'flags', here: [], there: ['valueMissing'] },
      'Validity flags in Firefox: none; in Chromium: valueMissing.',
    ],
    [{ what: 'message', here: 'Fill it.', there: '' }, 'Firefox says “Fill it.”, Chromium says nothing.'],
    [{ what: 'message', here: 'Fill it', there: 'Fill.' }, 'Firefox says “Fill it”, Chromium says “Fill.”'],
    [{ what: 'bubble', here: false, there: true }, 'Firefox shows no message bubble; Chromium shows one.'],
    [
      { what: 'title', of: 'bubble', here: false, there: true },
      'The bubble in Firefox omits the title; in Chromium it contains it.',
    ],
    [{ what: 'keyboard', here: 'us', there: null }, 'Firefox shows the keyboard “us”, Chromium no keyboard.'],
    [
      { what: 'in sight', here: false, there: true },
      'In Firefox the keyboard covers the field; in Chromium it leaves it visible.',
    ],
    [
      { what: 'sent', when: null, difference: { what: 'entry', name: 'a', here: [], there: ['1'] } },
      'a is not submitted in Firefox; in Chromium it is.',
    ],
    [
      { what: 'sending', when: 'asIs', difference: { what: 'blocked', here: 'Boat', there: null } },
      'With nothing filled in, Firefox: Boat blocks it; Chromium: no field.',
    ],
    [{ what: 'picture', pixels: 12 }, 'The picture in Firefox differs from Chromium in 12 px.'],
  ])('%j', (difference, sentence) => {
    expect(differenceWords(difference, of)).toBe(sentence);
  });

  it('begins as a sentence does, and writes names as they are', () => {
    const type = { what: 'type', here: 'text', there: 'month' } as const;
    const begin = (here: string) => differenceWords(type, { here: [here], there: 'the form as it is' });
    expect(begin('the changed form')).toBe(
      'The changed form treats it as “text”, the form as it is as “month”.',
    );
    expect(begin('iOS-like phone')).toMatch(/^iOS-like phone treats/);
  });

  it('agrees in number with those that show it', () => {
    expect(differenceWords({ what: 'type', here: 'text', there: 'month' }, ofTwo)).toBe(
      'Firefox and WebKit treat it as “text”, Chromium as “month”.',
    );
    expect(differenceWords({ what: 'opening', here: nothing, there: click }, ofTwo)).toMatch(
      /^Firefox and WebKit open nothing; Chromium opens on a click in the middle\.$/,
    );
    expect(differenceWords({ what: 'validation', here: false, there: true }, ofTwo)).toBe(
      'Firefox and WebKit do not validate it; Chromium does.',
    );
  });
});

it('sizes are written to a tenth', () => {
  expect(sizeText({ width: 109.296875, height: 21 })).toBe('109.3 × 21 px');
});

it('what opens is said by what a person did, or tried', () => {
  expect(openingText(click)).toBe('Opens on a click in the middle');
  expect(openingText(nothing)).toBe('Nothing opens on a click in the middle, Alt+ArrowDown');
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FollowedText } from './followed-text';

/** As much of an input as the follower reads. */
function element(type: string, value = '', selection: number | null = null) {
  return { type, value, selectionStart: selection, selectionEnd: selection } as unknown as HTMLInputElement;
}

describe('text and caret of a field', () => {
  it('are read where the kind tells them', () => {
    const followed = new FollowedText(element('text', 'abc', 2), true);
    expect([followed.text, followed.caret]).toEqual(['abc', { start: 2, end: 2 }]);
  });

  it('are followed from the events where it does not: what is typed, erased and moved over', () => {
    const input = element('number');
    const followed = new FollowedText(input, false);
    const type = (data: string, value: string) => {
      input.value = value;
      followed.input('insertText', data);
    };
    type('-', '');
    type('1', '-1');
    type('.', '-1');
    expect([followed.text, followed.caret.start]).toEqual(['-1.', 3]);
    followed.keyDown({ key: 'Home' });
    followed.keyDown({ key: 'ArrowRight' });
    type('9', '-91');
    expect([followed.text, followed.caret.start]).toEqual(['-91.', 2]);
    input.value = '-1';
    followed.input('deleteContentBackward', null);
    expect([followed.text, followed.caret.start]).toEqual(['-1.', 1]);
    input.value = '-.';
    followed.input('deleteContentForward', null);
    expect(followed.text).toBe('-.');
  });

  it('give way to a value that says something else: the engine rewrote the text', () => {
    const input = element('email');
    const followed = new FollowedText(input, false);
    input.value = 'a@xn--mnchen-3ya';
    followed.input('insertText', 'ü');
    expect([followed.text, followed.caret.start]).toEqual(['a@xn--mnchen-3ya', 16]);
  });

  it('do not give way to the same number written shorter, nor to an empty value', () => {
    for (const value of ['5', '']) {
      const input = element('number', '', null);
      const followed = new FollowedText(input, false);
      followed.input('insertText', '5');
      input.value = value;
      followed.input('insertText', '.');
      expect(followed.text).toBe('5.');
    }
  });

  it('start from what the field held, with the caret in front', () => {
    const followed = new FollowedText(element('number', '42'), false);
    expect([followed.text, followed.caret]).toEqual(['42', { start: 0, end: 0 }]);
  });

  it('keep the caret inside the text, whatever comes', () => {
    const event = fc.oneof(
      fc.record({
        kind: fc.constant('key' as const),
        key: fc.constantFrom('ArrowLeft', 'ArrowRight', 'Home', 'End', 'a', 'Tab'),
      }),
      fc.record({
        kind: fc.constant('input' as const),
        inputType: fc.constantFrom(
          'insertText',
          'deleteContentBackward',
          'deleteContentForward',
          'historyUndo',
          '',
        ),
        data: fc.option(fc.string({ maxLength: 3 }), { nil: null }),
      }),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 30 }), fc.string(), (events, value) => {
        const followed = new FollowedText(element('number', value), false);
        for (const one of events)
          one.kind === 'key' ? followed.keyDown({ key: one.key }) : followed.input(one.inputType, one.data);
        const { start, end } = followed.caret;
        expect(start >= 0 && start <= end && end <= followed.text.length).toBe(true);
      }),
    );
  });
});

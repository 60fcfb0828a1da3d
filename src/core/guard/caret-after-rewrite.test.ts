import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { caretAfterRewrite } from './caret-after-rewrite';

describe('the caret after a rewrite', () => {
  it.each([
    ['abc', 3, 'ABC', 3],
    ['abc', 1, 'ABC', 1],
    ['aBc', 2, 'AbC', 2],
    ['ab', 2, 'ab-', 3],
    ['ab', 9, 'abc', 3],
    ['ab', 0, 'x', 0],
    ['a1b2', 2, 'ab', 1],
    ['a1b2c', 4, 'abc', 2],
    ['a-b', 2, 'ab', 1],
    ['xab', 2, 'ab', 1],
    ['xab', 1, 'ab', 0],
    ['12345', 3, '1-23-45', 4],
    ['abc', 2, 'xaxbxc', 4],
    ['axbyc', 3, 'a1b2c', 3],
    ['abab', 3, 'xab', 2],
  ])('%s at %i becomes %s at %i', (before, from, after, to) => {
    expect(caretAfterRewrite(before, from, after)).toBe(to);
  });

  it('counts characters where a text is too long to be compared', () => {
    const long = 'x'.repeat(1501);
    expect(caretAfterRewrite(`a${long}`, 100, `a${'y'.repeat(50)}`)).toBe(51);
    expect(caretAfterRewrite(`a${long}`, 30, `a${'y'.repeat(50)}`)).toBe(30);
    expect(caretAfterRewrite(`ax`, 1, `b${long}`)).toBe(1);
    // One character less is compared: it finds that nothing was kept.
    expect(caretAfterRewrite(`a${'x'.repeat(1500)}`, 100, `a${'y'.repeat(50)}`)).toBe(1);
  });

  it('stays inside the text and never goes back as it goes on', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), fc.string({ maxLength: 20 }), (before, after) => {
        let last = 0;
        for (let from = 0; from <= before.length; from++) {
          const to = caretAfterRewrite(before, from, after);
          expect(to >= last && to <= after.length).toBe(true);
          last = to;
        }
      }),
    );
  });

  it('stays behind the same characters where some are put in between', () => {
    const pieces = fc.array(fc.tuple(fc.stringMatching(/^[a-z]$/), fc.stringMatching(/^[-0-9]{0,2}$/)), {
      minLength: 2,
      maxLength: 12,
    });
    fc.assert(
      fc.property(pieces, fc.nat(), (parts, any) => {
        const before = parts.map(([letter]) => letter).join('');
        const at = 1 + (any % (parts.length - 1));
        const after = parts.map(([letter, added]) => letter + added).join('');
        const kept = after.slice(0, caretAfterRewrite(before, at, after)).replace(/[-0-9]/g, '');
        expect(kept).toBe(before.slice(0, at));
      }),
    );
  });
});

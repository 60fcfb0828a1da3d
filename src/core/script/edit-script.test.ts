import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyStroke } from '../../../tests/fixtures/strokes';
import { withoutStroke, withStrokeMoved } from './edit-script';
import { formatScript, readScript } from './script-text';
import type { Script } from './stroke';

const strokes = (text: string): Script => {
  const reading = readScript(text);
  if (reading.status === 'fault') throw new Error(JSON.stringify(reading.fault));
  return reading.script;
};

describe('a stroke taken out of a script text', () => {
  it.each([
    ['type "abc"', 1, 'type "ac"'],
    ['type "a"\nkey Tab', 0, 'key Tab'],
    ['key Backspace x3', 2, 'key Backspace x2'],
    ['# first\n\ntype "a" # one\nleave', 0, '# first\n\n# one\nleave'],
    ['type "#1" # why', 0, '# why\ntype "1"'],
    ['type " # " # b', 1, '# b\ntype "  "'],
    ['leave', 0, ''],
    ['leave\rleave\r\nsubmit', 0, 'leave\nsubmit'],
    ['leave', 1, 'leave'],
    ['leave', -1, 'leave'],
    ['type "ab', 0, 'type "ab'],
  ])('%j without stroke %i', (text, index, expected) => {
    expect(withoutStroke(text, index)).toBe(expected);
  });
  it('leaves the other strokes as they are', () => {
    fc.assert(
      fc.property(fc.array(anyStroke, { minLength: 1, maxLength: 12 }), fc.nat(), (script, any) => {
        const index = any % script.length;
        expect(strokes(withoutStroke(formatScript(script), index))).toEqual(script.toSpliced(index, 1));
      }),
    );
  });
});

describe('a stroke moved within a script text', () => {
  it.each([
    ['type "abc"', 0, 1, 'type "bac"'],
    ['type "abc"', 2, -1, 'type "acb"'],
    ['type "ab"\n# the end\nleave', 1, 1, '# the end\ntype "a"\nleave\ntype "b"'],
    ['type "a"\npaste "b" # from a table', 1, -1, '# from a table\npaste "b"\ntype "a"'],
    ['leave', 0, -1, 'leave'],
    ['leave', 0, 1, 'leave'],
  ] as const)('%j: stroke %i by %i', (text, index, by, expected) => {
    expect(withStrokeMoved(text, index, by)).toBe(expected);
  });
  it('swaps two neighbours and nothing else, and back again', () => {
    fc.assert(
      fc.property(fc.array(anyStroke, { minLength: 2, maxLength: 12 }), fc.nat(), (script, any) => {
        const index = any % (script.length - 1);
        const moved = withStrokeMoved(formatScript(script), index, 1);
        const swapped = script.slice(index, index + 2).reverse();
        expect(strokes(moved)).toEqual(script.toSpliced(index, 2, ...swapped));
        expect(strokes(withStrokeMoved(moved, index + 1, -1))).toEqual(script);
      }),
    );
  });
});

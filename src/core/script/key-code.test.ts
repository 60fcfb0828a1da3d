import { describe, expect, it } from 'vitest';
import { codeOf } from './key-code';

describe('the place of a key', () => {
  it.each([
    ['a', 'KeyA'],
    ['Z', 'KeyZ'],
    [' ', 'Space'],
    ['Shift', 'ShiftLeft'],
    ['Control', 'ControlLeft'],
    ['Alt', 'AltLeft'],
    ['Meta', 'MetaLeft'],
    ['ArrowUp', 'ArrowUp'],
    ['Backspace', 'Backspace'],
    ['é', ''],
    ['😀', ''],
    ['ab', ''],
    ['12', ''],
    ['1a', ''],
    ['@#', ''],
    ['F5', ''],
    ['', ''],
  ])('of %j is %j', (one, code) => {
    expect(codeOf(one)).toBe(code);
  });

  it.each<[string, string]>([
    ['Backquote', '`~'],
    ['Minus', '-_'],
    ['Equal', '=+'],
    ['BracketLeft', '[{'],
    ['BracketRight', ']}'],
    ['Backslash', '\\|'],
    ['Semicolon', ';:'],
    ['Quote', `'"`],
    ['Comma', ',<'],
    ['Period', '.>'],
    ['Slash', '/?'],
    ...[...'1234567890'].map(
      (digit, at) => [`Digit${digit}`, `${digit}${'!@#$%^&*()'[at]}`] as [string, string],
    ),
  ])('%s brings %j', (code, characters) => {
    expect([...characters].map(codeOf)).toEqual([code, code]);
  });
});

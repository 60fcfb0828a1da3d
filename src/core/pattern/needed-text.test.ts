import { describe, expect, it } from 'vitest';
import { neededTexts } from './needed-text';
import { patternTable } from './pattern-table';
import { acceptsText } from './table';
import { acceptsSomeOf } from './text-over';

function table(source: string) {
  const rule = patternTable({ source, match: 'whole' });
  if (rule.status !== 'known') throw new Error(source);
  return rule.table;
}
function needed(source: string, keys: string) {
  const rule = table(source);
  return neededTexts(
    rule,
    keys,
    (character) => keys.includes(character),
    (text) => acceptsText(rule, text),
  );
}
const digits = '0123456789';

describe('whether a rule takes something of some characters', () => {
  it.each([
    ['[0-9]{2}', digits, true],
    ['[0-9 ]+', digits, true],
    ['[0-9]{2}/[0-9]{2}', digits, false],
    ['a?', digits, false],
    ['(?:ab)*', 'a', false],
    ['(?:ab)*', 'ab', true],
    ['a*', 'a', true],
    ['[]', digits, false],
    ['😀+', '😀', true],
    ['[a-z]', '', false],
  ])('%s of “%s”: %s', (source, characters, is) => {
    expect(acceptsSomeOf(table(source), characters)).toBe(is);
  });
});

describe('what a rule needs', () => {
  it.each([
    ['[0-9]{2}/[0-9]{2}', ['11/11']],
    ['[0-9]{2}[.:][0-9]{2}', ['11.11']],
    ['-?[0-9]+', ['-1']],
    ['[0-9]+(?:[.,][0-9]{2})?', ['1.11']],
    ['[0-9]+(?:,[0-9]{2})?', ['1,11']],
    ['[0-9]+(?:٫[0-9]{2})?', ['1٫11']],
    ['-?[0-9]+(?:\\.[0-9]+)?', ['-1', '1.1']],
    ['-?[0-9]{2}', ['-11']],
    ['[0-9]{2}(?:[.][0-9]{2})?', ['11.11']],
  ])('%s cannot be written in digits alone: %s', (source, texts) => {
    expect(needed(source, digits)).toEqual(texts);
  });

  it.each([
    ['[0-9 ]{13,23}', digits],
    ['[0-9]{4}(?:[ \\-]?[0-9]{4}){3}', digits],
    ['[\\-0-9 .+]+', digits],
    ['[0-9.]+', digits],
    ['[0-9]{2}/?[0-9]{2}', digits],
    ['[0-9]+(?:[.,][0-9]{2})?', `${digits},`],
    ['-?[0-9]+', `${digits}-`],
    ['[0-9]+(?:[.٫][0-9]+)?', `${digits}٫`],
    ['[A-Za-z0-9]+', digits],
    ['[0-9]{3}\\.?[0-9]{3}\\.?[0-9]{3}-?[0-9]{2}', digits],
    ['[0-9]{3}[.,]?[0-9]{4}', digits],
    // Digits with something before or behind them are no number.
    ['[0-9]+|-1x', digits],
    ['[0-9]+|x-1', digits],
    ['[0-9]+|1[.]1x', digits],
    ['[0-9]+|x1[.]1', digits],
    // Nor is what takes the sign behind them too.
    ['-?[0-9]+-?', digits],
  ])('%s can be written in “%s”', (source, characters) => {
    expect(needed(source, characters)).toEqual([]);
  });
});

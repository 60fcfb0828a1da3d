import { describe, expect, it } from 'vitest';
import { nameFromWords } from './name-from-words';

describe('a name out of words', () => {
  it.each([
    ['Water level', 'water-level'],
    [' Water  level (m) ', 'water-level-m'],
    ['Höhe über Null', 'hohe-uber-null'],
    ['2 gulls', '2-gulls'],
    ['潮', 'field'],
    ['', 'field'],
  ])('%j: %j', (words, name) => {
    expect(nameFromWords(words, 'field')).toBe(name);
  });
});

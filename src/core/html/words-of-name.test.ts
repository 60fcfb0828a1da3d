import { describe, expect, it } from 'vitest';
import { wordsOfName } from './words-of-name';

describe('the words of a name', () => {
  it('stand apart, however the name is written', () => {
    for (const name of ['reading_date', 'reading-date', 'readingDate', 'reading__date'])
      expect(wordsOfName(name).toLowerCase()).toBe('reading date');
    expect(wordsOfName('PIN')).toBe('PIN');
  });
});

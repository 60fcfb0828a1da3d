import { describe, expect, it } from 'vitest';
import { isLanguageTag } from '../purpose/regions';
import { languageTagName } from '../words/language-words';
import { letterKeys } from './letters';
import { offeredLanguages } from './offered-languages';

describe('the languages that are offered', () => {
  it('have letters that are known, a place where they are written, and names that tell them apart', () => {
    expect(offeredLanguages.filter((tag) => letterKeys(tag) === null)).toEqual([]);
    expect(offeredLanguages.filter((tag) => !isLanguageTag(tag))).toEqual([]);
    const names = offeredLanguages.map(languageTagName);
    expect(new Set(names).size).toBe(offeredLanguages.length);
    expect(names.filter((name, at) => name === offeredLanguages[at])).toEqual([]);
  });
});

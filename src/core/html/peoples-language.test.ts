import { describe, expect, it } from 'vitest';
import { readForm } from './read-form';

const languagesIn = (markup: string, language?: string | null) =>
  readForm(markup, language).fields.map(({ controls }) => controls.map((one) => one.language));

describe('the language of people', () => {
  it('is that of every field for which the markup states none', () => {
    const markup =
      '<input name=a><p lang=fi><input name=b></p><input type=radio name=c><input type=radio name=c lang=de>';
    expect(languagesIn(markup)).toEqual([[null], ['fi'], [null, 'de']]);
    expect(languagesIn(markup, 'ja')).toEqual([['ja'], ['fi'], ['ja', 'de']]);
    expect(languagesIn(markup, null)).toEqual([[null], ['fi'], [null, 'de']]);
  });

  it('changes nothing of a page that states its own, nor of the reading that is kept', () => {
    const markup = '<html lang=sv><input name=a>';
    expect(readForm(markup, 'ja')).toBe(readForm(markup));
    const unsaid = '<input name=a>';
    const first = readForm(unsaid, 'ja');
    expect(readForm(unsaid, 'ja')).toBe(first);
    expect(languagesIn(unsaid)).toEqual([[null]]);
    expect(languagesIn(unsaid, 'th')).toEqual([['th']]);
  });
});

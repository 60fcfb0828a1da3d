import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { engineTarget } from '../target/target';
import { type Language, plainVariant } from '../target/variant';
import { chosenLanguages, languagesAsked, otherLanguages } from './languages-asked';

const inLanguages = (...tags: readonly Language[]) => ({
  targets: tags.map((language) => ({
    ...engineTarget('chromium', 'Chromium', ''),
    variant: { ...plainVariant, language },
  })),
});

const fieldOf = (markup: string) => {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return field;
};

describe('languages of a line-up', () => {
  it('are each named once, in its order', () => {
    expect(languagesAsked(inLanguages('de-DE', 'ar', 'de-DE'))).toEqual({
      language: 'de-DE',
      alsoIn: ['ar'],
    });
    expect(languagesAsked({ targets: [] })).toEqual({ language: 'en-US', alsoIn: [] });
  });
  it('stand for that of people where the page states none, and only those that somebody chose', () => {
    const setup = { ...languagesAsked(inLanguages('de-DE', 'en-US', 'ar')), corrections: [] };
    const silent = fieldOf('<input>');
    expect(otherLanguages(silent, setup)).toEqual(['en-US', 'ar']);
    expect(chosenLanguages(silent, setup)).toEqual(['de-DE', 'ar']);
    const said = fieldOf('<form lang=fi><input></form>');
    expect([otherLanguages(said, setup), chosenLanguages(said, setup)]).toEqual([[], []]);
  });
});

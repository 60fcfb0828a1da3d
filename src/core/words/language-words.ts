const names = new Intl.DisplayNames('en', { type: 'language' });

/** What a language is called in English: `German (Austria)`. A tag that is none stands for itself. */
export function languageTagName(tag: string): string {
  try {
    return names.of(tag) ?? tag;
  } catch {
    return tag;
  }
}

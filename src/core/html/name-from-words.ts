/** A name for a field or a file out of what people call it: small letters and digits with hyphens between them. */
export function nameFromWords(words: string, otherwise: string): string {
  const name = words
    .normalize('NFKD')
    // Accents, which are characters of their own then, part no words.
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
  return name === '' ? otherwise : name;
}

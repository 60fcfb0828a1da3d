/** What comes before an example, in the commonest languages of forms. */
const exampleWords =
  /^(?:e\.\s?g\.|for example|example|such as|like|z\.\s?b\.|p\.\s?ex\.|ej\.|esim\.)\s*:?\s*/i;
const isAddress = /^(?:[^@\s]+@[^@\s]+\.[^@\s]+|https?:\/\/[^\s.]+\.\S+)$/i;

/** The example in a placeholder: one that is called so, an address, or digits in each of its words; null for what may be said otherwise. */
export function exampleIn(placeholder: string): string | null {
  const said = placeholder.trim();
  const example = said.replace(exampleWords, '');
  const words = example.split(/\s+/);
  const hasDigits = /\d/.test(example) && words.every((word) => /\d/.test(word) || !/\p{L}/u.test(word));
  const isOne = example !== said || hasDigits || isAddress.test(example);
  return isOne && example !== '' ? example : null;
}

const and = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** Things in a sentence: “A”, “A and B”, “A, B and C”. */
export function listed(things: readonly string[]): string {
  return and.format(things);
}

/** A number as it stands in a sentence: `2,408`. */
export function figure(count: number): string {
  return count.toLocaleString('en-GB');
}

/** A text between quotation marks, and `none` for no text at all. */
export function quoted(text: string, none = 'nothing'): string {
  return text === '' ? none : `“${text}”`;
}

/** With the full stop that ends it, unless what is quoted at its end has one. */
export function ended(sentence: string): string {
  return /[.!?]”$/.test(sentence) ? sentence : `${sentence}.`;
}

/** A count with its noun: “1 field”, “3 fields”. */
export function counted(count: number, noun: string): string {
  return `${count} ${noun}${count === 1 ? '' : 's'}`;
}

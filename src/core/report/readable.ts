/**
 * Characters that steer whoever shows a text and that nobody sees: controls (C0 but tab and line feed, C1), the overrides and isolates
 * of writing directions (UAX #9, 2), halves of a surrogate pair.
 */
const steering = /(?![\t\n])\p{Cc}|[\u202a-\u202e\u2066-\u2069]|\p{Surrogate}/gu;

/** A text in which what would steer a terminal, a spreadsheet or a reader's eye is written as in JavaScript. */
export function readable(text: string): string {
  return text.replace(steering, escaped);
}

/** A character as JavaScript writes it: \u001b. */
export function escaped(one: string): string {
  return `\\u${one.charCodeAt(0).toString(16).padStart(4, '0')}`;
}

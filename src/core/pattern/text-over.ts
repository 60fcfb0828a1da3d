import { classOf, dead, type Table } from './table';

/**
 * Whether a rule accepts some text, besides none at all, that is made of these characters alone: whether its language, cut to them, is
 * more than the empty text.
 *
 * @param characters each one code point; others can be part of no text here
 */
export function acceptsSomeOf(table: Table, characters: Iterable<string>): boolean {
  if (table.start === dead) return false;
  const classes = new Set<number>();
  for (const character of characters) {
    const [first = '', second] = character;
    if (first !== '' && second === undefined) classes.add(classOf(table, first.codePointAt(0) as number));
  }
  const seen = new Set([table.start]);
  for (const state of seen) {
    // A field that wants something is not filled in by nothing.
    if (table.accepts[state] === 1 && state !== table.start) return true;
    for (const one of classes) {
      const next = table.next[state * table.classCount + one] as number;
      if (next === table.start && table.accepts[next] === 1) return true;
      if (next !== dead) seen.add(next);
    }
  }
  return false;
}

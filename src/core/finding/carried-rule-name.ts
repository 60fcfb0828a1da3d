import { characterClasses } from '../guard/character-set';

/** By the beginning of its name, what a guard is told, out of the rest. */
const names: readonly (readonly [name: RegExp, told: (...groups: string[]) => readonly string[]])[] = [
  [/^only ([\s\S]*)$/, (set = '') => ['allow', ...membersOf(set)]],
  [/^no ([\s\S]*)$/, (set = '') => ['deny', ...membersOf(set)]],
  [
    /^at most (\d+) (code unit|code point|grapheme)s?$/,
    (most = '', unit = '') => ['length', most, `${unit}s`],
  ],
  [
    /^(?:at most (\d+) whole digits, )?at most (\d+) decimals?$/,
    (whole = '', most = '') => ['decimals', whole, most],
  ],
  [/^a number from (\S+) to (\S+)$/, (min = '', max = '') => ['range', limitOf(min), limitOf(max)]],
  [/^all of it matches ([\s\S]*)$/, (source = '') => ['pattern', 'whole', source]],
  [/^some part matches ([\s\S]*)$/, (source = '') => ['pattern', 'part', source]],
  [/^(one|none) of \d+ words$/, (which = '') => ['words', `${which} of`]],
  [/^a real date, ([\s\S]*)$/, (format = '') => ['date', format]],
  [/^check digit, (mod \d+)$/, (method = '') => ['check digit', method]],
  [/^(upper|lower) case$/, (to = '') => ['case', to]],
  [/^mask ([\s\S]*)$/, (mask = '') => ['mask', mask]],
];

/** The identity of a guard (see `guardIdentity`) out of the name that version 0.1 gave it; null where it is no such name. */
export function carriedRuleName(name: string): readonly string[] | null {
  for (const [pattern, told] of names) {
    const found = pattern.exec(name);
    if (found) return told(...found.slice(1).map((group: string | undefined) => group ?? ''));
  }
  return null;
}

const limitOf = (text: string) => (text === 'anywhere' ? '' : text);

/** Classes by their names, and behind them characters of a list of its own, in which there may be commas too. */
function membersOf(set: string): string[] {
  if (set === 'nothing') return [];
  const parts = set.split(', ');
  const isClass = (part: string) => Object.hasOwn(characterClasses, part);
  const end = parts.findIndex((part) => !isClass(part));
  return end === -1 ? parts : [...parts.slice(0, end), parts.slice(end).join(', ')];
}

import type { Sample } from '../guard/sample';
import { isSeen } from '../pattern/plain-characters';
import { dead, type Table } from '../pattern/table';
import { edgesOf, shortestFrom, shortestTo, typicalTexts } from '../pattern/texts';
import { standingOf } from '../pattern/three-way';

/** A sample that was made from a rule, and what it is there for. */
export interface MadeSample extends Sample {
  readonly sort: 'typical' | 'edge' | 'near miss';
  readonly about: string;
}

const most = { typical: 6, edge: 14, 'near miss': 10 } as const;

/** Samples of what a rule accepts, of where it ends, and of what it just does not accept; each text once. */
export function ruleSamples(table: Table): MadeSample[] {
  if (table.start === dead) return [];
  const typical = typicalTexts(table, most.typical);
  const made: MadeSample[] = [
    ...typical.map((text): MadeSample => ({ text, expected: 'accepted', sort: 'typical', about: 'typical' })),
    ...edges(table, most.edge),
    ...typical.flatMap((text) => nearMisses(table, text)).slice(0, most['near miss']),
  ];
  const seen = new Set<string>();
  return made.filter(({ text }) => {
    const isNew = !seen.has(text) && text !== '';
    seen.add(text);
    return isNew;
  });
}

/** So many of: the shortest, the longest, and one with the first and the last character of each range that the rule tells apart. */
function edges(table: Table, most: number): MadeSample[] {
  const accepted = (text: string, about: string): MadeSample => ({
    text,
    expected: 'accepted',
    sort: 'edge',
    about,
  });
  const longest = longestText(table);
  const found = [
    accepted(typicalTexts(table, 1)[0] ?? '', 'the shortest'),
    ...(longest === null ? [] : [accepted(longest, 'the longest')]),
  ];
  for (const [state, before] of shortestTo(table))
    for (const { min, max, to } of edgesOf(table, state)) {
      const rest = shortestFrom(table, to) ?? '';
      for (const code of [min, max]) {
        if (found.length === most) return found;
        const character = String.fromCodePoint(code);
        if (!isSeen(character)) continue;
        const end = code === min ? 'first' : 'last';
        found.push(accepted(before + character + rest, `${end} of its range: ${character}`));
      }
    }
  return found;
}

/** Texts longer than that are no samples. */
const longestShown = 300;

/** The longest text of all; null where there is none, or it is too long to be shown. */
export function longestText(table: Table): string | null {
  const known = new Map<number, string | null>();
  const onPath = new Set<number>();
  const from = (state: number): string | null => {
    if (known.has(state)) return known.get(state) ?? null;
    if (onPath.has(state) || onPath.size > longestShown) return null;
    onPath.add(state);
    let best: string | null = table.accepts[state] === 1 ? '' : null;
    for (const { min, to } of edgesOf(table, state)) {
      const rest = from(to);
      if (rest === null) {
        onPath.delete(state);
        known.set(state, null);
        return null;
      }
      const text = String.fromCodePoint(min) + rest;
      if (best === null || text.length > best.length) best = text;
    }
    onPath.delete(state);
    known.set(state, best);
    return best;
  };
  return table.start === dead ? null : from(table.start);
}

/** One edit away from an accepted text: a character left out, doubled, replaced, or two of them swapped. */
function nearMisses(table: Table, text: string): MadeSample[] {
  const letters = Array.from(text);
  const edits: (readonly [string, string])[] = letters.flatMap((letter, at) => {
    const put = (...middle: string[]) =>
      [...letters.slice(0, at), ...middle, ...letters.slice(at + 1)].join('');
    const next = letters[at + 1];
    return [
      [put(), `without ${letter}`] as const,
      [put(letter, letter), `${letter} twice`] as const,
      [put(otherThan(letter)), `${otherThan(letter)} for ${letter}`] as const,
      ...(next !== undefined && next !== letter
        ? [
            [
              [...letters.slice(0, at), next, letter, ...letters.slice(at + 2)].join(''),
              `${letter} and ${next} swapped`,
            ] as const,
          ]
        : []),
    ];
  });
  const outside: (readonly [string, string])[] = [
    [` ${text}`, 'a space before it'],
    [`${text} `, 'a space behind it'],
    [text.toLowerCase(), 'in small letters'],
  ];
  return [...outside, ...edits].flatMap(([miss, about]): MadeSample[] => {
    const { verdict } = standingOf(table, miss);
    return verdict === 'accepted' || miss === ''
      ? []
      : [{ text: miss, expected: verdict, sort: 'near miss', about }];
  });
}

function otherThan(letter: string): string {
  if (/\d/.test(letter)) return 'x';
  return /\p{L}/u.test(letter) ? '7' : '_';
}

import { dead, lastCodePoint, type Table } from './table';

/** A part of a pattern that is put together; how tightly it holds decides where a group is wanted. */
interface Piece {
  readonly text: string;
  readonly holds: 'one' | 'row' | 'alternatives';
}

const nothing: Piece = { text: '', holds: 'row' };

/**
 * A table as a pattern for the v flag that matches the same texts as a whole: states are taken out one after the other, those
 * with the fewest ways through them first. Null where it would be longer than `most` characters, or accept nothing.
 */
export function patternOf(table: Table, most = 2000): string | null {
  if (table.start === dead) return null;
  const count = table.accepts.length;
  const [begin, end] = [count, count + 1];
  const edges = new Map<number, Map<number, Piece>>();
  const into = new Map<number, Set<number>>();
  const put = (from: number, to: number, piece: Piece) => {
    const row = edges.get(from) ?? new Map<number, Piece>();
    const old = row.get(to);
    row.set(to, old ? either(old, piece) : piece);
    edges.set(from, row);
    into.set(to, (into.get(to) ?? new Set()).add(from));
  };
  put(begin, table.start, nothing);
  for (let state = 0; state < count; state++) {
    for (const [to, piece] of setsFrom(table, state)) put(state, to, piece);
    if (table.accepts[state] === 1) put(state, end, nothing);
  }
  const left = new Set(Array.from({ length: count }, (_, state) => state));
  while (left.size > 0) {
    const ways = (state: number) => (into.get(state)?.size ?? 0) * (edges.get(state)?.size ?? 0);
    let state = -1;
    for (const one of left) if (state === -1 || ways(one) < ways(state)) state = one;
    left.delete(state);
    const out = edges.get(state) ?? new Map<number, Piece>();
    const loop = out.get(state);
    const before = [...(into.get(state) ?? [])].filter((from) => from !== state);
    let size = 0;
    for (const from of before) {
      const first = edges.get(from)?.get(state);
      edges.get(from)?.delete(state);
      if (!first) continue;
      for (const [to, last] of out) {
        if (to === state) continue;
        const piece = row(row(first, loop ? repeated(loop) : nothing), last);
        size += piece.text.length;
        put(from, to, piece);
      }
    }
    for (const to of out.keys()) into.get(to)?.delete(state);
    edges.delete(state);
    if (size > most * 20) return null;
  }
  const text = edges.get(begin)?.get(end)?.text;
  return text === undefined || text.length > most ? null : text;
}

function row(a: Piece, b: Piece): Piece {
  if (a.text === '') return b;
  if (b.text === '') return a;
  // A character and any number of the same: one or more of it.
  if (b.text === `${a.text}*` && a.holds === 'one') return { text: `${a.text}+`, holds: 'row' };
  return { text: inRow(a) + inRow(b), holds: 'row' };
}

function inRow({ text, holds }: Piece): string {
  return holds === 'alternatives' ? `(?:${text})` : text;
}

function asOne({ text, holds }: Piece): string {
  return holds === 'one' ? text : `(?:${text})`;
}

function repeated(piece: Piece): Piece {
  // What may be left out needs not be said of what is repeated.
  const [, optional] = /^(\[[^\]]*\]|\(\?:[^()]*\))\?$/.exec(piece.text) ?? [];
  return { text: `${optional ?? asOne(piece)}*`, holds: 'row' };
}

function either(a: Piece, b: Piece): Piece {
  if (a.text === b.text) return a;
  if (a.text === '') return optional(b);
  if (b.text === '') return optional(a);
  return { text: `${a.text}|${b.text}`, holds: 'alternatives' };
}

function optional(piece: Piece): Piece {
  return piece.text.endsWith('*') && piece.holds === 'row' && /^(?:\[[^\]]*\]|\\?.)\*$/u.test(piece.text)
    ? piece
    : { text: `${asOne(piece)}?`, holds: 'row' };
}

/** By the state to which they lead, the characters of a state, as a class. */
function setsFrom(table: Table, state: number): [number, Piece][] {
  const { bounds, classes, classCount, next } = table;
  const ranges = new Map<number, [number, number][]>();
  for (const [interval, min] of bounds.entries()) {
    const to = next[state * classCount + (classes[interval] as number)] as number;
    if (to === dead) continue;
    const max = (bounds[interval + 1] ?? lastCodePoint + 1) - 1;
    const all = ranges.get(to) ?? [];
    const last = all.at(-1);
    if (last && last[1] + 1 === min) last[1] = max;
    else all.push([min, max]);
    ranges.set(to, all);
  }
  return [...ranges].map(([to, all]) => [to, { text: classText(all), holds: 'one' }]);
}

/** A class of the v flag; negated where that is shorter. */
export function classText(ranges: readonly (readonly [number, number])[]): string {
  const [only] = ranges;
  if (ranges.length === 1 && only) {
    if (only[0] === 0 && only[1] === lastCodePoint) return '[^]';
    if (only[0] === only[1]) return characterText(only[0], false);
  }
  const inside = insideText(ranges);
  const isOpen = ranges.at(-1)?.[1] === lastCodePoint;
  if (!isOpen) return shorthand(inside) ?? `[${inside}]`;
  const rest: [number, number][] = [];
  let from = 0;
  for (const [min, max] of ranges) {
    if (min > from) rest.push([from, min - 1]);
    from = max + 1;
  }
  const left = insideText(rest);
  return left === lineEnds ? '.' : `[^${left}]`;
}

/** What a dot leaves out. */
const lineEnds = '\\u{a}\\u{d}\\u{2028}\\u{2029}';

function shorthand(inside: string): string | null {
  return inside === '0-9' ? '\\d' : inside === '0-9A-Z_a-z' ? '\\w' : null;
}

function insideText(ranges: readonly (readonly [number, number])[]): string {
  return ranges
    .map(([min, max]) => {
      if (min === max) return characterText(min, true);
      const dash = max === min + 1 ? '' : '-';
      return `${characterText(min, true)}${dash}${characterText(max, true)}`;
    })
    .join('');
}

/** ECMAScript, "ClassSetReservedPunctuator" and "SyntaxCharacter": what has to be escaped. */
function characterText(codePoint: number, inClass: boolean): string {
  const character = String.fromCodePoint(codePoint);
  if (inClass ? /[()[\]{}/\-\\|&!#%,:;<=>@`~^]/.test(character) : /[\^$\\.*+?()[\]{}|/]/.test(character))
    return `\\${character}`;
  return /[\p{L}\p{N}\p{P}\p{S} ]/u.test(character) ? character : `\\u{${codePoint.toString(16)}}`;
}

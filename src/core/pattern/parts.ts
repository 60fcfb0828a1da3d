import type { AST } from '@eslint-community/regexpp';
import { syntaxOf } from '../regexp/syntax';

/** From and to in the source of the pattern, UTF-16 code units. */
export interface SourceSpan {
  readonly start: number;
  readonly end: number;
}

interface PartAt {
  /** Counted from the beginning of the source. */
  readonly id: number;
  readonly span: SourceSpan;
}

/** A part of a pattern, for people: what it takes, how often, and where it stands. */
export type Part =
  /** Takes one character of a set; `raw` is the set as it is written. */
  | (PartAt & { readonly is: 'set'; readonly words: string; readonly raw: string })
  /** One of several rows of parts; a group is a choice of one row. */
  | (PartAt & { readonly is: 'choice'; readonly rows: readonly (readonly Part[])[] })
  | (PartAt & {
      readonly is: 'times';
      readonly part: Part;
      readonly min: number;
      readonly max: number | null;
    })
  /** Takes nothing: it looks at what is around. */
  | (PartAt & { readonly is: 'place'; readonly words: string })
  /** Looks ahead or back, without taking what it sees. */
  | (PartAt & { readonly is: 'look'; readonly words: string; readonly rows: readonly (readonly Part[])[] })
  /** The same text again that a group took. */
  | (PartAt & { readonly is: 'again'; readonly words: string });

/** The rows of a pattern; null where it does not compile with the v flag, or is nested too deeply to be read. */
export function partsOf(source: string): readonly (readonly Part[])[] | null {
  try {
    return new Reader().rows(syntaxOf(source));
  } catch {
    return null;
  }
}

/** From the beginning of a row's first part to the end of its last; null for an empty row. */
export function spanOfRow(row: readonly Part[]): SourceSpan | null {
  const [first, last] = [row[0], row.at(-1)];
  return first && last ? { start: first.span.start, end: last.span.end } : null;
}

class Reader {
  private count = 0;

  rows(alternatives: readonly AST.Alternative[]): readonly (readonly Part[])[] {
    return alternatives.map(({ elements }) => elements.map((element) => this.one(element)));
  }

  private at({ start, end }: AST.Node): PartAt {
    return { id: this.count++, span: { start, end } };
  }

  private one(element: AST.Element | AST.QuantifiableElement): Part {
    switch (element.type) {
      case 'Character':
      case 'CharacterSet':
      case 'CharacterClass':
      case 'ExpressionCharacterClass':
        return { ...this.at(element), is: 'set', words: setWords(element), raw: element.raw };
      case 'Group':
      case 'CapturingGroup':
        return { ...this.at(element), is: 'choice', rows: this.rows(element.alternatives) };
      case 'Quantifier': {
        const { min, max } = element;
        const place = this.at(element);
        return {
          ...place,
          is: 'times',
          part: this.one(element.element),
          min,
          max: max === Infinity ? null : max,
        };
      }
      case 'Backreference':
        return { ...this.at(element), is: 'again', words: `the same as group ${element.ref} took` };
      case 'Assertion':
        return this.assertion(element);
    }
  }

  private assertion(element: AST.Assertion): Part {
    switch (element.kind) {
      case 'start':
        return { ...this.at(element), is: 'place', words: 'at the beginning' };
      case 'end':
        return { ...this.at(element), is: 'place', words: 'at the end' };
      case 'word':
        return {
          ...this.at(element),
          is: 'place',
          words: element.negate ? 'inside a word or outside' : 'at the edge of a word',
        };
      case 'lookahead':
        return {
          ...this.at(element),
          is: 'look',
          words: element.negate ? 'not followed by' : 'followed by',
          rows: this.rows(element.alternatives),
        };
      case 'lookbehind':
        return {
          ...this.at(element),
          is: 'look',
          words: element.negate ? 'not after' : 'after',
          rows: this.rows(element.alternatives),
        };
    }
  }
}

type SetNode = AST.Character | AST.CharacterSet | AST.CharacterClass | AST.ExpressionCharacterClass;

function setWords(node: SetNode): string {
  switch (node.type) {
    case 'Character':
      return shown(node.value);
    case 'CharacterSet':
      return namedSet(node);
    case 'CharacterClass': {
      const inside = joined(node.elements.map(memberWords));
      if (node.elements.length === 0) return node.negate ? 'any character' : 'no character at all';
      return node.negate ? `anything but ${inside}` : inside;
    }
    case 'ExpressionCharacterClass':
      return node.negate ? `anything but what ${node.raw} names` : `what ${node.raw} names`;
  }
}

function memberWords(node: AST.CharacterClass['elements'][number]): string {
  switch (node.type) {
    case 'CharacterClassRange':
      return `${shown(node.min.value)} to ${shown(node.max.value)}`;
    case 'ClassStringDisjunction':
      return joined(
        node.alternatives.map(
          ({ elements }) => elements.map(({ value }) => shown(value)).join('') || 'nothing',
        ),
      );
    default:
      return setWords(node);
  }
}

const namedProperties: Readonly<Record<string, string>> = {
  L: 'a letter of any script',
  Letter: 'a letter of any script',
  Lu: 'a capital letter of any script',
  Ll: 'a small letter of any script',
  M: 'an accent',
  N: 'a number sign of any script',
  Nd: 'a digit of any script',
  P: 'a punctuation mark',
  S: 'a symbol',
  Zs: 'a space of any kind',
  Emoji: 'an emoji or a digit',
  Alphabetic: 'a letter of any script',
};

function namedSet(node: AST.CharacterSet): string {
  switch (node.kind) {
    case 'any':
      return 'any character but the end of a line';
    case 'digit':
      return node.negate ? 'anything but 0 to 9' : '0 to 9';
    case 'space':
      return node.negate ? 'anything but a space' : 'a space of any kind';
    case 'word':
      return node.negate ? 'anything but a letter a to z, a digit or _' : 'a letter a to z, a digit or _';
    case 'property': {
      const name = node.value ?? node.key;
      const words =
        namedProperties[name] ?? `what Unicode calls ${node.value === null ? name : `${node.key} ${name}`}`;
      return node.negate ? `anything but ${words}` : words;
    }
  }
}

const spaces: Readonly<Record<string, string>> = {
  ' ': 'a space',
  '\t': 'a tab',
  '\n': 'a new line',
  '\r': 'a carriage return',
  '\u00a0': 'a no-break space',
  '-': 'a hyphen',
  '.': 'a dot',
  ',': 'a comma',
};

function shown(codePoint: number): string {
  const character = String.fromCodePoint(codePoint);
  return (
    spaces[character] ??
    (/[\p{C}\p{Z}]/u.test(character)
      ? `U+${codePoint.toString(16).toUpperCase().padStart(4, '0')}`
      : character)
  );
}

function joined(words: readonly string[]): string {
  return words.length < 2 ? (words[0] ?? 'nothing') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`;
}

/** How often, in words; empty for once. */
export function timesWords(min: number, max: number | null): string {
  if (max === null)
    return min === 0 ? 'any number of times' : min === 1 ? 'once or more' : `${min} times or more`;
  if (min === max) return min === 1 ? '' : `${min} times`;
  if (min === 0) return max === 1 ? 'or not at all' : `up to ${max} times`;
  return `${min} to ${max} times`;
}

/** Rows of parts as one sentence. */
export function sentenceOf(rows: readonly (readonly Part[])[]): string {
  return rows.map((row) => (row.length === 0 ? 'nothing' : rowParts(row).join(', then '))).join('; or ');
}

/** Letters that stand one behind the other are one word. */
function rowParts(row: readonly Part[]): string[] {
  const all: string[] = [];
  let word = '';
  const flush = () => {
    if (word !== '') all.push(`“${word}”`);
    word = '';
  };
  for (const part of row) {
    if (part.is === 'set' && isLiteral(part)) word += literalOf(part.raw);
    else {
      flush();
      all.push(partWords(part));
    }
  }
  flush();
  return all;
}

/** One character that is written as itself. */
export function isLiteral({ raw }: { readonly raw: string }): boolean {
  return /^(?:\\[^a-zA-Z0-9]|[^\\.[\]])$/u.test(raw);
}

export function literalOf(raw: string): string {
  return raw.startsWith('\\') ? raw.slice(1) : raw;
}

export function partWords(part: Part): string {
  switch (part.is) {
    case 'set':
      return isLiteral(part) ? `“${literalOf(part.raw)}”` : part.words;
    case 'choice': {
      const inside = sentenceOf(part.rows);
      return part.rows.length > 1 ? `either ${inside.replaceAll('; or ', ', or ')}` : inside;
    }
    case 'times': {
      const times = timesWords(part.min, part.max);
      const what = partWords(part.part);
      const isLong = part.part.is === 'choice';
      return times === '' ? what : isLong ? `(${what}) ${times}` : `${what} ${times}`;
    }
    case 'place':
    case 'again':
      return part.words;
    case 'look':
      return `${part.words} ${sentenceOf(part.rows)}`;
  }
}

/** All parts that take characters, in the order of the source; those that only look are left out. */
export function takingParts(rows: readonly (readonly Part[])[]): Extract<Part, { is: 'set' }>[] {
  return rows.flat().flatMap((part) => {
    switch (part.is) {
      case 'set':
        return [part];
      case 'choice':
        return takingParts(part.rows);
      case 'times':
        return takingParts([[part.part]]);
      default:
        return [];
    }
  });
}

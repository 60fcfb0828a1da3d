import { type AST, visitRegExpAST } from '@eslint-community/regexpp';
import type { Pattern } from './pattern';

/**
 * One step of a matcher that goes back and tries again. Places are numbered from 0; each step goes on to the next unless it
 * says otherwise. `back` is set inside of a look back, where texts are read from their ends.
 */
export type Instruction =
  /** Takes one character (code point) of a set. */
  | { readonly does: 'take'; readonly is: (character: string) => boolean; readonly back: boolean }
  /** Takes one of several texts of a class, the longest first. @see ECMAScript, "CompileAtom" of a class with strings */
  | {
      readonly does: 'take text';
      readonly is: (text: string) => boolean;
      readonly longest: number;
      readonly back: boolean;
    }
  /** The same text again that a group took. */
  | {
      readonly does: 'take again';
      readonly groups: readonly number[];
      readonly same: (one: string, other: string) => boolean;
      readonly back: boolean;
    }
  | { readonly does: 'fork'; first: number; second: number }
  | { readonly does: 'jump'; to: number }
  | {
      readonly does: 'place';
      readonly is: (before: string | undefined, after: string | undefined) => boolean;
    }
  /** Goes on at `to` if what follows here matches up to its `match`, or, negated, does not. */
  | { readonly does: 'look'; readonly negate: boolean; to: number }
  | { readonly does: 'mark'; readonly slot: number }
  /** Forgets what groups took in an earlier round. */
  | { readonly does: 'forget'; readonly groups: readonly number[] }
  | { readonly does: 'enter'; readonly loop: number }
  /** After each round, and before the first: another round from `body`, or on at `to`. */
  | {
      readonly does: 'round';
      readonly loop: number;
      readonly min: number;
      readonly max: number;
      readonly greedy: boolean;
      body: number;
      to: number;
    }
  | { readonly does: 'match' };

export interface Program {
  readonly instructions: readonly Instruction[];
  readonly loops: number;
  readonly groups: number;
}

/** A pattern as a program: as long as its source, whatever its counts. Its end is the end of the text where all of it is held against. */
export function programOf(
  alternatives: readonly AST.Alternative[],
  { flags = 'v', match }: Pick<Pattern, 'flags' | 'match'>,
): Program {
  const writer = new Writer(flags);
  writer.anyOf(alternatives, { back: false, modifiers: '' });
  if (match === 'whole') writer.add({ does: 'place', is: (_, after) => after === undefined });
  writer.add({ does: 'match' });
  return { instructions: writer.instructions, loops: writer.loops, groups: writer.groupCount };
}

interface TermContext {
  readonly back: boolean;
  /** Those that are on: letters of `ims`. */
  readonly modifiers: string;
}

/** Classes that name texts of several characters. */
export const namesTexts = /\\q\{|\\p\{(?:Basic_Emoji|Emoji_Keycap_Sequence|RGI_\w+)\}/;
/** Longest of the sequences that Unicode's properties of strings name, code points; with room for later versions. */
const longestNamed = 16;

const isWord = (character: string | undefined) => character !== undefined && /^\w$/.test(character);
const isLineEnd = (character: string | undefined) =>
  character !== undefined && /^[\n\r\u2028\u2029]$/.test(character);

class Writer {
  readonly instructions: Instruction[] = [];
  loops = 0;
  /** Only groups that are referred to are kept; by group, its number. */
  private readonly numbers = new Map<AST.CapturingGroup, number>();
  private readonly sets = new Map<string, (text: string) => boolean>();

  constructor(private readonly flags: string) {}

  get groupCount(): number {
    return this.numbers.size;
  }

  add(instruction: Instruction): number {
    return this.instructions.push(instruction) - 1;
  }

  anyOf(alternatives: readonly AST.Alternative[], context: TermContext): void {
    const ends: { to: number }[] = [];
    for (const [index, { elements }] of alternatives.entries()) {
      const isLast = index === alternatives.length - 1;
      const fork = { does: 'fork' as const, first: 0, second: 0 };
      if (!isLast) this.add(fork);
      fork.first = this.instructions.length;
      for (const element of context.back ? elements.toReversed() : elements) this.one(element, context);
      if (!isLast) {
        const jump = { does: 'jump' as const, to: 0 };
        ends.push(jump);
        this.add(jump);
      }
      fork.second = this.instructions.length;
    }
    for (const jump of ends) jump.to = this.instructions.length;
  }

  private one(element: AST.Element, context: TermContext): void {
    switch (element.type) {
      case 'Group':
        this.anyOf(element.alternatives, { ...context, modifiers: modifiersIn(element, context) });
        break;
      case 'CapturingGroup':
        this.group(element, context);
        break;
      case 'Quantifier':
        this.repeated(element, context);
        break;
      case 'Assertion':
        this.assertion(element, context);
        break;
      case 'Backreference':
        this.again(element, context);
        break;
      default:
        this.set(element, context);
        break;
    }
  }

  private set(element: AST.Element, { back, modifiers }: TermContext): void {
    const { raw } = element;
    const is = this.test(raw, modifiers);
    if (namesTexts.test(raw)) this.add({ does: 'take text', is, longest: longestNamedIn(element), back });
    else this.add({ does: 'take', is, back });
  }

  /** Which characters belong to a set is the engine's own answer, asked about one at a time: that never takes long. */
  private test(raw: string, modifiers: string): (text: string) => boolean {
    const source = modifiers === '' ? `^(?:${raw})$` : `^(?${modifiers}:${raw})$`;
    const known = this.sets.get(source);
    if (known) return known;
    const expression = new RegExp(source, this.flags);
    const test = (text: string) => expression.test(text);
    this.sets.set(source, test);
    return test;
  }

  private group(group: AST.CapturingGroup, context: TermContext): void {
    const isReferred = group.references.length > 0;
    const number = isReferred ? this.numberOf(group) : -1;
    const [first, last] = context.back ? [2 * number + 1, 2 * number] : [2 * number, 2 * number + 1];
    if (isReferred) this.add({ does: 'mark', slot: first });
    this.anyOf(group.alternatives, context);
    if (isReferred) this.add({ does: 'mark', slot: last });
  }

  private numberOf(group: AST.CapturingGroup): number {
    const known = this.numbers.get(group) ?? this.numbers.size;
    this.numbers.set(group, known);
    return known;
  }

  private again({ resolved }: AST.Backreference, { back, modifiers }: TermContext): void {
    const groups = [resolved].flat().map((group) => this.numberOf(group));
    const ignoresCase = modifiers.includes('i');
    const same = (one: string, other: string) =>
      one === other || (ignoresCase && new RegExp(`^${escaped(one)}$`, `i${this.flags}`).test(other));
    this.add({ does: 'take again', groups, same, back });
  }

  private repeated({ element, min, max, greedy }: AST.Quantifier, context: TermContext): void {
    if (max === 0) return;
    const groups = groupsIn(element).map((group) => this.numberOf(group));
    // Where every round takes something, and rounds need not be counted, nothing has to be known of them.
    const isPlain = min <= 1 && (max === 1 || max === Number.POSITIVE_INFINITY) && takesSomething(element);
    if (isPlain) {
      this.plainly({ element, min, max, greedy }, groups, context);
      return;
    }
    const loop = this.loops++;
    this.add({ does: 'enter', loop });
    const round = { does: 'round' as const, loop, min, max, greedy, body: 0, to: 0 };
    const at = this.add(round);
    round.body = this.instructions.length;
    if (groups.length > 0) this.add({ does: 'forget', groups });
    this.one(element, context);
    this.add({ does: 'jump', to: at });
    round.to = this.instructions.length;
  }

  /** At most once, any number of times, or at least once. */
  private plainly(
    { element, min, max, greedy }: Pick<AST.Quantifier, 'element' | 'min' | 'max' | 'greedy'>,
    groups: readonly number[],
    context: TermContext,
  ): void {
    const skip = min === 0 ? this.choice(greedy) : null;
    const body = this.instructions.length;
    skip?.more(body);
    if (groups.length > 0) this.add({ does: 'forget', groups });
    this.one(element, context);
    const again = max === 1 ? null : this.choice(greedy);
    again?.more(body);
    again?.on(this.instructions.length);
    skip?.on(this.instructions.length);
  }

  /** A fork between once more and on, in the order in which they are tried. */
  private choice(greedy: boolean): { more(to: number): void; on(to: number): void } {
    const fork = { does: 'fork' as const, first: 0, second: 0 };
    this.add(fork);
    const [more, on] = greedy ? (['first', 'second'] as const) : (['second', 'first'] as const);
    return {
      more: (to) => {
        fork[more] = to;
      },
      on: (to) => {
        fork[on] = to;
      },
    };
  }

  private assertion(assertion: AST.Assertion, context: TermContext): void {
    const lines = context.modifiers.includes('m');
    switch (assertion.kind) {
      case 'start':
        this.add({ does: 'place', is: (before) => before === undefined || (lines && isLineEnd(before)) });
        break;
      case 'end':
        this.add({ does: 'place', is: (_, after) => after === undefined || (lines && isLineEnd(after)) });
        break;
      case 'word':
        this.add({
          does: 'place',
          is: (before, after) => (isWord(before) !== isWord(after)) !== assertion.negate,
        });
        break;
      default: {
        const look = { does: 'look' as const, negate: assertion.negate, to: 0 };
        this.add(look);
        this.anyOf(assertion.alternatives, { ...context, back: assertion.kind === 'lookbehind' });
        this.add({ does: 'match' });
        look.to = this.instructions.length;
      }
    }
  }
}

/** Code points of the longest text that a class names. */
function longestNamedIn(element: AST.Element): number {
  let longest = longestNamed;
  visitRegExpAST(element, {
    onStringAlternativeEnter: ({ elements }) => {
      longest = Math.max(longest, elements.length);
    },
  });
  return longest;
}

function modifiersIn({ modifiers }: AST.Group, { modifiers: before }: TermContext): string {
  if (!modifiers) return before;
  const { add, remove } = modifiers;
  const is = (letter: string, flags: AST.ModifierFlags | null) =>
    flags !== null &&
    ((letter === 'i' && flags.ignoreCase) ||
      (letter === 'm' && flags.multiline) ||
      (letter === 's' && flags.dotAll));
  return [...'ims']
    .filter((letter) => is(letter, add) || (before.includes(letter) && !is(letter, remove)))
    .join('');
}

/** Whether a part never matches without taking a character. */
function takesSomething(element: AST.Element): boolean {
  switch (element.type) {
    case 'Group':
    case 'CapturingGroup':
      return element.alternatives.every(({ elements }) => elements.some(takesSomething));
    case 'Quantifier':
      return element.min > 0 && takesSomething(element.element);
    case 'Assertion':
    case 'Backreference':
      return false;
    default:
      return !namesTexts.test(element.raw);
  }
}

/** Groups inside of what is repeated, as far as anything refers to them. */
function groupsIn(element: AST.Element): AST.CapturingGroup[] {
  switch (element.type) {
    case 'CapturingGroup':
      return [...(element.references.length > 0 ? [element] : []), ...groupsOf(element.alternatives)];
    case 'Group':
      return groupsOf(element.alternatives);
    case 'Assertion':
      return 'alternatives' in element ? groupsOf(element.alternatives) : [];
    case 'Quantifier':
      return groupsIn(element.element);
    default:
      return [];
  }
}

function groupsOf(alternatives: readonly AST.Alternative[]): AST.CapturingGroup[] {
  return alternatives.flatMap(({ elements }) => elements.flatMap(groupsIn));
}

function escaped(text: string): string {
  return [...text].map((one) => `\\u{${(one.codePointAt(0) as number).toString(16)}}`).join('');
}

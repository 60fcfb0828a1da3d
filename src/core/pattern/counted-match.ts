import type { AST } from '@eslint-community/regexpp';
import { alternativesOf } from './parts';

/** What a matcher that goes back and tries again makes of a text, and what it takes. */
export interface CountedMatch {
  /** Null: given up after so many steps. */
  readonly matches: boolean | null;
  /** Characters that were held against a piece of the pattern. */
  readonly steps: number;
}

type Goes = (place: number) => boolean;

class TooMany extends Error {}

/**
 * Matches a pattern with the v flag against all of a text as engines do (ECMAScript, "Pattern semantics"): one way after
 * another, greedy parts the longest way first, back to the last choice where a way ends; and counts.
 * @param most steps after which it is given up
 * @returns null for what is not followed: references to groups, classes that hold texts, looking back, and what does not compile
 */
export function countedMatch(source: string, text: string, most: number): CountedMatch | null {
  return matcherOf(source)?.(text, most) ?? null;
}

export function matcherOf(source: string): ((text: string, most: number) => CountedMatch) | null {
  let rows: readonly AST.Alternative[];
  try {
    rows = alternativesOf(source);
  } catch {
    return null;
  }
  if (rows.some((row) => !row.elements.every(isFollowed))) return null;
  return (text, most) => {
    const walk = new Walk([...text], most);
    try {
      return { matches: walk.any(rows, 0, (place) => place === walk.letters.length), steps: walk.steps };
    } catch (error) {
      if (error instanceof TooMany) return { matches: null, steps: walk.steps };
      throw error;
    }
  };
}

function isFollowed(element: AST.Element): boolean {
  switch (element.type) {
    case 'Character':
    case 'CharacterSet':
      return !('strings' in element && element.strings);
    case 'CharacterClass':
    case 'ExpressionCharacterClass':
      return !element.raw.includes('\\q');
    case 'Group':
    case 'CapturingGroup':
      return element.alternatives.every((row) => row.elements.every(isFollowed));
    case 'Quantifier':
      return isFollowed(element.element);
    case 'Assertion':
      return (
        element.kind !== 'lookbehind' &&
        (element.kind !== 'lookahead' || element.alternatives.every((row) => row.elements.every(isFollowed)))
      );
    case 'Backreference':
      return false;
  }
}

const isWord = (letter: string | undefined) => letter !== undefined && /^\w$/.test(letter);

class Walk {
  steps = 0;
  private readonly expressions = new Map<string, RegExp>();

  constructor(
    readonly letters: readonly string[],
    private readonly most: number,
  ) {}

  any(rows: readonly AST.Alternative[], from: number, goes: Goes): boolean {
    return rows.some(({ elements }) => this.row(elements, 0, from, goes));
  }

  private row(elements: readonly AST.Element[], index: number, from: number, goes: Goes): boolean {
    const element = elements[index];
    return element
      ? this.one(element, from, (place) => this.row(elements, index + 1, place, goes))
      : goes(from);
  }

  private one(element: AST.Element, from: number, goes: Goes): boolean {
    switch (element.type) {
      case 'Group':
      case 'CapturingGroup':
        return this.any(element.alternatives, from, goes);
      case 'Quantifier':
        return this.times(element, 0, from, goes);
      case 'Assertion':
        return this.holds(element, from) && goes(from);
      default:
        return this.takes(element.raw, from) && goes(from + 1);
    }
  }

  /** Greedy: once more first. What took nothing is not tried again. */
  private times(quantifier: AST.Quantifier, done: number, from: number, goes: Goes): boolean {
    const { min, max, greedy, element } = quantifier;
    const more = () =>
      done < max &&
      this.one(
        element,
        from,
        (place) => (place > from || done < min) && this.times(quantifier, done + 1, place, goes),
      );
    const enough = () => done >= min && goes(from);
    return greedy ? more() || enough() : enough() || more();
  }

  private takes(raw: string, place: number): boolean {
    if (++this.steps > this.most) throw new TooMany();
    const letter = this.letters[place];
    if (letter === undefined) return false;
    let expression = this.expressions.get(raw);
    if (!expression) {
      expression = new RegExp(`^(?:${raw})$`, 'v');
      this.expressions.set(raw, expression);
    }
    return expression.test(letter);
  }

  private holds(assertion: AST.Assertion, place: number): boolean {
    switch (assertion.kind) {
      case 'start':
        return place === 0;
      case 'end':
        return place === this.letters.length;
      case 'word':
        return (isWord(this.letters[place - 1]) !== isWord(this.letters[place])) !== assertion.negate;
      case 'lookahead':
        return this.any(assertion.alternatives, place, () => true) !== assertion.negate;
      case 'lookbehind':
        throw new Error('Looking back is not followed.');
    }
  }
}

import type { AST } from '@eslint-community/regexpp';
import { syntaxOf } from '../regexp/syntax';

/** Characters to choose from, by turns: a row of one and the same would look like a slip. */
const digits = [...'4711908235'];
const letters = [...'SKERYTIDLOG', ...'skerytidlog'];
const others = [...' -/.,:;+@_#*()\'"&%!?=<>[]{}|~^$éäöüßåñ😀日א'];

/** How often a part without an upper bound is taken that need not come, and one that has to. */
const generous = { free: 1, atLeastOnce: 3 } as const;
const sparing = { free: 0, atLeastOnce: 1 } as const;

/**
 * Texts that a pattern probably accepts, made of its parts from left to right: the first of each choice, what may be left out
 * left out. What it looks ahead or back at is not followed, so each has to be tried.
 * @returns none where the pattern does not compile with the v flag, or refers back
 */
export function exampleTexts(source: string): string[] {
  try {
    const [first, ...rest] = syntaxOf(source);
    const rows = first ? [first, ...rest].slice(0, 4) : [];
    return rows.flatMap((row) =>
      [generous, sparing].map((how) => new Writer(how).row(row.elements).slice(0, longest)),
    );
  } catch {
    return [];
  }
}

/** UTF-16 code units. */
const longest = 2000;

class Writer {
  private turn = 0;
  private length = 0;

  constructor(private readonly how: typeof generous | typeof sparing) {}

  row(elements: readonly AST.Element[]): string {
    return elements.map((element) => this.one(element)).join('');
  }

  private one(element: AST.Element): string {
    switch (element.type) {
      case 'Character':
        return String.fromCodePoint(element.value);
      case 'CharacterClass':
      case 'CharacterSet':
      case 'ExpressionCharacterClass':
        return this.characterOf(element.raw);
      case 'Group':
      case 'CapturingGroup':
        return element.alternatives[0] ? this.row(element.alternatives[0].elements) : '';
      case 'Quantifier':
        return this.repeated(element);
      case 'Assertion':
        return '';
      case 'Backreference':
        throw new Error('refers back');
    }
  }

  private repeated({ element, min, max }: AST.Quantifier): string {
    const wanted = max === 1 ? min : Math.max(min, this.how[min === 0 ? 'free' : 'atLeastOnce']);
    let text = '';
    for (let times = 0; times < Math.min(wanted, max) && this.length < longest; times++) {
      const next = this.one(element);
      // A part that takes nothing takes nothing however often.
      if (next === '') break;
      this.length += next.length;
      text += next;
    }
    return text;
  }

  private characterOf(raw: string): string {
    const isIn = new RegExp(`^${raw}$`, 'v');
    for (const some of [digits, letters, others]) {
      const fitting = some.filter((character) => isIn.test(character));
      const chosen = fitting[this.turn % fitting.length];
      if (chosen === undefined) continue;
      this.turn++;
      return chosen;
    }
    throw new Error('no character that is known fits');
  }
}

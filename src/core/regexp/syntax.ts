import { type AST, RegExpParser } from '@eslint-community/regexpp';
import { GaveUp } from './budget';

/** Groups in groups, and classes in classes, up to which a pattern is read. */
export const deepest = 250;

/**
 * The syntax of a pattern (ECMAScript, "Patterns"). Throws a `SyntaxError` where it does not compile, and `GaveUp` where it is nested
 * too deeply to be read.
 */
export function syntaxOf(source: string, flags: 'v' | 'u' = 'v'): readonly AST.Alternative[] {
  checkNesting(source);
  const sets = flags === 'v';
  return new RegExpParser().parsePattern(source, 0, source.length, { unicode: !sets, unicodeSets: sets })
    .alternatives;
}

/** Throws `GaveUp` for a pattern that is nested more deeply than its readers can follow. */
export function checkNesting(source: string): void {
  let depth = 0;
  for (let at = 0; at < source.length; at++) {
    const letter = source[at];
    if (letter === '\\') at++;
    else if (letter === '(' || letter === '[') depth++;
    else if (letter === ')' || letter === ']') depth--;
    if (depth > deepest) throw new GaveUp('nested too deeply');
  }
}

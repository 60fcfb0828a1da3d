import type { AST } from '@eslint-community/regexpp';
import { GaveUp } from './budget';
import { type Matching, runProgram } from './machine';
import { nativePattern } from './native-pattern';
import type { Pattern } from './pattern';
import { type Program, programOf } from './program';
import { syntaxOf } from './syntax';
import { fewWays, waysThrough } from './ways-through';

/** A pattern that can be held against texts, however it is made: after so many steps it is given up. */
export interface CompiledPattern {
  /** Whether a text matches. Throws `GaveUp` where that takes too many steps. */
  test(text: string): boolean;
}

/** Characters that may be held against pieces of a pattern for one text. */
const mostSteps = 40_000;

const compiled = new Map<string, CompiledPattern | null>();
const mostKept = 500;

/** The pattern, ready to be held against texts; null where it does not compile: then it does nothing. */
export function compiledPattern(pattern: Pattern): CompiledPattern | null {
  const key = `${pattern.flags ?? 'v'} ${pattern.match} ${pattern.source}`;
  const known = compiled.get(key);
  if (known !== undefined) return known;
  if (compiled.size >= mostKept) compiled.clear();
  const made = compile(pattern);
  compiled.set(key, made);
  return made;
}

function compile(pattern: Pattern): CompiledPattern | null {
  const own = nativePattern(pattern);
  if (!own) return null;
  let read: { alternatives: readonly AST.Alternative[]; program: Program } | GaveUp | null = null;
  const readOnce = () => {
    read ??= readPattern(pattern);
    if (read instanceof GaveUp) throw read;
    return read;
  };
  const kept = keepingLast<boolean | null>();
  return {
    test(text) {
      const { alternatives, program } = readOnce();
      // The engine's own matcher where it cannot take long; else ours, which remembers, counts and can be given up.
      const starts = pattern.match === 'whole' ? 1 : text.length + 1;
      if (waysThrough(alternatives, text.length) * starts <= fewWays) return tested(own, text);
      const matches = kept(
        text,
        () => runProgram(program, pattern.match, text, { most: mostSteps, remembers: true }).matches,
      );
      if (matches === null) throw new GaveUp('too many steps over this text');
      return matches;
    },
  };
}

/** An engine may find only now that a pattern is too large for it. */
function tested(expression: RegExp, text: string): boolean {
  try {
    return expression.test(text);
  } catch {
    throw new GaveUp('too large for the matcher');
  }
}

/** Keeps what was worked out for the texts asked about last: targets and strokes ask about the same ones. */
function keepingLast<Answer>(): (text: string, work: () => Answer) => Answer {
  const answers = new Map<string, Answer>();
  return (text, work) => {
    const known = answers.get(text);
    if (known !== undefined) return known;
    const answer = work();
    if (answers.size >= mostAnswers) answers.clear();
    answers.set(text, answer);
    return answer;
  };
}
const mostAnswers = 100;

function readPattern(
  pattern: Pattern,
): { alternatives: readonly AST.Alternative[]; program: Program } | GaveUp {
  try {
    const alternatives = syntaxOf(pattern.source, pattern.flags);
    return { alternatives, program: programOf(alternatives, pattern) };
  } catch (error) {
    if (error instanceof GaveUp) return error;
    // This engine compiles what the reader of patterns does not know yet.
    if (error instanceof SyntaxError) return new GaveUp('syntax too new');
    throw error;
  }
}

/**
 * How many steps an engine takes over a text that remembers nothing of where it got nowhere, counted up to `most`.
 * @returns null for a pattern that does not compile or is not read
 */
export function countedSteps(pattern: Pattern): ((text: string, most: number) => Matching) | null {
  try {
    const program = programOf(syntaxOf(pattern.source, pattern.flags), pattern);
    return (text, most) => runProgram(program, pattern.match, text, { most, remembers: false });
  } catch {
    return null;
  }
}

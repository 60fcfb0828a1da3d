import { compiledPattern } from '../regexp/compiled-pattern';

/** What a `pattern` attribute means: the whole value must match, or the pattern is ignored because it does not compile. */
export type PatternReading =
  | {
      readonly status: 'compiled';
      readonly source: string;
      /** Whether all of a value matches. Throws `GaveUp` where that takes too many steps. */
      matches(value: string): boolean;
    }
  | { readonly status: 'ignored'; readonly reason: string };

/** HTML Standard, "The pattern attribute": compiled with the v flag, then anchored at both ends. */
export function readPattern(pattern: string): PatternReading {
  const known = readings.get(pattern);
  if (known) return known;
  const reading = compile(pattern);
  if (readings.size >= readingsKept) readings.clear();
  readings.set(pattern, reading);
  return reading;
}

/** The same few patterns are held against very many texts. */
const readings = new Map<string, PatternReading>();
const readingsKept = 500;

/** The pattern with hyphens escaped that stand at the end of a class: some engines read them, the v flag forbids them. */
export function withEndHyphensEscaped(pattern: string): string {
  return pattern.replace(/(^|[^\\])((?:\\\\)*)-\]/g, '$1$2\\-]');
}

function compile(pattern: string): PatternReading {
  const compiled = compiledPattern({ source: pattern, match: 'whole' });
  return compiled
    ? { status: 'compiled', source: pattern, matches: (value) => compiled.test(value) }
    : { status: 'ignored', reason: patternFault(pattern) ?? 'it is too large for the matcher' };
}

/** Why a pattern does not compile, in the words of the engine, or null when it does. */
export function patternFault(pattern: string, flags: 'v' | 'u' = 'v'): string | null {
  try {
    new RegExp(pattern, flags);
    return null;
  } catch (error) {
    return faultOf(error, pattern, flags);
  }
}

/** The engine's own words, without the pattern that stands before whoever reads them. */
function faultOf(error: unknown, pattern: string, flags: string): string {
  const message = error instanceof Error ? error.message : String(error);
  return message.replace(/^Invalid regular expression: /, '').replace(`/${pattern}/${flags}: `, '');
}

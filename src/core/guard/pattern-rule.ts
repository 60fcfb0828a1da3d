import type { PatternGuard } from './guard';

const compiled = new Map<string, RegExp | null>();

/** The expression of the guard, anchored for a whole match; null when it does not compile: such a guard does nothing. */
export function expressionOf({ source, match }: Pick<PatternGuard, 'source' | 'match'>): RegExp | null {
  const key = `${match} ${source}`;
  const known = compiled.get(key);
  if (known !== undefined) return known;
  let expression: RegExp | null = null;
  try {
    // Compiled alone first: a parenthesis too many would close the group around it.
    new RegExp(source, 'v');
    expression = new RegExp(match === 'whole' ? `^(?:${source})$` : source, 'v');
  } catch {
    expression = null;
  }
  if (compiled.size > 200) compiled.clear();
  compiled.set(key, expression);
  return expression;
}

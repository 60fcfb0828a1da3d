import { nativePattern } from '../../core/regexp/native-pattern';
import type { Pattern } from '../../core/regexp/pattern';

const compiled = new Map<string, RegExp | null>();

/**
 * What the matcher of a page under test, or of a page of the person's own, makes of a pattern: bundles for pages have this in place
 * of the core's matcher, so that what is seen there is what the engine does, slow or not.
 */
export function compiledPattern(pattern: Pattern): RegExp | null {
  const key = `${pattern.match} ${pattern.source}`;
  const known = compiled.get(key);
  if (known !== undefined) return known;
  const made = nativePattern(pattern);
  compiled.set(key, made);
  return made;
}

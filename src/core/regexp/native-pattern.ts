import type { Pattern } from './pattern';

/** The engine's own reading; null where it has none. It may take for ever over a text. */
export function nativePattern({ source, flags = 'v', match }: Pattern): RegExp | null {
  try {
    // Compiled alone first: a parenthesis too many would close the group around it.
    new RegExp(source, flags);
    return new RegExp(match === 'whole' ? `^(?:${source})$` : source, flags);
  } catch {
    return null;
  }
}

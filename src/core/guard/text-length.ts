import { graphemes } from '../script/graphemes';
import type { LengthUnit } from './guard';

/** The text in the parts that are counted. */
function partsOf(text: string, unit: LengthUnit): string[] {
  switch (unit) {
    case 'code units':
      return text.split('');
    case 'code points':
      return Array.from(text);
    case 'graphemes':
      return graphemes(text);
  }
}

export function lengthIn(text: string, unit: LengthUnit): number {
  return unit === 'code units' ? text.length : partsOf(text, unit).length;
}

/** The first `most` parts; counted in code units, a character of two is never cut in half. */
export function cutTo(text: string, most: number, unit: LengthUnit): string {
  if (lengthIn(text, unit) <= most) return text;
  const kept = partsOf(text, unit).slice(0, most).join('');
  return unit === 'code units' && /[\ud800-\udbff]$/.test(kept) ? kept.slice(0, -1) : kept;
}

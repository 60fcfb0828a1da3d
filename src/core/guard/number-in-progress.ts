/** What may stand while a decimal number is typed. */
interface NumberInProgress {
  readonly negative: boolean;
  /** Digits before and after the separator, as typed. */
  readonly whole: string;
  /** Null before the separator was typed. */
  readonly fraction: string | null;
}

/** Reads a sign, digits, one separator (dot or comma) and digits, any of which may be missing; null when it is none of that. */
export function readNumberInProgress(text: string): NumberInProgress | null {
  const match = /^([+\-\u2212]?)(\d*)(?:[.,](\d*))?$/.exec(text);
  if (!match) return null;
  return {
    negative: match[1] === '-' || match[1] === '\u2212',
    whole: match[2] ?? '',
    fraction: match[3] ?? null,
  };
}

/** The number that is there, or null for a sign or a separator alone. */
export function numberIn(text: string): number | null {
  const read = readNumberInProgress(text);
  if (!read || (read.whole === '' && !read.fraction)) return null;
  const size = Number(`${read.whole || '0'}.${read.fraction || '0'}`);
  return read.negative ? -size : size;
}

/** Whether more digits can make it a number between the limits: typed digits only ever add to its size. */
export function canReachRange(text: string, min: number | null, max: number | null): boolean {
  const read = readNumberInProgress(text);
  if (!read) return false;
  if (text === '') return true;
  const [least, most] = read.negative
    ? [-(max ?? Number.POSITIVE_INFINITY), -(min ?? Number.NEGATIVE_INFINITY)]
    : [min ?? Number.NEGATIVE_INFINITY, max ?? Number.POSITIVE_INFINITY];
  if (read.whole === '' && read.fraction === null) return most >= 0;
  const size = Number(`${read.whole || '0'}.${read.fraction || '0'}`);
  if (read.fraction !== null) return overlaps(size, oneStepOn(read.whole, read.fraction), least, most);
  // Every further digit before the separator makes it ten times as large, and up to one step more.
  for (let [from, step] = [size, 1]; from <= most; from *= 10, step *= 10) {
    if (overlaps(from, from + step, least, most)) return true;
    if (from === 0) return overlaps(0, Number.POSITIVE_INFINITY, least, most);
  }
  return false;
}

/** The number with its last digit one higher, read as it would be written: adding floats, 0.05 and 0.01 are more than 0.06. */
function oneStepOn(whole: string, fraction: string): number {
  return Number(`${BigInt(`${whole}${fraction}` || '0') + 1n}e-${fraction.length}`);
}

/** Whether numbers from `from` on, below `to`, lie between the limits. */
function overlaps(from: number, to: number, least: number, most: number): boolean {
  return from <= most && to > least;
}

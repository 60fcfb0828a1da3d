import { daysInMonth } from '../standard/days-in-month';

/** A format split into runs of one letter each: d, m and y stand for digits, all else for itself. */
function runsOf(format: string): string[] {
  return format.match(/d+|m+|y+|[^dmy]/g) ?? [];
}

/** True when a text may be the beginning of a date in this format. */
export function isBeginningOfDate(text: string, format: string): boolean {
  let rest = text;
  for (const run of runsOf(format)) {
    if (rest === '') return true;
    const letter = run[0] ?? '';
    if (!'dmy'.includes(letter)) {
      if (!rest.startsWith(run)) return false;
      rest = rest.slice(run.length);
      continue;
    }
    const digits = rest.slice(0, run.length);
    if (!/^\d+$/.test(digits) || !canBePart(letter, digits, run.length)) return false;
    rest = rest.slice(digits.length);
  }
  return rest === '' && (text.length < format.length || isDateIn(text, format));
}

function canBePart(letter: string, digits: string, length: number): boolean {
  if (letter === 'y') return true;
  const [least, most] = [Number(digits.padEnd(length, '0')), Number(digits.padEnd(length, '9'))];
  return most >= 1 && least <= (letter === 'm' ? 12 : 31);
}

/** True when the text is a day that exists, written in this format; a year of two digits is in this century. */
export function isDateIn(text: string, format: string): boolean {
  if (text.length !== format.length) return false;
  const parts = new Map<string, string>();
  let at = 0;
  for (const run of runsOf(format)) {
    const piece = text.slice(at, at + run.length);
    at += run.length;
    const letter = run[0] ?? '';
    if (!'dmy'.includes(letter)) {
      if (piece !== run) return false;
    } else if (/^\d+$/.test(piece)) parts.set(letter, piece);
    else return false;
  }
  const written = parts.get('y') ?? '2000';
  const year = written.length <= 2 ? 2000 + Number(written) : Number(written);
  const [month, day] = [Number(parts.get('m') ?? 1), Number(parts.get('d') ?? 1)];
  return month >= 1 && month <= 12 && day >= 1 && day <= daysInMonth(year, month);
}

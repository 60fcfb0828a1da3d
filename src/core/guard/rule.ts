import { compiledPattern } from '../regexp/compiled-pattern';
import { keptOf } from './character-set';
import { holdsCheck, mayBecomeChecked } from './check-digit';
import { isBeginningOfDate, isDateIn } from './date-format';
import type { Guard } from './guard';
import { isBeginningOfMask, isFull, masked } from './mask';
import { canReachRange, numberIn, readNumberInProgress } from './number-in-progress';
import { cutTo, lengthIn } from './text-length';

/**
 * Whether a text may stand while it is typed: it holds, or more of the same can make it hold. A pattern has to match as
 * it is: whoever hangs a strict one on typing means just that, and learns what it does.
 */
export function mayStand(guard: Guard, text: string): boolean {
  switch (guard.kind) {
    case 'decimals': {
      const read = readNumberInProgress(text);
      if (!read || (guard.whole !== undefined && read.whole.length > guard.whole)) return false;
      return read.fraction === null || (guard.most > 0 && read.fraction.length <= guard.most);
    }
    case 'range':
      return canReachRange(text, guard.min, guard.max);
    case 'words':
      return guard.sense === 'one of'
        ? guard.words.some((word) => word.startsWith(text))
        : holds(guard, text);
    case 'date':
      return isBeginningOfDate(text, guard.format);
    case 'check digit':
      return mayBecomeChecked(text, guard.method);
    case 'mask':
      return isBeginningOfMask(text, guard.mask);
    default:
      return holds(guard, text);
  }
}

/** Whether a text is one that the rule wants in the end. No text at all is left to `required`. */
export function holds(guard: Guard, text: string): boolean {
  if (text === '') return true;
  switch (guard.kind) {
    case 'allow':
      return keptOf(guard.set, text, true) === text;
    case 'deny':
      return keptOf(guard.set, text, false) === text;
    case 'length':
      return lengthIn(text, guard.unit) <= guard.most;
    case 'decimals':
      return mayStand(guard, text) && numberIn(text) !== null;
    case 'range': {
      const number = numberIn(text);
      return number !== null && number >= (guard.min ?? number) && number <= (guard.max ?? number);
    }
    case 'pattern':
      return compiledPattern(guard)?.test(text) ?? true;
    case 'words':
      return guard.sense === 'one of'
        ? guard.words.includes(text)
        : !guard.words.some((word) => word !== '' && text.toLowerCase().includes(word.toLowerCase()));
    case 'date':
      return isDateIn(text, guard.format);
    case 'check digit':
      return holdsCheck(text, guard.method);
    case 'case':
      return text === cased(guard.to, text);
    case 'mask':
      return isFull(text, guard.mask);
  }
}

function cased(to: 'upper' | 'lower', text: string): string {
  return to === 'upper' ? text.toUpperCase() : text.toLowerCase();
}

/**
 * The text as the rule would have it: what does not belong is left out, what is too much cut, what is missing put in.
 * Kinds that cannot mend give the text back.
 */
export function mended(guard: Guard, text: string, grows: boolean): string {
  switch (guard.kind) {
    case 'allow':
      return keptOf(guard.set, text, true);
    case 'deny':
      return keptOf(guard.set, text, false);
    case 'length':
      return cutTo(text, guard.most, guard.unit);
    case 'decimals':
      return mendedNumber(guard, text);
    case 'case':
      return cased(guard.to, text);
    case 'mask':
      return masked(text, guard.mask, grows);
    default:
      return text;
  }
}

/** One character after the other, as long as a number in progress stands. */
function mendedNumber(guard: Guard, text: string): string {
  let out = '';
  for (const one of text) if (mayStand(guard, out + one)) out += one;
  return out;
}

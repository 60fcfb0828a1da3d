import type { CharacterSet } from '../guard/character-set';
import type { Guard } from '../guard/guard';
import type { OfferedCode } from '../guard/offered-guards';
import type { Objection } from '../guard/verdict';
import { unworkedClause } from './unworked-words';

/** The guard in a few words. */
export function guardName(guard: Guard): string {
  switch (guard.kind) {
    case 'allow':
      return `only ${setName(guard.set)}`;
    case 'deny':
      return `no ${setName(guard.set)}`;
    case 'length':
      return `at most ${guard.most} ${guard.most === 1 ? guard.unit.replace(/s$/, '') : guard.unit}`;
    case 'decimals': {
      const decimals = guard.most === 1 ? 'at most 1 decimal' : `at most ${guard.most} decimals`;
      return guard.whole === undefined ? decimals : `at most ${guard.whole} whole digits, ${decimals}`;
    }
    case 'range':
      return `a number from ${guard.min ?? 'anywhere'} to ${guard.max ?? 'anywhere'}`;
    case 'pattern':
      return guard.match === 'whole'
        ? `all of it matches ${guard.source}`
        : `some part matches ${guard.source}`;
    case 'words':
      return guard.sense === 'one of'
        ? `one of ${guard.words.length} words`
        : `none of ${guard.words.length} words`;
    case 'date':
      return `a real date, ${guard.format}`;
    case 'check digit':
      return `check digit, ${guard.method}`;
    case 'case':
      return guard.to === 'upper' ? 'upper case' : 'lower case';
    case 'mask':
      return `mask ${guard.mask}`;
  }
}

/** The set in a few words. */
function setName({ classes, own }: CharacterSet): string {
  return [...classes, ...(own === '' ? [] : [own])].join(', ') || 'nothing';
}

/** Who does not accept a text, in a few words: a flag of ValidityState, a guard; or why that cannot be told. */
export function objectionText(objection: Objection): string {
  switch (objection.code) {
    case 'own constraint':
      return objection.flag;
    case 'guard':
      return guardName(objection.guard);
    case 'not worked out':
      return unworkedClause(objection.why);
  }
}

/** All that objects to a text, in one line. */
export function objectionsText(by: readonly Objection[]): string {
  return by.map(objectionText).join(', ');
}

/** What each guard that can be added is called. */
export const offeredGuardNames: Readonly<Record<OfferedCode, string>> = {
  allow: 'Only these characters',
  deny: 'Not these characters',
  'allow keys': 'Only these keys',
  length: 'Length',
  decimals: 'Digits and decimals',
  range: 'Number between limits',
  pattern: 'Pattern',
  words: 'List of words',
  date: 'A date that exists',
  'check digit': 'Check digit',
  case: 'Upper or lower case',
  mask: 'Mask with separators',
};

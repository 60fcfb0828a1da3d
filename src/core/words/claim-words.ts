import type { Claim } from '../finding/claim';
import { answerClaimWords } from './answer-claim-words';
import { faultWords } from './fault-words';
import { guardClaimWords } from './guard-claim-words';
import { keyboardClaimWords } from './keyboard-claim-words';
import { patternClaimWords } from './pattern-claim-words';
import type { ToldClaim } from './told-claim';

/** @param label of the field that it is about; null for a claim about the form, or about more than one field */
export function claimWords(claim: Claim, label: string | null): ToldClaim {
  const of = label ?? 'The form';
  switch (claim.code) {
    case 'fault':
      return faultWords(
        claim.fault,
        label === null || claim.kind === null ? null : { label, kind: claim.kind },
      );
    case 'not worked out':
      return {
        says: `${of}: not every check of its rule was completed.`,
        why: 'The rule is too large or too deep for Ukko, so a fault in it may be missing here.',
        remedy: 'Write the rule with fewer repetitions inside repetitions.',
        details: claim.reasons.map((reason) => `Not completed: ${reason}.`),
      };
    case 'guard bypassed':
    case 'guard blocks':
    case 'valid value blocked':
    case 'samples differ':
      return guardClaimWords(claim, of);
    case 'slow pattern':
    case 'pattern warning':
    case 'shape cut':
    case 'shape refused':
    case 'shape accepted':
      return patternClaimWords(claim, of);
    case 'keyboard lacks':
    case 'action key':
    case 'detour':
      return keyboardClaimWords(claim, of);
    case 'field differs':
    case 'kinds unknown':
    case 'engines differ':
    case 'seen':
    case 'typed':
      return answerClaimWords(claim, of);
  }
}

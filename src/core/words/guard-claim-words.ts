import type { Claim } from '../finding/claim';
import type { GuardStage } from '../guard/guard';
import { guardName, objectionText } from './guard-words';
import { listed } from './listed';
import type { ToldClaim } from './told-claim';

type GuardClaim = Extract<
  Claim,
  { code: 'guard bypassed' | 'guard blocks' | 'valid value blocked' | 'samples differ' }
>;

const stageWords: Readonly<Record<GuardStage, string>> = {
  key: 'on keydown',
  'before insert': 'before insertion',
  'after input': 'after input',
  'on leaving': 'when the field loses focus',
  'on submission': 'at submission',
};

/** As many samples are named. */
const mostSamples = 5;

export function guardClaimWords(claim: GuardClaim, label: string): ToldClaim {
  switch (claim.code) {
    case 'guard bypassed': {
      const { guard, routes, isCaught, better } = claim;
      const isOne = routes.length === 1 && !routes[0]?.endsWith('keys');
      return {
        says: `${label}: ${listed(routes)} ${isOne ? 'bypasses' : 'bypass'} “${guardName(guard)}” (it runs ${stageWords[guard.stage]}).`,
        why: isCaught
          ? 'Text that the rule forbids stays in the field and is rejected only at submission.'
          : 'Text that the rule forbids is submitted.',
        remedy: better
          ? `Run the rule ${stageWords[better]}.`
          : 'Check the same rule at submission: no stage while typing sees every route.',
      };
    }
    case 'guard blocks': {
      const { guard, keys, routes, isMended } = claim;
      return {
        says:
          keys.length > 0
            ? `${label}: “${guardName(guard)}” blocks ${listed(keys)}.`
            : `${label}: “${guardName(guard)}” rejects text that it should accept, by ${listed(routes)}.`,
        why: 'The person cannot correct the entry, move on, or enter a valid value.',
        remedy: isMended ? 'Let keys for editing and moving through.' : 'Run the rule after input instead.',
      };
    }
    case 'valid value blocked':
      return {
        says: `${label}: “${claim.value}” is valid, but the rule while typing rejects its beginning “${claim.beginning}”.`,
        why: 'The person cannot type it from beginning to end.',
        remedy: 'Use the live rule that fits: the part Rule of the Typing view makes it.',
      };
    case 'samples differ':
      return {
        says: `${label}: ${claim.others.length} of ${claim.tried} samples have another verdict than expected.`,
        why: 'The rules do not do what the team expects of them.',
        remedy: 'Change the rule or the sample.',
        details: claim.others
          .slice(0, mostSamples)
          .map(
            ({ text, verdict, expected, by }) =>
              `“${text}” is ${verdict}${by.length > 0 ? ` by ${listed(by.map(objectionText))}` : ''}; ${expected} was expected.`,
          ),
      };
  }
}

import type { SendingDifference } from '../questions/submission/differences';
import type { Sending } from '../questions/submission/facts';
import type { Compared } from './difference-words';
import { ended, listed, quoted } from './listed';

const outcomeWords: Readonly<Record<Sending['status'], string>> = {
  sent: 'submits the form',
  blocked: 'blocks it',
  nothing: 'submits nothing',
};

const whenWords = {
  asIs: 'With nothing filled in, ',
  filled: 'With everything filled in, ',
} as const;

/**
 * A difference in what is sent, as one sentence that stands alone.
 * @param when in which state the form was; null: nothing is said of it
 */
export function sendingDifferenceWords(
  difference: SendingDifference,
  compared: Compared,
  when: 'asIs' | 'filled' | null = null,
): string {
  return `${when === null ? '' : whenWords[when]}${told(difference, compared)}`;
}

function told(difference: SendingDifference, { here: names, there }: Compared): string {
  const here = listed(names);
  switch (difference.what) {
    case 'outcome':
      return `${here} ${outcomeWords[difference.here]}, ${there} ${outcomeWords[difference.there]}.`;
    case 'blocked':
      return `${here}: ${difference.here ?? 'no field'} blocks it; ${there}: ${difference.there ?? 'no field'}.`;
    case 'invalid':
      return `Invalid in ${here}: ${listed(difference.here) || 'nothing'}; in ${there}: ${listed(difference.there) || 'nothing'}.`;
    case 'message':
      return ended(`${here} says ${quoted(difference.here)}, ${there} says ${quoted(difference.there)}`);
    case 'encoding':
      return `Submitted as ${difference.here} in ${here}, as ${difference.there} in ${there}.`;
    case 'entry': {
      const { name, here: own, there: others } = difference;
      if (own.length === 0) return `${name} is not submitted in ${here}; in ${there} it is.`;
      if (others.length === 0) return `${name} is submitted in ${here}; in ${there} it is not.`;
      return `${name} is ${listed(own.map((one) => `“${one}”`))} in ${here}, ${listed(others.map((one) => `“${one}”`))} in ${there}.`;
    }
  }
}

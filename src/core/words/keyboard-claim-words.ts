import type { Claim } from '../finding/claim';
import type { Setting } from '../keyboard/settings';
import { actionKeyTroubleWords } from './action-key-words';
import { listed } from './listed';
import { tapsText } from './proof-words';
import type { ToldClaim } from './told-claim';

type KeyboardClaim = Extract<Claim, { code: 'keyboard lacks' | 'action key' | 'detour' }>;

export function keyboardClaimWords(claim: KeyboardClaim, label: string): ToldClaim {
  switch (claim.code) {
    case 'keyboard lacks': {
      const missing = listed(claim.missing.map((one) => (one === ' ' ? 'the space' : `“${one}”`)));
      return {
        says: `${label}: the on-screen keyboard has no key for ${missing}, so the accepted value “${claim.value}” cannot be typed.`,
        why: 'On such a phone the person cannot enter it.',
        remedy: claim.setting
          ? `Write ${settingText(claim.setting)}: its keyboard has the key.`
          : claim.isOfPhones
            ? 'No type and inputmode gives a keyboard with it in both phone browsers: let the rule accept another spelling.'
            : 'Let the rule accept another spelling, or try other settings on that keyboard.',
      };
    }
    case 'action key':
      return {
        says: `${label}: ${actionKeyTroubleWords[claim.trouble]}`,
        why: 'On a phone the person does not see how to go on.',
        remedy:
          claim.kind === 'textarea'
            ? 'Add a submit button to the form.'
            : 'Choose a type or an inputmode that shows another keyboard.',
      };
    case 'detour':
      return {
        says: `${label}: ${tapsText(claim)}`,
        why: 'The person needs more taps and keyboard switches than necessary.',
        remedy: `Write inputmode="${claim.inputmode}".`,
      };
  }
}

function settingText({ kind, inputmode }: Setting): string {
  return `type="${kind}" ${inputmode === null ? 'without inputmode' : `with inputmode="${inputmode}"`}`;
}

import type { Proof } from '../finding/proof';
import { differenceWords, pastWindow } from './difference-words';
import { languageTagName } from './language-words';
import { listed, quoted } from './listed';

/** What a target showed, as one sentence. */
export function proofWords(proof: Proof, target: string): string {
  switch (proof.code) {
    case 'difference': {
      const says = differenceWords(proof.difference, { here: [target], there: proof.from });
      return proof.field === null ? says : `${proof.field}: ${says}`;
    }
    case 'height left':
      return `The keyboard leaves ${proof.left} of ${proof.before} px, and the field is not in them.`;
    case 'leaves window':
      return `It ${pastWindow(proof.sides)}.`;
    case 'takes no focus':
      return 'It does not take focus.';
    case 'focus unseen':
      return 'The field and what is near it look the same with focus and without.';
    case 'value unchanged':
      return `Its value stays ${quoted(proof.value, 'empty')} after ${listed(proof.keys)}.`;
    case 'caret jump':
      return `“${proof.before}” becomes “${proof.after}”, and the caret moves from ${proof.from} to ${proof.to}.`;
    case 'keys did nothing':
      return `The page blocked ${listed(proof.keys)}.`;
    case 'characters kept out':
      return `“${proof.typed}” became ${quoted(proof.became, 'empty')}: the page dropped ${listed(proof.characters.map((one) => `“${one}”`))}.`;
    case 'slow listener':
      return `${proof.event} took ${proof.took} ms.`;
    case 'rounds':
      return proof.alike === 1
        ? `Each of ${proof.asked} rounds of the same strokes went another way.`
        : `${proof.alike} of ${proof.asked} rounds of the same strokes went the same way.`;
    case 'language':
      return `For people who write ${languageTagName(proof.language)}.`;
    case 'layout':
      return `The keyboard layout was “${proof.layout}”.`;
    case 'key unheard':
      return `For “${proof.key}” the page received ${listed(proof.heard)}, and no keydown that names the key.`;
    case 'taps':
      return tapsText(proof);
  }
}

export function tapsText({
  text,
  before,
  after,
  inputmode,
}: Omit<Extract<Proof, { code: 'taps' }>, 'code'>): string {
  return `“${text}” takes ${before} taps, with inputmode="${inputmode}" ${after}.`;
}

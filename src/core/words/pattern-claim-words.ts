import type { Claim } from '../finding/claim';
import type { SlowPattern } from '../pattern/slow-pattern';
import { slowText } from '../pattern/slow-text';
import type { Writing } from '../purpose/purpose';
import { languageTagName } from './language-words';
import { patternWarningWords } from './pattern-warning-words';
import { purposeNames, writingNoteWords } from './purpose-words';
import type { ToldClaim } from './told-claim';

type PatternClaim = Extract<
  Claim,
  { code: 'slow pattern' | 'pattern warning' | 'shape cut' | 'shape refused' | 'shape accepted' }
>;

/** As many texts are named. */
const mostTexts = 8;
/** How often the piece of a slow text is repeated where it is shown. */
const repeats = 8;

/** What a matcher that tries every way does with a pattern: the middle of a sentence, the text that ends it, and the counts that show it. */
export function slowPatternWords({ text, grows, steps }: SlowPattern): {
  readonly takes: string;
  readonly text: string;
  readonly piece: string;
  /** What comes of so many pieces, behind the piece. */
  readonly counts: readonly string[];
} {
  return {
    takes: `takes ${growthText(grows, steps)} on texts like`,
    text: slowText(text, repeats),
    piece: text.again,
    counts: steps.map(
      ({ times, steps: count, isMore }) =>
        `${times} times: ${count.toLocaleString('en-GB')} steps${isMore ? ' and more' : ''}.`,
    ),
  };
}

function growthText(grows: SlowPattern['grows'], steps: SlowPattern['steps']): string {
  if (grows.by === 'doubling') return 'ever more steps';
  const least = steps.some(({ isMore }) => isMore) ? 'at least ' : '';
  return `steps that grow with ${least}the ${grows.power === 2 ? 'square' : grows.power === 3 ? 'cube' : `power ${grows.power}`} of the length`;
}

export function patternClaimWords(claim: PatternClaim, label: string): ToldClaim {
  switch (claim.code) {
    case 'slow pattern': {
      const { takes, text, piece, counts } = slowPatternWords(claim);
      return {
        says: `${label}: the pattern ${takes} “${text}”.`,
        why: claim.isForGood
          ? 'The page freezes while it checks the text, and everything that was entered is lost with it.'
          : 'The page freezes for a moment after each key in a long text.',
        remedy:
          'Let only one part match each character: no repetition inside a repetition, no two ways to match one text.',
        details: counts.map((count) => `“${piece}” ${count}`),
      };
    }
    case 'pattern warning': {
      const { witness, remedy } = claim.warning;
      return {
        says: `${label}: ${patternWarningWords(claim.warning)}${witness ? ` It accepts “${witness}”.` : ''}`,
        why: 'The pattern does something else than it seems to.',
        remedy: remedy === null ? null : `Write pattern="${remedy}".`,
      };
    }
    case 'shape cut': {
      const text = claim.texts[0]?.text ?? '';
      return {
        says: `${label}: maxlength="${claim.most}" cuts ${claim.texts.length} of ${claim.tried} values that people enter as ${purposeNames[claim.purpose]}: “${text}” becomes “${text.slice(0, claim.most)}”.`,
        why: 'The rest of what is typed or pasted is lost without a message, and what remains looks complete.',
        remedy: 'Allow room for every usual spelling, and remove unwanted characters afterwards.',
        details: namedTexts(claim.texts),
      };
    }
    case 'shape refused': {
      const { purpose, texts, tried, isFixed, isPatternNeedless } = claim;
      return {
        says: `${label}: the rule rejects ${texts.length} of ${tried} values that people enter as ${purposeNames[purpose]}, such as “${texts[0]?.text}”.`,
        why: isFixed
          ? 'A person who has such a value cannot write it in another way.'
          : 'The value is right as the person copied it or usually writes it, and has to be entered again.',
        remedy: isPatternNeedless
          ? 'Remove the pattern: browsers check this kind by themselves.'
          : isFixed
            ? 'Loosen the rule until it accepts these; the part Rule of the Typing view shows each.'
            : 'Accept it and normalise it afterwards, or state the wanted format near the field.',
        details: namedTexts(texts),
      };
    }
    case 'shape accepted':
      return {
        says: `${label}: the rule accepts ${claim.texts.length} of ${claim.tried} values that only look like ${purposeNames[claim.purpose]}, such as “${claim.texts[0]?.text}”.`,
        why: 'A value that nobody can use is submitted, and that is noticed too late.',
        remedy: 'Check what it means too, with a guard or on the server.',
        details: namedTexts(claim.texts),
      };
  }
}

function namedTexts(texts: readonly Writing[]): string[] {
  return texts
    .slice(0, mostTexts)
    .map(({ text, note, language }) => `“${text}”: ${inLanguage(language)}${writingNoteWords[note]}`);
}

function inLanguage(language: string | undefined): string {
  return language === undefined ? '' : `${languageTagName(language)}, `;
}

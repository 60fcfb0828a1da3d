import type { Size } from '../observation/size';
import type { Difference } from '../questions/differences';
import type { OpeningFacts } from '../questions/opening/facts';
import type { Showing } from '../questions/parts/facts';
import { ended, listed, quoted } from './listed';
import { reasonText } from './reason-words';
import { sendingDifferenceWords } from './sending-difference-words';

/** What the two sides of a comparison are called in a sentence. */
export interface Compared {
  /** Those in which it is so, one or more: “Firefox”, “WebKit”. */
  readonly here: readonly string[];
  /** What they are compared with: “Chromium”, “the baseline”. */
  readonly there: string;
}

const showingWords: Readonly<Record<Showing, string>> = {
  text: 'as text',
  picture: 'as a picture only',
  nothing: 'not at all',
};

/** A difference as one sentence that stands alone. */
export function differenceWords(difference: Difference, compared: Compared): string {
  // Names of targets are written as they are: “iOS-like phone”.
  return sentenceOf(difference, compared).replace(/^the /, 'The ');
}

function sentenceOf(difference: Difference, compared: Compared): string {
  const { there } = compared;
  const here = listed(compared.here);
  const verb = (one: string, more: string) => (compared.here.length === 1 ? one : more);
  const has = verb('has', 'have');
  const shows = verb('shows', 'show');
  switch (difference.what) {
    case 'applicable':
      return difference.reason === null
        ? `${here} ${verb('gives', 'give')} an answer, ${there} gives none.`
        : `${here}: ${reasonText(difference.reason)}`;
    case 'type':
      return `${here} ${verb('treats', 'treat')} it as ${quoted(difference.here)}, ${there} as ${quoted(difference.there)}.`;
    case 'size':
      return `${here} ${verb('draws', 'draw')} it ${sizeText(difference.here)}, ${there} ${sizeText(difference.there)}.`;
    case 'value':
      return `${here} ${has} ${valueText(difference.here)}, ${there} ${valueText(difference.there)}.`;
    case 'typed':
      return `${here} ${verb('ends', 'end')} with ${quoted(difference.here)}, ${there} with ${quoted(difference.there)}.`;
    case 'text':
      return `${here} ${shows} ${quoted(difference.here)}, ${there} shows ${quoted(difference.there)}.`;
    case 'marks':
      return `In ${here} styles add ${marksText(difference.here)}, in ${there} ${marksText(difference.there)}.`;
    case 'parts':
      return difference.only === 'there'
        ? `${here} ${has} no ${difference.parts.join(', no ')}; ${there} has.`
        : `${here} ${has} a ${difference.parts.join(', a ')}; ${there} has none.`;
    case 'readable':
      return difference.here === 'nothing'
        ? `${here} ${verb('does', 'do')} not show the value; ${there} shows it ${showingWords[difference.there]}.`
        : `${here} ${shows} the value ${showingWords[difference.here]}, ${there} ${showingWords[difference.there]}.`;
    case 'order':
      return `${here} ${shows} ${difference.here}, ${there} ${difference.there}.`;
    case 'clock':
      return `${here} ${shows} a clock of ${difference.here}, ${there} one of ${difference.there}.`;
    case 'opening':
      return `${here} ${verb('opens', 'open')} ${openedText(difference.here)}; ${there} opens ${openedText(difference.there)}.`;
    case 'window':
      return `In ${here} it ${windowText(difference.here)}, in ${there} it ${windowText(difference.there)}.`;
    case 'validation':
      return difference.here
        ? `${here} ${verb('validates', 'validate')} it; ${there} does not.`
        : `${here} ${verb('does', 'do')} not validate it; ${there} does.`;
    case 'flags':
      return `Validity flags in ${here}: ${flagsText(difference.here)}; in ${there}: ${flagsText(difference.there)}.`;
    case 'message':
      return ended(
        `${here} ${verb('says', 'say')} ${quoted(difference.here)}, ${there} says ${quoted(difference.there)}`,
      );
    case 'bubble':
      return difference.here
        ? `${here} ${shows} a message bubble; ${there} shows none.`
        : `${here} ${shows} no message bubble; ${there} shows one.`;
    case 'title':
      return difference.here
        ? `The ${difference.of} in ${here} contains the title; in ${there} it does not.`
        : `The ${difference.of} in ${here} omits the title; in ${there} it contains it.`;
    case 'role':
      return `${here} ${verb('exposes', 'expose')} the role ${quoted(difference.here)}, ${there} ${quoted(difference.there)}.`;
    case 'accessible name':
      return `${here} ${verb('announces', 'announce')} ${announced(difference.here)}, ${there} ${announced(difference.there)}.`;
    case 'description':
      return `${here} ${verb('exposes', 'expose')} ${describedAs(difference.here)}, ${there} ${describedAs(difference.there)}.`;
    case 'required':
    case 'invalid':
      return difference.here
        ? `${here} ${verb('exposes', 'expose')} it as ${difference.what}; ${there} does not.`
        : `${here} ${verb('does', 'do')} not expose it as ${difference.what}; ${there} does.`;
    case 'keyboard':
      return `${here} ${shows} ${keyboardText(difference.here)}, ${there} ${keyboardText(difference.there)}.`;
    case 'in sight':
      return difference.here
        ? `In ${here} the keyboard leaves the field visible; in ${there} it covers it.`
        : `In ${here} the keyboard covers the field; in ${there} it leaves it visible.`;
    case 'sent':
    case 'sending':
      return sendingDifferenceWords(difference.difference, compared, difference.when);
    case 'picture':
      return `The picture in ${here} differs from ${there} in ${difference.pixels} px.`;
  }
}

function announced(name: string): string {
  return name === '' ? 'no name' : quoted(name);
}

function describedAs(description: string): string {
  return description === '' ? 'no description' : `the description ${quoted(description)}`;
}

function valueText(value: string): string {
  return value === '' ? 'no value' : `the value ${quoted(value)}`;
}

function marksText(marks: readonly { readonly by: string; readonly text: string }[]): string {
  return marks.length === 0 ? 'nothing' : listed(marks.map(({ by, text }) => `${by} “${text}”`));
}

function openedText({ opened }: Pick<OpeningFacts, 'opened'>): string {
  return opened === null ? 'nothing' : `on ${opened}`;
}

/** What a person did when something opened, or all that was tried, without an end of the sentence. */
export function openingText({ opened, tried }: Pick<OpeningFacts, 'opened' | 'tried'>): string {
  return opened === null ? `Nothing opens on ${tried.join(', ')}` : `Opens on ${opened}`;
}

function windowText(sides: readonly string[]): string {
  return sides.length > 0 ? pastWindow(sides) : 'stays in the window';
}

/** What something does that reaches past sides of the window, for the middle of a sentence. */
export function pastWindow(sides: readonly string[]): string {
  return `extends past the window on the ${listed(sides)}`;
}

function flagsText(flags: readonly string[]): string {
  return flags.length === 0 ? 'none' : flags.join(', ');
}

function keyboardText(layout: string | null): string {
  return layout === null ? 'no keyboard' : `the keyboard ${quoted(layout)}`;
}

/** Width × height in CSS px, to a tenth where it is not whole. */
export function sizeText({ width, height }: Size): string {
  const text = (n: number) => (Number.isInteger(n) ? String(n) : n.toFixed(1));
  return `${text(width)} × ${text(height)} px`;
}

import type { Claim, EngineHabit, FieldDifference, Sight, TypingEffect } from '../finding/claim';
import { longestListening } from '../finding/typing-findings';
import { differenceWords } from './difference-words';
import { counted, listed } from './listed';
import type { ToldClaim } from './told-claim';

type AnswerClaim = Extract<
  Claim,
  { code: 'field differs' | 'kinds unknown' | 'engines differ' | 'seen' | 'typed' }
>;

export function answerClaimWords(claim: AnswerClaim, label: string): ToldClaim {
  switch (claim.code) {
    case 'field differs': {
      const compared = { here: claim.in, there: claim.from };
      return {
        says: `${label}: ${differenceWords(claim.difference, compared)}`,
        ...fieldDifferenceWords[claim.about],
      };
    }
    case 'kinds unknown': {
      const shows = `${listed(claim.in)} ${claim.in.length === 1 ? 'shows' : 'show'} a text box`;
      const kinds = listed(claim.kinds.map((kind) => `type="${kind}"`));
      const [field, ...others] = claim.fields;
      return {
        says:
          others.length === 0
            ? `${field}: ${shows} instead of ${kinds}.`
            : `${shows} for ${kinds} (${counted(claim.fields.length, 'field')}).`,
        ...fieldDifferenceWords.kind,
      };
    }
    case 'engines differ': {
      const { one, more, ...rest } = habitWords[claim.about];
      const [field, ...others] = claim.fields;
      const where = `in ${listed(claim.in)}`;
      return {
        says:
          others.length === 0
            ? `${field}: ${one} ${where}.`
            : `${more} ${where} (${counted(claim.fields.length, 'field')}).`,
        ...rest,
      };
    }
    case 'seen': {
      const { says, ...rest } = sightWords[claim.sight];
      return { says: `${label}: ${says}.`, ...rest };
    }
    case 'typed': {
      const { says, ...rest } = typingWords[claim.effect];
      return { says: `${label}: ${says}.`, ...rest };
    }
  }
}

const fieldDifferenceWords: Readonly<Record<FieldDifference, Omit<ToldClaim, 'says'>>> = {
  kind: {
    why: 'A target that does not know the kind shows a plain field: no picker, no check of the format.',
    remedy:
      'Try the fallback plans for it: a format hint, a pattern, or a scripted picker only where the native one is missing.',
  },
  value: {
    why: 'The same entry counts as another value, or one browser accepts it and another rejects it.',
    remedy: null,
  },
  told: { why: 'The person sees or is told something else there.', remedy: null },
};

const habitWords: Readonly<
  Record<EngineHabit, Omit<ToldClaim, 'says'> & { readonly one: string; readonly more: string }>
> = {
  checks: {
    one: 'its constraints are not checked',
    more: 'Constraints are not checked',
    why: 'A form with missing or invalid entries is submitted there.',
    remedy: 'Check every entry on the server.',
  },
  wording: {
    one: 'the validation message is worded differently',
    more: 'Validation messages are worded differently',
    why: 'Each browser words its messages itself; what it rejects is the same.',
    remedy: 'Where everybody has to read the same text, write it near the field.',
  },
  size: {
    one: 'the control has another size',
    more: 'Controls have another size',
    why: 'Each browser has its own sizes where the page’s styles set none.',
    remedy: 'Where it matters, set a width, a height and a font in the page’s styles.',
  },
  parts: {
    one: 'the control has other parts',
    more: 'Controls have other parts',
    why: 'The control looks different there; what is entered is the same.',
    remedy: null,
  },
};

/** `says` follows the name of the field. */
const sightWords: Readonly<Record<Sight, ToldClaim>> = {
  'out of sight': {
    says: 'the on-screen keyboard covers the field',
    why: 'The person does not see what they type.',
    remedy: 'Let the page scroll the field into view, and put nothing fixed over it.',
  },
  'opening leaves': {
    says: 'the pop-up extends past the window',
    why: 'Part of it cannot be seen or reached.',
    remedy: 'Keep the field away from the edge of the window, or let the page scroll there.',
  },
  'bubble leaves': {
    says: 'the message bubble extends past the window',
    why: 'Part of it cannot be read.',
    remedy: 'Keep the field away from the edge of the window, or let the page scroll there.',
  },
  'not by keyboard': {
    says: 'the field cannot be reached by keyboard',
    why: 'People who use a keyboard or a screen reader cannot enter it.',
    remedy: 'Hide the control with opacity or a clip, not with display: none or visibility: hidden.',
  },
  'widget not by keyboard': {
    says: 'the widget cannot be reached by keyboard',
    why: 'People who use a keyboard or a screen reader cannot enter it.',
    remedy: 'Give it tabindex="0", and carry out the keys of its role in a keydown listener.',
  },
  'keys change nothing': {
    says: 'no arrow key changes its value',
    why: 'People who use a keyboard or a screen reader cannot set it, or are not told what they set.',
    remedy: 'Carry out the arrow keys, and set aria-valuenow or aria-valuetext with every change.',
  },
  'focus not shown': {
    says: 'nothing shows that the field has focus',
    why: 'People who use a keyboard do not see where they are.',
    remedy:
      'Draw an outline with :focus-visible; where the control itself is hidden, draw it at what is shown instead.',
  },
};

/** `says` follows the name of the field. */
const typingWords: Readonly<Record<TypingEffect, ToldClaim>> = {
  caret: {
    says: 'the caret jumps to the end while the person types in the middle',
    why: 'The rest of a correction in the middle is written at the end.',
    remedy: 'After rewriting the value, put the caret back, counted in the characters before it that remain.',
  },
  keys: {
    says: 'the page blocks keys for editing and moving',
    why: 'The person cannot correct the entry or move on.',
    remedy: 'Let keys through that insert no character, or check after input.',
  },
  'kept out': {
    says: 'scripts of the page drop characters that its constraints accept',
    why: 'The value is not what was typed, and no message says so.',
    remedy:
      'Accept them and correct the value when the field loses focus, or state near the field what is accepted.',
  },
  slow: {
    says: `listeners take longer than ${longestListening} ms for a key`,
    why: 'Typed text appears late, and fast typing piles up.',
    remedy: 'Do the work after the event, or do less of it.',
  },
  unsteady: {
    says: 'the same strokes do not go the same way each time',
    why: 'What scripts of the page do to them depends on time, so some people see one outcome and some another.',
    remedy: null,
  },
};

import type { ChangedSetup } from '../compare/changed-setup';
import type { AnswerDrift, Cause } from '../drift/drift';
import { differenceWords } from './difference-words';

const formWords = {
  markup: 'The markup of the form has changed.',
  typing: 'The scripts, guards or samples of the form have changed.',
} as const;

const lineUpWords = {
  new: 'was not asked before',
  gone: 'was asked before and is not now',
  other: 'has other settings',
} as const;

/** Something that is not the same in two sweeps before any answer is compared, as one sentence. */
export function setupWords(changed: ChangedSetup): string {
  switch (changed.cause) {
    case 'form':
      return formWords[changed.what];
    case 'line-up':
      return `${changed.name} ${lineUpWords[changed.change]}.`;
    case 'engine':
    case 'Ukko': {
      const name = changed.target === null ? 'Ukko' : changed.name;
      return `${name} was ${changed.was} and is now ${changed.is}.`;
    }
  }
}

const causeTexts: Readonly<Record<Cause, string>> = {
  form: 'the form has changed',
  engine: 'an engine has another version',
  'line-up': 'the line-up has changed',
  Ukko: 'Ukko has another version',
};

/** What may have made something new, go or change, for the end of a sentence. */
export function causeText(because: readonly Cause[]): string {
  if (because.length === 0)
    return 'nothing that Ukko knows of has changed; sweep again to see whether it stays';
  return because.map((cause) => causeTexts[cause]).join(', and ');
}

/** How a target's answers about a field differ from those of the baseline, a sentence each. */
export function answerDriftWords({ target, differences }: AnswerDrift): string[] {
  const compared = { here: [target.name], there: 'the baseline' };
  return differences.map((one) => differenceWords(one, compared));
}

import type { Disagreement } from '../compare/typing-disagreements';
import { quoted } from './listed';

/** Where the model and an answer part ways at a stroke, as one sentence. */
export function disagreementWords(disagreement: Disagreement): string {
  switch (disagreement.what) {
    case 'text':
    case 'value':
      return `The model predicts the ${disagreement.what} ${quoted(disagreement.model, 'empty')}; the answer is ${quoted(disagreement.asked, 'empty')}.`;
    case 'caret':
      return `The model predicts the caret at ${disagreement.model}; the answer is ${disagreement.asked}.`;
    case 'refused':
      return disagreement.asked === null
        ? 'The model predicts that this stroke is refused.'
        : 'The model predicts that this stroke is accepted.';
    case 'events':
      return `The model predicts ${eventsText(disagreement.model)}; the answer is ${eventsText(disagreement.asked)}.`;
  }
}

function eventsText(types: readonly string[]): string {
  return types.join(', ') || 'no event';
}

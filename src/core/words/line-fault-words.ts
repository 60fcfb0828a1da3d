import type { LineFault } from '../model/answer-line';
import { misfitPlace, misfitText } from './misfit-words';
import { unworkedText } from './unworked-words';

/** Why a line of a batch has no answer, and what to write. */
export function lineFaultText(fault: LineFault): string {
  switch (fault.code) {
    case 'no JSON':
      return 'This line is not valid JSON. Write one object on each line.';
    case 'misfit':
      return `The question is wrong ${misfitPlace(fault.misfit)}: ${misfitText(fault.misfit)}. docs/ask.md lists what a question has.`;
    case 'no control':
      return 'No form control in the markup has the id “t”. Give it to the control that is asked about.';
    case 'not said':
      return fault.entry === 'by'
        ? 'The question does not say what is pressed. Write "by":"#" and the id of the button.'
        : 'The question has no keys. Write "keys" and a list of texts.';
    case 'no such button':
      return `The markup has no button ${fault.by}. Give the button an id and write "by":"#" and that id.`;
    case 'standard has no keys':
      return 'The standards do not say what keys do in a control. Ask chromium, firefox or webkit.';
    case 'no key':
      return `“${fault.key}” is not a key. Write a character, the name of a key, or Shift+ and either.`;
    case 'not worked out':
      return unworkedText(fault.why);
  }
}

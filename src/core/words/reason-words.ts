import type { Unanswered } from '../observation/outcome';
import type { Reason, ReasonCode, Unmade, UnmadeCode, Unsent, UnsentCode } from '../observation/reason';
import { failureText } from './failure-words';

const reasonTexts: Readonly<Record<ReasonCode, string>> = {
  'no file by script': 'A script cannot choose a file.',
  'nothing to enter': 'Nothing can be entered here.',
  'no text typed': 'No text is typed into a widget of this role.',
  'no valid text': 'No text was found that its constraints accept.',
  'nothing invalid': 'Nothing is invalid here.',
  'no such region': 'The meter has no such region.',
  'no option': 'The list has no option.',
  'not drawn': 'A hidden field is not drawn.',
  'no room': 'It takes no room in the page.',
  'not in page': 'The field is not in the page.',
  'no focus': 'The field does not take focus.',
  'focus taken away': 'The page takes the focus away again.',
  'nothing opens': 'This kind of field opens nothing.',
  'no keys': 'This kind of field takes no keys.',
  'no script': 'The field has no script.',
  'no name': 'The field has no name, so it is never submitted.',
  'not exposed': 'Assistive technology is told nothing of this field.',
  'native field': 'A field outside of browsers is drawn, checked and submitted by its app.',
  'page sees no windows': 'A page cannot see what a browser opens over it.',
  'page presses no keys': 'A page cannot type into itself as a person does.',
  'page presses no buttons': 'A page cannot press its own buttons as a person does.',
  'page submits nothing': 'A page cannot be submitted inside Ukko.',
  'model draws nothing': 'The model draws nothing: only a real engine opens something.',
  'model knows no parts': 'The model does not know the parts of this control.',
  'model knows no widget': 'The model does not know what scripts make of a widget or of editable content.',
  'model knows no name': 'The model does not know the accessible name that this engine composes.',
  'model knows no page': 'The model knows neither the styles nor the scripts of a page.',
  'page sees no accessibility tree': 'A page cannot see what assistive technology is told.',
  'remote display': 'A remote engine’s display cannot be seen from here, nor what opens on it.',
};

/** Why a question has no answer for a field. */
export function reasonText(reason: Reason): string {
  return reason.code === 'older' ? reason.text : reasonTexts[reason.code];
}

/** Why there are no facts: there can be none, or what went wrong. */
export function unansweredText(outcome: Unanswered): string {
  return outcome.status === 'inapplicable' ? reasonText(outcome.reason) : failureText(outcome.failure);
}

const unsentTexts: Readonly<Record<UnsentCode, string>> = {
  'no request': 'Nothing was submitted, and no field blocked it.',
  'no line of text': 'The form has no single-line text field.',
  'no form': 'The button belongs to no form.',
  'no submit button': 'This button does not submit.',
  dialog: 'The method is dialog: nothing leaves the page.',
  'no address': 'The action is not a valid address.',
  'no server': 'The action leads to no server.',
};

/** Why nothing of a form was sent, where no field was in the way. */
export function unsentText(unsent: Unsent): string {
  switch (unsent.code) {
    case 'older':
      return unsent.text;
    case 'policy':
      return `The page’s policy (form-action) allows submission to ${unsent.allowed} only, so Ukko cannot catch it. Submit it for real to see what goes out.`;
    case 'next step':
      return `The page went on to its next step${readingNow(unsent.reads)}. Add the steps that lead there to check its fields.`;
    case 'form gone':
      return `Nothing was submitted, and the page took the form away${readingNow(unsent.reads)}.`;
    default:
      return unsentTexts[unsent.code];
  }
}

function readingNow(lines: readonly string[]): string {
  return lines.length === 0 ? '' : `: “${lines.slice(0, 2).join(' · ')}”`;
}

const unmadeTexts: Readonly<Record<UnmadeCode, string>> = {
  'caret not settable': 'A script cannot set the caret in this kind of field: move it with keys.',
  'no input method': 'A driver has no input method: composition is modelled, not measured.',
  'no such route': 'A driver cannot make this input for real: it is modelled, not measured.',
  'tab from outside': 'Tab depends on what precedes the field: use focus script or focus click.',
  'not clickable': 'The field cannot be clicked.',
  'no clipboard program': 'Pasting needs a clipboard: install it with “apt-get install xclip”.',
  'clipboard refuses': 'The clipboard of the display did not take the text. Ask again.',
  'page has no clipboard': 'A page may not write to the clipboard by itself.',
  'no display': 'Pasting needs a display: install it with “apt-get install xvfb openbox xdotool xclip”.',
  'remote display': 'A remote engine’s clipboard cannot be filled from here.',
};

/** Why a stroke could not be made for real. */
export function unmadeText(unmade: Unmade): string {
  return unmade.code === 'older' ? unmade.text : unmadeTexts[unmade.code];
}

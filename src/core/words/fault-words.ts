import type { Fault } from '../fault/fault';
import type { Field } from '../html/field';
import type { CorrectedPattern } from '../regexp/corrected-pattern';
import { autocompleteWords, insteadWords } from './attribute-words';
import { listed } from './listed';

/** What is said of a fault: what is wrong, what that does to the person who fills the form in, and what to change. */
export interface FaultWords {
  readonly says: string;
  readonly why: string;
  readonly remedy: string;
}

/** @param field null for a fault of the form, or of what belongs to no field */
export function faultWords(fault: Fault, field: Pick<Field, 'label' | 'kind'> | null): FaultWords {
  const label = field?.label ?? 'The form';
  switch (fault.code) {
    case 'no way to send':
      return {
        says: `The form cannot be submitted: it has no button, and Enter ${fault.blocking > 1 ? `does not submit a form with ${fault.blocking} text fields` : 'inserts a newline'}.`,
        why: 'The person fills in the form and cannot send it.',
        remedy: 'Add a submit button.',
      };
    case 'no name':
      return {
        says: `${label} has no name, so it is never submitted.`,
        why: 'What the person enters never reaches the server.',
        remedy: 'Add a name that the server expects.',
      };
    case 'no label':
      return {
        says: `${label} has no label: screen readers announce no name, and no text focuses it on a click.`,
        why: 'People who use a screen reader hear no name, and everybody has a smaller place to tap.',
        remedy: 'Wrap it in a label, or give it an id and a label with that id in for.',
      };
    case 'label without words':
      return {
        says: `${label} has an empty label: screen readers announce no name.`,
        why: 'People who use a screen reader are not told what to enter.',
        remedy: 'Write into the label what to enter.',
      };
    case 'no accessible name':
      return {
        says: `${label} has no accessible name: screen readers announce its role alone.`,
        why: 'People who use a screen reader are not told what to enter.',
        remedy: 'Name it with aria-label, or with aria-labelledby and the id of the text beside it.',
      };
    case 'label for nothing':
      return {
        says:
          fault.target === null
            ? 'A label belongs to no field.'
            : `A label is for “${fault.target}”, but no field has that id.`,
        why: 'A tap on the label does nothing, and the intended field has no name.',
        remedy: 'Put the id of the field into for, or put the field into the label.',
      };
    case 'duplicate id':
      return {
        says: `The id “${fault.id}” is used twice: labels and scripts find only the first element.`,
        why: 'Labels, hints and scripts act on the wrong field.',
        remedy: 'Give one of them another id.',
      };
    case 'focus asked for twice':
      return {
        says: `${fault.fields} fields have autofocus: only the first gets focus on load.`,
        why: 'The person starts in another field than the author intended.',
        remedy: 'Keep autofocus on one field.',
      };
    case 'radio button alone':
      return {
        says: `${label} is the only radio button with its name: once checked, it cannot be unchecked.`,
        why: 'The person can choose several answers, and cannot undo any.',
        remedy: 'Give all choices of one question the same name.',
      };
    case 'choices without a question':
      return {
        says: `${label}: the radio group has no accessible name.`,
        why: 'People who use a screen reader hear the choices, but not the question.',
        remedy:
          'Put the choices into a fieldset with the question as its legend, or name their container as a group.',
      };
    case 'hint as value':
      return {
        says: `${label} is prefilled with “${fault.value}”, which looks like a hint.`,
        why: 'The person must delete it first, or it is submitted as if it had been entered.',
        remedy: 'Use placeholder, or write the hint beside the field.',
      };
    case 'default thrown away':
      return {
        says: `${label} has the default “${fault.value}”, which a ${field?.kind ?? ''} field discards.`,
        why: 'The field starts empty, though the author meant it not to.',
        remedy: 'Set a valid default, or none.',
      };
    case 'default refused':
      return {
        says: `${label} has the default “${fault.value}”, which its own constraints reject (${fault.flags.join(', ')}).`,
        why: 'The form cannot be submitted as it opens, through no fault of the person.',
        remedy: 'Set a valid default, or none.',
      };
    case 'example refused':
      return {
        says: `${label} shows the example “${fault.example}”, but rejects it.`,
        why: 'People who copy the example are blocked.',
        remedy: 'Show an example that the field accepts, or accept this one.',
      };
    case 'format refused':
      return {
        says: `${label} asks for ${fault.format}, but rejects “${fault.example}”.`,
        why: 'People who enter a date as they are told are blocked.',
        remedy: 'Accept dates of this format, or ask for the format that the field accepts.',
      };
    case 'min above max':
      return {
        says: `${label}: min is above max, so no value is valid.`,
        why: 'The person cannot enter anything that is accepted.',
        remedy: 'Swap min and max.',
      };
    case 'beyond its gauge':
      return {
        says: `${label} has the value ${fault.value} and the max ${fault.max}: the gauge is always full.`,
        why: 'The gauge shows another amount than the author meant.',
        remedy: 'Set a max, as in max="100".',
      };
    case 'pattern does not compile':
      return {
        says: `${label}: the pattern does not compile, so browsers ignore it: ${fault.reason}`,
        why: 'Most browsers ignore the rule and accept everything.',
        remedy: fault.corrected
          ? `Write pattern="${fault.corrected.source}": ${correctionText(fault.corrected)}.`
          : 'Correct the pattern. Browsers compile it with the v flag, which requires more escapes.',
      };
    case 'pattern accepts nothing':
      return {
        says: `${label}: the pattern also accepts the empty string.`,
        why: 'The rule accepts an empty entry.',
        remedy: 'Require at least one character; required alone decides whether the field may stay empty.',
      };
    case 'pattern without a hint':
      return {
        says: `${label} has a pattern, but no hint states the format.`,
        why: 'The person learns the format only when the form is blocked.',
        remedy: 'State the format near the field and in its title, which browsers add to their message.',
      };
    case 'limit not shown':
      return {
        says: `${label}: ${fault.limits.join(' and ')} ${fault.limits.length > 1 ? 'are' : 'is'} not stated near the field.`,
        why: 'The person learns the limit only by running into it.',
        remedy: 'State the limit near the field.',
      };
    case 'attribute ignored':
      return {
        says: `${label}: ${fault.attribute} has no effect on a ${fault.kind} field.`,
        why: 'A limit or a default that the author wrote is not in effect.',
        remedy: insteadWords(fault.kind, fault.attribute) || 'Remove it, or change the type.',
      };
    case 'unknown type':
      return {
        says: `${label}: there is no input type “${fault.type}”, so every browser shows a text box.`,
        why: 'The person gets a plain text box, without picker, keyboard or checks.',
        remedy: fault.meant ? `Write type="${fault.meant}".` : 'Use an existing type.',
      };
    case 'number to dial':
      return {
        says: `${label} is a phone number, but type="number" treats it as an amount.`,
        why: 'Arrow keys and the mouse wheel change the number and drop its leading zeros.',
        remedy: 'Use type="tel": it keeps what is typed and brings up a phone keypad.',
      };
    case 'code as number':
      return {
        says: `${label} is a code, but type="number" treats it as an amount.`,
        why: 'Arrow keys and the mouse wheel change the code and drop its leading zeros.',
        remedy: 'Use a text or password field with inputmode="numeric" and a pattern.',
      };
    case 'list not there':
      return {
        says: `${label}: list="${fault.list}" names no datalist.`,
        why: 'The suggestions never appear.',
        remedy: 'Add a datalist with that id.',
      };
    case 'suggestion refused':
      return {
        says: `${label} rejects “${fault.value}”, which its own datalist offers.`,
        why: 'The suggestion does not appear, or blocks the form once chosen.',
        remedy: 'Offer only values that the field accepts.',
      };
    case 'autocomplete':
      return {
        says: `${label}: ${lowerFirst(autocompleteWords(fault.fault))}`,
        why: 'Browsers and password managers do not fill in the field.',
        remedy: 'Use a token of the standard that fits the type, or off.',
      };
    case 'slider without readout':
      return {
        says: `${label}: the slider does not show its value.`,
        why: 'The person cannot see which value is set.',
        remedy: 'Add an output beside it, and update that by script.',
      };
    case 'keypad lacks a character':
      return {
        says: `${label} accepts “${fault.character}”, but the keypad of inputmode="${fault.inputmode}" may lack it.`,
        why: 'On a phone, the person has no key for a value that the field accepts.',
        remedy: 'Ask for a keyboard that has it, or remove inputmode.',
      };
    case 'filter on keys':
      return {
        says: `${field ? `${label}: a` : 'A'} filter in ${fault.handler} never sees text that is pasted, dropped, dictated or typed on a phone.`,
        why: 'Phone keyboards, paste and dictation bypass the filter, or are blocked by it.',
        remedy: 'Filter in beforeinput, or check after input.',
      };
    case 'picker over picker':
      return {
        says: `${label} seems to get a scripted picker on top of the browser’s own.`,
        why: 'Two pickers open over each other.',
        remedy: 'Load the script only in browsers without that picker.',
      };
    case 'buttons alike':
      return {
        says: `${label} submits the same data as another button: the server cannot tell which was pressed.`,
        why: 'Pressing one button can do what the other is for.',
        remedy: 'Give both a name and different values, or another formaction.',
      };
    case 'no such value':
      return {
        says: `${label}: ${fault.attribute}="${fault.value}" is no value of that attribute, so browsers ${fault.takenFor === null ? 'ignore it' : `take “${fault.takenFor}”`}.`,
        why:
          fault.takenFor === null
            ? 'What the attribute was written for does not happen.'
            : 'The form is sent in another way than was meant, with all values in the address.',
        remedy:
          fault.meant === null
            ? 'Write a value that the attribute has, or remove it.'
            : `Write ${fault.attribute}="${fault.meant}".`,
      };
    case 'misspelt attribute':
      return {
        says: `${label}: there is no attribute “${fault.attribute}”; it looks like “${fault.meant}”.`,
        why: 'Browsers ignore it, so what it was written for does not happen.',
        remedy: `Write “${fault.meant}”.`,
      };
    case 'unreadable number':
      return {
        says: `${label}: browsers cannot read ${fault.attribute}="${fault.value}", so there is no such limit.`,
        why: 'The limit that was meant does not hold.',
        remedy: 'Write a number that the attribute can have, or remove it.',
      };
    case 'minlength above maxlength':
      return {
        says: `${label}: no text has at least ${fault.least} and at most ${fault.most} characters.`,
        why: 'The person can enter nothing that the field accepts.',
        remedy: 'Set minlength no higher than maxlength.',
      };
    case 'name hides a member':
      return {
        says: `${label} is named “${fault.name}”, which hides form.${fault.name} from scripts.`,
        why: 'A script that uses it gets the field instead, and fails.',
        remedy: 'Give the field another name.',
      };
    case 'required choice is made':
      return {
        says: `${label} is required, but “${fault.option}” is chosen from the start.`,
        why: 'Who overlooks the field submits the first option without having chosen it.',
        remedy: 'Put an option with an empty value first, such as “Choose one”.',
      };
    case 'radio buttons without values':
      return {
        says: `${label}: a radio button has no value, so it sends “on”.`,
        why: 'The server cannot tell which one was chosen.',
        remedy: 'Give each of them a value.',
      };
    case 'focus jumps':
      return {
        says: `${label} has tabindex="${fault.tabindex}", so Tab goes there before all fields without one.`,
        why: 'The focus jumps about for everybody who uses the keyboard.',
        remedy: 'Remove tabindex, and put the fields in the wanted order.',
      };
    case 'paste is refused':
      return {
        says: `${label} rejects paste.`,
        why: 'People cannot use what they copied or what a password manager holds, and mistype it instead.',
        remedy: 'Remove the handler.',
      };
    case 'secret in the address':
      return {
        says: `${label} is sent by GET, so the address contains its value.`,
        why: 'The secret is kept in the history, in bookmarks and in the logs of servers.',
        remedy: 'Write method="post" on the form.',
      };
    case 'form in a form':
      return {
        says: 'A form begins inside another form, and browsers ignore its start tag.',
        why: 'Its action, method and listeners do not exist: its fields are submitted with the outer form.',
        remedy: 'Close the outer form first, or make the inner one a fieldset.',
      };
    case 'form ends early':
      return {
        says: `A form inside another form ends the outer one, so ${listed(fault.lost.map((one) => `“${one}”`))} ${fault.lost.length === 1 ? 'belongs' : 'belong'} to no form.`,
        why: 'What is entered there is never submitted, and a button there submits nothing.',
        remedy: 'Close the outer form first, or make the inner one a fieldset.',
      };
  }
}

const quotedSign = (sign: string) => `“${sign}”`;

function correctionText({ escaped, bare }: CorrectedPattern): string {
  const parts = [
    escaped.length > 0 ? `inside brackets ${listed(escaped.map(quotedSign))} need a backslash` : '',
    bare.length > 0 ? `${listed(bare.map(quotedSign))} must not have one` : '',
  ];
  return parts.filter(Boolean).join('; ');
}

function lowerFirst(sentence: string): string {
  return sentence.charAt(0).toLowerCase() + sentence.slice(1);
}

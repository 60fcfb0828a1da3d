import type { FormReading } from '../html/field';
import {
  acceptOfNothing,
  choicesWithoutValue,
  jumpingFocus,
  lengthsApart,
  misspeltAttribute,
  nameHidesMember,
  noSuchValue,
  pasteRefused,
  presetChoice,
  secretInAddress,
  unreadableNumber,
} from './attribute-rules';
import { formInForm, noWayToSend } from './form-rules';
import {
  autocompleteFaults,
  codeAsNumber,
  ignoredAttribute,
  keyHandlers,
  keypadLacks,
  pickerOverPicker,
  sameButtons,
  silentSlider,
  suggestionFaults,
  unknownType,
} from './kind-rules';
import {
  duplicateId,
  labelForNothing,
  loneRadio,
  manyFocus,
  unlabelled,
  unnamed,
  unnamedChoices,
  unnamedWidget,
} from './naming-rules';
import { type FaultRule, type MarkupFault, runRules } from './page-under-check';
import {
  beyondGauge,
  hiddenLimit,
  hintAsValue,
  patternFaults,
  refusedDefault,
  refusedExample,
  refusedFormat,
  reversedLimits,
} from './value-rules';

/** What is wrong with the markup of a form, as far as the markup alone can tell, with a remedy each. */
export function markupFaults(markup: string, reading: Pick<FormReading, 'fields'>): MarkupFault[] {
  return runRules(markup, reading, rules);
}

const rules: Readonly<Record<string, FaultRule>> = {
  'no way to send': noWayToSend,
  'form in a form': formInForm,
  'no name': unnamed,
  'no label': unlabelled,
  'widget without a name': unnamedWidget,
  'label for nothing': labelForNothing,
  'duplicate id': duplicateId,
  'focus asked for twice': manyFocus,
  'radio button alone': loneRadio,
  'choices without a question': unnamedChoices,
  'hint as value': hintAsValue,
  'default refused': refusedDefault,
  'example refused': refusedExample,
  'format refused': refusedFormat,
  'min above max': reversedLimits,
  'beyond its gauge': beyondGauge,
  pattern: patternFaults,
  'limit not shown': hiddenLimit,
  'attribute ignored': ignoredAttribute,
  'unknown type': unknownType,
  'code as number': codeAsNumber,
  suggestions: suggestionFaults,
  autocomplete: autocompleteFaults,
  'slider without readout': silentSlider,
  'keypad lacks a character': keypadLacks,
  'filter on keys': keyHandlers,
  'picker over picker': pickerOverPicker,
  'buttons alike': sameButtons,
  'no such value': noSuchValue,
  'misspelt attribute': misspeltAttribute,
  'unreadable number': unreadableNumber,
  'minlength above maxlength': lengthsApart,
  'name hides a member': nameHidesMember,
  'required choice is made': presetChoice,
  'radio buttons without values': choicesWithoutValue,
  'focus jumps': jumpingFocus,
  'paste is refused': pasteRefused,
  'secret in the address': secretInAddress,
  accept: acceptOfNothing,
};

/** Every rule, by its name. */
export const ruleNames: readonly string[] = Object.keys(rules);

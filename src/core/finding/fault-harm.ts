import type { Fault, FaultCode } from '../fault/fault';
import type { Harm } from './finding';

/** What each fault of the markup does to the person who fills the form in. */
const faultHarms: Readonly<Record<FaultCode, Harm>> = {
  'no way to send': 'value lost',
  'no name': 'value lost',
  'no label': 'person misled',
  'label without words': 'person misled',
  'no accessible name': 'person misled',
  'label for nothing': 'person misled',
  'duplicate id': 'person misled',
  'focus asked for twice': 'person misled',
  'radio button alone': 'wrong value sent',
  'choices without a question': 'person misled',
  'hint as value': 'wrong value sent',
  'default thrown away': 'person misled',
  'default refused': 'person misled',
  'example refused': 'person misled',
  'format refused': 'person misled',
  'min above max': 'cannot enter a valid value',
  'beyond its gauge': 'person misled',
  'pattern does not compile': 'wrong value sent',
  'pattern accepts nothing': 'wrong value sent',
  'pattern without a hint': 'person misled',
  'limit not shown': 'person misled',
  'attribute ignored': 'person misled',
  'unknown type': 'person misled',
  'number to dial': 'wrong value sent',
  'code as number': 'wrong value sent',
  'list not there': 'person misled',
  'suggestion refused': 'person misled',
  autocomplete: 'person misled',
  'slider without readout': 'person misled',
  'keypad lacks a character': 'cannot enter a valid value',
  'filter on keys': 'person misled',
  'picker over picker': 'person misled',
  'buttons alike': 'wrong value sent',
  'no such value': 'person misled',
  'misspelt attribute': 'person misled',
  'unreadable number': 'person misled',
  'minlength above maxlength': 'cannot enter a valid value',
  'name hides a member': 'person misled',
  'required choice is made': 'wrong value sent',
  'radio buttons without values': 'wrong value sent',
  'focus jumps': 'person misled',
  'paste is refused': 'person misled',
  'secret in the address': 'wrong value sent',
  'form in a form': 'wrong value sent',
  'form ends early': 'value lost',
};

/** What a fault does to the person: nobody meets what a hidden field says. */
export function harmOf(fault: Fault): Harm {
  return fault.code === 'attribute ignored' && fault.kind === 'hidden' ? 'cosmetic' : faultHarms[fault.code];
}

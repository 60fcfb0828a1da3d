import type { AutocompleteFault } from '../html/autocomplete-tokens';
import type { FieldKind } from '../html/field';
import type { CorrectedPattern } from '../regexp/corrected-pattern';
import type { ValidityFlag } from '../standard/validity-flags';

/** What can be wrong with markup: a code, and what tells one fault of that code from another. Its sentence is made in `words/`. */
export type Fault =
  /** `blocking` fields of a form without a button keep Enter from sending it; none: Enter puts a newline. */
  | { readonly code: 'no way to send'; readonly blocking: number }
  | { readonly code: 'no name' }
  | { readonly code: 'no label' }
  | { readonly code: 'label without words' }
  /** Of a widget. */
  | { readonly code: 'no accessible name' }
  /** `target` is what its `for` says; null: it has none. */
  | { readonly code: 'label for nothing'; readonly target: string | null }
  | { readonly code: 'duplicate id'; readonly id: string }
  | { readonly code: 'focus asked for twice'; readonly fields: number }
  | { readonly code: 'radio button alone' }
  | { readonly code: 'choices without a question' }
  | { readonly code: 'hint as value'; readonly value: string }
  /** The kind sanitizes the value to nothing (HTML Standard, "value sanitization algorithm"). */
  | { readonly code: 'default thrown away'; readonly value: string }
  | { readonly code: 'default refused'; readonly value: string; readonly flags: readonly ValidityFlag[] }
  | { readonly code: 'example refused'; readonly example: string }
  /** The words beside the field ask for dates of this format; `example` is one. */
  | { readonly code: 'format refused'; readonly format: string; readonly example: string }
  | { readonly code: 'min above max' }
  | { readonly code: 'beyond its gauge'; readonly value: number; readonly max: number }
  /** `reason` is the matcher's own. */
  | {
      readonly code: 'pattern does not compile';
      readonly reason: string;
      readonly corrected: CorrectedPattern | null;
    }
  | { readonly code: 'pattern accepts nothing' }
  | { readonly code: 'pattern without a hint' }
  | { readonly code: 'limit not shown'; readonly limits: readonly string[] }
  | { readonly code: 'attribute ignored'; readonly attribute: string; readonly kind: FieldKind }
  | { readonly code: 'unknown type'; readonly type: string; readonly meant: string | null }
  | { readonly code: 'number to dial' }
  | { readonly code: 'code as number' }
  | { readonly code: 'list not there'; readonly list: string }
  | { readonly code: 'suggestion refused'; readonly value: string }
  | { readonly code: 'autocomplete'; readonly fault: AutocompleteFault }
  | { readonly code: 'slider without readout' }
  | { readonly code: 'keypad lacks a character'; readonly character: string; readonly inputmode: string }
  | { readonly code: 'filter on keys'; readonly handler: string }
  | { readonly code: 'picker over picker' }
  | { readonly code: 'buttons alike' }
  /** `takenFor` is the keyword that the browser goes by instead; null: it does as if the attribute were not there. `meant` is the nearest. */
  | {
      readonly code: 'no such value';
      readonly attribute: string;
      readonly value: string;
      readonly takenFor: string | null;
      readonly meant: string | null;
    }
  | { readonly code: 'misspelt attribute'; readonly attribute: string; readonly meant: string }
  | { readonly code: 'unreadable number'; readonly attribute: string; readonly value: string }
  /** UTF-16 code units. */
  | { readonly code: 'minlength above maxlength'; readonly least: number; readonly most: number }
  | { readonly code: 'name hides a member'; readonly name: string }
  | { readonly code: 'required choice is made'; readonly option: string }
  | { readonly code: 'radio buttons without values' }
  | { readonly code: 'focus jumps'; readonly tabindex: number }
  | { readonly code: 'paste is refused' }
  | { readonly code: 'secret in the address' }
  /** A form begins inside of another one, and what it says is ignored. */
  | { readonly code: 'form in a form' }
  /** … and its end ends the outer one: the labels of the fields that belong to none then. */
  | { readonly code: 'form ends early'; readonly lost: readonly string[] };

export type FaultCode = Fault['code'];

/**
 * What makes a fault the same one after an edit elsewhere: its code, and which attribute, id or text it is about. How something is said,
 * by Ukko or by a matcher, and how much of it there is, are no part of that.
 */
export function faultIdentity(fault: Fault): readonly [FaultCode, ...string[]] {
  switch (fault.code) {
    case 'label for nothing':
      return [fault.code, fault.target ?? ''];
    case 'duplicate id':
      return [fault.code, fault.id];
    case 'hint as value':
    case 'default thrown away':
    case 'default refused':
    case 'suggestion refused':
      return [fault.code, fault.value];
    case 'example refused':
      return [fault.code, fault.example];
    case 'format refused':
      return [fault.code, fault.format];
    case 'limit not shown':
      return [fault.code, ...fault.limits];
    case 'attribute ignored':
    case 'no such value':
    case 'misspelt attribute':
    case 'unreadable number':
      return [fault.code, fault.attribute];
    case 'unknown type':
      return [fault.code, fault.type];
    case 'list not there':
      return [fault.code, fault.list];
    case 'keypad lacks a character':
      return [fault.code, fault.character];
    case 'filter on keys':
      return [fault.code, fault.handler];
    default:
      return [fault.code];
  }
}

import { grouped } from '../grouped';
import {
  attribute,
  type Control,
  type Field,
  type FieldId,
  hasAttribute,
  isDisabled,
  isTypedText,
  takesKeys,
} from '../html/field';
import { type EnterKeyHint, hasKeyboard, type InputTraits, traitsOf } from './input-traits';
import { hasActionKey, type Keyboard } from './keyboard';
import type { KeyboardHabits } from './keyboard-habits';
import type { Known } from './known';

/** What tapping the action key does. */
export type ActionDeed =
  | { readonly does: 'goes to'; readonly field: Field }
  /** Asks the form to be sent (HTML Standard, "Implicit submission"). */
  | { readonly does: 'sends' }
  | { readonly does: 'puts a newline' }
  | { readonly does: 'puts the keyboard away' }
  | { readonly does: 'nothing'; readonly why: IdleReason };

/** Why an action key, or a key above the keyboard, does nothing. */
export type IdleReason =
  | 'no action key'
  | 'several fields and no button'
  | 'no field follows'
  | 'no field before';

/** What becomes of focus and keyboard when the action key is tapped while the entry is not accepted. */
export type AfterRefusal =
  | 'focus moves on unchecked'
  | 'blocked, keyboard stays'
  | 'blocked, keyboard goes'
  | 'newline, unchecked'
  | 'keyboard goes, unchecked'
  | 'only the button checks'
  | 'unchecked';

/** What a person cannot do: there is no key to go on with, or a newline is all that it brings and nothing sends the form. */
export type ActionKeyTrouble = 'no action key' | 'newline only';

export interface ActionKey {
  /** Null where the keyboard has no such key. */
  readonly called: EnterKeyHint | null;
  readonly label: string;
  readonly deed: ActionDeed;
  /** While the entry is not accepted yet. */
  readonly whenNotAccepted: AfterRefusal;
  /** What a person cannot do here; null when all is well. */
  readonly trouble: ActionKeyTrouble | null;
  readonly known: Known;
}

/** The fields that take the focus, in the order of the Tab key (HTML Standard, "Sequential focus navigation"). */
export function focusOrder(fields: readonly Field[]): readonly Field[] {
  const index = ({ controls }: Field) => Number.parseInt(attribute(controls[0], 'tabindex') ?? '0', 10) || 0;
  const takesFocus = ({ kind, controls: [control] }: Field) =>
    takesKeys(kind) && !isDisabled(control) && !hasAttribute(control, 'hidden');
  const reached = fields.filter((field) => takesFocus(field) && index(field) >= 0);
  const early = reached.filter((field) => index(field) > 0).sort((a, b) => index(a) - index(b));
  return [...early, ...reached.filter((field) => index(field) === 0)];
}

/** Keys above a keyboard that go through the fields of a form. */
export type AccessoryKey = 'previous' | 'next' | 'done';

/** What a key above the keyboard does: it goes to fields into which something is entered, whatever their action keys say. */
export function accessoryDeed(key: AccessoryKey, field: Field, fields: readonly Field[]): ActionDeed {
  if (key === 'done') return { does: 'puts the keyboard away' };
  const entered = focusOrder(fields).filter((one) => hasKeyboard(one) || one.kind === 'select');
  const at = entered.findIndex(({ id }) => id === field.id);
  const other = at === -1 ? undefined : entered[at + (key === 'next' ? 1 : -1)];
  if (other) return { does: 'goes to', field: other };
  return { does: 'nothing', why: key === 'next' ? 'no field follows' : 'no field before' };
}

/** The action key of a field's keyboard: what it is called, what it does, and what becomes of keyboard and focus. */
export function actionKeyOf(
  field: Field,
  fields: readonly Field[],
  keyboard: Keyboard,
  habits: KeyboardHabits,
): ActionKey {
  const { action, accessory } = habits;
  const entry = traitsOf(field);
  const place = placeOf(field, fields);
  const none = !hasActionKey(keyboard);
  const called = none ? null : nameOf(entry, place.next !== null, habits);
  const deed = none ? absent : deedOf(entry, called, place, habits);
  const trouble = troubleOf(entry, deed, place, accessory.length > 0);
  return {
    called,
    label: called === null ? '' : action.labels[called],
    deed,
    whenNotAccepted: afterRefusal(deed, action.whenNotAccepted, place.sends),
    trouble,
    known: action.known,
  };
}

const absent: ActionDeed = { does: 'nothing', why: 'no action key' };

interface Place {
  readonly next: Field | null;
  readonly previous: Field | null;
  /** Whether Enter in a field of the form can send it. */
  readonly sends: boolean;
}

/** What comes before and after it, of fields that are filled in with a keyboard or chosen from. */
function placeOf({ id, controls: [{ form }] }: Field, fields: readonly Field[]): Place {
  const { order, indexOf, sending } = orderOf(fields);
  const at = indexOf.get(id);
  return {
    next: at === undefined ? null : (order[at + 1] ?? null),
    previous: at === undefined ? null : (order[at - 1] ?? null),
    sends: form !== null && sending.has(form),
  };
}

interface FieldOrder {
  /** Fields that are filled in with a keyboard or chosen from, in the order of the Tab key. */
  readonly order: readonly Field[];
  readonly indexOf: ReadonlyMap<FieldId, number>;
  /** Forms that Enter in one of their fields can send (HTML Standard, "Implicit submission"). */
  readonly sending: ReadonlySet<Control['form']>;
}

/** By the fields of a form: each target asks about each of them, and a form may have thousands. */
const orders = new WeakMap<readonly Field[], FieldOrder>();

function orderOf(fields: readonly Field[]): FieldOrder {
  const known = orders.get(fields);
  if (known) return known;
  const order = focusOrder(fields).filter(({ kind }) => isTypedText(kind) || kind === 'select');
  const found = {
    order,
    indexOf: new Map(order.map(({ id }, index) => [id, index])),
    sending: new Set(
      [...grouped(fields, ({ controls: [{ form }] }) => form)].flatMap(([form, own]) =>
        canSend(own) ? [form] : [],
      ),
    ),
  };
  orders.set(fields, found);
  return found;
}

function canSend(fields: readonly Field[]): boolean {
  const blocking = fields.filter(({ kind }) => isTypedText(kind) && kind !== 'textarea');
  return blocking.length === 1 || fields.some(({ kind }) => kind === 'submit' || kind === 'image');
}

function nameOf(entry: InputTraits, hasNext: boolean, { action }: KeyboardHabits): EnterKeyHint {
  if (action.takesHint && entry.enterkeyhint) return entry.enterkeyhint;
  if (entry.kind === 'textarea') return 'enter';
  if (entry.kind === 'search') return 'search';
  return action.nextWhereMoreFollow && hasNext ? 'next' : action.otherwise;
}

function deedOf(
  entry: InputTraits,
  called: EnterKeyHint | null,
  place: Place,
  { action }: KeyboardHabits,
): ActionDeed {
  if (action.hintMoves && called === 'next' && place.next) return { does: 'goes to', field: place.next };
  if (action.hintMoves && called === 'previous' && place.previous)
    return { does: 'goes to', field: place.previous };
  if (entry.kind === 'textarea' && !(action.doneOnlyCloses && called === 'done'))
    return { does: 'puts a newline' };
  if (action.doneOnlyCloses && called === 'done') return { does: 'puts the keyboard away' };
  return place.sends ? { does: 'sends' } : { does: 'nothing', why: 'several fields and no button' };
}

function afterRefusal(deed: ActionDeed, kept: 'kept' | 'put away', sends: boolean): AfterRefusal {
  switch (deed.does) {
    case 'goes to':
      return 'focus moves on unchecked';
    case 'sends':
      return kept === 'kept' ? 'blocked, keyboard stays' : 'blocked, keyboard goes';
    case 'puts a newline':
      return 'newline, unchecked';
    case 'puts the keyboard away':
      return 'keyboard goes, unchecked';
    case 'nothing':
      return sends ? 'only the button checks' : 'unchecked';
  }
}

function troubleOf(
  { kind }: InputTraits,
  deed: ActionDeed,
  place: Place,
  hasAccessory: boolean,
): ActionKeyTrouble | null {
  if (deed === absent && !hasAccessory) return 'no action key';
  return kind === 'textarea' && deed.does === 'puts a newline' && !place.sends ? 'newline only' : null;
}

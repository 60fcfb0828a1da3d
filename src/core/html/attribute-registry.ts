import { datedKinds, type FieldKind, inputTypes } from './field';

/** How an attribute's value is edited. */
export type AttributeValue = 'text' | 'boolean' | 'number' | readonly string[];

export interface AttributeEntry {
  readonly value: AttributeValue;
  /** Kinds that the attribute acts on; null: every kind of field. */
  readonly kinds: readonly FieldKind[] | null;
}

const typed: FieldKind[] = ['text', 'search', 'tel', 'url', 'email', 'password', 'textarea'];
const singleLine: FieldKind[] = ['text', 'search', 'tel', 'url', 'email', 'password'];
const ranged: FieldKind[] = [...datedKinds, 'number', 'range'];
const submits: FieldKind[] = ['submit', 'image'];

/**
 * The attributes that change what a person can enter, sees or sends, and the kinds on which they act
 * (HTML Standard, "The input element", table of attributes that apply, and the sections of the other elements).
 */
export const attributeRegistry: Readonly<Record<string, AttributeEntry>> = {
  type: { value: 'text', kinds: null },
  name: { value: 'text', kinds: null },
  id: { value: 'text', kinds: null },
  value: { value: 'text', kinds: [...inputTypes.filter((type) => type !== 'file'), 'meter', 'progress'] },
  placeholder: { value: 'text', kinds: [...typed, 'number'] },
  title: { value: 'text', kinds: null },
  required: {
    value: 'boolean',
    kinds: [...typed, ...datedKinds, 'number', 'checkbox', 'radio', 'file', 'select'],
  },
  readonly: { value: 'boolean', kinds: [...typed, ...datedKinds, 'number'] },
  disabled: { value: 'boolean', kinds: null },
  min: { value: 'text', kinds: [...ranged, 'meter'] },
  max: { value: 'text', kinds: [...ranged, 'meter', 'progress'] },
  step: { value: 'text', kinds: ranged },
  minlength: { value: 'number', kinds: typed },
  maxlength: { value: 'number', kinds: typed },
  pattern: { value: 'text', kinds: singleLine },
  multiple: { value: 'boolean', kinds: ['email', 'file', 'select'] },
  list: {
    value: 'text',
    kinds: ['text', 'search', 'tel', 'url', 'email', ...datedKinds, 'number', 'range', 'color'],
  },
  accept: { value: 'text', kinds: ['file'] },
  capture: { value: ['user', 'environment'], kinds: ['file'] },
  checked: { value: 'boolean', kinds: ['checkbox', 'radio'] },
  size: { value: 'number', kinds: [...singleLine, 'select'] },
  rows: { value: 'number', kinds: ['textarea'] },
  cols: { value: 'number', kinds: ['textarea'] },
  wrap: { value: ['soft', 'hard'], kinds: ['textarea'] },
  dirname: { value: 'text', kinds: [...typed, 'hidden', 'submit', 'reset', 'button'] },
  alt: { value: 'text', kinds: ['image'] },
  src: { value: 'text', kinds: ['image'] },
  width: { value: 'number', kinds: ['image'] },
  height: { value: 'number', kinds: ['image'] },
  low: { value: 'number', kinds: ['meter'] },
  high: { value: 'number', kinds: ['meter'] },
  optimum: { value: 'number', kinds: ['meter'] },
  for: { value: 'text', kinds: ['output'] },
  form: { value: 'text', kinds: null },
  formaction: { value: 'text', kinds: submits },
  formmethod: { value: ['get', 'post', 'dialog'], kinds: submits },
  formenctype: {
    value: ['application/x-www-form-urlencoded', 'multipart/form-data', 'text/plain'],
    kinds: submits,
  },
  formtarget: { value: 'text', kinds: submits },
  formnovalidate: { value: 'boolean', kinds: submits },
  autocomplete: { value: 'text', kinds: null },
  autocapitalize: { value: ['none', 'sentences', 'words', 'characters'], kinds: [...typed, 'number'] },
  autofocus: { value: 'boolean', kinds: null },
  inputmode: {
    value: ['none', 'text', 'decimal', 'numeric', 'tel', 'search', 'email', 'url'],
    kinds: [...typed, 'number'],
  },
  enterkeyhint: {
    value: ['enter', 'done', 'go', 'next', 'previous', 'search', 'send'],
    kinds: [...typed, 'number'],
  },
  spellcheck: { value: ['true', 'false'], kinds: typed },
  hidden: { value: 'boolean', kinds: null },
};

/** The attributes of a form that change what is sent, and how (HTML Standard, "The form element"). */
export const formAttributeRegistry: Readonly<Record<string, AttributeValue>> = {
  action: 'text',
  method: ['get', 'post', 'dialog'],
  enctype: ['application/x-www-form-urlencoded', 'multipart/form-data', 'text/plain'],
  'accept-charset': 'text',
  target: 'text',
  novalidate: 'boolean',
  autocomplete: ['on', 'off'],
  id: 'text',
  name: 'text',
};

const globalNames = new Set(
  'accesskey autocorrect class contenteditable dir draggable inert itemid itemprop itemref itemscope itemtype lang nonce part popover popovertarget popovertargetaction role slot style tabindex translate'.split(
    ' ',
  ),
);

/** True when the attribute is the standard's own, or reserved for authors (`data-…`, `aria-…`). */
export function isKnownAttribute(name: string): boolean {
  return (
    Object.hasOwn(attributeRegistry, name) ||
    globalNames.has(name) ||
    name.startsWith('data-') ||
    name.startsWith('aria-')
  );
}

/** True when the attribute does something on this kind. Attributes that are not in the registry act on none. */
export function appliesTo(name: string, kind: FieldKind): boolean {
  const entry = Object.hasOwn(attributeRegistry, name) ? attributeRegistry[name] : undefined;
  if (!entry) return false;
  return entry.kinds === null || entry.kinds.includes(kind);
}

/** The attributes worth offering for a kind, in the registry's order. */
export function attributesFor(kind: FieldKind): readonly string[] {
  return Object.keys(attributeRegistry).filter((name) => appliesTo(name, kind));
}

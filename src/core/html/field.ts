import type { NoteFact } from './markup-note';
/**
 * A form as Ukko sees it. The markup is the only truth: fields are read from it with their places in the
 * source, and an edit of a field is an edit of the source. All places are offsets in UTF-16 code units.
 */

export type FieldId = string & { readonly brand: 'FieldId' };

/** The states of the `type` attribute of `input` (HTML Standard, "The input element"). */
export const inputTypes = [
  'hidden',
  'text',
  'search',
  'tel',
  'url',
  'email',
  'password',
  'date',
  'month',
  'week',
  'time',
  'datetime-local',
  'number',
  'range',
  'color',
  'checkbox',
  'radio',
  'file',
  'submit',
  'image',
  'reset',
  'button',
] as const;
export type InputType = (typeof inputTypes)[number];

/** Elements that take part in a form or show a value beside its fields. */
export const fieldElements = [
  'input',
  'select',
  'textarea',
  'button',
  'meter',
  'progress',
  'output',
] as const;
/** A *widget* is any other element into which a person enters something, see `widgetsIn`. */
export type FieldElement = (typeof fieldElements)[number] | 'widget';

/** Whether an element of this name is a control of HTML. */
export function isControlTag(tagName: string): boolean {
  return fieldElements.some((name) => name === tagName);
}

/** Finds the controls of HTML in a page; `readForm` numbers them and the widgets among them in the order of the page. */
export const controlSelector = fieldElements.join(',');

export type FieldKind = InputType | 'select' | 'textarea' | 'meter' | 'progress' | 'output' | 'widget';

export interface Span {
  readonly start: number;
  readonly end: number;
}

export interface Attribute {
  readonly name: string;
  readonly value: string;
  readonly span: Span;
}

export interface Option {
  readonly value: string;
  readonly label: string;
  readonly selected: boolean;
  readonly disabled: boolean;
  /** Inside an optgroup. */
  readonly grouped: boolean;
}

/** One element. `ordinal` is its place among all controls and widgets of the page, from 0. */
export interface Control {
  readonly ordinal: number;
  readonly element: FieldElement;
  readonly attributes: readonly Attribute[];
  readonly startTag: Span;
  readonly span: Span;
  /** What stands between the tags; the default value of a textarea, the words on a button, the content of a widget. */
  readonly text: string;
  /** Of a select; in document order, without its groups. */
  readonly options: readonly Option[];
  /** Inside a disabled fieldset, and not in its first legend. */
  readonly disabledByFieldset: boolean;
  readonly inDatalist: boolean;
  /** Of a select: something else than an option comes first in it. */
  readonly startsWithOther: boolean;
  /** Its form owner, as an index into the page's forms in tree order; null without one (HTML Standard, "form owner"). */
  readonly form: number | null;
  /** The directionality that it takes from what it stands in (HTML Standard, "The dir attribute"). */
  readonly direction: 'ltr' | 'rtl';
  /** Its language tag (HTML Standard, "The lang and xml:lang attributes"); null where the page does not say one. */
  readonly language: string | null;
}

/** What a person fills in as one thing: a control, or all radio buttons of one group. */
export interface Field {
  readonly id: FieldId;
  readonly kind: FieldKind;
  readonly label: string;
  readonly name: string;
  /** At least one; more than one only in a radio button group. */
  readonly controls: readonly [Control, ...Control[]];
  /** Values of the field's `datalist`, or null when it names none. */
  readonly suggestions: readonly string[] | null;
}

/** Something in the markup that a person should know about; `line` and `column` count from 1. */
export type MarkupNote = NoteFact & {
  readonly line: number;
  readonly column: number;
  readonly span: Span;
};

/** A `form` element, as far as it can be edited. */
export interface FormElement {
  readonly element: 'form';
  readonly attributes: readonly Attribute[];
  readonly startTag: Span;
}

export interface FormReading {
  readonly fields: readonly Field[];
  readonly notes: readonly MarkupNote[];
  /** In tree order: what `Control.form` counts. */
  readonly forms: readonly FormElement[];
  /** Ids of lists of suggestions. */
  readonly lists: readonly string[];
  /** Whether the page says in which language each field is filled in (HTML Standard, "The lang and xml:lang attributes"). */
  readonly isLanguageStated: boolean;
}

export function fieldId(text: string): FieldId {
  return text as FieldId;
}

/** Something with attributes that can be edited. */
export type Attributed = Pick<Control, 'attributes'>;

/** The attribute's value, or null when the control does not have it. */
export function attribute(control: Attributed, name: string): string | null {
  return control.attributes.find((a) => a.name === name)?.value ?? null;
}

/** True for a control that is disabled by itself or by its fieldset (HTML Standard, "disabled" of form controls). */
export function isDisabled(control: Control): boolean {
  return control.disabledByFieldset || hasAttribute(control, 'disabled');
}

/** True where an attribute of WAI-ARIA says so, as `aria-disabled` does. */
export function saysTrue(control: Attributed, name: `aria-${string}`): boolean {
  return attribute(control, name)?.toLowerCase() === 'true';
}

export function hasAttribute(control: Attributed, name: string): boolean {
  return control.attributes.some((a) => a.name === name);
}

/**
 * True for a control that is by itself kept from everybody, or from assistive technology: libraries put one behind a widget to send its
 * value. What stands in something hidden may come to be shown, and is not meant.
 */
export function isConcealed(control: Attributed): boolean {
  return (
    hasAttribute(control, 'hidden') ||
    saysTrue(control, 'aria-hidden') ||
    /(?:^|;)\s*display\s*:\s*none\b/i.test(attribute(control, 'style') ?? '')
  );
}

/** The kind of a control; an unknown `type` is the Text state (HTML Standard, "The input element"). */
export function kindOf(element: FieldElement, type: string | null): FieldKind {
  const asked = (type ?? '').toLowerCase();
  if (element === 'button') return asked === 'reset' || asked === 'button' ? asked : 'submit';
  if (element !== 'input') return element;
  return inputTypes.find((known) => known === asked) ?? 'text';
}

/** HTML Standard, "Categories": buttons, here with the image button. */
export function isButton(kind: FieldKind): boolean {
  return kind === 'submit' || kind === 'reset' || kind === 'button' || kind === 'image';
}

/** Kinds into which a person types text. */
export const typedKinds = [
  'text',
  'search',
  'email',
  'tel',
  'url',
  'number',
  'password',
  'textarea',
] as const;

export const datedKinds = ['date', 'month', 'week', 'time', 'datetime-local'] as const;
export type DatedKind = (typeof datedKinds)[number];

/** True for kinds whose value is a date, a time, or a part of one. */
export function isDated(kind: FieldKind): kind is DatedKind {
  return datedKinds.some((dated) => dated === kind);
}

/** True for kinds into which a person types text that stands in one editable line or box. */
export function isTypedText(kind: FieldKind): boolean {
  return typedKinds.some((typed) => typed === kind);
}

const keyless: readonly FieldKind[] = ['hidden', 'meter', 'progress', 'output'];

/** True for kinds to which keys do something: text is typed, an option chosen, a button pressed. */
export function takesKeys(kind: FieldKind): boolean {
  return !keyless.includes(kind);
}

/** True for kinds whose own text selection a script may read (HTML Standard, "do not apply" table of `selectionStart`). */
export function tellsSelection(kind: FieldKind): boolean {
  return isTypedText(kind) && kind !== 'number' && kind !== 'email';
}

/**
 * The control that stands now where one stood when the markup was read before; null where the markup is so different that nobody could
 * say which one it is.
 */
export function controlAgain(control: Control, before: FormReading, now: FormReading): Control | null {
  const [were, are] = [before, now].map(({ fields }) => fields.flatMap(({ controls }) => controls));
  const there = are?.find(({ ordinal }) => ordinal === control.ordinal);
  return were?.length === are?.length && there?.element === control.element ? there : null;
}

/** The field that a control belongs to, by the control's ordinal. */
export function fieldOfControl(fields: readonly Field[], ordinal: number): Field | undefined {
  return fields.find(({ controls }) => controls.some((control) => control.ordinal === ordinal));
}

import { datedKinds, type FieldKind, isButton, isTypedText } from '../../html/field';
import type { NameDeviations } from '../../standard/accessible-name';

/** The points at which what an engine tells assistive technology leaves the standards, as it was asked on Debian 12. */
export interface AccessibilityDeviations extends Omit<NameDeviations, 'ownPartInLabel'> {
  /** Roles in place of those of HTML-AAM; of kinds for which WAI-ARIA has no role, what the engine has for them. */
  readonly roles: Readonly<Partial<Record<FieldKind, string>>>;
  /** Of a select that shows one line. */
  readonly menuRole: string;
  /** A text field with suggestions has the role *combobox*. */
  readonly suggestionsMakeCombobox: boolean;
  /** What a control that stands in its own label adds to its name: its value, or its placeholder; null where nobody knows. */
  readonly ownPartInLabel: (kind: FieldKind, hasRole: boolean) => 'nothing' | 'value or placeholder' | null;
  /** A file field's name has the words of its button in it, which nobody knows. */
  readonly fileNameHasButton: boolean;
  /** An `input` of any type is told as required, though the attribute does not apply to all of them. */
  readonly everyInputRequired: boolean;
  /** Whether the interface has a place for `required` of this kind. */
  readonly tellsRequired: (kind: FieldKind, isList: boolean) => boolean;
  /** The same of `invalid`. */
  readonly tellsInvalid: (kind: FieldKind) => boolean;
  /** A required field of text that is empty is not yet told as invalid. */
  readonly emptyIsNotInvalid: boolean;
}

const dated = (role: string) => Object.fromEntries(datedKinds.map((kind) => [kind, role]));
const isText = (kind: FieldKind) => isTypedText(kind) || kind === 'number';

export const accessibilityDeviations: Readonly<
  Record<'chromium' | 'firefox' | 'webkit', AccessibilityDeviations>
> = {
  chromium: {
    roles: {
      password: 'textbox',
      file: 'button',
      color: 'color well',
      date: 'date',
      time: 'input time',
      month: 'date time',
      week: 'date time',
      'datetime-local': 'date time',
    },
    menuRole: 'combobox',
    suggestionsMakeCombobox: true,
    ownPartInLabel: () => 'nothing',
    outputsName: false,
    buttonValueDescribes: true,
    placeholderNamesAll: false,
    titleOnlyDescribes: ['file'],
    submitName: 'Submit',
    readsAriaDescription: true,
    fileNameHasButton: false,
    everyInputRequired: false,
    tellsRequired: (kind, isList) => (isText(kind) && kind !== 'search') || isList,
    tellsInvalid: (kind) => kind !== 'meter' && kind !== 'progress',
    emptyIsNotInvalid: true,
  },
  firefox: {
    roles: {
      search: 'textbox',
      password: 'password text',
      file: 'button',
      color: 'button',
      date: 'date editor',
      'datetime-local': 'date editor',
    },
    menuRole: 'combobox',
    suggestionsMakeCombobox: true,
    ownPartInLabel: () => 'nothing',
    outputsName: false,
    buttonValueDescribes: false,
    placeholderNamesAll: false,
    titleOnlyDescribes: ['file'],
    submitName: 'Submit Query',
    readsAriaDescription: true,
    fileNameHasButton: true,
    everyInputRequired: false,
    tellsRequired: () => true,
    tellsInvalid: () => true,
    emptyIsNotInvalid: false,
  },
  webkit: {
    roles: {
      ...dated('textbox'),
      number: 'textbox',
      password: 'textbox',
      file: 'button',
      color: 'button',
    },
    menuRole: 'button',
    suggestionsMakeCombobox: false,
    // What it draws in a date, the cross of a search and the button of a file field are said in the engine's own language.
    ownPartInLabel: (kind, hasRole) => {
      const hasWords = kind === 'search' || kind === 'file' || isButton(kind);
      if (hasRole || hasWords || (datedKinds as readonly FieldKind[]).includes(kind)) return null;
      return isText(kind) || kind === 'range' || kind === 'select' ? 'value or placeholder' : 'nothing';
    },
    outputsName: true,
    buttonValueDescribes: false,
    placeholderNamesAll: true,
    titleOnlyDescribes: ['meter', 'progress', 'output', 'file'],
    submitName: 'Submit',
    readsAriaDescription: false,
    fileNameHasButton: false,
    everyInputRequired: true,
    tellsRequired: () => true,
    tellsInvalid: () => true,
    emptyIsNotInvalid: false,
  },
};

import { attribute, type Control, type Field, hasAttribute, isDated, isTypedText } from '../html/field';

/** HTML Standard, "Input modalities: the inputmode attribute". */
export const inputModes = ['none', 'text', 'tel', 'url', 'email', 'numeric', 'decimal', 'search'] as const;
export type InputMode = (typeof inputModes)[number];

/** HTML Standard, "Input modalities: the enterkeyhint attribute". */
export const enterKeyHints = ['enter', 'done', 'go', 'next', 'previous', 'search', 'send'] as const;
export type EnterKeyHint = (typeof enterKeyHints)[number];

/** HTML Standard, "Autocapitalization". */
export const capitalizations = ['none', 'sentences', 'words', 'characters'] as const;
export type Capitalization = (typeof capitalizations)[number];

/** What a native field is made for: the sorts of entry that app platforms tell apart. */
export const inputPurposes = [
  'plain',
  'person’s name',
  'postal address',
  'e-mail',
  'web address',
  'phone',
  'whole number',
  'signed number',
  'decimal number',
  'date',
  'time',
  'digits-only secret',
  'password',
  'many lines',
  'search',
] as const;
export type InputPurpose = (typeof inputPurposes)[number];

/** What a keyboard chooses by. */
export interface InputTraits {
  readonly kind: Field['kind'];
  readonly inputmode: InputMode | null;
  readonly enterkeyhint: EnterKeyHint | null;
  /** In effect: what the field says, or what is usual for its kind. */
  readonly autocapitalize: Capitalization;
  /** Its pattern is one of digits alone, written as `[0-9]*` or `\d*`, with or without another count. */
  readonly digitsPattern: boolean;
  readonly readonly: boolean;
  /** Attributes by which the page asks for no help with its words (HTML Standard, "Autofill" and "Autocorrection"). */
  readonly wordsOff: readonly ('autocomplete' | 'autocorrect')[];
  /** What the same field would be in a native app. */
  readonly native: InputPurpose;
}

/** Whether something is entered into a field by a keyboard, or by what comes up in its place. */
export function hasKeyboard({ kind }: Field): boolean {
  return isTypedText(kind) || isDated(kind);
}

/** Reads off a field what a keyboard chooses by. */
export function traitsOf(field: Field): InputTraits {
  const [control] = field.controls;
  const inputmode = keyword(control, 'inputmode', inputModes);
  const digitsPattern = /^(?:\[0-9\]|\\d)(?:[*+]|\{\d+(?:,\d*)?\})?$/.test(
    attribute(control, 'pattern') ?? '',
  );
  return {
    kind: field.kind,
    inputmode,
    enterkeyhint: keyword(control, 'enterkeyhint', enterKeyHints),
    autocapitalize: capitalizationOf(field, control),
    digitsPattern,
    readonly: hasAttribute(control, 'readonly'),
    wordsOff: (['autocomplete', 'autocorrect'] as const).filter(
      (name) => attribute(control, name)?.trim().toLowerCase() === 'off',
    ),
    native: purposeOf(field, inputmode, digitsPattern),
  };
}

function keyword<Word extends string>(control: Control, name: string, words: readonly Word[]): Word | null {
  const given = attribute(control, name)?.toLowerCase();
  return words.find((word) => word === given) ?? null;
}

/** HTML Standard, "Autocapitalization": never for addresses and secrets, whatever the field says. */
function capitalizationOf({ kind }: Field, control: Control): Capitalization {
  if (kind === 'email' || kind === 'url' || kind === 'password') return 'none';
  const given = attribute(control, 'autocapitalize')?.toLowerCase();
  if (given === 'on') return 'sentences';
  if (given === 'off') return 'none';
  return capitalizations.find((one) => one === given) ?? 'sentences';
}

function purposeOf(field: Field, inputmode: InputMode | null, digitsPattern: boolean): InputPurpose {
  const [control] = field.controls;
  switch (field.kind) {
    case 'email':
      return 'e-mail';
    case 'url':
      return 'web address';
    case 'tel':
      return 'phone';
    case 'search':
      return 'search';
    case 'textarea':
      return 'many lines';
    case 'time':
      return 'time';
    case 'password':
      return inputmode === 'numeric' || digitsPattern ? 'digits-only secret' : 'password';
    case 'number':
      return numberKind(control);
    default:
      if (isDated(field.kind)) return 'date';
      if (digitsPattern) return 'whole number';
      return (inputmode && byInputMode[inputmode]) ?? byAutofill(control) ?? 'plain';
  }
}

const byInputMode: Readonly<Partial<Record<InputMode, InputPurpose>>> = {
  tel: 'phone',
  url: 'web address',
  email: 'e-mail',
  numeric: 'whole number',
  decimal: 'decimal number',
  search: 'search',
};

/** HTML Standard, "Autofill": what the tokens of `autocomplete` say is entered, as native fields tell it apart. */
const autofillEntries: readonly (readonly [RegExp, InputPurpose])[] = [
  [/^(?:cc-)?(?:given-|family-|additional-)?name$/, 'person’s name'],
  [/^(?:street-address|address-(?:line|level)\d)$/, 'postal address'],
  [/^email$/, 'e-mail'],
  [/^tel(?:-national|-local)?$/, 'phone'],
  [/^(?:url|photo)$/, 'web address'],
  [/^(?:one-time-code|cc-csc)$/, 'digits-only secret'],
  [/^cc-number$/, 'whole number'],
  [/^bday$/, 'date'],
];

function byAutofill(control: Control): InputPurpose | undefined {
  const tokens = (attribute(control, 'autocomplete') ?? '').toLowerCase().split(/\s+/);
  return autofillEntries.find(([token]) => tokens.some((one) => token.test(one)))?.[1];
}

/** A number may be signed unless `min` says otherwise, and has decimals where its step has. */
function numberKind(control: Control): InputPurpose {
  const min = Number.parseFloat(attribute(control, 'min') ?? '');
  if (!(min >= 0)) return 'signed number';
  const step = attribute(control, 'step') ?? '1';
  return step.toLowerCase() === 'any' || !Number.isInteger(Number(step)) ? 'decimal number' : 'whole number';
}

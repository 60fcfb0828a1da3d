import { attribute, type Control, type FieldKind, kindOf } from './field';

/** HTML Standard, "Autofill", the table of field names and the control groups that they belong to. */
const groups = {
  Text: 'name honorific-prefix given-name additional-name family-name honorific-suffix nickname organization-title organization address-line1 address-line2 address-line3 address-level4 address-level3 address-level2 address-level1 country country-name postal-code cc-name cc-given-name cc-additional-name cc-family-name cc-type transaction-currency language sex tel-country-code tel-national tel-area-code tel-local tel-local-prefix tel-local-suffix tel-extension cc-number cc-csc',
  Multiline: 'street-address',
  Password: 'new-password current-password one-time-code',
  Username: 'username email',
  Tel: 'tel',
  Url: 'url photo impp',
  Numeric: 'transaction-amount bday-day bday-month bday-year cc-exp-month cc-exp-year',
  Month: 'cc-exp',
  Date: 'bday',
} as const;
type Group = keyof typeof groups;

const groupOf: ReadonlyMap<string, Group> = new Map(
  (Object.entries(groups) as [Group, string][]).flatMap(([group, names]) =>
    names.split(' ').map((name) => [name, group] as const),
  ),
);

/** Kinds of input that a group suits; text, search, select and textarea suit them all, but for several lines. */
const kindsOf: Readonly<Record<Group, readonly string[]>> = {
  Text: ['hidden'],
  Multiline: ['hidden'],
  Password: ['hidden', 'password'],
  Username: ['hidden', 'email'],
  Tel: ['hidden', 'tel'],
  Url: ['hidden', 'url'],
  Numeric: ['hidden', 'number'],
  Month: ['hidden', 'month'],
  Date: ['hidden', 'date'],
};

const contacts = ['home', 'work', 'mobile', 'fax', 'pager'];
const contactable = [
  'tel',
  'tel-country-code',
  'tel-national',
  'tel-area-code',
  'tel-local',
  'tel-local-prefix',
  'tel-local-suffix',
  'tel-extension',
  'email',
  'impp',
];

/** What can be wrong with an `autocomplete`. */
export type AutocompleteFault =
  | { readonly code: 'no such token'; readonly token: string }
  /** A token for a way of contact before a name that has none. */
  | { readonly code: 'no contact'; readonly token: string; readonly name: string }
  | { readonly code: 'several lines' | 'another kind'; readonly name: string; readonly kind: FieldKind };

/** Kinds that the table does not name and that browsers fill in all the same: chosen for their keypad, or to hide what is typed. */
const harmless: readonly { readonly kind: FieldKind; readonly names: RegExp }[] = [
  { kind: 'number', names: /^one-time-code$/ },
  { kind: 'tel', names: /^(?:tel-.+|cc-(?:number|csc|exp.*)|bday-.+|postal-code|one-time-code)$/ },
  { kind: 'password', names: /^cc-csc$/ },
];

/** What is wrong with an `autocomplete` (HTML Standard, "Autofill"); null when nothing is. */
export function autocompleteFault(control: Control): AutocompleteFault | null {
  const value = attribute(control, 'autocomplete');
  if (value === null) return null;
  const tokens = value.toLowerCase().split(/\s+/).filter(Boolean);
  if (tokens.length === 0 || (tokens.length === 1 && /^(on|off)$/.test(tokens[0] ?? ''))) return null;
  if (tokens.at(-1) === 'webauthn') tokens.pop();
  const name = tokens.pop() ?? '';
  const group = groupOf.get(name);
  if (!group) return { code: 'no such token', token: name };
  const contact = contacts.includes(tokens.at(-1) ?? '') ? tokens.pop() : undefined;
  if (contact && !contactable.includes(name)) return { code: 'no contact', token: contact, name };
  const stray = tokens.find(
    (token) => !/^section-/.test(token) && token !== 'shipping' && token !== 'billing',
  );
  if (stray) return { code: 'no such token', token: stray };
  const kind = kindOf(control.element, attribute(control, 'type'));
  if (group === 'Multiline' && !suits(kind, group)) return { code: 'several lines', name, kind };
  const fits = suits(kind, group) || harmless.some((one) => one.kind === kind && one.names.test(name));
  return fits ? null : { code: 'another kind', name, kind };
}

/** The tokens that go with a kind, those that name it first. */
export function autocompleteNamesFor(kind: FieldKind): readonly string[] {
  const suiting = (Object.entries(groups) as [Group, string][]).filter(([group]) => suits(kind, group));
  const own = suiting.filter(([group]) => kindsOf[group].includes(kind));
  const rest = suiting.filter((entry) => !own.includes(entry));
  return [...own, ...rest].flatMap(([, names]) => names.split(' '));
}

function suits(kind: FieldKind, group: Group): boolean {
  if (group === 'Multiline') return ['textarea', 'select', 'hidden'].includes(kind);
  return ['text', 'search', 'select', 'textarea', ...kindsOf[group]].includes(kind);
}

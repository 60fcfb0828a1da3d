import { attributeRegistry, formAttributeRegistry } from './attribute-registry';
import { autocompleteNamesFor } from './autocomplete-tokens';
import { attribute, type Field, type FieldKind, type FormReading } from './field';

type ByKind = Readonly<Partial<Record<FieldKind, readonly string[]>>>;

/** Values worth trying first, by attribute and kind. */
const byKind: Readonly<Record<string, ByKind>> = {
  step: {
    number: ['any', '0.01', '0.1', '1', '5', '10'],
    range: ['any', '0.1', '1', '5', '10'],
    date: ['1', '7'],
    week: ['1', '2'],
    month: ['1', '3', '12'],
    time: ['any', '1', '60', '300', '900', '3600'],
    'datetime-local': ['any', '1', '60', '300', '900', '3600'],
  },
  min: { number: ['0', '1'], range: ['0', '1'], time: ['06:00'], meter: ['0'] },
  max: {
    number: ['10', '100'],
    range: ['10', '100'],
    time: ['20:00'],
    meter: ['100'],
    progress: ['1', '100'],
  },
  pattern: {
    text: ['[0-9]{4}', '[A-Za-z]+', '[A-Z]{3}-[0-9]{2}', '.*\\S.*'],
    password: ['[0-9]{4}', '.{8,}'],
    tel: ['[+0-9][0-9 \\-]{4,18}'],
    email: ['[^@]+@skerry\\.example'],
    url: ['https://.*'],
    search: ['.*\\S.*'],
  },
  inputmode: {
    tel: ['tel', 'numeric'],
    email: ['email'],
    url: ['url'],
    search: ['search'],
    number: ['decimal', 'numeric'],
  },
};

const anywhere: Readonly<Record<string, readonly string[]>> = {
  accept: ['image/*', 'audio/*', 'video/*', '.pdf', 'text/csv'],
  formtarget: ['_self', '_blank', '_parent', '_top'],
  maxlength: ['10', '80', '280'],
  minlength: ['1', '2', '8'],
  size: ['4', '10', '20', '40'],
  rows: ['2', '4', '8'],
  cols: ['40', '60'],
};

/**
 * Values that an attribute of this field may sensibly have, the likeliest first; none where it can be anything.
 * @param page whose lists and forms the attribute may name
 */
export function offeredValues(
  field: Field,
  name: string,
  page: Pick<FormReading, 'forms' | 'lists'>,
): readonly string[] {
  const entry = Object.hasOwn(attributeRegistry, name) ? attributeRegistry[name] : undefined;
  const all = Array.isArray(entry?.value) ? (entry.value as readonly string[]) : [];
  const first = byKind[name]?.[field.kind] ?? [];
  switch (name) {
    case 'list':
      return page.lists;
    case 'form':
      return page.forms.flatMap((form) => attribute(form, 'id') ?? []);
    case 'autocomplete':
      return ['off', ...autocompleteNamesFor(field.kind)];
    case 'dirname':
      return [`${attribute(field.controls[0], 'name') || 'text'}.dir`];
    default:
      return [...new Set([...first, ...all, ...(anywhere[name] ?? [])])];
  }
}

/** The same for an attribute of a form. */
export function offeredFormValues(name: string): readonly string[] {
  const value = Object.hasOwn(formAttributeRegistry, name) ? formAttributeRegistry[name] : undefined;
  if (Array.isArray(value)) return value as readonly string[];
  if (name === 'accept-charset') return ['UTF-8'];
  return name === 'target' ? (anywhere.formtarget ?? []) : [];
}

import type { Measured, Misfit, SchemaRule } from '../reading/misfit';
import { listed } from './listed';

const types: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
};
const units: Readonly<Record<Measured, { readonly one: string; readonly more: string }>> = {
  characters: { one: ' character', more: ' characters' },
  entries: { one: ' entry', more: ' entries' },
  number: { one: '', more: '' },
};
const rules: Readonly<Record<SchemaRule, string>> = {
  'SHA-256': 'a SHA-256 of 64 hexadecimal digits is expected',
  moment: 'a date and time in UTC is expected, such as 2026-03-14T09:30:00Z',
  base64: 'a file in base64 is expected',
  'endpoint name': 'a name of lower-case letters, digits and hyphens is expected',
  'name not taken': 'this name belongs to an engine that Ukko finds by itself',
  'web address': 'an address that begins with http:// or https:// is expected',
  origin: 'the origin of a page is expected, such as https://staging.example:8443',
  'endpoints or pages': 'neither “endpoints” nor “pages” is given',
};
/** Longest name or value that is quoted, UTF-16 code units. */
const longest = 60;
/** Most names or values that are listed. */
const mostListed = 12;

/** Where in what was brought something is wrong: “at `fields[2].name`”. */
export function misfitPlace({ path }: Misfit): string {
  return path === '' ? 'at its top level' : `at ${shortened(path, 160)}`;
}

/** What is wrong there, to be read behind a colon. */
export function misfitText(misfit: Misfit): string {
  switch (misfit.code) {
    case 'missing':
      return 'the value is missing or empty';
    case 'other type':
      return types[misfit.wanted] ? `${types[misfit.wanted]} is expected` : 'the value has another shape';
    case 'not listed':
      return `one of ${several(misfit.values)} is expected`;
    case 'too much':
      return `the limit is ${amount(misfit.most, misfit.of)}`;
    case 'too little':
      return `the minimum is ${amount(misfit.least, misfit.of)}`;
    case 'no whole number':
      return 'a whole number is expected';
    case 'unknown entries':
      return `${several(misfit.names)} ${misfit.names.length === 1 ? 'is' : 'are'} unknown`;
    case 'refused':
      return misfit.rule === null ? 'the value is not accepted' : rules[misfit.rule];
  }
}

function amount(number: number, of: Measured): string {
  return `${number.toLocaleString('en-GB')}${units[of][number === 1 ? 'one' : 'more']}`;
}

function several(names: readonly string[]): string {
  const shown = names.slice(0, mostListed).map((name) => `“${shortened(name, longest)}”`);
  const left = names.length - shown.length;
  return listed(left > 0 ? [...shown, `${left} more`] : shown);
}

function shortened(text: string, most: number): string {
  return text.length > most ? `${text.slice(0, most)}…` : text;
}

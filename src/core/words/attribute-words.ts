import type { Ignored } from '../fault/ignored-attribute';
import { appliesTo, attributeRegistry } from '../html/attribute-registry';
import type { AutocompleteFault } from '../html/autocomplete-tokens';
import type { FieldKind } from '../html/field';
import { ownEntry } from '../html/own-entry';

/** Why an attribute does nothing on its field, and what would do instead. */
export function ignoredWords(ignored: Ignored): string {
  switch (ignored.code) {
    case 'not in the standard':
      return 'The standard has no such attribute: only styles and scripts can read it.';
    case 'unknown type':
      return `There is no input type “${ignored.type}”: browsers show a text box.`;
    case 'not of the kind':
      return `A field of kind ${ignored.kind} ignores it. ${insteadWords(ignored.kind, ignored.attribute) || actsOn(ignored.attribute)}`.trim();
    case 'no limit':
      return `“${ignored.value}” is no ${limitName(ignored.kind)}, so browsers ignore the limit.`;
    case 'no value':
      return `“${ignored.value}” is no ${limitName(ignored.kind)}, so the field starts empty.`;
    case 'no step':
      return `“${ignored.value}” is no valid step, so the default step applies.`;
    case 'no length':
      return `“${ignored.value}” is no valid length, so browsers ignore the limit.`;
    case 'no size':
      return `“${ignored.value}” is no valid size, so the default size applies.`;
    case 'pattern does not compile':
      return 'It does not compile with the v flag, so browsers accept everything.';
    case 'list not there':
      return `No datalist has the id “${ignored.list}”.`;
    case 'autocomplete':
      return autocompleteWords(ignored.fault);
    case 'not among the values':
      return `“${ignored.value}” is none of ${ignored.values.join(', ')}.`;
    case 'disabled':
      return 'The field is disabled, so browsers do not check it.';
    case 'read-only':
      return 'The field is read-only, so browsers do not check it.';
  }
}

export function autocompleteWords(fault: AutocompleteFault): string {
  switch (fault.code) {
    case 'no such token':
      return `There is no autocomplete token “${fault.token}”.`;
    case 'no contact':
      return `The autocomplete tokens “${fault.token}” and “${fault.name}” cannot be combined.`;
    case 'several lines':
      return `The autocomplete token “${fault.name}” has several lines, but a ${fault.kind} field has one.`;
    case 'another kind':
      return `The autocomplete token “${fault.name}” does not fit a ${fault.kind} field.`;
  }
}

/** What would do instead of an attribute that a kind ignores, as a sentence; empty where there is nothing. */
export function insteadWords(kind: FieldKind, name: string): string {
  const ranged = appliesTo('max', kind);
  if (name === 'maxlength' && ranged) return 'Limit the value with max.';
  if (name === 'minlength' && ranged) return 'Limit the value with min.';
  if (name === 'pattern' && ranged)
    return 'Its value has one format anyway; limit it with min, max and step.';
  if (name === 'pattern' && kind === 'textarea') return 'Check it in a script.';
  if ((name === 'min' || name === 'max') && appliesTo('maxlength', kind))
    return 'Limit the length with minlength and maxlength, or make it a number.';
  if (name === 'placeholder') return 'Put the hint beside the field.';
  if (name === 'required' && kind === 'range') return 'It always has a value.';
  if (name === 'required' && kind === 'color') return 'It always has a colour.';
  if (name === 'readonly') return 'To prevent edits, use disabled; the field is then not submitted.';
  if (name === 'checked' && kind === 'select') return 'Use selected on an option.';
  if (name === 'value' && kind === 'textarea') return 'Write its text between its tags.';
  if (name === 'value' && kind === 'select') return 'Use selected on an option.';
  if (name === 'value' && kind === 'file') return 'Only a person can choose a file.';
  return '';
}

/** The kinds on which an attribute acts, where these are few. */
function actsOn(name: string): string {
  const kinds = ownEntry(attributeRegistry, name)?.kinds ?? [];
  return kinds.length > 5 ? '' : `It acts on ${kinds.join(', ')}.`;
}

function limitName(kind: FieldKind): string {
  const examples: Readonly<Partial<Record<FieldKind, string>>> = {
    date: 'date such as 2026-12-31',
    month: 'month such as 2026-12',
    week: 'week such as 2026-W52',
    time: 'time such as 18:45',
    'datetime-local': 'moment such as 2026-12-31T18:45',
  };
  return examples[kind] ?? 'number';
}

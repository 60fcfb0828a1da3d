import type { ProbeField } from '../api/probe-api';
import { controls, type Listed } from './form-under-test';

/** The controls of a field that are in the page now. */
export function controlsOf(field: ProbeField, all: readonly (Listed | null)[] = controls()): Listed[] {
  return field.ordinals.flatMap((ordinal) => all[ordinal] ?? []);
}

export function isCheckable(element: Listed): element is HTMLInputElement {
  return element instanceof HTMLInputElement && (element.type === 'checkbox' || element.type === 'radio');
}

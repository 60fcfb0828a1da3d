import type { ProbeField } from '../api/probe-api';
import { domMembers } from './dom-members';
import { controlsOf } from './field-controls';
import { controls } from './form-under-test';

/** Attributes that were changed for a question, with what they were. */
let changed: { element: Element; name: string; value: string | null }[] = [];

export function change(element: Element, name: string, value: string | null): void {
  changed.push({ element, name, value: domMembers(element).getAttribute(name) });
  putAttribute(element, name, value);
}

function putAttribute(element: Element, name: string, value: string | null): void {
  const own = domMembers(element);
  if (value === null) own.removeAttribute(name);
  else own.setAttribute(name, value);
}

export function changeBack(): void {
  for (const { element, name, value } of changed.reverse()) putAttribute(element, name, value);
  changed = [];
}

/** Styles and scripts look for ids of their own, so that a new one changes nothing. */
export function idsFor(fields: readonly ProbeField[]): (string | null)[] {
  const all = controls();
  const times = new Map<string, number>();
  for (const { id } of document.querySelectorAll('[id]')) times.set(id, (times.get(id) ?? 0) + 1);
  return fields.map((field) => {
    const [control] = controlsOf(field, all);
    if (!control) return null;
    const own = domMembers(control).getAttribute('id');
    if (own && times.get(own) === 1) return own;
    const id = `ukko-control-${field.ordinals[0]}`;
    change(control, 'id', id);
    return id;
  });
}

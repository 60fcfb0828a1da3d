import { domMembers } from './dom-members';

/**
 * The custom element that takes part in a form by itself, or in the place of a control inside of its shadow root (HTML Standard, "Form-associated custom
 * elements"): name, value, validity and what is sent are its own. Null for a control that stands for itself.
 */
export function formAssociatedHost(control: Element): HTMLElement | null {
  if (isFormAssociated(control)) return control;
  for (let root = domMembers(control).getRootNode(); root instanceof ShadowRoot; ) {
    const { host } = root;
    if (isFormAssociated(host)) return host;
    root = domMembers(host).getRootNode();
  }
  return null;
}

export function isFormAssociated(element: Element): element is HTMLElement {
  const made: unknown = customElements.get(domMembers(element).localName);
  const { formAssociated } = (made ?? {}) as { readonly formAssociated?: unknown };
  return formAssociated === true && element instanceof HTMLElement;
}

/** The name under which a control is sent; empty where it has none. */
export function nameOf(control: Element): string {
  return domMembers(formAssociatedHost(control) ?? control).getAttribute('name') ?? '';
}

/** The form that a control is sent with. */
export function formOf(control: Element): HTMLFormElement | null {
  const host = formAssociatedHost(control);
  if (!host) return 'form' in control ? (control as HTMLInputElement).form : null;
  const named = domMembers(host).getAttribute('form');
  const form = named === null ? domMembers(host).closest('form') : domMembers(document).getElementById(named);
  return form instanceof HTMLFormElement ? form : null;
}

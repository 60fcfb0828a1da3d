import type { Unsent } from '@/core/observation/reason';
import { domMembers } from './dom-members';
import { formAssociatedHost } from './form-associated-host';

/** True while a form may be sent. */
let open = false;
let blocked: { ordinal: number; message: string }[] = [];
/** Where the page's policy lets forms be sent, once it kept one from being sent. */
let allowed: string | null = null;

/**
 * Nothing leaves the page, whatever is pressed, but for a form that was let through.
 * @param controls gives those under test, in order
 */
export function watchSending(controls: () => readonly (Element | null)[]): void {
  window.addEventListener('submit', (event) => open || event.preventDefault(), { capture: true });
  window.addEventListener(
    'invalid',
    (event) => {
      // Inside of a shadow root the window is told of its host alone.
      const target = event.composedPath()[0];
      const ordinal = controls().findIndex(
        (control) => control && (control === target || formAssociatedHost(control) === target),
      );
      const { validationMessage } = target as Partial<HTMLInputElement>;
      if (ordinal >= 0) blocked.push({ ordinal, message: validationMessage ?? '' });
    },
    { capture: true },
  );
  domMembers(document).addEventListener(
    'securitypolicyviolation',
    ({ effectiveDirective, originalPolicy }) => {
      if (effectiveDirective === 'form-action')
        allowed = /(?:^|;)\s*form-action\s+([^;]+)/i.exec(originalPolicy)?.[1]?.trim() ?? '';
    },
  );
}

/** Lets every form be sent to where its author sends it. */
export function letAllOut(): void {
  blocked = [];
  open = true;
}

export function closeSending(): void {
  open = false;
  blocked = [];
  allowed = null;
}

export function whatBlocked(): readonly { ordinal: number; message: string }[] {
  return blocked;
}

/** Content Security Policy, "form-action": the places that the page names, as it names them; null: it was not in the way. */
export function allowedByPolicy(): string | null {
  return allowed;
}

type SetAttribute = (element: Element, name: string, value: string | null) => void;

/** Lets the form of a button be sent to a place under `receiver`, with the path and query that its action names. */
export function letThrough(
  button: Element | undefined,
  receiver: string,
  change: SetAttribute,
): Unsent | null {
  const form = button && 'form' in button ? (button as HTMLButtonElement).form : null;
  if (!button || !form) return { code: 'no form' };
  const actions: [Element, string][] = [[form, 'action']];
  if (button.getAttribute('formaction')) actions.push([button, 'formaction']);
  for (const [element, name] of actions) {
    const action = domMembers(element).getAttribute(name) ?? '';
    const url = URL.canParse(action, domMembers(document).baseURI)
      ? new URL(action, domMembers(document).baseURI)
      : null;
    if (!url) return { code: 'no address' };
    if (!/^https?:$/.test(url.protocol)) return { code: 'no server' };
    change(element, name, receiver + url.pathname + url.search);
  }
  change(form, 'target', null);
  change(button, 'formtarget', null);
  blocked = [];
  allowed = null;
  open = true;
  return null;
}

import { controlSelector } from '@/core/form/field';

/** True while a form may be sent. */
let open = false;
let blocked: { ordinal: number; message: string }[] = [];

/** Nothing leaves the page, whatever is pressed, but for a form that was let through. */
export function watchSending(): void {
  window.addEventListener('submit', (event) => open || event.preventDefault(), { capture: true });
  window.addEventListener(
    'invalid',
    ({ target }) => {
      const ordinal = Array.from(document.querySelectorAll(controlSelector)).indexOf(target as Element);
      if (ordinal >= 0) blocked.push({ ordinal, message: (target as HTMLInputElement).validationMessage });
    },
    { capture: true },
  );
}

export function closeSending(): void {
  open = false;
  blocked = [];
}

export function whatBlocked(): readonly { ordinal: number; message: string }[] {
  return blocked;
}

type Change = (element: Element, name: string, value: string | null) => void;

/** Lets the form of a button be sent to a place under `receiver`, with the path and query that its action names. */
export function letThrough(button: Element | undefined, receiver: string, change: Change): string | null {
  const form = button && 'form' in button ? (button as HTMLButtonElement).form : null;
  if (!button || !form) return 'The button belongs to no form.';
  const actions: [Element, string][] = [[form, 'action']];
  if (button.getAttribute('formaction')) actions.push([button, 'formaction']);
  for (const [element, name] of actions) {
    const action = element.getAttribute(name) ?? '';
    const url = URL.canParse(action, window.origin) ? new URL(action, window.origin) : null;
    if (!url) return `The action ${action} is no address.`;
    if (!/^https?:$/.test(url.protocol)) return `An action that begins with ${url.protocol} asks no server.`;
    change(element, name, receiver + url.pathname + url.search);
  }
  change(form, 'target', null);
  change(button, 'formtarget', null);
  blocked = [];
  open = true;
  return null;
}

import { domMembers } from './dom-members';
import { isEditable, isWidget } from './page-fields';

/**
 * The text that a control shows, as far as its engine lets the page know: all of a text box is selected for a moment and
 * the selection read, so that what stands there in the user's own language (1,5 for 1.5) or as dots is told as drawn.
 * @returns null where the engine keeps it to itself: parts of a date, the words on a button that has none of its own
 */
export function textShownBy(element: Element): string | null {
  if (element instanceof HTMLSelectElement)
    return Array.from(element.selectedOptions, ({ label }) => label).join(', ');
  if (element instanceof HTMLButtonElement || element instanceof HTMLOutputElement)
    // biome-ignore lint/performance/useDomNodeTextContent: what is drawn is asked for, not what was written
    return element.innerText.trim();
  if (element instanceof HTMLElement && isWidget(element)) return widgetShown(element);
  if (!(element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement)) return null;
  if (['submit', 'button', 'reset'].includes(element.type)) return element.value || null;
  return hasTextBox(element) ? (placeholderOf(element) ?? selectedTextOf(element)) : null;
}

function widgetShown(element: HTMLElement): string | null {
  // biome-ignore lint/performance/useDomNodeTextContent: what is drawn is asked for, not what was written
  const text = element.innerText.trim();
  return text === '' && !isEditable(element) ? null : text;
}

function placeholderOf(element: HTMLInputElement | HTMLTextAreaElement): string | null {
  return element.placeholder && element.matches(':placeholder-shown') ? element.placeholder : null;
}

/** Asked of text boxes alone: of a control without one, Gecko says again what was selected in another field. */
function selectedTextOf(element: HTMLInputElement | HTMLTextAreaElement): string | null {
  const selection = getSelection();
  selection?.removeAllRanges();
  element.focus({ preventScroll: true });
  if (domMembers(document).activeElement !== element) return null;
  element.select();
  const text = selection?.toString() ?? '';
  element.blur();
  selection?.removeAllRanges();
  return text === '' && element.value !== '' ? null : text;
}

/** Kinds whose whole content one can select are drawn as text boxes. */
function hasTextBox(element: HTMLInputElement | HTMLTextAreaElement): boolean {
  return (
    element instanceof HTMLTextAreaElement ||
    ['text', 'search', 'url', 'tel', 'email', 'password', 'number'].includes(element.type)
  );
}

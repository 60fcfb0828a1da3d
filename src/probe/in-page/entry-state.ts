import type { EntryState, ListState, ProbeField } from '../api/probe-api';
import { currentValueOf } from './described-fields';
import { domMembers } from './dom-members';
import { controlsOf } from './field-controls';
import { composedFields, isWidget } from './page-fields';

/** What a person meets who wants to enter something into a field. */
export function entryStateOf(field: ProbeField): EntryState {
  const members = controlsOf(field);
  const [first] = members;
  return {
    isThere: first !== undefined,
    isDisabled:
      first !== undefined && (domMembers(first).matches(':disabled') || says(first, 'aria-disabled')),
    isReadOnly:
      first !== undefined && (('readOnly' in first && first.readOnly) || says(first, 'aria-readonly')),
    value: currentValueOf(members),
    type: first && 'type' in first ? first.type : null,
    list: listStateOf(first),
  };
}

function says(element: Element, name: string): boolean {
  return domMembers(element).getAttribute(name)?.toLowerCase() === 'true';
}

/** How the list of options of a text box or a widget stands (WAI-ARIA, "combobox"); null for what is none. */
function listStateOf(element: Element | undefined): ListState | null {
  if (!(element instanceof HTMLInputElement || (element instanceof HTMLElement && isWidget(element))))
    return null;
  const own = domMembers(element);
  const opens = own.getAttribute('aria-haspopup');
  if (own.getAttribute('role') !== 'combobox' && opens !== 'listbox') return null;
  if (opens === 'dialog' || opens === 'grid') return null;
  return {
    isOpen: own.getAttribute('aria-expanded') === 'true',
    hasActive: Boolean(own.getAttribute('aria-activedescendant')),
    reads: wordsAround(element),
  };
}

/** What can be read in the largest element that holds this control and no other: some lists write what was chosen beside their text box. */
function wordsAround(control: HTMLElement): string {
  let around: HTMLElement = control;
  for (let up = control.parentElement; up && up !== domMembers(document).body; up = up.parentElement) {
    if (composedFields(up).length > 1 || up instanceof HTMLFormElement) break;
    around = up;
  }
  // biome-ignore lint/performance/useDomNodeTextContent: what is not drawn cannot be read
  return around === control ? '' : around.innerText.replace(/\s+/g, ' ').trim();
}

import { type FieldElement, isButton, kindOf } from '@/core/html/field';
import type { HeldBack } from '../api/probe-api';
import { focusedElement } from './composed-tree';
import { domMembers } from './dom-members';
import { composedFields, isWidget } from './page-fields';

interface Then {
  readonly focused: Element | null;
  readonly lines: ReadonlySet<string>;
  /** Those that were drawn. */
  readonly fields: ReadonlySet<Element>;
}

/** Most lines that are told, and how long each may be, UTF-16 code units. */
const most = { lines: 5, length: 200 } as const;

/** Keeps in mind what can be read in the page, and where the focus is. */
export function pageNow(): Then {
  return { focused: focusedElement(), lines: new Set(linesNow()), fields: new Set(fieldsDrawn()) };
}

/** What scripts of the page did since then to say that the form is not sent. */
export function heldBack(then: Then, controls: readonly (Element | null)[]): HeldBack {
  const focused = focusedElement();
  const at = focused && focused !== then.focused ? controls.indexOf(focused) : -1;
  return {
    focused: at === -1 ? null : at,
    invalid: controls.flatMap((control, ordinal) =>
      control?.getAttribute('aria-invalid') === 'true' ? [ordinal] : [],
    ),
    words: [...new Set(linesNow())]
      .filter((line) => !then.lines.has(line))
      .slice(0, most.lines)
      .map((line) => line.slice(0, most.length)),
    fields: changeOfFields(then.fields, new Set(fieldsDrawn())),
  };
}

/** A framework that draws a field anew has made another element of it: as many as before are the same. */
function changeOfFields(before: ReadonlySet<Element>, now: ReadonlySet<Element>): HeldBack['fields'] {
  const [were, are] = [countByName(before), countByName(now)];
  const isMore = (many: ReadonlyMap<string, number>, few: ReadonlyMap<string, number>) =>
    [...many].some(([name, count]) => count > (few.get(name) ?? 0));
  return { came: isMore(are, were), went: isMore(were, are) };
}

function countByName(fields: ReadonlySet<Element>): Map<string, number> {
  const counts = new Map<string, number>();
  for (const field of fields) {
    const own = domMembers(field);
    const name = [own.localName, own.getAttribute('type'), own.getAttribute('name') ?? ''].join(' ');
    counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  return counts;
}

function fieldsDrawn(): Element[] {
  return composedFields(document).filter((control) => {
    const own = domMembers(control);
    const kind = isWidget(control)
      ? 'widget'
      : kindOf(own.localName as FieldElement, own.getAttribute('type'));
    return !isButton(kind) && kind !== 'hidden' && own.checkVisibility({ visibilityProperty: true });
  });
}

function linesNow(): string[] {
  // biome-ignore lint/performance/useDomNodeTextContent: what is not drawn cannot be read
  const { innerText } = domMembers(document).body;
  return innerText.split('\n').flatMap((line) => line.trim() || []);
}

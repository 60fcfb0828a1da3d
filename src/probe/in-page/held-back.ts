import type { HeldBack } from '../api/probe-api';
import { focusedElement } from './composed-tree';
import { domMembers } from './dom-members';

interface Then {
  readonly focused: Element | null;
  readonly lines: ReadonlySet<string>;
}

/** Most lines that are told, and how long each may be, UTF-16 code units. */
const most = { lines: 5, length: 200 } as const;

/** Keeps in mind what can be read in the page, and where the focus is. */
export function pageNow(): Then {
  return { focused: focusedElement(), lines: new Set(linesNow()) };
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
  };
}

function linesNow(): string[] {
  // biome-ignore lint/performance/useDomNodeTextContent: what is not drawn cannot be read
  const { innerText } = domMembers(document).body;
  return innerText.split('\n').flatMap((line) => line.trim() || []);
}

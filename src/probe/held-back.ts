import { focusedElement } from './composed-tree';

/** What is told of a page whose own scripts kept its form from being sent. */
export interface HeldBack {
  /** Ordinal of the control that the focus went to since then; null when it went to none. */
  readonly focused: number | null;
  /** Ordinals of the controls that the page marks as not valid (WAI-ARIA, "aria-invalid"). */
  readonly invalid: readonly number[];
  /** Lines that can be read now and could not then. */
  readonly words: readonly string[];
}

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
export function heldBack(then: Then, controls: readonly Element[]): HeldBack {
  const focused = focusedElement();
  const at = focused && focused !== then.focused ? controls.indexOf(focused) : -1;
  return {
    focused: at === -1 ? null : at,
    invalid: controls.flatMap((control, ordinal) =>
      control.getAttribute('aria-invalid') === 'true' ? [ordinal] : [],
    ),
    words: [...new Set(linesNow())]
      .filter((line) => !then.lines.has(line))
      .slice(0, most.lines)
      .map((line) => line.slice(0, most.length)),
  };
}

function linesNow(): string[] {
  // biome-ignore lint/performance/useDomNodeTextContent: what is not drawn cannot be read
  const { innerText } = document.body;
  return innerText.split('\n').flatMap((line) => line.trim() || []);
}

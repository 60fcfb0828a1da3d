/** Controls that a press on their label acts on, as if they had been pressed themselves (HTML Standard, "The label element"). */
const pressedByLabel = 'input:is([type=checkbox],[type=radio],[type=file],[type=color])';

/** What is smaller than this is kept for keys and screen readers alone, CSS px. */
const least = 4;

/**
 * What a person sees and presses in place of a control that styles keep out of sight: its first label that is drawn. Null
 * where the control shows itself, or nothing stands for it.
 */
export function standInOf(control: Element): Element | null {
  if (!(control instanceof HTMLInputElement) || !control.matches(pressedByLabel)) return null;
  if (isInSight(control)) return null;
  return [...(control.labels ?? [])].find(isInSight) ?? null;
}

function isInSight(element: Element): boolean {
  const { width, height, right, bottom } = element.getBoundingClientRect();
  if (width < least || height < least) return false;
  if (right + window.scrollX <= 0 || bottom + window.scrollY <= 0) return false;
  if (!element.checkVisibility({ opacityProperty: true, visibilityProperty: true })) return false;
  const { clip, clipPath } = getComputedStyle(element);
  return !/^rect\(0/.test(clip) && !/^inset\((?:50|100)%/.test(clipPath);
}

/** Boxes of an element and of what stands in it in sight: what is higher than a line stands out of a label. */
export function drawnIn(element: Element): DOMRect[] {
  const inside = [...element.querySelectorAll('*')].filter(isInSight);
  return [element, ...inside].map((one) => one.getBoundingClientRect());
}

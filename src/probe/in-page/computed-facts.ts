import type { Contrast, StyleMark } from '@/core/questions/look/facts';
import { composite, contrastRatio, parseComputedColor, type Rgba } from '@/core/standard/contrast-ratio';
import { domMembers } from './dom-members';

/** State pseudo-classes of form controls (Selectors 4, "The Input Pseudo-classes"; HTML Standard, "Pseudo-classes"). */
const statePseudoClasses = [
  ':enabled',
  ':disabled',
  ':read-only',
  ':read-write',
  ':placeholder-shown',
  ':default',
  ':checked',
  ':indeterminate',
  ':required',
  ':optional',
  ':valid',
  ':invalid',
  ':user-valid',
  ':user-invalid',
  ':in-range',
  ':out-of-range',
  ':autofill',
  ':focus',
  ':focus-visible',
] as const;

export function pseudoClassesOf(element: Element): string[] {
  return statePseudoClasses.filter((name) => {
    try {
      return element.matches(name);
    } catch {
      // An engine that does not know the name refuses it.
      return false;
    }
  });
}

/** How far away from a control, CSS px, text still counts as standing beside it. */
const nearby = 60;

/** Elements to which a style can hang a mark that belongs to a control: its neighbours up to the next control, and what labels it. */
function markHolders(control: Element): Element[] {
  const holders: Element[] = [];
  const isControl = (element: Element) => element.matches('input,select,textarea,button,meter,progress');
  for (let next = control.nextElementSibling; next && !isControl(next); next = next.nextElementSibling)
    holders.push(next);
  for (
    let last = control.previousElementSibling;
    last && !isControl(last);
    last = last.previousElementSibling
  )
    holders.push(last);
  const labels = 'labels' in control ? Array.from((control as HTMLInputElement).labels ?? []) : [];
  return [...holders, ...labels];
}

interface PlacedMark extends StyleMark {
  readonly holder: Element;
}

function placedMarks(control: Element): PlacedMark[] {
  return markHolders(control).flatMap((holder) =>
    (['::before', '::after'] as const).flatMap((pseudo) => {
      const { content, display } = getComputedStyle(holder, pseudo);
      const text = /^"(.*)"$/s.exec(content)?.[1];
      if (!text || display === 'none') return [];
      return [{ by: `${holder.localName}${pseudo}`, text: text.replace(/\\(["\\])/g, '$1'), holder }];
    }),
  );
}

/** Text that styles put beside a control now. */
export function marksOf(control: Element): StyleMark[] {
  return placedMarks(control).map(({ by, text }) => ({ by, text }));
}

/** Boxes of the neighbours that carry a mark and stand close to the control, so that a picture shows them too. */
export function markBoxesOf(control: Element): DOMRect[] {
  const own = control.getBoundingClientRect();
  return placedMarks(control)
    .filter(({ holder }) => !holder.contains(control))
    .map(({ holder }) => holder.getBoundingClientRect())
    .filter(
      (box) =>
        box.width > 0 &&
        box.left - own.right < nearby &&
        own.left - box.right < nearby &&
        box.top - own.bottom < nearby / 3 &&
        own.top - box.bottom < nearby / 3,
    );
}

const withoutText =
  'meter,progress,[type=range],[type=color],[type=checkbox],[type=radio],[type=image],[type=hidden],[type=file]';

/** Contrast of what is typed and of the placeholder with what is behind them; null for controls without text. */
export function textContrast(element: Element): Contrast | null {
  if (!(element instanceof HTMLElement) || element.matches(withoutText)) return null;
  const behind = backgroundOf(element);
  const text = parseComputedColor(getComputedStyle(element).color);
  if (!behind || !text) return null;
  const hint = 'placeholder' in element && element.placeholder !== '' ? hintColor(element) : null;
  return {
    text: ratio(text, behind),
    placeholder: hint && ratio(hint, behind),
  };
}

function ratio(text: Rgba, behind: Rgba): number {
  return Math.round(contrastRatio(composite(text, behind), behind) * 100) / 100;
}

/** What is the same for a whole page and costs a restyling of it to find out. */
let placeholderTold: boolean | undefined;
let canvas: Rgba | null | undefined;

/** Whether the engine tells the style of `::placeholder`; some give the style of the element itself instead. */
function tellsPlaceholder(): boolean {
  const input = domMembers(document).createElement('input');
  input.id = 'ukko-tells';
  const style = domMembers(document).createElement('style');
  style.textContent = '#ukko-tells::placeholder{color:rgb(1,2,3)!important}';
  domMembers(document).documentElement.append(style, input);
  const told = getComputedStyle(input, '::placeholder').color === 'rgb(1, 2, 3)';
  input.remove();
  style.remove();
  return told;
}

function hintColor(element: Element): Rgba | null {
  placeholderTold ??= tellsPlaceholder();
  if (!placeholderTold) return null;
  const style = getComputedStyle(element, '::placeholder');
  const color = parseComputedColor(style.color);
  return color && { ...color, alpha: color.alpha * Number.parseFloat(style.opacity || '1') };
}

/** What is behind an element: backgrounds from it outwards until one is opaque, on the colour of the canvas. */
function backgroundOf(element: Element): Rgba | null {
  const layers: Rgba[] = [];
  for (let at: Element | null = element; at; at = domMembers(at).parentElement) {
    const color = parseComputedColor(getComputedStyle(at).backgroundColor);
    if (!color) return null;
    layers.push(color);
    if (color.alpha === 1) break;
  }
  if (canvas === undefined) canvas = canvasColor();
  return canvas && layers.reduceRight((under, over) => composite(over, under), canvas);
}

function canvasColor(): Rgba | null {
  const probe = domMembers(document).createElement('span');
  probe.style.cssText = 'color:Canvas';
  domMembers(document).documentElement.append(probe);
  const color = parseComputedColor(getComputedStyle(probe).color);
  probe.remove();
  return color;
}

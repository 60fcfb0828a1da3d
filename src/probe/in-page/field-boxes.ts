import { inDocument, union } from '../api/box';
import type { Box, ProbeField } from '../api/probe-api';
import { domMembers } from './dom-members';
import { controlsOf } from './field-controls';
import { controls, type Listed } from './form-under-test';
import { drawnIn, standInOf } from './stand-in';

/** Controls that were moved, so that they can be put back before they are measured again. */
const moved = new Set<Listed>();

/**
 * Moves controls by less than one CSS px onto whole ones. Where a field happens to stand between two pixels decides
 * how its edges are smoothed; that would make two pictures of the same control differ. Only controls in the normal
 * flow are moved: the others have a place of the author's own.
 */
function alignToPixels(elements: readonly Listed[]): void {
  for (const element of moved)
    for (const name of ['position', 'left', 'top']) element.style.removeProperty(name);
  moved.clear();
  const offsets = elements.map((element) => {
    const { x, y } = element.getBoundingClientRect();
    const [left, top] = [x + window.scrollX, y + window.scrollY];
    return { element, left: Math.round(left) - left, top: Math.round(top) - top };
  });
  for (const { element, left, top } of offsets) {
    if ((left === 0 && top === 0) || getComputedStyle(element).position !== 'static') continue;
    element.style.position = 'relative';
    element.style.left = `${left}px`;
    element.style.top = `${top}px`;
    moved.add(element);
  }
}

/** The controls of each field, on whole CSS px. */
export function aligned(fields: readonly ProbeField[]): Listed[][] {
  const all = controls();
  const members = fields.map((field) => controlsOf(field, all));
  alignToPixels(members.flat());
  return members;
}

/** Scrolls a field into sight, its controls on whole CSS px and all others where they are by themselves, whatever was asked before. */
export function bringIntoSight(field: ProbeField): Box | null {
  const [[first] = []] = aligned([field]);
  if (first) shownFor(first).scrollIntoView({ block: 'center', inline: 'nearest', behavior: 'instant' });
  // Between two pixels, focus would scroll the page by a fraction, and all of it would change.
  window.scrollTo(Math.round(window.scrollX), Math.round(window.scrollY));
  return placeInViewport(field);
}

export function placeInViewport(field: ProbeField): Box | null {
  return union(placesInViewport(field));
}

export function placesInViewport(field: ProbeField): Box[] {
  return controlsOf(field)
    .flatMap((control) => boxOf(control) ?? [])
    .map((box) => ({ ...box, x: box.x - window.scrollX, y: box.y - window.scrollY }));
}

export function insideInViewport(field: ProbeField): Box | null {
  const [first] = controlsOf(field);
  const box = placeInViewport({ ...field, ordinals: field.ordinals.slice(0, 1) });
  if (!first || !box) return null;
  const style = getComputedStyle(shownFor(first));
  const taken = (side: 'Left' | 'Right' | 'Top' | 'Bottom') =>
    Number.parseFloat(style[`border${side}Width`]) + Number.parseFloat(style[`padding${side}`]);
  return {
    x: box.x + taken('Left'),
    y: box.y + taken('Top'),
    width: box.width - taken('Left') - taken('Right'),
    height: box.height - taken('Top') - taken('Bottom'),
  };
}

function shownFor(control: Element): Element {
  return standInOf(control) ?? control;
}

export function boxOf(control: Element): Box | null {
  const standIn = standInOf(control);
  if (standIn) return union(drawnIn(standIn).map(inDocument));
  const box = control.getBoundingClientRect();
  return box.width === 0 && box.height === 0 ? null : inDocument(box);
}

/**
 * All that one can scroll to. Of a page that reads from right to left and is wider than its window, what lies left of where scrolling
 * begins is negative (CSSOM View, "scrolling area"; the direction is that of the body, CSS Writing Modes, "principal writing mode").
 */
export function documentBox(): Box {
  const { documentElement: root, body } = domMembers(document);
  const isRightToLeft = getComputedStyle(body ?? root).direction === 'rtl';
  return {
    x: isRightToLeft ? Math.min(0, root.clientWidth - root.scrollWidth) : 0,
    y: 0,
    width: root.scrollWidth,
    height: root.scrollHeight,
  };
}

export function controlBoxOf(members: readonly Listed[]): Box | null {
  return union(members.flatMap((control) => boxOf(control) ?? []));
}

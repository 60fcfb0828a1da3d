import { composedElements } from './composed-tree';
import { domMembers } from './dom-members';

/** Least size of what a person picks from, CSS px: a word that moves away and a line of hints are lower. */
const least = { width: 80, height: 60 } as const;

/** What lies over the page: elements out of its flow that are drawn and large enough to pick from. */
export function overlays(): ReadonlySet<Element> {
  return new Set([...composedElements(document)].filter(isOverlay));
}

function isOverlay(element: Element): boolean {
  const { position } = getComputedStyle(element);
  if (position !== 'absolute' && position !== 'fixed') return false;
  const own = domMembers(element);
  const { width, height } = own.getBoundingClientRect();
  const isLarge = width >= least.width && height >= least.height;
  return isLarge && own.checkVisibility({ opacityProperty: true, visibilityProperty: true });
}

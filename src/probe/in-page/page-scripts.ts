import { composedElements } from './composed-tree';
import { domMembers } from './dom-members';

/**
 * Whether the page runs scripts of its own: elements of script (HTML Standard, "The script element": what has another type is data), listeners
 * in attributes, addresses of script; and scripts that were fetched, though they took their elements away.
 */
export function hasScripts(): boolean {
  const wasFetched = performance
    .getEntriesByType('resource')
    .some((entry) => entry instanceof PerformanceResourceTiming && entry.initiatorType === 'script');
  return (
    wasFetched ||
    [...composedElements(document)].some((element) => isScript(element) || hasScriptAttribute(element))
  );
}

const scriptTypes = /^(?:|module|importmap|(?:text|application)\/(?:x-)?(?:java|ecma)script)$/;

function isScript(element: Element): boolean {
  if (!(element instanceof HTMLScriptElement || element instanceof SVGScriptElement)) return false;
  const own = domMembers(element);
  const [type = ''] = (own.getAttribute('type') ?? '').trim().toLowerCase().split(';');
  return scriptTypes.test(type);
}

function hasScriptAttribute(element: Element): boolean {
  const own = domMembers(element);
  return own.getAttributeNames().some((name) => {
    if (name.startsWith('on')) return name in HTMLElement.prototype || name in window;
    const isAddress = ['href', 'action', 'formaction', 'src', 'xlink:href'].includes(name);
    return isAddress && /^\s*javascript:/i.test(own.getAttribute(name) ?? '');
  });
}

import { attributeOf, type Element, elementsById } from './parse-markup';

interface Placed {
  readonly element: Element;
  readonly ancestors: readonly Element[];
}

/** Finds the form that a control belongs to (HTML Standard, "form owner"), as an index into the page's forms in tree order. */
export function formOwners(elements: readonly Placed[]): {
  readonly forms: readonly Placed[];
  ownerOf(element: Element, ancestors: readonly Element[]): number | null;
} {
  const forms = elements.filter(({ element }) => element.tagName === 'form');
  const places = new Map(forms.map(({ element }, index) => [element, index]));
  const byId = elementsById(elements);
  return {
    forms,
    ownerOf(element, ancestors) {
      const named = attributeOf(element, 'form');
      // An attribute that names no form leaves the control without one, even inside of a form.
      const owner =
        named === null ? ancestors.findLast(({ tagName }) => tagName === 'form') : byId.get(named);
      return (owner && places.get(owner)) ?? null;
    },
  };
}

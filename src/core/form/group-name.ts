import { tidyWords } from './label-words';
import { attributeOf, type Element, textOf } from './parse-markup';

/**
 * What the group of controls is called that a control stands in: by the legend of its fieldset (HTML Standard, "The
 * legend element") or by the label of its group (WAI-ARIA, "radiogroup" and "group").
 * @param ancestors the outermost first
 * @returns the words, or the empty text where nothing names the group
 */
export function groupName(ancestors: readonly Element[], byId: ReadonlyMap<string, Element>): string {
  const group = ancestors.findLast(
    (one) => one.tagName === 'fieldset' || /^(?:radio)?group$/.test(attributeOf(one, 'role') ?? ''),
  );
  if (!group) return '';
  const labels = (attributeOf(group, 'aria-labelledby') ?? '').split(/[\t\n\f\r ]+/);
  const labelled = labels.flatMap((id) => byId.get(id) ?? []).map((one) => tidyWords(textOf(one)));
  const legend = group.childNodes.find((child) => child.nodeName === 'legend');
  const words = [
    labelled.join(' '),
    tidyWords(attributeOf(group, 'aria-label') ?? ''),
    legend && 'childNodes' in legend ? tidyWords(textOf(legend)) : '',
  ];
  return words.find((one) => one !== '') ?? '';
}

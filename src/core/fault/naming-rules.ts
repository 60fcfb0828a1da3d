import { type Field, isButton, isConcealed, isControlTag } from '../html/field';
import { askedBefore, groupName } from '../html/group-name';
import { labelWords } from '../html/label-words';
import { nameFromWords } from '../html/name-from-words';
import { attributeOf, type Element, isElement, type Node } from '../html/parse-markup';
import { widgetRoleOf } from '../html/widget';
import {
  type Mend,
  namedGroup,
  namedTogether,
  tiedToWords,
  withAttributes,
  withoutAttribute,
  wordsBefore,
} from './mend';
import { entries, type FaultRule, type PageUnderCheck, placeOf, startOf, text } from './page-under-check';

// Rules about what a field is called: its name, its label, its id, its group.

export const unnamed: FaultRule = (page, report) => {
  for (const field of entries(page))
    if (field.name === '')
      report({
        field,
        span: placeOf(field.controls[0]),
        fault: { code: 'no name' },
        mend: withAttributes(field.controls[0], { name: nameFromWords(field.label, 'field') }),
      });
};

const isNamedByAttribute = (field: Field) =>
  ['aria-label', 'aria-labelledby', 'title'].some((name) => text(field, name)?.trim());

export const unlabelled: FaultRule = (page, report) => {
  for (const field of page.fields) {
    if (field.kind === 'hidden' || field.kind === 'output' || isButton(field.kind)) continue;
    const control = field.controls[0];
    if (isConcealed(control)) continue;
    const place = page.elementOf(control);
    const id = text(field, 'id');
    const around = place?.ancestors.filter(
      ({ tagName, attrs }) => tagName === 'label' && !attrs.some(({ name }) => name === 'for'),
    );
    const tied = id === null ? [] : (page.labelsFor.get(id) ?? []);
    const labels = [...(around ?? []), ...tied];
    const isNamed =
      labels.some((label) => labelWords(label, place?.element ?? null) !== '') || isNamedByAttribute(field);
    if (isNamed) continue;
    const at = { field, span: placeOf(control) };
    if (labels.length > 0)
      report({
        ...at,
        fault: { code: 'label without words' },
      });
    else
      report({
        ...at,
        fault: { code: 'no label' },
        mend: place && leadsTo(page.byId, place.element) ? tiedToWords(control, place) : null,
      });
  }
};

/** An element of a script's own may take part in forms, and has labels then (HTML Standard, "Form-associated custom elements"). */
const isLabelable = (tagName = '') => tagName.includes('-') || isControlTag(tagName);

/** A role that a person is to be told of is told without a name; labels name controls alone (WAI-ARIA, "Accessible Name Calculation"). */
export const unnamedWidget: FaultRule = (page, report) => {
  for (const field of page.widgets) {
    const [control] = field.controls;
    const place = page.elementOf(control);
    if (isNamedByAttribute(field) || widgetRoleOf(control) === null || isLabelable(place?.element.tagName))
      continue;
    report({ field, span: placeOf(control), fault: { code: 'no accessible name' } });
  }
};

/** Whether its id, if it has one, leads to this element: of two with one id it leads to the first. */
function leadsTo(byId: PageUnderCheck['byId'], element: Element): boolean {
  const id = attributeOf(element, 'id');
  return id === null || byId.get(id) === element;
}

export const labelForNothing: FaultRule = (page, report) => {
  const { elements, byId, wrapped } = page;
  for (const { element, ancestors } of elements) {
    if (element.tagName !== 'label') continue;
    const target = attributeOf(element, 'for');
    const tied = target === null ? wrapped.get(element) : byId.get(target);
    if (isLabelable(tied?.tagName)) continue;
    report({
      span: startOf(element),
      fault: { code: 'label for nothing', target },
      mend: tiedTo(element, ancestors.at(-1), page),
    });
  }
};

const saysWords = (node: Node) => 'value' in node && node.value.trim() !== '';

/** The mend of the field right behind a label. */
function tiedTo(
  label: Element,
  around: Element | undefined,
  { fields, byId, elementOf }: PageUnderCheck,
): Mend | null {
  const siblings = around?.childNodes ?? [];
  const next = siblings.slice(siblings.indexOf(label) + 1).find((node) => isElement(node) || saysWords(node));
  const field = fields.find(({ controls }) => elementOf(controls[0])?.element === next);
  const place = field && elementOf(field.controls[0]);
  return field && place && leadsTo(byId, place.element) ? tiedToWords(field.controls[0], place) : null;
}

export const duplicateId: FaultRule = ({ elements, byId }, report) => {
  for (const { element } of elements) {
    const id = attributeOf(element, 'id');
    if (id && byId.get(id) !== element)
      report({
        span: startOf(element),
        fault: { code: 'duplicate id', id },
      });
  }
};

export const manyFocus: FaultRule = ({ elements }, report) => {
  const asking = elements.filter(({ element }) => attributeOf(element, 'autofocus') !== null);
  for (const { element } of asking.slice(1))
    report({
      span: startOf(element),
      fault: { code: 'focus asked for twice', fields: asking.length },
      mend: withoutAttribute(element, 'autofocus'),
    });
};

export const unnamedChoices: FaultRule = (page, report) => {
  for (const field of page.fields) {
    const place = page.elementOf(field.controls[0]);
    if (field.kind !== 'radio' || field.controls.length === 1 || !place) continue;
    if (groupName(place.ancestors, page.byId, field.name) !== '') continue;
    report({
      field,
      span: placeOf(field.controls[0]),
      fault: { code: 'choices without a question' },
      mend: namedGroup(askedBefore(place.ancestors, field.name)),
    });
  }
};

export const loneRadio: FaultRule = (page, report) => {
  const alone = page.fields.filter(({ kind, controls }) => kind === 'radio' && controls.length === 1);
  const questionOf = (field: Field) => {
    const place = page.elementOf(field.controls[0]);
    return place ? wordsBefore(place) : '';
  };
  for (const field of alone) {
    const question = questionOf(field);
    const together = alone.filter((one) => questionOf(one) === question);
    report({
      field,
      span: placeOf(field.controls[0], 'name'),
      fault: { code: 'radio button alone' },
      mend: together.length > 1 ? namedTogether(together, question) : null,
    });
  }
};

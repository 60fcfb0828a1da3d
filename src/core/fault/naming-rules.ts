import { type Field, fieldElements, isButton } from '../form/field';
import { askedBefore, groupName } from '../form/group-name';
import { labelWords } from '../form/label-words';
import { nameFromWords } from '../form/name-from-words';
import { attributeOf, type Element, isElement, type Node } from '../form/parse-markup';
import {
  type Mend,
  namedGroup,
  namedTogether,
  tiedToWords,
  withAttributes,
  withoutAttribute,
  wordsBefore,
} from './mend';
import { entries, type PageUnderCheck, placeOf, type Rule, startOf, text } from './page-under-check';

// Rules about what a field is called: its name, its label, its id, its group.

export const unnamed: Rule = (page, report) => {
  for (const field of entries(page))
    if (field.name === '')
      report({
        field,
        span: placeOf(field.controls[0]),
        text: `${field.label} has no name, so it is never sent.`,
        remedy: 'Give it a name that the server knows.',
        mend: withAttributes(field.controls[0], { name: nameFromWords(field.label, 'field') }),
      });
};

export const unlabelled: Rule = (page, report) => {
  for (const field of page.fields) {
    if (field.kind === 'hidden' || field.kind === 'output' || isButton(field.kind)) continue;
    const control = field.controls[0];
    const place = page.elementOf(control);
    const id = text(field, 'id');
    const around = place?.ancestors.filter(
      ({ tagName, attrs }) => tagName === 'label' && !attrs.some(({ name }) => name === 'for'),
    );
    const tied = id === null ? [] : (page.labelsFor.get(id) ?? []);
    const labels = [...(around ?? []), ...tied];
    const isNamed =
      labels.some((label) => labelWords(label, place?.element ?? null) !== '') ||
      ['aria-label', 'aria-labelledby', 'title'].some((name) => text(field, name)?.trim());
    if (isNamed) continue;
    const at = { field, span: placeOf(control) };
    if (labels.length > 0)
      report({
        ...at,
        text: `The label of ${field.label} says nothing: whoever hears the page is not told what to enter.`,
        remedy: 'Write into the label what is to be entered.',
      });
    else
      report({
        ...at,
        text: `${field.label} has no label: a click on the words beside it does nothing, and it is not read out.`,
        remedy: 'Put it into a label, or give it an id and a label with that id as its for.',
        mend: place && leadsTo(page.byId, place.element) ? tiedToWords(control, place) : null,
      });
  }
};

const isLabelable = (tagName: string | undefined) => fieldElements.some((name) => name === tagName);

/** Whether its id, if it has one, leads to this element: of two with one id it leads to the first. */
function leadsTo(byId: PageUnderCheck['byId'], element: Element): boolean {
  const id = attributeOf(element, 'id');
  return id === null || byId.get(id) === element;
}

export const labelForNothing: Rule = (page, report) => {
  const { elements, byId, wrapped } = page;
  for (const { element, ancestors } of elements) {
    if (element.tagName !== 'label') continue;
    const target = attributeOf(element, 'for');
    const tied = target === null ? wrapped.get(element) : byId.get(target);
    if (isLabelable(tied?.tagName)) continue;
    report({
      span: startOf(element),
      text:
        target === null
          ? 'A label is tied to nothing.'
          : `A label is for “${target}”, and no field has that id.`,
      remedy: 'Put the id of its field into for, or put the field into the label.',
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

export const duplicateId: Rule = ({ elements, byId }, report) => {
  for (const { element } of elements) {
    const id = attributeOf(element, 'id');
    if (id && byId.get(id) !== element)
      report({
        span: startOf(element),
        text: `The id “${id}” is there twice; labels and scripts find the first one.`,
        remedy: 'Give one of them another id.',
      });
  }
};

export const manyFocus: Rule = ({ elements }, report) => {
  const asking = elements.filter(({ element }) => attributeOf(element, 'autofocus') !== null);
  for (const { element } of asking.slice(1))
    report({
      span: startOf(element),
      text: `${asking.length} fields ask for the focus on load; the first one gets it.`,
      remedy: 'Leave autofocus on one field.',
      mend: withoutAttribute(element, 'autofocus'),
    });
};

export const unnamedChoices: Rule = (page, report) => {
  for (const field of page.fields) {
    const place = page.elementOf(field.controls[0]);
    if (field.kind !== 'radio' || field.controls.length === 1 || !place) continue;
    if (groupName(place.ancestors, page.byId, field.name) !== '') continue;
    report({
      field,
      span: placeOf(field.controls[0]),
      text: `The choices of ${field.label} have no heading that belongs to them: read out, each is heard without its question.`,
      remedy:
        'Put them into a fieldset, with the question as its legend, or name the element around them as a group.',
      mend: namedGroup(askedBefore(place.ancestors, field.name)),
    });
  }
};

export const loneRadio: Rule = (page, report) => {
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
      text: `The radio button ${field.label} is alone in its group: once chosen, it cannot be taken back.`,
      remedy: 'Give all choices of one question the same name.',
      mend: together.length > 1 ? namedTogether(together, question) : null,
    });
  }
};

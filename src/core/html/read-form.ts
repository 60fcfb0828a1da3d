import { isKnownAttribute } from './attribute-registry';
import { directionOf } from './direction';
import {
  type Attribute,
  attribute,
  type Control,
  type Field,
  type FieldElement,
  type FieldId,
  type FormElement,
  type FormReading,
  fieldElements,
  fieldId,
  isButton,
  kindOf,
  type MarkupNote,
  type Option,
  type Span,
} from './field';
import { formOwners } from './form-owner';
import { askedBefore, groupName } from './group-name';
import { inertParts } from './inert-markup';
import { labelWords, tidyWords, wrappedControls } from './label-words';
import { languageOf } from './language';
import { linePositions } from './line-positions';
import type { NoteFact } from './markup-note';
import {
  attributeOf,
  type Element,
  elementSpan,
  elementsById,
  elementsOf,
  isElement,
  mostElements,
  mostNested,
  type ParsedMarkup,
  parseMarkup,
  textOf,
} from './parse-markup';
import { inPeoplesLanguage } from './peoples-language';
import { widgetRoleOf } from './widget';
import { widgetsIn } from './widgets-in-markup';

export interface Found {
  readonly control: Control;
  readonly node: Element;
  readonly ancestors: readonly Element[];
}

/** Readings of markup that is still kept parsed. */
const readings = new WeakMap<ParsedMarkup, FormReading>();

/**
 * Reads the fields of a form from its markup. Nothing in the markup runs or loads. What is not understood is
 * named in the notes and stays in the markup.
 *
 * @param markup a fragment or a whole page.
 * @param language of people, where the markup states none, see `inPeoplesLanguage`.
 * @returns fields in document order and notes in source order.
 */
export function readForm(markup: string, language?: string | null): FormReading {
  return inPeoplesLanguage(asWritten(markup), language);
}

function asWritten(markup: string): FormReading {
  const parsed = parseMarkup(markup);
  const known = readings.get(parsed);
  if (known) return known;
  const reading = readingOf(markup, parsed);
  readings.set(parsed, reading);
  return reading;
}

function readingOf(markup: string, parsed: ParsedMarkup): FormReading {
  const elements = [...elementsOf(parsed.document)];
  const found = controlsIn(elements);
  const byId = elementsById(elements);
  const fields = fieldsOf(found, labelsOf(elements, byId), byId);
  return {
    fields,
    isLanguageStated: fields.every(({ controls: [{ language }] }) => language !== null),
    notes: notesOf(markup, parsed, found, elements),
    forms: elements.flatMap(({ element }) => formElement(element) ?? []),
    lists: elements.flatMap(({ element }) =>
      element.tagName === 'datalist' ? (attributeOf(element, 'id') ?? []) : [],
    ),
  };
}

/** Elements whose content is their text, not their options. */
const withText: readonly FieldElement[] = ['textarea', 'button', 'output', 'widget'];

export type Placed = { element: Element; ancestors: readonly Element[] };

export function controlsIn(elements: readonly Placed[]): Found[] {
  const found: Found[] = [];
  const forms = formOwners(elements);
  const widgets = widgetsIn(elements);
  for (const { element: node, ancestors } of elements) {
    const element = widgets.has(node) ? 'widget' : fieldElements.find((name) => name === node.tagName);
    const place = node.sourceCodeLocation;
    const span = elementSpan(node);
    if (!element || !place || !span) continue;
    const startTag = place.startTag ?? place;
    found.push({
      node,
      ancestors,
      control: {
        ordinal: found.length,
        element,
        attributes: attributesIn(node),
        startTag: { start: startTag.startOffset, end: startTag.endOffset },
        span,
        text: withText.includes(element) ? textOf(node) : '',
        options: element === 'select' ? optionsIn(node) : [],
        disabledByFieldset: isInDisabledFieldset(node, ancestors),
        inDatalist: ancestors.some(({ tagName }) => tagName === 'datalist'),
        startsWithOther: element === 'select' && startsWithOther(node),
        form: forms.ownerOf(node, ancestors),
        direction: directionOf(ancestors),
        language: languageOf([...ancestors, node]),
      },
    });
  }
  return found;
}

function formElement(node: Element): FormElement | null {
  const tag = node.sourceCodeLocation?.startTag;
  if (node.tagName !== 'form' || !tag) return null;
  const startTag = { start: tag.startOffset, end: tag.endOffset };
  return { element: 'form', attributes: attributesIn(node), startTag };
}

function attributesIn(node: Element): Attribute[] {
  const places = node.sourceCodeLocation?.attrs ?? {};
  return node.attrs.flatMap((a) => {
    const place = places[a.name];
    return place
      ? [{ name: a.name, value: a.value, span: { start: place.startOffset, end: place.endOffset } }]
      : [];
  });
}

function optionsIn(select: Element): Option[] {
  const options: Option[] = [];
  for (const { element, ancestors } of elementsOf(select)) {
    if (element.tagName !== 'option') continue;
    const text = textOf(element)
      .replace(/[\t\n\f\r ]+/g, ' ')
      .trim();
    options.push({
      value: attributeOf(element, 'value') ?? text,
      label: attributeOf(element, 'label') ?? text,
      selected: attributeOf(element, 'selected') !== null,
      disabled:
        attributeOf(element, 'disabled') !== null ||
        ancestors.some((a) => a.tagName === 'optgroup' && attributeOf(a, 'disabled') !== null),
      grouped: ancestors.some((a) => a.tagName === 'optgroup'),
    });
  }
  return options;
}

function startsWithOther(select: Element): boolean {
  return select.childNodes.find(isElement)?.tagName !== 'option';
}

/** HTML Standard, "The fieldset element": its first legend's contents stay enabled. */
function isInDisabledFieldset(node: Element, ancestors: readonly Element[]): boolean {
  return ancestors.some((fieldset, depth) => {
    if (fieldset.tagName !== 'fieldset' || attributeOf(fieldset, 'disabled') === null) return false;
    const firstLegend = fieldset.childNodes.find((child) => child.nodeName === 'legend');
    const path = [...ancestors.slice(depth + 1), node];
    return path[0] !== firstLegend || firstLegend === undefined;
  });
}

/** Label text by the element that it labels (HTML Standard, "The label element"). */
function labelsOf(elements: readonly Placed[], byId: ReadonlyMap<string, Element>): (found: Found) => string {
  const byFor = new Map<string, Element>();
  const byWrapping = new Map<Element, Element>();
  const wrapped = wrappedControls(elements);
  for (const { element } of elements) {
    if (element.tagName !== 'label') continue;
    const target = attributeOf(element, 'for');
    const labelled = target === null ? wrapped.get(element) : undefined;
    if (target && !byFor.has(target)) byFor.set(target, element);
    if (labelled) byWrapping.set(labelled, element);
  }
  const wordsOf = (label: Element | undefined, labelled: Element | null) =>
    label ? labelWords(label, labelled) : undefined;
  const wordsOfIds = namedWords(byId);
  return ({ node, control, ancestors }) => {
    const id = attributeOf(node, 'id');
    const kind = kindOf(control.element, attribute(control, 'type'));
    const candidates = [
      id ? wordsOf(byFor.get(id), null) : undefined,
      wordsOf(byWrapping.get(node), node),
      attribute(control, 'aria-label'),
      wordsOfIds(attribute(control, 'aria-labelledby')),
      // It is no name of a widget, but what a person reads beside it.
      control.element === 'widget' ? wordsOf(ancestors.findLast(isLabel), node) : undefined,
      control.element === 'button' ? tidyWords(control.text) : undefined,
      isButton(kind) ? (attribute(control, 'value') ?? attribute(control, 'alt')) : undefined,
    ];
    return candidates.find((text) => text) ?? '';
  };
}

/** The words of the elements that are named, in their order (WAI-ARIA, "aria-labelledby"). Many may be named by one that is long: it is read once. */
function namedWords(byId: ReadonlyMap<string, Element>): (ids: string | null) => string {
  const wordsOf = new Map<Element, string>();
  const read = (element: Element) => {
    const words = wordsOf.get(element) ?? tidyWords(textOf(element));
    wordsOf.set(element, words);
    return words;
  };
  return (ids) =>
    (ids ?? '')
      .split(/\s+/)
      .flatMap((id) => byId.get(id) ?? [])
      .map(read)
      .filter(Boolean)
      .join(' ');
}

const isLabel = ({ tagName }: Element) => tagName === 'label';

function fieldsOf(
  found: readonly Found[],
  labelOf: (found: Found) => string,
  byId: ReadonlyMap<string, Element>,
): Field[] {
  const freeId = freeIds();
  const groups = new Map<string, Found[]>();
  const fields: { first: Found; members: Found[] }[] = [];
  for (const one of found) {
    const key = radioGroupKey(one);
    const group = key === null ? undefined : groups.get(key);
    if (group) {
      group.push(one);
      continue;
    }
    const members = [one];
    if (key !== null) groups.set(key, members);
    fields.push({ first: one, members });
  }
  return fields.map(({ first, members }) => {
    const { control } = first;
    const [head, ...rest] = members.map((m) => m.control);
    const name = attribute(control, 'name') ?? '';
    return {
      id: freeId(control),
      kind: kindOf(control.element, attribute(control, 'type')),
      label:
        (members.length > 1 ? questionOf(first, byId, name) || name : labelOf(first)) ||
        name ||
        calledByItself(control),
      name,
      controls: [head ?? control, ...rest],
      suggestions: suggestionsOf(control, byId),
    };
  });
}

function calledByItself(control: Control): string {
  return control.element === 'widget' ? (widgetRoleOf(control) ?? 'editable content') : control.element;
}

/** What a group of choices asks, by its heading or by the words before it. */
function questionOf({ ancestors }: Found, byId: ReadonlyMap<string, Element>, name: string): string {
  return groupName(ancestors, byId, name) || (askedBefore(ancestors, name)?.words ?? '');
}

/** HTML Standard, "Radio Button state": same form owner and same name that is not empty. */
function radioGroupKey({ control }: Found): string | null {
  const name = attribute(control, 'name');
  if (kindOf(control.element, attribute(control, 'type')) !== 'radio' || !name) return null;
  return `${control.form ?? ''} ${name}`;
}

function suggestionsOf(control: Control, byId: ReadonlyMap<string, Element>): string[] | null {
  const list = attribute(control, 'list');
  const datalist = list ? byId.get(list) : undefined;
  if (datalist?.tagName !== 'datalist') return null;
  const known = suggested.get(datalist) ?? optionsIn(datalist).map((option) => option.value);
  suggested.set(datalist, known);
  return known;
}
/** By list: many fields may have one. */
const suggested = new WeakMap<Element, string[]>();

/** Names last longer than positions: a field keeps its id while others come and go around it. */
function freeIds(): (control: Control) => FieldId {
  const taken = new Set<FieldId>();
  /** By name, from which number on one may be free. */
  const next = new Map<string, number>();
  return (control) => {
    const base =
      attribute(control, 'name') || attribute(control, 'id') || `${control.element}-${control.ordinal + 1}`;
    for (let n = next.get(base) ?? 1; ; n++) {
      const id = fieldId(n === 1 ? base : `${base}~${n}`);
      if (taken.has(id)) continue;
      taken.add(id);
      next.set(base, n + 1);
      return id;
    }
  };
}

function notesOf(
  markup: string,
  parsed: ParsedMarkup,
  found: readonly Found[],
  elements: readonly Placed[],
): MarkupNote[] {
  const at = linePositions(markup);
  const notes: MarkupNote[] = [];
  const note: Note = (span, fact) => notes.push({ ...fact, span, ...at(span.start) });

  for (const { span, told } of inertParts(parsed)) note(span, told);
  for (const { control } of found) {
    if (control.element === 'widget') continue;
    for (const { name, span } of control.attributes) {
      if (!isKnownAttribute(name) && !name.startsWith('on'))
        note(span, { code: 'unknown attribute', attribute: name });
    }
  }
  for (const { element } of elements) noteHidden(element, note);
  // A fragment is not expected to have a doctype; the page that shows it gets one.
  const wholePage = /<html[\s>]/i.test(markup);
  const cut = parsed.cutBecause;
  if (cut) note({ start: parsed.readTo, end: markup.length }, { code: cut, most: bounds[cut] });
  for (const error of parsed.errors.filter(({ code }) => wholePage || code !== 'missing-doctype'))
    note({ start: error.start, end: error.end }, { code: 'parse error', error: error.code });
  return notes.sort((a, b) => a.span.start - b.span.start);
}

/** What is beyond the bounds is named, never left out in silence. */
const bounds = { 'too deep': mostNested, 'too many elements': mostElements } as const;

type Note = (span: Span, fact: NoteFact) => void;

function noteHidden(element: Element, note: Note): void {
  const place = element.sourceCodeLocation;
  if (!place) return;
  const span = { start: place.startOffset, end: (place.startTag ?? place).endOffset };
  if (element.tagName === 'template') note(span, { code: 'template' });
  if (element.tagName.includes('-') && !element.namespaceURI.endsWith('svg'))
    note(span, { code: 'custom element', element: element.tagName });
}

import {
  attribute,
  type Control,
  type Field,
  type FormReading,
  hasAttribute,
  isButton,
  isDisabled,
  type Span,
} from '../html/field';
import { wrappedControls } from '../html/label-words';
import { linePositions } from '../html/line-positions';
import { type NestedForm, nestedForms } from '../html/nested-forms';
import {
  attributeOf,
  type Element,
  elementSpan,
  elementsById,
  elementsOf,
  parseMarkup,
  textOf,
} from '../html/parse-markup';
import { controlsIn, type Placed } from '../html/read-form';
import { GaveUp } from '../regexp/budget';
import type { Fault } from './fault';
import type { Mend } from './mend';
import { wordsBeside } from './words-beside';

/** A fault in the markup of a form. */
export interface MarkupFault {
  /** The rule that found it. */
  readonly rule: string;
  readonly fault: Fault;
  readonly field: Field | null;
  readonly span: Span;
  /** Of its beginning, counted from 1. */
  readonly line: number;
  readonly column: number;
  /** The edits that take it away, where it can be told what was meant. */
  readonly mend: Mend | null;
}

export type Report = (
  found: Pick<MarkupFault, 'fault' | 'span'> & { field?: Field; mend?: Mend | null },
) => void;

/** What a rule looks at. */
export interface PageUnderCheck {
  /** Fields that are controls of HTML. */
  readonly fields: readonly Field[];
  /** The others: what scripts make of their attributes nobody can tell from markup. */
  readonly widgets: readonly Field[];
  /** Forms that begin inside of others. */
  readonly nested: readonly NestedForm[];
  readonly elements: readonly Placed[];
  readonly byId: ReadonlyMap<string, Element>;
  /** Labels by what their `for` says. */
  readonly labelsFor: ReadonlyMap<string, readonly Element[]>;
  /** The control that each label without a `for` holds. */
  readonly wrapped: ReadonlyMap<Element, Element>;
  /** The element of a control. */
  elementOf(control: Control): Placed | undefined;
  /** Words about a field that stand where a person sees them before anything is sent: its hint, title and placeholder, and what is written beside it. */
  hintOf(field: Field): string;
}

export type FaultRule = (page: PageUnderCheck, report: Report) => void;

/** Fields that a person fills in. */
export const entries = ({ fields }: PageUnderCheck) =>
  fields.filter(({ kind }) => !isButton(kind) && !['hidden', 'meter', 'progress', 'output'].includes(kind));

/** An attribute of a field's first control. */
export const text = (field: Field, name: string) => attribute(field.controls[0], name);

/** Whether a field is barred from constraint validation, and nobody enters anything (HTML Standard, "readonly", "disabled"). */
export const isBarred = ({ controls: [control] }: Field) =>
  hasAttribute(control, 'readonly') || isDisabled(control);

/** Fields that are checked, and faults that one rule reports: of more nobody reads, and some rules hold each field against all. */
const [mostChecked, mostReported] = [1000, 300];

/** Runs rules over a form, by their names. @returns faults in the order in which they stand in the markup */
export function runRules(
  markup: string,
  { fields }: Pick<FormReading, 'fields'>,
  rules: Readonly<Record<string, FaultRule>>,
): MarkupFault[] {
  const page = pageUnderCheck(markup, fields.slice(0, mostChecked));
  const at = linePositions(markup);
  const faults: MarkupFault[] = [];
  for (const [rule, run] of Object.entries(rules))
    for (const { field, span, fault, mend } of reported(run, page))
      faults.push({ rule, fault, field: field ?? null, mend: mend ?? null, span, ...at(span.start) });
  return faults.sort((a, b) => a.span.start - b.span.start);
}

/** What a rule reports; a field over which it takes too many steps costs the others nothing. */
function reported(run: FaultRule, page: PageUnderCheck): readonly Parameters<Report>[0][] {
  try {
    const found: Parameters<Report>[0][] = [];
    run(page, (one) => {
      if (found.length === mostReported) throw new Enough(found);
      found.push(one);
    });
    return found;
  } catch (error) {
    if (error instanceof Enough) return error.found;
    if (!(error instanceof GaveUp)) throw error;
    if (page.fields.length < 2) return [];
    return page.fields.flatMap((field) => reported(run, { ...page, fields: [field] }));
  }
}

/** Ends a rule that has reported as much as it may. */
class Enough extends Error {
  constructor(readonly found: readonly Parameters<Report>[0][]) {
    super('enough');
  }
}

export function pageUnderCheck(markup: string, fields: readonly Field[]): PageUnderCheck {
  const elements = [...elementsOf(parseMarkup(markup).document)];
  const byId = elementsById(elements);
  const placed = new Map(
    controlsIn(elements).map(({ node, ancestors, control }) => [
      control.ordinal,
      { element: node, ancestors },
    ]),
  );
  const elementOf = (control: Control) => placed.get(control.ordinal);
  const labelsFor = new Map<string, Element[]>();
  for (const { element } of elements) {
    const target = element.tagName === 'label' ? attributeOf(element, 'for') : null;
    if (target === null) continue;
    const labels = labelsFor.get(target) ?? [];
    labels.push(element);
    labelsFor.set(target, labels);
  }
  const wrapped = wrappedControls(elements);
  // Several rules ask for the same one.
  const hints = new Map<Field, string>();
  return {
    fields: fields.filter(({ kind }) => kind !== 'widget'),
    widgets: fields.filter(({ kind }) => kind === 'widget'),
    nested: nestedForms(markup),
    elements,
    byId,
    labelsFor,
    wrapped,
    elementOf,
    hintOf(field) {
      const hint = hints.get(field) ?? hintOf(field, elementOf, byId);
      hints.set(field, hint);
      return hint;
    },
  };
}

function hintOf(
  { controls: [control] }: Field,
  elementOf: PageUnderCheck['elementOf'],
  byId: ReadonlyMap<string, Element>,
): string {
  const place = elementOf(control);
  const label = place?.ancestors.findLast(({ tagName }) => tagName === 'label');
  const described = (attribute(control, 'aria-describedby') ?? '')
    .split(/\s+/)
    .flatMap((id) => byId.get(id) ?? []);
  const notes = label ? [...elementsOf(label)].filter(({ element }) => element.tagName === 'small') : [];
  return [
    attribute(control, 'title'),
    attribute(control, 'placeholder'),
    ...described.map(textOf),
    ...notes.map(({ element }) => textOf(element)),
    place && wordsBeside(place.element, place.ancestors),
  ]
    .filter(Boolean)
    .join(' ')
    .trim();
}

/** The place of an attribute, or of the start tag when it is not there. */
export function placeOf(control: Control, name?: string): Span {
  return control.attributes.find((one) => one.name === name)?.span ?? control.startTag;
}

/** The place of an element's start tag. */
export function startOf(element: Element): Span {
  const place = element.sourceCodeLocation;
  return place
    ? { start: place.startOffset, end: (place.startTag ?? place).endOffset }
    : (elementSpan(element) ?? { start: 0, end: 0 });
}

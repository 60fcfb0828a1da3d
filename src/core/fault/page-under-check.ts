import { attribute, type Control, type Field, type FormReading, isButton, type Span } from '../form/field';
import { linePositions } from '../form/line-positions';
import {
  type Element,
  elementSpan,
  elementsById,
  elementsOf,
  parseMarkup,
  textOf,
} from '../form/parse-markup';
import { controlsIn, type Placed } from '../form/read-form';
import type { Mend } from './mend';

/** What is told of a fault: what is wrong, and what to do about it. `line` and `column` count from 1. */
export interface ToldFault {
  readonly rule: string;
  readonly field: Field | null;
  readonly text: string;
  readonly remedy: string;
  readonly span: Span;
  readonly line: number;
  readonly column: number;
}

/** A fault in the markup of a form. */
export interface MarkupFault extends ToldFault {
  /** The edits that take it away, where it can be told what was meant. */
  readonly mend: Mend | null;
}

export type Report = (
  fault: Pick<MarkupFault, 'text' | 'remedy'> & { field?: Field; span: Span; mend?: Mend | null },
) => void;

/** What a rule looks at. */
export interface PageUnderCheck {
  readonly fields: readonly Field[];
  readonly elements: readonly Placed[];
  readonly byId: ReadonlyMap<string, Element>;
  /** The element of a control. */
  elementOf(control: Control): Placed | undefined;
  /** Words about a field that stand where a person sees them before anything is sent: its hint, title and placeholder. */
  hintOf(field: Field): string;
}

export type Rule = (page: PageUnderCheck, report: Report) => void;

/** Fields that a person fills in. */
export const entries = ({ fields }: PageUnderCheck) =>
  fields.filter(({ kind }) => !isButton(kind) && !['hidden', 'meter', 'progress', 'output'].includes(kind));

/** An attribute of a field's first control. */
export const text = (field: Field, name: string) => attribute(field.controls[0], name);

/** Runs rules over a form, by their names. @returns faults in the order in which they stand in the markup */
export function runRules(
  markup: string,
  { fields }: Pick<FormReading, 'fields'>,
  rules: Readonly<Record<string, Rule>>,
): MarkupFault[] {
  const page = pageUnderCheck(markup, fields);
  const at = linePositions(markup);
  const faults: MarkupFault[] = [];
  for (const [rule, run] of Object.entries(rules))
    run(page, ({ field, span, text, remedy, mend }) =>
      faults.push({ rule, field: field ?? null, text, remedy, mend: mend ?? null, span, ...at(span.start) }),
    );
  return faults.sort((a, b) => a.span.start - b.span.start);
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
  return { fields, elements, byId, elementOf, hintOf: (field) => hintOf(field, elementOf, byId) };
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

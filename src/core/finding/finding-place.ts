import { markupFaults } from '../fault/markup-faults';
import { attribute, type Field, type Span } from '../html/field';
import { type LinePosition, linePositions } from '../html/line-positions';
import { readForm } from '../html/read-form';
import { tagOf } from '../html/widget';
import type { Finding } from './finding';
import { markupFindingId } from './markup-finding-id';

/** Where in the markup a finding is. */
export interface FindingPlace extends LinePosition {
  /** What stands there: the outer markup of the field's first control, or what is wrong, cut where it is long. */
  readonly element: string;
  /** A CSS selector that leads to the field, in a page of one's own too; null where it has neither id nor name. */
  readonly selector: string | null;
}

/** Longest part of markup, or name in a selector, that is told, UTF-16 code units. */
const longest = 300;

/**
 * Where each finding of a form is: a fault of the markup at what is wrong, any other at the start tag of its field.
 *
 * @returns null for a finding about the whole form, or about many fields
 */
export function findingPlaces(
  markup: string,
): (finding: Pick<Finding, 'id' | 'field'>) => FindingPlace | null {
  const reading = readForm(markup);
  const at = linePositions(markup);
  const fields = new Map(reading.fields.map((field) => [field.id, field]));
  const faults = new Map(
    markupFaults(markup, reading).map((one) => [markupFindingId(one.field?.id ?? null, one.fault), one.span]),
  );
  return ({ id, field }) => {
    const own = field ? fields.get(field.id) : undefined;
    const span = faults.get(id);
    if (own) return { ...at((span ?? own.controls[0].startTag).start), ...told(markup, own) };
    return span ? { ...at(span.start), element: cut(markup, span), selector: null } : null;
  };
}

/** Where a field begins. */
export function fieldPlace(markup: string, field: Field): FindingPlace {
  return { ...linePositions(markup)(field.controls[0].startTag.start), ...told(markup, field) };
}

function told(markup: string, field: Field): Pick<FindingPlace, 'element' | 'selector'> {
  return { element: cut(markup, field.controls[0].span), selector: selectorOf(markup, field) };
}

/** On one line, as it is told in lists and logs. */
function cut(markup: string, { start, end }: Span): string {
  const text = markup.slice(start, Math.min(end, start + longest)).replace(/\s*\n\s*/g, ' ');
  return end - start > longest ? `${text}…` : text;
}

/** CSS Selectors: an attribute selector holds any text, quoted (CSS Syntax, "Serializing a string"). */
function selectorOf(markup: string, { controls: [control] }: Field): string | null {
  for (const name of ['id', 'name']) {
    const value = attribute(control, name);
    if (value && value.length <= longest)
      return `${tagOf(markup, control)}[${name}="${value.replace(/[\\"]/g, '\\$&').replace(/\n/g, '\\a ')}"]`;
  }
  return null;
}

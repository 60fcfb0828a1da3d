import { markupFaults } from '../fault/markup-faults';
import type { Field } from '../form/field';
import { faultHarm } from './fault-harm';
import { type Finding, findingId } from './finding';

/** Each fault of the markup. */
export function markupFindings(markup: string, fields: readonly Field[]): Finding[] {
  return markupFaults(markup, { fields }).map(({ rule, field, text, remedy, mend }) => {
    const [harm, why] = faultHarm(rule, text);
    const edits = mend?.(markup) ?? [];
    return {
      // What a field is called changes when its label is mended.
      id: findingId('markup', rule, field?.id ?? '', field ? text.replaceAll(field.label, '') : text),
      field: field && { id: field.id, label: field.label },
      says: text,
      harm,
      why,
      remedy,
      change: edits.length > 0 ? { kind: 'markup', edits } : null,
      details: [],
      script: null,
      targets: [],
      marks: ['modelled'],
      evidence: 'form',
    };
  });
}

import { markupFaults } from '../fault/markup-faults';
import type { Field } from '../html/field';
import { harmOf } from './fault-harm';
import type { Finding } from './finding';
import { markupFindingId } from './markup-finding-id';

/** Each fault of the markup. */
export function markupFindings(markup: string, fields: readonly Field[]): Finding[] {
  return markupFaults(markup, { fields }).map(({ fault, field, mend }) => {
    const edits = mend?.(markup) ?? [];
    return {
      id: markupFindingId(field?.id ?? null, fault),
      field: field && { id: field.id, label: field.label },
      claim: { code: 'fault', fault, kind: field?.kind ?? null },
      harm: harmOf(fault),
      change: edits.length > 0 ? { kind: 'markup', edits } : null,
      also: [],
      script: null,
      targets: [],
      marks: ['modelled'],
      evidence: 'form',
    };
  });
}

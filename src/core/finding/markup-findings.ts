import type { FaultCode } from '../fault/fault';
import { markupFaults } from '../fault/markup-faults';
import type { Field } from '../html/field';
import { harmOf } from './fault-harm';
import type { Finding } from './finding';
import { markupFindingId } from './markup-finding-id';

/** Faults that are none where scripts send the form, or write its markup: what they make of names, buttons and attributes nobody knows. */
const ofPlainForms: readonly FaultCode[] = [
  'no name',
  'no way to send',
  'secret in the address',
  'attribute ignored',
  'radio buttons without values',
];

/**
 * Each fault of the markup.
 * @param hasScripts of a page of the developer's own, which runs some
 */
export function markupFindings(markup: string, fields: readonly Field[], hasScripts = false): Finding[] {
  const faults = markupFaults(markup, { fields });
  const told = hasScripts ? faults.filter(({ fault }) => !ofPlainForms.includes(fault.code)) : faults;
  return told.map(({ fault, field, mend }) => {
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

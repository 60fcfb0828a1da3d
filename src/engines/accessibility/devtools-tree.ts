import type { CDPSession, Protocol } from 'puppeteer-core';
import type { AccessibilityFacts } from '@/core/questions/accessibility/facts';
import type { AccessibilityReading } from '@/probe/api/askable-page';
import { type ProbeField, probeHere } from '@/probe/api/probe-api';

/** What an engine tells assistive technology of each field's first control, over its own protocol (Chrome DevTools Protocol, Accessibility domain). */
export async function readAccessibilityTree(
  protocol: CDPSession,
  fields: readonly ProbeField[],
): Promise<AccessibilityReading> {
  try {
    const facts: (AccessibilityFacts | null)[] = [];
    for (const { ordinals } of fields) facts.push(await factsOf(protocol, Number(ordinals[0])));
    return { status: 'read', facts };
  } finally {
    await protocol.detach();
  }
}

async function factsOf(protocol: CDPSession, ordinal: number): Promise<AccessibilityFacts | null> {
  const expression = `${probeHere}.controlAt(${ordinal})`;
  const { result } = await protocol.send('Runtime.evaluate', { expression });
  const { objectId } = result;
  if (objectId === undefined) return null;
  const { nodes } = await protocol.send('Accessibility.getPartialAXTree', {
    objectId,
    fetchRelatives: false,
  });
  await protocol.send('Runtime.releaseObject', { objectId });
  const [node] = nodes;
  return !node || node.ignored ? null : told(node);
}

function told({
  role,
  name,
  description,
  value,
  properties = [],
}: Protocol.Accessibility.AXNode): AccessibilityFacts {
  const property = (wanted: string) => properties.find((one) => one.name === wanted)?.value.value as unknown;
  return {
    role: roleName(role),
    name: textOf(name) ?? '',
    description: textOf(description) ?? '',
    value: textOf(value),
    // It has a place for these in some roles alone.
    required: flagOf(property('required')),
    invalid: flagOf(property('invalid')),
  };
}

function flagOf(value: unknown): boolean | null {
  return value === undefined ? null : value !== false && value !== 'false';
}

function textOf(value: Protocol.Accessibility.AXValue | undefined): string | null {
  const told: unknown = value?.value;
  return told === undefined || told === null ? null : String(told);
}

/** What WAI-ARIA has no role for, the engine calls by a name of its own, in capitals: `ColorWell`. */
function roleName(role: Protocol.Accessibility.AXValue | undefined): string | null {
  const name = textOf(role);
  return name === null ? null : name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
}

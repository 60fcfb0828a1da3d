import type { CDPSession, Protocol } from 'puppeteer-core';
import type { AccessibilityFacts } from '@/core/questions/accessibility/facts';
import { type ProbeField, probeHere } from '@/probe/api/probe-api';

type Node = Protocol.Accessibility.AXNode;

/** What an engine tells assistive technology of a page, over its own protocol (Chrome DevTools Protocol, Accessibility domain). */
export class DevtoolsTree {
  private constructor(
    private readonly protocol: CDPSession,
    private readonly byElement: ReadonlyMap<number, Node>,
  ) {}

  /** Reads the whole tree at once: what is asked of single elements takes the longer, the larger the page is. */
  static async read(protocol: CDPSession): Promise<DevtoolsTree> {
    const { nodes } = await protocol.send('Accessibility.getFullAXTree');
    return new DevtoolsTree(
      protocol,
      new Map(
        nodes.flatMap((node) => (node.backendDOMNodeId === undefined ? [] : [[node.backendDOMNodeId, node]])),
      ),
    );
  }

  /** What is told of each field's first control; null for one that it is told nothing of. */
  async factsOf(fields: readonly ProbeField[]): Promise<(AccessibilityFacts | null)[]> {
    const facts: (AccessibilityFacts | null)[] = [];
    for (const { ordinals } of fields) {
      const node = await this.nodeOf(Number(ordinals[0]));
      facts.push(!node || node.ignored ? null : told(node));
    }
    return facts;
  }

  close(): Promise<void> {
    return this.protocol.detach();
  }

  private async nodeOf(ordinal: number): Promise<Node | undefined> {
    const expression = `${probeHere}.controlAt(${ordinal})`;
    const { result } = await this.protocol.send('Runtime.evaluate', { expression });
    const { objectId } = result;
    if (objectId === undefined) return undefined;
    const { node } = await this.protocol.send('DOM.describeNode', { objectId });
    await this.protocol.send('Runtime.releaseObject', { objectId });
    return this.byElement.get(node.backendNodeId);
  }
}

function told({ role, name, description, value, properties = [] }: Node): AccessibilityFacts {
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

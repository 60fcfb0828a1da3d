import { setTimeout as wait } from 'node:timers/promises';
import * as library from '@homebridge/dbus-native';
import type { AccessibilityFacts } from '@/core/questions/accessibility/facts';
import { writtenRole } from '@/core/standard/aria-roles';
import { stopwatch } from '../api/stopwatch';
import { atSpiRoles, atSpiStates } from './at-spi-roles';

/** The package is CommonJS, and its types leave out what connects to another bus than the system's. */
const dbus = ('default' in library ? library.default : library) as unknown as {
  createClient(options: { readonly busAddress: string }): Bus;
};

interface Bus {
  invoke(
    call: {
      readonly destination: string;
      readonly path: string;
      readonly interface: string;
      readonly member: string;
      readonly signature?: string;
      readonly body?: readonly unknown[];
    },
    answer: (error: unknown, ...values: unknown[]) => void,
  ): void;
  readonly connection: { readonly stream: { destroy(): void }; on(event: 'error', hear: () => void): void };
}

/** An object of a program on the bus. */
type Reference = readonly [destination: string, path: string];

const accessible = 'org.a11y.atspi.Accessible';
const registry: Reference = ['org.a11y.atspi.Registry', '/org/a11y/atspi/accessible/root'];

/** Deepest that a tree is followed, how many objects of it are looked at, and for how long, ms by a `stopwatch`. */
const most = { depth: 600, objects: 50_000, time: 9000 } as const;

/** There is more of a tree than can be looked at, so that nobody knows what is not in it. */
export class TreeTooLarge extends Error {
  override readonly name = 'TreeTooLarge';
}
/** How long a tree may take to show what is in the page, and how long nothing more may come, ms by a `stopwatch`. */
const patience = { longest: 8000, quiet: 500, betweenLooks: 100 } as const;

/**
 * What an accessibility bus tells of elements, by their `id`, in the order of the ids; null for those that are not in any tree. Throws
 * when the bus does not answer, and `TreeTooLarge`.
 */
export async function readAccessibleTree(
  address: string,
  ids: readonly (string | null)[],
): Promise<(AccessibilityFacts | null)[]> {
  const bus = dbus.createClient({ busAddress: address });
  bus.connection.on('error', () => undefined);
  const tree = new AtSpiTree(bus);
  try {
    const wanted = new Set(ids.flatMap((id) => id ?? []));
    for (let attempt = 0; attempt < 3; attempt++) {
      const found = await settled(() => tree.findAll(wanted), wanted.size);
      const facts = await tree.factsOfAll(ids.map((id) => (id === null ? undefined : found.get(id))));
      if (facts) return facts;
    }
    throw new Error('the accessibility tree did not stay as it was while it was read');
  } finally {
    bus.connection.stream.destroy();
  }
}

/** Looks until all are found, or no more come. A browser makes its tree when it is first asked for. */
async function settled(
  look: () => Promise<ReadonlyMap<string, Found>>,
  all: number,
): Promise<ReadonlyMap<string, Found>> {
  const elapsed = stopwatch();
  let found = await look();
  for (let since = elapsed(); found.size < all && elapsed() < patience.longest; ) {
    if (found.size > 0 && elapsed() - since >= patience.quiet) break;
    await wait(patience.betweenLooks);
    const next = await look();
    if (next.size !== found.size) since = elapsed();
    found = next;
  }
  return found;
}

interface Found {
  readonly at: Reference;
  readonly attributes: ReadonlyMap<string, string>;
}

class AtSpiTree {
  constructor(private readonly bus: Bus) {}

  /** The objects of all programs that stand for elements with these ids. */
  async findAll(ids: ReadonlySet<string>): Promise<ReadonlyMap<string, Found>> {
    const found = new Map<string, Found>();
    const elapsed = stopwatch();
    let left: number = most.objects;
    const visit = async (at: Reference, depth: number): Promise<void> => {
      if (found.size === ids.size) return;
      if (depth > most.depth || --left < 0 || elapsed() > most.time)
        throw new TreeTooLarge('the accessibility tree is too large to be read');
      const [attributes, children] = await Promise.all([this.attributesOf(at), this.childrenOf(at)]);
      const id = attributes.get('id');
      if (id !== undefined && ids.has(id) && !found.has(id)) found.set(id, { at, attributes });
      // All of one row at a time: a deep tree of many objects asked at once would fill the connection.
      for (const child of children) await visit(child, depth + 1);
    };
    for (const program of await this.childrenOf(registry)) await visit(program, 0);
    return found;
  }

  /** One after the other: a bus answers only so many calls at once. @returns null when an object is there no more */
  async factsOfAll(objects: readonly (Found | undefined)[]): Promise<(AccessibilityFacts | null)[] | null> {
    const all: (AccessibilityFacts | null)[] = [];
    for (const object of objects) {
      const facts = object ? await this.factsOf(object) : null;
      if (object && !facts) return null;
      all.push(facts);
    }
    return all;
  }

  private async factsOf({ at, attributes }: Found): Promise<AccessibilityFacts | null> {
    const [properties, role, states, value] = await Promise.all([
      this.propertiesOf(at, accessible),
      this.ask(at, accessible, 'GetRole'),
      this.ask(at, accessible, 'GetState'),
      this.valueOf(at, attributes),
    ]);
    const name = properties.get('Name');
    if (typeof name !== 'string' || !Array.isArray(states)) return null;
    const told = statesIn(states as number[]);
    return {
      role: roleOf(attributes, Number(role)),
      name,
      description: String(properties.get('Description') ?? ''),
      value,
      required: told(atSpiStates.required),
      invalid: told(atSpiStates.invalidEntry),
    };
  }

  /** What can be read in it, what it is set to, or what is chosen in it, whichever it has. */
  private async valueOf(at: Reference, attributes: ReadonlyMap<string, string>): Promise<string | null> {
    const spoken = attributes.get('valuetext');
    if (spoken !== undefined) return spoken;
    const value = (await this.propertiesOf(at, 'org.a11y.atspi.Value')).get('CurrentValue');
    if (typeof value === 'number') return String(value);
    const chosen = await this.ask(at, 'org.a11y.atspi.Selection', 'GetSelectedChild', 'i', [0]);
    if (isReference(chosen)) return String((await this.propertiesOf(chosen, accessible)).get('Name') ?? '');
    const text = await this.ask(at, 'org.a11y.atspi.Text', 'GetText', 'ii', [0, -1]);
    return typeof text === 'string' ? text.replaceAll('\uFFFC', '') : null;
  }

  private async attributesOf(at: Reference): Promise<ReadonlyMap<string, string>> {
    const pairs = await this.ask(at, accessible, 'GetAttributes');
    return new Map(Array.isArray(pairs) ? (pairs as [string, string][]) : []);
  }

  /** A program that draws another one's page has its children by their numbers alone. */
  private async childrenOf(at: Reference): Promise<readonly Reference[]> {
    const children = await this.ask(at, accessible, 'GetChildren');
    if (Array.isArray(children) && children.length > 0) return children.filter(isReference);
    const count = Number((await this.propertiesOf(at, accessible)).get('ChildCount') ?? 0);
    const asked = Array.from({ length: Math.min(count, most.objects) }, (_, index) =>
      this.ask(at, accessible, 'GetChildAtIndex', 'i', [index]),
    );
    return (await Promise.all(asked)).filter(isReference);
  }

  private async propertiesOf(at: Reference, of: string): Promise<ReadonlyMap<string, unknown>> {
    const pairs = await this.ask(at, 'org.freedesktop.DBus.Properties', 'GetAll', 's', [of]);
    if (!Array.isArray(pairs)) return new Map();
    return new Map((pairs as [string, [unknown, [unknown]]][]).map(([name, [, [value]]]) => [name, value]));
  }

  /** @returns null where the object does not have this, or is there no more */
  private ask(
    [destination, path]: Reference,
    of: string,
    member: string,
    signature?: string,
    body?: readonly unknown[],
  ): Promise<unknown> {
    return new Promise((resolve) => {
      const call = { destination, path, interface: of, member, ...(signature && { signature, body }) };
      this.bus.invoke(call, (error, value) => resolve(error ? null : value));
    });
  }
}

function isReference(value: unknown): value is Reference {
  return (
    Array.isArray(value) &&
    typeof value[0] === 'string' &&
    typeof value[1] === 'string' &&
    !value[1].endsWith('/null')
  );
}

/** Two words of 32 bits. */
function statesIn([low = 0, high = 0]: readonly number[]): (state: number) => boolean {
  return (state) => (((state < 32 ? low : high) >>> (state % 32)) & 1) === 1;
}

/** What the page or the engine says in WAI-ARIA's own words goes before what the platform has in its place. */
function roleOf(attributes: ReadonlyMap<string, string>, role: number): string | null {
  const written = writtenRole(
    `${attributes.get('xml-roles') ?? ''} ${attributes.get('computed-role') ?? ''}`,
  );
  return written ?? atSpiRoles.get(role) ?? null;
}

import { plainVariant, type Variant } from './variant';
import type { Withheld } from './withheld';

/** Who is asked. */
export type TargetId = string & { readonly brand: 'TargetId' };

/** The engines that this version finds by itself. */
export const engineNames = ['chromium', 'firefox', 'webkit'] as const;
/** An engine that this version finds, or the name of a remote endpoint in the server's configuration. Never an address. */
export type EngineName = string & { readonly brand: 'EngineName' };

interface Described {
  readonly id: TargetId;
  readonly name: string;
  /** What the target is and what its answers are worth, in one or two sentences. */
  readonly note: string;
}

/** A real engine, set up in one way: measured. */
export interface EngineTarget extends Described {
  readonly ask: 'engine';
  readonly engine: EngineName;
  readonly variant: Variant;
  /** What the engine is made not to know; null when it is asked as it is. */
  readonly withheld: Withheld | null;
}

/** The browser in which Ukko itself is open: captured. */
export interface ProbeTarget extends Described {
  readonly ask: 'probe';
}

/** Something that cannot run here: modelled. */
export interface ModelTarget extends Described {
  readonly ask: 'model';
}

/** A real device that was given a link, or a file: captured. It answers by itself, whenever its page is open. */
export interface DeviceTarget extends Described {
  readonly ask: 'device';
}

export type Target = EngineTarget | ProbeTarget | ModelTarget | DeviceTarget;

export function targetId(text: string): TargetId {
  return text as TargetId;
}

export function engineName(text: string): EngineName {
  return text as EngineName;
}

/** An engine as it is, in the plain variant. */
export function engineTarget(engine: string, name: string, note: string): EngineTarget {
  const id = targetId(engine);
  return {
    id,
    name,
    note,
    ask: 'engine',
    engine: engineName(engine),
    variant: plainVariant,
    withheld: null,
  };
}

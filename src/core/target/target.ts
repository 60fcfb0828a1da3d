import type { ProvenanceMark } from '../observation/provenance';

/** Who is asked. */
export type TargetId = string & { readonly brand: 'TargetId' };

/** The engines that this version can drive; the name is also what `--targets` takes. */
export const engineNames = ['chromium', 'firefox', 'webkit'] as const;
export type EngineName = (typeof engineNames)[number];

interface Described {
  readonly id: TargetId;
  readonly name: string;
  /** What the target is and what its answers are worth, in one or two sentences. */
  readonly note: string;
}

/** An engine on this machine: measured. */
export interface EngineTarget extends Described {
  readonly ask: 'engine';
  readonly engine: EngineName;
}

/** The browser in which Ukko itself is open: captured. */
export interface ProbeTarget extends Described {
  readonly ask: 'probe';
}

/** Something that cannot run here: modelled. */
export interface ModelTarget extends Described {
  readonly ask: 'model';
}

export type Target = EngineTarget | ProbeTarget | ModelTarget;

export function targetId(text: string): TargetId {
  return text as TargetId;
}

/** The mark that a target's answers carry; one that this version does not know can only have been modelled. */
export function markOf(target: Target | null): ProvenanceMark {
  switch (target?.ask) {
    case 'engine':
      return 'measured';
    case 'probe':
      return 'captured';
    default:
      return 'modelled';
  }
}

import type { Target } from '../target/target';
import type { Unable } from './unable';

/** Where an answer comes from. The three are never blurred: every number and picture shows which one it is. */
export type Provenance = Measured | Captured | Modelled;

/** A real engine did it, asked over an automation protocol. */
export interface Measured {
  readonly mark: 'measured';
  readonly engine: string;
  readonly version: string;
  readonly protocol: string;
  /** What was asked of the engine's setup and could not be done. */
  readonly unable: readonly Unable[];
}

/** Of answers that failed before anything could be asked of an engine. */
export function notAsked(engine: string): Measured {
  return { mark: 'measured', engine, version: 'unknown', protocol: 'none', unable: [] };
}

/** A person or a real device did it, or this very browser with events that a script made. */
export interface Captured {
  readonly mark: 'captured';
  readonly browser: string;
  readonly events: 'trusted' | 'script-made';
}

/** Computed from Ukko's own model. */
export interface Modelled {
  readonly mark: 'modelled';
  readonly model: string;
  /** Where the model's figures for this answer are known from. */
  readonly source: string;
}

export type ProvenanceMark = Provenance['mark'];
export const provenanceMarks = [
  'measured',
  'captured',
  'modelled',
] as const satisfies readonly ProvenanceMark[];

/** The mark that a target's answers carry. */
export function markOf(target: Target): ProvenanceMark {
  switch (target.ask) {
    case 'engine':
      return 'measured';
    case 'probe':
    case 'device':
      return 'captured';
    case 'model':
      return 'modelled';
  }
}

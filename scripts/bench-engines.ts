/** What the benches of engines share. */
import { targets } from '@/core/target/line-up';
import type { EngineTarget } from '@/core/target/target';

/** The three engines of this machine, as they are. */
export const three = targets.filter(
  (target): target is EngineTarget => target.ask === 'engine' && target.withheld === null,
);

export const seconds = (ms: number) => `${(ms / 1000).toFixed(1)} s`;

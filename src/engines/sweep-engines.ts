import { availableParallelism } from 'node:os';
import pLimit from 'p-limit';
import type { Asking } from '@/core/questions/asking';
import type { EmitSweepMessage } from '@/core/sweep/sweep-message';
import type { EngineTarget } from '@/core/target/target';
import { launchKey } from '@/core/target/variant';
import { measure, type SweepMeans } from './measure';
import { newBrowsers } from './pool/browsers';

/** Engines wait for their displays for much of the time, so that one more than there are cores keeps them all busy. */
const browsersAtOnce = availableParallelism() + 1;

/**
 * Asks several targets side by side; resolves when all have ended. Targets that one browser can be share it, one after
 * the other. Without means of its own nothing is known, and every browser is a new one.
 */
export async function sweepEngines(
  targets: readonly EngineTarget[],
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
  means: Partial<SweepMeans> = {},
): Promise<void> {
  const groups = new Map<string, EngineTarget[]>();
  for (const target of targets) {
    const key = `${target.engine} ${launchKey(target.variant)}`;
    groups.set(key, [...(groups.get(key) ?? []), target]);
  }
  const limit = pLimit(browsersAtOnce);
  const all: SweepMeans = {
    known: new Map(),
    earlier: new Map(),
    browsers: newBrowsers,
    trace: null,
    ...means,
  };
  await Promise.all(
    [...groups.values()].map((group) => limit(() => measure(group, asking, emit, signal, all))),
  );
}

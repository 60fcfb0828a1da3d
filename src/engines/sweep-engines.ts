import type { Asking } from '@/core/observation/asking';
import type { EmitSweepMessage } from '@/core/observation/sweep-message';
import type { EngineTarget } from '@/core/target/target';
import { measure } from './measure';

/** Asks several engines side by side; resolves when all have ended. */
export async function sweepEngines(
  targets: readonly EngineTarget[],
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
): Promise<void> {
  await Promise.all(targets.map((target) => measure(target, asking, emit, signal)));
}

import { predictions } from '../model/predict';
import { type Asking, planOf } from '../questions/asking';
import type { ModelTarget } from '../target/target';
import type { Observers } from './sweep';
import type { EmitSweepMessage } from './sweep-message';

/**
 * Asks the model, all targets side by side; whoever runs it draws, hears and stops in between.
 *
 * @param now the clock that dates the answers
 */
export const askModels =
  (now: () => Date): Observers['models'] =>
  async (targets, asking, emit, signal) => {
    await Promise.all(targets.map((target) => askModel(target, asking, now(), emit, signal)));
  };

/** How long the model works before whoever runs it draws, hears and stops, ms: most forms are done by then. */
const slice = 50;

async function askModel(
  target: ModelTarget,
  asking: Asking,
  at: Date,
  emit: EmitSweepMessage,
  signal: AbortSignal,
): Promise<void> {
  emit({ type: 'started', target: target.id, total: planOf(asking).length });
  let since = Date.now();
  for (const observations of predictions(target.id, asking, at.toISOString())) {
    for (const observation of observations) emit({ type: 'observation', observation });
    if (Date.now() - since < slice) continue;
    await new Promise((resolve) => setTimeout(resolve));
    if (signal.aborted) return;
    since = Date.now();
  }
  emit({ type: 'finished', target: target.id });
}

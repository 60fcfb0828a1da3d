import type { Warming } from '@/core/sweep/warming';
import type { EngineTarget, Target } from '@/core/target/target';

/** Lets the server have the engines of a line-up ready. Nothing depends on it: what is not ready is started by the sweep. */
export function warmEngines(targets: readonly Target[], isForOwnPage: boolean, signal: AbortSignal): void {
  const warming: Warming = {
    targets: targets.filter((target): target is EngineTarget => target.ask === 'engine'),
    isForOwnPage,
  };
  if (warming.targets.length === 0) return;
  fetch('/api/warm', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(warming),
    signal,
  }).catch(() => undefined);
}

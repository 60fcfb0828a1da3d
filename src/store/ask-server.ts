import type { Failure } from '@/core/observation/failure';
import { notAsked } from '@/core/observation/provenance';
import { type Asking, sentAsking } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import { earlierAnswers, withKeptAnswers } from '@/core/sweep/earlier-answers';
import { owedAnswers } from '@/core/sweep/owed-answers';
import type { EmitSweepMessage, SweepMessage } from '@/core/sweep/sweep-message';
import type { SweepRequest } from '@/core/sweep/sweep-request';
import type { EngineTarget } from '@/core/target/target';
import { readLines, refusalOf } from './read-lines';

/**
 * Asks engines through the server and emits what its stream says. What never came is emitted as failed.
 * @param earlier answers of an earlier sweep; those that still hold are emitted as they were
 */
export async function askServer(
  targets: readonly EngineTarget[],
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
  earlier: readonly Observation[] = [],
): Promise<void> {
  const books = new Map(targets.map((target) => [target.id, owedAnswers(asking)]));
  const ended = new Set<string>();
  const hear = (message: SweepMessage) => {
    if (message.type === 'observation') books.get(message.observation.target)?.give(message.observation);
    if (message.type === 'finished' || message.type === 'failed') ended.add(message.target);
    emit(message);
  };
  const request = { ...sentAsking(asking), targets, earlier: sentAnswers(earlier) };
  const refusal = await stream(request, withKeptAnswers(earlier, hear), signal);
  if (signal.aborted) return;
  for (const target of targets) {
    if (ended.has(target.id)) continue;
    const why = refusal ?? { code: 'server silent' };
    const by = { target: target.id, provenance: notAsked(target.name), at: new Date().toISOString() };
    for (const observation of books.get(target.id)?.failed(by, why) ?? [])
      emit({ type: 'observation', observation });
    emit({ type: 'failed', target: target.id, failure: why });
  }
}

const sentAnswers = (earlier: readonly Observation[]) =>
  [...earlierAnswers(earlier)].map(([target, answers]) => ({ target, answers }));

/** @returns why nothing more will come, when it is not simply over. */
async function stream(
  request: SweepRequest,
  hear: EmitSweepMessage,
  signal: AbortSignal,
): Promise<Failure | null> {
  try {
    const response = await fetch('/api/sweep', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(request),
      signal,
    });
    if (!response.ok || !response.body) return await refusalOf(response);
    for await (const line of readLines(response.body)) hear(JSON.parse(line) as SweepMessage);
    return null;
  } catch {
    return null;
  }
}

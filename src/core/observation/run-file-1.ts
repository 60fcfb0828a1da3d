import { findTarget } from '../target/line-up';
import { type Target, targetId } from '../target/target';
import { lookNotAsked } from './observation';

type Json = Record<string, unknown>;

function isObject(value: unknown): value is Json {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/**
 * A run as version 1 wrote it, in the shape of version 2: targets were named by their ids, and less was asked. What was
 * not asked then is not known now. What has another shape is handed on as it is; the schema says what is wrong with it.
 */
export function runFromVersion1(run: Json): Json {
  const { observations } = run;
  return {
    ...run,
    lineUp: lineUpFromVersion1(run.lineUp),
    observations: Array.isArray(observations) ? observations.map(observationFromVersion1) : observations,
  };
}

export function lineUpFromVersion1(lineUp: unknown): unknown {
  if (!isObject(lineUp) || !Array.isArray(lineUp.targets)) return lineUp;
  return { ...lineUp, targets: lineUp.targets.map(targetFromVersion1) };
}

function targetFromVersion1(id: unknown): unknown {
  if (typeof id !== 'string') return id;
  const unknown: Target = {
    id: targetId(id),
    name: id,
    ask: 'model',
    note: 'A target that this Ukko does not know.',
  };
  return findTarget(targetId(id)) ?? unknown;
}

export function observationFromVersion1(observation: unknown): unknown {
  if (!isObject(observation)) return observation;
  const { provenance, outcome } = observation;
  return {
    ...observation,
    provenance:
      isObject(provenance) && provenance.mark === 'measured' ? { ...provenance, unable: [] } : provenance,
    outcome:
      isObject(outcome) && isObject(outcome.facts)
        ? { ...outcome, facts: factsFromVersion1(observation.question, outcome.facts) }
        : outcome,
  };
}

function factsFromVersion1(question: unknown, facts: Json): Json {
  if (question === 'message') return { ...facts, saysTitle: null };
  if (question !== 'look') return facts;
  const { parts: _, ...rest } = facts;
  return { ...rest, ...lookNotAsked };
}

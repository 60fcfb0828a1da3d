import { isJsonObject, type JsonObject } from '../json-object';
import { lookNotAsked } from '../questions/look/facts';
import { findTarget } from '../target/line-up';
import { type Target, targetId } from '../target/target';

/**
 * A run as version 1 wrote it, in the shape of version 2: targets were named by their ids, and less was asked. What was
 * not asked then is not known now. What has another shape is handed on as it is; the schema says what is wrong with it.
 */
export function runFromVersion1(run: JsonObject): JsonObject {
  const { observations } = run;
  return {
    ...run,
    lineUp: lineUpFromVersion1(run.lineUp),
    observations: Array.isArray(observations) ? observations.map(observationFromVersion1) : observations,
  };
}

export function lineUpFromVersion1(lineUp: unknown): unknown {
  if (!isJsonObject(lineUp) || !Array.isArray(lineUp.targets)) return lineUp;
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
  if (!isJsonObject(observation)) return observation;
  const { provenance, outcome } = observation;
  return {
    ...observation,
    provenance:
      isJsonObject(provenance) && provenance.mark === 'measured' ? { ...provenance, unable: [] } : provenance,
    outcome:
      isJsonObject(outcome) && isJsonObject(outcome.facts)
        ? { ...outcome, facts: factsFromVersion1(observation.question, outcome.facts) }
        : outcome,
  };
}

function factsFromVersion1(question: unknown, facts: JsonObject): JsonObject {
  if (question === 'message') return { ...facts, saysTitle: null };
  if (question !== 'look') return facts;
  const { parts: _, ...rest } = facts;
  return { ...rest, ...lookNotAsked };
}

import type { Judgement } from '../guard/verdict';
import type { TypingFacts, TypingStep } from '../questions/typing/facts';
import { keptParts } from '../structural-sharing';
import type { TargetId } from '../target/target';
import type { SentEntry, StrokeVerdicts } from './stroke-verdicts';

/** What the model says of a script on one target. */
export interface ModelledReplay {
  readonly target: TargetId;
  readonly facts: TypingFacts;
  readonly verdicts: StrokeVerdicts;
}

/** A replay without the strokes that it has in common with the one before of the same target: most often all but the last. */
export interface ReplayTail {
  readonly target: TargetId;
  /** How many strokes, from the first on, came out as before. */
  readonly kept: number;
  readonly facts: Omit<TypingFacts, 'steps'>;
  readonly steps: readonly TypingStep[];
  readonly judgements: readonly Judgement[];
  readonly sent: SentEntry;
}

/** @param before what whoever gets the tail has of the same target already */
export function tailOf(before: ModelledReplay | null, now: ModelledReplay): ReplayTail {
  const { steps, ...facts } = now.facts;
  const { afterStrokes, sent } = now.verdicts;
  const had = before?.facts.steps ?? [];
  const hadJudged = before?.verdicts.afterStrokes ?? [];
  const same = keptParts(had, steps);
  const sameJudged = keptParts(hadJudged, afterStrokes);
  const differs = steps.findIndex(
    (_, at) => at >= had.length || same[at] !== had[at] || sameJudged[at] !== hadJudged[at],
  );
  const kept = differs === -1 ? steps.length : differs;
  return {
    target: now.target,
    kept,
    facts,
    steps: steps.slice(kept),
    judgements: afterStrokes.slice(kept),
    sent,
  };
}

/** The whole replay again; what was kept is the very same as before. */
export function withTail(before: ModelledReplay | null, tail: ReplayTail): ModelledReplay {
  const { target, kept, facts, steps, judgements, sent } = tail;
  const had = before?.facts.steps.slice(0, kept) ?? [];
  const hadJudged = before?.verdicts.afterStrokes.slice(0, kept) ?? [];
  return {
    target,
    facts: { ...facts, steps: [...had, ...steps] },
    verdicts: { afterStrokes: [...hadJudged, ...judgements], sent },
  };
}

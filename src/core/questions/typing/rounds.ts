import type { EventRecord } from '../../observation/event-record';
import type { TypingFacts, TypingStep } from './facts';

/** How often strokes are made where scripts of a page may answer to them now so and now otherwise. */
export const askedRounds = 3;

/** What came of making all strokes once. */
export type TypedRound = Pick<TypingFacts, 'steps' | 'stoppedBy'>;

/**
 * What several rounds of the same strokes come to: the outcome that most of them had (the first of those that came equally often), with
 * how long listeners took as the median of these rounds.
 *
 * @param rounds at least one
 */
export function ofRounds(
  rounds: readonly [TypedRound, ...TypedRound[]],
): TypedRound & Pick<TypingFacts, 'rounds'> {
  const [first] = rounds;
  const groups = new Map<string, TypedRound[]>();
  for (const round of rounds) {
    const key = JSON.stringify(round, (name, value: unknown) => (name === 'took' ? undefined : value));
    groups.set(key, [...(groups.get(key) ?? []), round]);
  }
  const alike = [...groups.values()].reduce((most, group) => (group.length > most.length ? group : most));
  const [round = first] = alike;
  return {
    ...round,
    steps: round.steps.map((step, at) =>
      withMedians(
        step,
        alike.flatMap(({ steps }) => steps[at] ?? []),
      ),
    ),
    rounds: { asked: rounds.length, alike: alike.length },
  };
}

function withMedians(step: TypingStep, same: readonly TypingStep[]): TypingStep {
  return {
    ...step,
    events: step.events.map((event, at): EventRecord => {
      if (event.took === undefined) return event;
      return { ...event, took: median(same.flatMap(({ events }) => events[at]?.took ?? [])) };
    }),
  };
}

/** The middle one; of an even number the lower of the two. */
export function median(numbers: readonly number[]): number {
  return [...numbers].sort((a, b) => a - b)[Math.floor((numbers.length - 1) / 2)] ?? 0;
}

import { grouped } from '../../grouped';
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
  const alike = mostAlike(rounds, ({ steps, ...round }) => ({ ...round, steps: steps.map(released) }));
  const [round = rounds[0]] = mostAlike(alike, (each) => each);
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

/** The largest group of rounds that are the same in what is told of them, but for how long listeners took. */
function mostAlike(
  rounds: readonly TypedRound[],
  told: (round: TypedRound) => unknown,
): readonly TypedRound[] {
  const groups = grouped(rounds, (round) =>
    JSON.stringify(told(round), (name, value: unknown) => (name === 'took' ? undefined : value)),
  );
  return [...groups.values()].reduce<readonly TypedRound[]>(
    (most, group) => (group.length > most.length ? group : most),
    [],
  );
}

/**
 * A step as if the key had been released after the page had rewritten the value: where a timer of the page rewrites it, a release some
 * milliseconds sooner or later sees one value or the other, and that tells nothing about the page.
 */
function released(step: TypingStep): TypingStep {
  const input = step.events.findLast(({ rewrittenTo }) => rewrittenTo !== undefined);
  if (input?.rewrittenTo === undefined) return step;
  const value = input.rewrittenTo;
  const events = step.events.map((event) =>
    event.type === 'keyup' && event.value === input.value ? { ...event, value } : event,
  );
  return { ...step, events };
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

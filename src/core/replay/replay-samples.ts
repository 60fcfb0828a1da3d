import type { Field } from '../form/field';
import type { Guard } from '../guard/guard';
import type { Habits } from '../target/habits';
import type { TargetId } from '../target/target';
import { quickReplay } from './quick-replay';
import type { Sample } from './sample';
import { type Verdict, verdicts } from './verdict';

export interface ReplayTarget {
  readonly id: TargetId;
  readonly habits: Pick<Habits, 'ways' | 'typing'>;
}

/** Verdicts of many samples on several targets, as small as can be: one number for each. */
export interface SampleVerdicts {
  readonly targets: readonly TargetId[];
  /** By target, then by sample: the index of the verdict in `verdicts`. */
  readonly verdicts: readonly Uint8Array[];
  /** By target, then by sample: 1 where the text in the end is not the sample. */
  readonly changed: readonly Uint8Array[];
}

/** How many samples are replayed before the next word about it. */
const usualSlice = 500;

/**
 * Replays samples in slices, so that whoever runs it can show progress and stop it.
 * @yields how many of all sample × target pairs are done
 */
export function* replaySamples(
  field: Field,
  guards: readonly Guard[],
  samples: readonly Sample[],
  targets: readonly ReplayTarget[],
  slice = usualSlice,
): Generator<number, SampleVerdicts> {
  const all = targets.map(() => new Uint8Array(samples.length));
  const changed = targets.map(() => new Uint8Array(samples.length));
  let done = 0;
  for (const [at, { habits }] of targets.entries()) {
    const replay = quickReplay(field, guards, habits);
    for (const [index, { text }] of samples.entries()) {
      const replayed = replay(text);
      (all[at] as Uint8Array)[index] = verdicts.indexOf(replayed.verdict);
      if (replayed.text !== text) (changed[at] as Uint8Array)[index] = 1;
      if (++done % slice === 0) yield done;
    }
  }
  return { targets: targets.map(({ id }) => id), verdicts: all, changed };
}

/** True where a verdict is not the one that is expected of the sample. */
export function isSurprise(sample: Sample, verdict: Verdict): boolean {
  return sample.expected !== verdict;
}

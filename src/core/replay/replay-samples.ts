import type { Guard } from '../guard/guard';
import type { Sample } from '../guard/sample';
import { judged } from '../guard/verdict';
import type { Field } from '../html/field';
import type { Habits } from '../model/deviations/habits';
import type { TargetId } from '../target/target';
import { quickReplay } from './quick-replay';

export interface ReplayTarget {
  readonly id: TargetId;
  readonly habits: Pick<Habits, 'deviations' | 'typing'>;
}

/** Verdicts of many samples on several targets, as small as can be: one number for each. */
export interface SampleVerdicts {
  readonly targets: readonly TargetId[];
  /** By target, then by sample: the index of the verdict in `judged`. */
  readonly verdicts: readonly Uint8Array<ArrayBuffer>[];
  /** By target, then by sample: 1 where the text in the end is not the sample. */
  readonly changed: readonly Uint8Array<ArrayBuffer>[];
}

/**
 * Replays samples one by one, so that whoever runs it can show progress and stop it.
 * @yields how many of all sample × target pairs are done, by target and then by sample
 */
export function* replaySamples(
  field: Field,
  guards: readonly Guard[],
  samples: readonly Sample[],
  targets: readonly ReplayTarget[],
): Generator<number, SampleVerdicts> {
  const all = targets.map(() => new Uint8Array(samples.length));
  const changed = targets.map(() => new Uint8Array(samples.length));
  let done = 0;
  for (const [at, { habits }] of targets.entries()) {
    const replay = quickReplay(field, guards, habits);
    for (const [index, { text }] of samples.entries()) {
      const replayed = replay(text);
      (all[at] as Uint8Array)[index] = judged.indexOf(replayed.verdict);
      if (replayed.text !== text) (changed[at] as Uint8Array)[index] = 1;
      yield ++done;
    }
  }
  return { targets: targets.map(({ id }) => id), verdicts: all, changed };
}

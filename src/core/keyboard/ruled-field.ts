import { validTrial } from '../document/trial-value';
import type { Guard } from '../guard/guard';
import type { Sample } from '../guard/sample';
import type { Field } from '../html/field';

/** A field with all that says what is to be entered into it. */
export interface RuledField {
  readonly field: Field;
  readonly guards: readonly Guard[];
  readonly samples: readonly Sample[];
}

/** Texts that the person expects to be accepted. */
export function expectedTexts({ samples }: Pick<RuledField, 'samples'>): string[] {
  return samples.filter(({ expected }) => expected === 'accepted').map(({ text }) => text);
}

/** What is typed to count taps: the first samples that are to be accepted, or else a value that the field accepts. */
export function textsToTap(ruled: RuledField, most: number): string[] {
  const expected = expectedTexts(ruled);
  if (expected.length > 0) return expected.slice(0, most);
  const trial = validTrial(ruled.field);
  return trial.status === 'value' && trial.value !== '' ? [trial.value] : [];
}

import type { Field } from '@/core/form/field';
import type { TypingPlan } from '@/core/form/form-document';
import { validTrial } from '@/core/form/trial-value';
import { graphemes } from '@/core/script/graphemes';
import { formatScript } from '@/core/script/script-text';

/** A script for a field that has none yet: a value that the field accepts, key by key. */
export function firstPlan(field: Field): TypingPlan {
  const trial = validTrial(field);
  const text = trial.status === 'value' ? trial.value : 'abc';
  return { script: formatScript(graphemes(text).map((key) => ({ kind: 'key', key }))), guards: [] };
}

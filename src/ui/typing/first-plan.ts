import type { FormDocument, TypingPlan } from '@/core/document/form-document';
import { validTrial } from '@/core/document/trial-value';
import type { Field } from '@/core/html/field';
import { usualScript } from '@/core/page/usual-scripts';
import { graphemes } from '@/core/script/graphemes';
import { formatScript } from '@/core/script/script-text';

/**
 * A script for a field that has none yet: a value that the field accepts, key by key; of a page of one's own what a sweep
 * types into it, so that what was measured is seen.
 */
export function firstPlan({ page }: Pick<FormDocument, 'page'>, field: Field): TypingPlan {
  const usual = page ? usualScript(field) : null;
  if (usual) return { script: formatScript(usual), guards: [] };
  const trial = validTrial(field);
  const text = trial.status === 'value' ? trial.value : 'abc';
  return { script: formatScript(graphemes(text).map((key) => ({ kind: 'key', key }))), guards: [] };
}

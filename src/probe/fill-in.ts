import type { Field } from '@/core/form/field';
import { trialFiles } from '@/core/form/trial-files';
import { validTrial } from '@/core/form/trial-value';
import type { AskablePage } from './askable-page';
import { probeField } from './questions/question-context';

/** Fills every field that a person can fill with a value that its constraints accept. */
export async function fillIn(page: Pick<AskablePage, 'probe'>, fields: readonly Field[]): Promise<void> {
  await page.probe('chooseFiles', fields.map(probeField), fields.map(trialFiles));
  const filled = fields.flatMap((field) => {
    const trial = validTrial(field);
    return trial.status === 'value' && field.kind !== 'hidden'
      ? [{ field: probeField(field), value: trial.value }]
      : [];
  });
  await page.probe(
    'fill',
    filled.map(({ field }) => field),
    filled.map(({ value }) => value),
  );
}

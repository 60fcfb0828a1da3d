import { trialFiles } from '@/core/document/trial-files';
import { validTrial } from '@/core/document/trial-value';
import type { Field } from '@/core/html/field';
import type { AskablePage } from '../api/askable-page';
import { probeField } from './question-context';

/** Fills every field that a person can fill with a value that its constraints accept, as a script does. */
export async function fillByScript(
  page: Pick<AskablePage, 'probe'>,
  fields: readonly Field[],
): Promise<void> {
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

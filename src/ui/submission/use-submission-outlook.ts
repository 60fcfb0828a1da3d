import { useCallback } from 'react';
import type { Field } from '@/core/html/field';
import type { SubmissionOutlook } from '@/core/model/submission-outlook';
import type { Replayer } from '@/workers/replayer';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { useReplay } from '../frame/use-replay';

/** What the model says of sending the form by a button; null until it has spoken, and without a button. */
export function useSubmissionOutlook(button: Field | null): SubmissionOutlook | null {
  const { form } = useForm();
  const { lineUp } = useLineUp();
  const { markup, page } = form;
  const id = button?.id ?? null;
  const ask = useCallback(
    async ({ work }: Replayer) =>
      id === null
        ? null
        : work.submission(
            { markup, ...(page && { page }) },
            id,
            lineUp.targets.map((target) => target.id),
          ),
    [markup, page, id, lineUp],
  );
  const [replaying] = useReplay(ask);
  return replaying.status === 'there' ? replaying.answer : null;
}

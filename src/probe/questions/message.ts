import { invalidTrial } from '@/core/document/trial-value';
import { attribute } from '@/core/html/field';
import { inapplicable, probeField, type QuestionContext } from './question-context';

/** In which words the engine says that a field is not right, after an attempt to send. */
export async function askMessage({ page, asking, answer, signal }: QuestionContext): Promise<void> {
  signal.throwIfAborted();
  const trials = asking.fields.map(invalidTrial);
  const fields = asking.fields.map(probeField);
  await page.probe('reset');
  await page.probe(
    'fill',
    fields,
    trials.map((trial) => (trial.status === 'value' ? trial.value : null)),
  );
  const facts = await page.probe('describe', fields);
  for (const [index, field] of asking.fields.entries()) {
    const trial = trials[index];
    const one = facts[index];
    if (!one?.isThere || trial?.status !== 'value') {
      const reason = trial?.status === 'none' ? trial.reason : 'not in page';
      answer(field.id, { question: 'message', outcome: inapplicable(reason) });
      continue;
    }
    const { willValidate, flags, message } = one;
    const title = attribute(field.controls[0], 'title');
    const saysTitle = title && message !== '' ? message.includes(title) : null;
    answer(field.id, {
      question: 'message',
      outcome: { status: 'answered', facts: { tried: trial.value, willValidate, flags, message, saysTitle } },
    });
  }
}

import { invalidTrial, triedValue } from '@/core/document/trial-value';
import { attribute } from '@/core/html/field';
import { type FieldEntry, isRewritten } from '@/core/observation/field-entry';
import { anew } from './anew';
import { enterValues } from './enter-values';
import { inapplicable, probeField, type QuestionContext } from './question-context';

/** In which words the engine says that a field is not right, after an attempt to send. */
export async function askMessage(context: QuestionContext): Promise<void> {
  const { page, asking, answer, owes, signal } = context;
  signal.throwIfAborted();
  const trials = new Map(asking.fields.map((field) => [field, invalidTrial(field)]));
  const fields = asking.fields.map(probeField);
  await anew(context);
  if (asking.page) await enterThem(context);
  else await page.probe('fill', fields, [...trials.values()].map(triedValue));
  const owed = asking.fields.filter((field) => owes(field, { question: 'message' }));
  const facts = await page.probe('describe', owed.map(probeField));
  for (const [index, field] of owed.entries()) {
    const trial = trials.get(field);
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

/** What a page's scripts keep from being entered is set by a script: the engine has words for it all the same. */
async function enterThem({ page, asking, oneByOne }: QuestionContext): Promise<void> {
  const entries = await enterValues(page, oneByOne(asking.fields), invalidTrial);
  const missing = new Set(entries.filter(isMissing).map(({ field }) => field));
  const missed = asking.fields.filter(({ id }) => missing.has(id));
  await page.probe('fill', missed.map(probeField), missed.map(invalidTrial).map(triedValue));
}

const isMissing = (entry: FieldEntry) => entry.status === 'left' || isRewritten(entry);

import type { Field } from '@/core/form/field';
import { trialFor } from '@/core/form/trial-value';
import type { ControlState, LookFacts, Outcome } from '@/core/observation/observation';
import type { Picture } from '@/core/observation/picture';
import { pictureBox } from '../picture-box';
import type { FieldFacts } from '../probe-api';
import { probeField, type QuestionContext } from './question-context';

const pageStates = ['closed', 'filled', 'invalid'] as const satisfies readonly ControlState[];

/** How each field is drawn. Closed, filled and invalid are one picture of the whole page each; focus is one field at a time. */
export async function askLook(context: QuestionContext): Promise<void> {
  for (const state of pageStates) await lookAtPage(context, state);
  await context.page.probe('reset');
  for (const field of context.asking.fields) {
    context.signal.throwIfAborted();
    answerLook(context, field, 'focused', await lookAtFocus(context, field));
  }
}

async function lookAtPage(context: QuestionContext, state: ControlState): Promise<void> {
  context.signal.throwIfAborted();
  const { page, asking } = context;
  const fields = asking.fields.map(probeField);
  const trials = asking.fields.map((field) => trialFor(field, state));
  const values = trials.map((trial) => (trial?.status === 'value' ? trial.value : null));
  await page.probe('reset');
  await page.probe('fill', fields, values);
  if (state === 'invalid') await page.probe('attemptToSend');
  const facts = await page.probe('describe', fields);
  const size = await page.probe('documentSize');
  const boxes = facts.map(({ box }, index) =>
    box && trials[index]?.status !== 'none' ? pictureBox(box, size) : null,
  );
  const pictures = await page.pictures(boxes, size);
  for (const [index, field] of asking.fields.entries()) {
    const trial = trials[index];
    const outcome: Outcome<LookFacts> =
      trial?.status === 'none'
        ? inapplicable(trial.reason)
        : look(context, facts[index], pictures[index] ?? null);
    answerLook(context, field, state, outcome);
  }
}

async function lookAtFocus(context: QuestionContext, field: Field): Promise<Outcome<LookFacts>> {
  const { page } = context;
  const took = await page.probe('focus', probeField(field));
  const [facts] = await page.probe('describe', [probeField(field)]);
  if (facts?.box && !took) return inapplicable('The field does not take focus.');
  if (!facts?.box || !page.drawsFocus) return look(context, facts, null);
  const size = await page.probe('documentSize');
  const [picture] = await page.pictures([pictureBox(facts.box, size)], size);
  return look(context, facts, picture ?? null);
}

function look(
  context: QuestionContext,
  facts: FieldFacts | undefined,
  picture: Picture | null,
): Outcome<LookFacts> {
  if (!facts?.box) return inapplicable('The field takes no room in the page.');
  if (picture) context.picture(picture);
  const { typeReflected, size, value } = facts;
  return {
    status: 'answered',
    facts: { typeReflected, size, value, parts: null, picture: picture?.id ?? null },
  };
}

function inapplicable(reason: string): Outcome<never> {
  return { status: 'inapplicable', reason };
}

function answerLook(
  context: QuestionContext,
  field: Field,
  state: ControlState,
  outcome: Outcome<LookFacts>,
): void {
  context.answer(field.id, { question: 'look', state, outcome });
}

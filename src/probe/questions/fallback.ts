import { type FallbackPlan, plansFor } from '@/core/fallback/fallback-plan';
import { attribute, type Field } from '@/core/html/field';
import type { PlanOutcome } from '@/core/questions/fallback/facts';
import { graphemes } from '@/core/script/graphemes';
import { pictureBox } from '../api/picture-box';
import { inapplicable, probeField, type QuestionContext } from './question-context';

/** What comes of each fallback plan: put into the page, typed into, and what is then sent. */
export async function askFallback(context: QuestionContext): Promise<void> {
  for await (const field of context.oneByOne(context.asking.fields)) {
    const plans = plansFor(field);
    if (plans.length === 0) continue;
    if (context.page.click === null || attribute(field.controls[0], 'name') === null) {
      const reason = context.page.click ? 'no name' : 'page presses no keys';
      context.answer(field.id, { question: 'fallback', outcome: inapplicable(reason) });
      continue;
    }
    const outcomes: PlanOutcome[] = [];
    for (const plan of plans) outcomes.push(await tryPlan(context, field, plan));
    await context.page.reload();
    context.answer(field.id, {
      question: 'fallback',
      outcome: { status: 'answered', facts: { plans: outcomes } },
    });
  }
}

async function tryPlan(context: QuestionContext, field: Field, plan: FallbackPlan): Promise<PlanOutcome> {
  const { page, signal, asking } = context;
  signal.throwIfAborted();
  await page.reload();
  await page.probe('fill', [probeField(field)], ['']);
  const { native, loaded } = await page.probe('applyPlan', probeField(field), plan, asking.runsScripts);
  // A picker of the target's own takes the value as a person would pick it; there is nothing to type in one way for all.
  const picked = native && !loaded;
  if (picked) await page.probe('fill', [probeField(field)], [plan.picked]);
  else await typeInto(context, plan);
  const { box, sent } = await page.probe('describePlan');
  const document = await page.probe('documentBox');
  const [picture] = box ? await page.pictures([pictureBox(box, document)], document) : [];
  if (picture) context.picture(picture);
  return {
    plan: plan.name,
    native,
    loaded,
    typed: picked ? [] : plan.typed,
    sent,
    picture: picture?.id ?? null,
  };
}

async function typeInto({ page }: QuestionContext, { typed }: FallbackPlan): Promise<void> {
  for (const [index, text] of typed.entries()) {
    if (!(await page.probe('focusPlan', index))) return;
    for (const key of graphemes(text)) await page.press(key);
  }
}

import { invalidTrial } from '@/core/document/trial-value';
import { attribute, type Field } from '@/core/html/field';
import type { Outcome } from '@/core/observation/outcome';
import type { BubbleFacts } from '@/core/questions/bubble/facts';
import { leavesOf } from '../api/leaves';
import type { Appeared, WindowOnDisplay } from '../api/window-on-display';
import { inapplicable, probeField, type QuestionContext } from './question-context';

/** It nearly always comes, and gets its time, ms. */
const patience = 2000;

/** The bubble in which the engine says what is wrong, on a real display. */
export async function askBubble(context: QuestionContext): Promise<void> {
  for await (const field of context.oneByOne(context.asking.fields))
    context.answer(field.id, { question: 'bubble', outcome: await bubbleOf(context, field) });
  await context.page.probe('reset');
}

async function bubbleOf(context: QuestionContext, field: Field): Promise<Outcome<BubbleFacts>> {
  const trial = invalidTrial(field);
  if (trial.status === 'none') return inapplicable(trial.reason);
  const window = await context.page.window();
  if (window.status !== 'there') return window;
  const shown = await report(context, field, trial.value, window, true);
  if (shown === 'not drawn') return inapplicable('no room');
  if (!shown)
    return {
      status: 'answered',
      facts: { tried: trial.value, shown: false, popUp: null, leaves: [], showsTitle: null, picture: null },
    };
  context.picture(shown.picture);
  const { width, height } = shown.box;
  return {
    status: 'answered',
    facts: {
      tried: trial.value,
      shown: true,
      popUp: { width, height },
      leaves: leavesOf(shown.box, window.viewport),
      showsTitle: await showsTitle(context, field, trial.value, window, shown),
      picture: shown.picture.id,
    },
  };
}

async function report(
  { page }: QuestionContext,
  field: Field,
  value: string,
  window: WindowOnDisplay,
  withTitle: boolean,
): Promise<Appeared | null | 'not drawn'> {
  const probed = probeField(field);
  await page.probe('reset');
  await page.probe('fill', [probed], [value]);
  // It gets the focus with the bubble; what styles bring out beside a field that has it is no part of the bubble.
  await page.probe('focus', probed);
  const control = await page.probe('bringIntoSight', probed);
  if (!control) return 'not drawn';
  // The next reset takes the focus away, and the bubble with it.
  const call = () => page.probe('report', probed, withTitle);
  const parts = await page.probe('placesInViewport', probed);
  return window.appearing(control, { kind: 'call', call }, patience, parts);
}

/** The bubble's words cannot be read by a script; without the author's title it is another picture, or it is not. */
async function showsTitle(
  context: QuestionContext,
  field: Field,
  value: string,
  window: WindowOnDisplay,
  shown: Appeared,
): Promise<boolean | null> {
  // The standard lends the title to the message about a pattern alone (HTML Standard, "The pattern attribute").
  if (!attribute(field.controls[0], 'title') || !attribute(field.controls[0], 'pattern')) return null;
  if (value === '') return null;
  const bare = await report(context, field, value, window, false);
  if (!bare || bare === 'not drawn') return null;
  return Math.abs(bare.box.width - shown.box.width) > 2 || Math.abs(bare.box.height - shown.box.height) > 2;
}

import { type Field, type FieldKind, inputTypes, isTypedText, tellsSelection } from '@/core/form/field';
import type { TypingTask } from '@/core/observation/asking';
import type { TypingStep } from '@/core/observation/observation';
import { typingStepOf } from '@/core/observation/typing-step';
import { probeField, type QuestionContext } from './question-context';

/** What becomes of a script, stroke by stroke: trusted keys from the protocol, guards and recorder in the page. */
export async function askTyping(context: QuestionContext): Promise<void> {
  for (const field of context.asking.fields) {
    const task = context.asking.scripts[field.id];
    if (!task) continue;
    const kind = await kindInEffect(context, field);
    if (!isTypedText(kind)) {
      const reason = 'No text is typed into this kind of field.';
      context.answer(field.id, { question: 'typing', outcome: { status: 'inapplicable', reason } });
      continue;
    }
    const steps = await type(context, field, kind, task);
    context.answer(field.id, {
      question: 'typing',
      outcome: {
        status: 'answered',
        facts: { script: task.script, guards: task.guards, followed: !tellsSelection(kind), steps },
      },
    });
  }
}

/** The kind that the target makes of a field: one that it does not know is a text box, and typed into like one. */
async function kindInEffect({ page }: QuestionContext, field: Field): Promise<FieldKind> {
  const [facts] = await page.probe('describe', [probeField(field)]);
  return inputTypes.find((type) => type === facts?.typeReflected) ?? field.kind;
}

async function type(
  { page, signal }: QuestionContext,
  field: Field,
  kind: FieldKind,
  task: TypingTask,
): Promise<TypingStep[]> {
  await page.reload();
  await page.probe('beginTyping', { ...probeField(field), kind }, task.guards);
  const steps: TypingStep[] = [];
  let hadFocus = true;
  for (const stroke of task.script) {
    signal.throwIfAborted();
    await page.press(stroke.key);
    const typed = await page.probe('takeTyped');
    steps.push(typingStepOf(stroke, { ...typed, hadFocus }));
    hadFocus = typed.focused;
  }
  await page.probe('endTyping');
  return steps;
}

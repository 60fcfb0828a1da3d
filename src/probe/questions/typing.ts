import type { TypingTask } from '@/core/guard/typing-task';
import {
  type Field,
  type FieldKind,
  inputTypes,
  isTypedText,
  takesKeys,
  tellsSelection,
} from '@/core/html/field';
import type { Unmade } from '@/core/observation/reason';
import type { TypingFacts, TypingStep } from '@/core/questions/typing/facts';
import { typingStepOf } from '@/core/questions/typing/typing-step';
import { ownEntry } from '../../core/html/own-entry';
import { carryOut } from './carry-out';
import { inapplicable, probeField, type QuestionContext } from './question-context';

/** What becomes of a script, stroke by stroke: trusted keys from the protocol, guards and recorder in the page. */
export async function askTyping(context: QuestionContext): Promise<void> {
  for await (const field of context.oneByOne(context.asking.fields)) {
    const task = ownEntry(context.asking.scripts, field.id);
    if (!task) continue;
    const kind = await kindInEffect(context, field);
    if (!kind || !takesKeys(kind)) {
      const reason = kind ? 'no keys' : 'not in page';
      context.answer(field.id, { question: 'typing', outcome: inapplicable(reason) });
      continue;
    }
    const typed = await type(context, field, kind, task);
    context.answer(field.id, {
      question: 'typing',
      outcome: {
        status: 'answered',
        facts: { script: task.script, guards: task.guards, followed: !tellsSelection(kind), ...typed },
      },
    });
  }
}

/** The kind that the target makes of a field: one that it does not know is a text box, and typed into like one. Null once the page has taken the field out. */
async function kindInEffect({ page }: QuestionContext, field: Field): Promise<FieldKind | null> {
  const [facts] = await page.probe('describe', [probeField(field)]);
  if (!facts?.isThere) return null;
  return inputTypes.find((type) => type === facts.typeReflected) ?? field.kind;
}

async function type(
  { page, signal }: QuestionContext,
  field: Field,
  kind: FieldKind,
  task: TypingTask,
): Promise<Pick<TypingFacts, 'steps' | 'stoppedBy'>> {
  await page.reload();
  const asked = { ...probeField(field), kind };
  const focusFirst = task.script[0]?.kind !== 'focus';
  await page.probe('beginTyping', asked, task.guards, focusFirst);
  const steps: TypingStep[] = [];
  let hadFocus = focusFirst;
  let stoppedBy: Unmade | null = null;
  for (const stroke of task.script) {
    signal.throwIfAborted();
    const notMade = await carryOut(page, asked, stroke);
    if (notMade) {
      stoppedBy = notMade;
      break;
    }
    const typed = await page.probe('takeTyped');
    steps.push(typingStepOf(stroke, { ...typed, hadFocus }, isTypedText(kind)));
    hadFocus = typed.focused;
  }
  await page.probe('endTyping');
  return stoppedBy === null ? { steps } : { steps, stoppedBy };
}

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
import type { Typable } from '../api/typable';
import { fieldInPage } from './field-in-page';
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
    const typable = fieldInPage(context.page, { ...probeField(field), kind });
    const typed = await typeInto(typable, task, isTypedText(kind), context.signal);
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

/** Makes the strokes of a script one by one, as far as they can be made. */
export async function typeInto(
  field: Typable,
  { script, guards }: TypingTask,
  takesText: boolean,
  signal: AbortSignal,
): Promise<Pick<TypingFacts, 'steps' | 'stoppedBy'>> {
  const focusFirst = script[0]?.kind !== 'focus';
  await field.begin(guards, focusFirst);
  const steps: TypingStep[] = [];
  let hadFocus = focusFirst;
  let stoppedBy: Unmade | null = null;
  for (const stroke of script) {
    signal.throwIfAborted();
    stoppedBy = await field.stroke(stroke);
    if (stoppedBy) break;
    const typed = await field.typed();
    steps.push(typingStepOf(stroke, { ...typed, hadFocus }, takesText));
    hadFocus = typed.focused;
  }
  await field.end();
  return stoppedBy === null ? { steps } : { steps, stoppedBy };
}

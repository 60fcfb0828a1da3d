import { isScripted } from '@/core/document/own-page';
import type { TypingTask } from '@/core/guard/typing-task';
import {
  type Field,
  type FieldKind,
  inputTypes,
  isTypedText,
  takesKeys,
  tellsSelection,
} from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import type { Unmade } from '@/core/observation/reason';
import type { TypingStep } from '@/core/questions/typing/facts';
import { askedRounds, median, ofRounds, type TypedRound } from '@/core/questions/typing/rounds';
import { typingStepOf } from '@/core/questions/typing/typing-step';
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
    const hasScripts = isScripted(context.asking.page);
    const typable = fieldInPage(context.page, { ...probeField(field), kind }, hasScripts);
    const once = () => typeInto(typable, task, isTypedText(kind), context.signal);
    const typed = hasScripts ? await inRounds(once) : await once();
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
  if (field.kind === 'widget') return field.kind;
  return inputTypes.find((type) => type === facts.typeReflected) ?? field.kind;
}

/** What scripts of a page answer may depend on time: it is asked several times. */
async function inRounds(once: () => Promise<TypedRound>): Promise<ReturnType<typeof ofRounds>> {
  const first = await once();
  const others: TypedRound[] = [];
  while (others.length < askedRounds - 1) others.push(await once());
  return ofRounds([first, ...others]);
}

/** Makes the strokes of a script one by one, as far as they can be made. */
export async function typeInto(
  field: Typable,
  { script, guards }: TypingTask,
  takesText: boolean,
  signal: AbortSignal,
): Promise<TypedRound> {
  const focusFirst = script[0]?.kind !== 'focus';
  await field.begin(guards, focusFirst);
  const steps: TypingStep[] = [];
  const slowness: number[] = [];
  let hadFocus = focusFirst;
  let stoppedBy: Unmade | null = null;
  for (const stroke of script) {
    signal.throwIfAborted();
    stoppedBy = await field.stroke(stroke);
    if (stoppedBy) break;
    const typed = await field.typed();
    steps.push(typingStepOf(stroke, { ...typed, hadFocus }, takesText));
    hadFocus = typed.focused;
    if (typed.slowness !== undefined) slowness.push(typed.slowness);
  }
  await field.end();
  const told = slowness.length === 0 ? steps : steps.map((step) => atFullPace(step, median(slowness)));
  return stoppedBy === null ? { steps: told } : { steps: told, stoppedBy };
}

/** How long listeners would have taken had nothing else been running. */
function atFullPace(step: TypingStep, slowness: number): TypingStep {
  const events = step.events.map((event) =>
    event.took === undefined ? event : { ...event, took: Math.round((10 * event.took) / slowness) / 10 },
  );
  return { ...step, events };
}

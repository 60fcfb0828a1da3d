import type { Guard } from '../guard/guard';
import type { Judgement } from '../guard/verdict';
import type { Field } from '../html/field';
import type { Habits } from '../model/deviations/habits';
import type { TypingFacts } from '../questions/typing/facts';
import { judgeFor } from '../rules/judge';

/** What would become of the text if it were sent after each stroke, and what is sent in the end. */
export interface StrokeVerdicts {
  readonly afterStrokes: readonly Judgement[];
  /** As urlencoded, or why nothing is; or why that was not worked out. */
  readonly sent: { readonly entry: string } | { readonly nothing: string } | { readonly unknown: string };
}

export function strokeVerdicts(
  field: Field,
  guards: readonly Guard[],
  habits: Pick<Habits, 'deviations' | 'typing'>,
  { steps }: Pick<TypingFacts, 'steps'>,
): StrokeVerdicts {
  const { judge } = judgeFor(field, guards, habits);
  const afterStrokes = steps.map(({ text }) => judge(text));
  const last = afterStrokes.at(-1) ?? judge('');
  return { afterStrokes, sent: sentOf(field, last, steps.at(-1)?.value ?? '') };
}

function sentOf({ name }: Field, { verdict, by }: Judgement, value: string): StrokeVerdicts['sent'] {
  if (verdict === 'not worked out') return { unknown: by.join(', ') };
  if (verdict !== 'accepted') return { nothing: by.join(', ') };
  if (name === '') return { nothing: 'the field has no name' };
  return { entry: new URLSearchParams([[name, value]]).toString() };
}

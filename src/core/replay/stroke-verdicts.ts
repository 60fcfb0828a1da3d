import type { Guard } from '../guard/guard';
import type { Judgement, Objection } from '../guard/verdict';
import type { Field } from '../html/field';
import type { Habits } from '../model/deviations/habits';
import type { TypingFacts } from '../questions/typing/facts';
import { judgeFor } from '../rules/judge';

/** What would become of the text if it were sent after each stroke, and what is sent in the end. */
export interface StrokeVerdicts {
  readonly afterStrokes: readonly Judgement[];
  readonly sent: SentEntry;
}

/** What a field sends in the end. */
export type SentEntry =
  /** As urlencoded. */
  | { readonly is: 'entry'; readonly entry: string }
  | { readonly is: 'nothing' | 'not worked out'; readonly by: readonly Objection[] }
  | { readonly is: 'nameless' };

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

function sentOf({ name }: Field, { verdict, by }: Judgement, value: string): SentEntry {
  if (verdict === 'not worked out') return { is: 'not worked out', by };
  if (verdict !== 'accepted') return { is: 'nothing', by };
  if (name === '') return { is: 'nameless' };
  return { is: 'entry', entry: new URLSearchParams([[name, value]]).toString() };
}

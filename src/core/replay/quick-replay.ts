import type { Guard } from '../guard/guard';
import { decideBeforeInsert, decideKey, rewriteAfterInput, rewriteOnLeaving } from '../guard/stages';
import { type Judgement, judgementOf } from '../guard/verdict';
import type { Field } from '../html/field';
import type { Habits } from '../model/deviations/habits';
import { admittedText } from '../model/typing/admitted-text';
import { judgeFor } from '../rules/judge';
import { bufferOf, type EditingBuffer, insertText } from '../script/editing-buffer';
import { graphemes } from '../script/graphemes';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';

/** What becomes of a sample that is typed into an empty field, grapheme by grapheme. */
export interface Replayed extends Judgement {
  /** The text in the end, after what guards do on leaving. */
  readonly text: string;
  /** Index of the first stroke that was refused, or null. */
  readonly refusedAt: number | null;
}

/**
 * Types many samples under the same guards, without events: the same filters, limits and guards as in the full model,
 * which a test holds it to. Prepared once, because a sample takes some microseconds.
 */
export function quickReplay(
  field: Field,
  guards: readonly Guard[],
  habits: Pick<Habits, 'deviations' | 'typing'>,
): (sample: string) => Replayed {
  const { judge } = judgeFor(field, guards, habits);
  const at = (stage: Guard['stage']) => guards.filter((guard) => guard.on && guard.stage === stage);
  const [onKeys, before, after, leaving] = [
    at('key'),
    at('before insert'),
    at('after input'),
    at('on leaving'),
  ];
  const hasKeys = habits.typing.keys === 'hardware' && onKeys.length > 0;
  const length = field.controls[0].attributes.find(({ name }) => name === 'maxlength')?.value ?? null;
  const maxlength = field.kind === 'number' ? null : parseNonNegativeInteger(length);
  const empty = bufferOf('');
  return (sample) => {
    const outcome: { replayed: Replayed | null } = { replayed: null };
    const { verdict, by } = judgementOf(() => {
      outcome.replayed = typed(sample);
      return outcome.replayed;
    });
    return outcome.replayed ?? { verdict, by, text: sample, refusedAt: null };
  };

  function typed(sample: string): Replayed {
    let buffer: EditingBuffer = empty;
    let refusedAt: number | null = null;
    const strokes = typedUnits(sample);
    for (let index = 0; index < strokes.length; index++) {
      const key = strokes[index] ?? '';
      const next = stroke(buffer, key);
      if (next === buffer) refusedAt ??= index;
      buffer = next;
    }
    if (leaving.length > 0) buffer = rewriteOnLeaving(leaving, empty, buffer);
    const { verdict, by } = judge(buffer.text);
    return { verdict, by, text: buffer.text, refusedAt };
  }

  function stroke(buffer: EditingBuffer, key: string): EditingBuffer {
    const planned = insertText(buffer, key);
    if (hasKeys && !decideKey(onKeys, { key, isShortcut: false, newText: planned.text }).pass) return buffer;
    if (before.length > 0) {
      const edit = { oldText: buffer.text, newText: planned.text, inserted: key };
      if (!decideBeforeInsert(before, edit).pass) return buffer;
    }
    const left = admittedText({ kind: field.kind, maxlength, habits: habits.typing }, buffer, key);
    if (left === '') return buffer;
    const typed = left === key ? planned : insertText(buffer, left);
    if (after.length === 0) return typed;
    const rewritten = rewriteAfterInput(after, buffer, typed);
    return rewritten.by.length > 0 && rewritten.text === buffer.text ? buffer : rewritten;
  }
}

/** Graphemes; of ASCII these are its characters, which needs no segmenter. */
function typedUnits(text: string): readonly string[] {
  return /^[ -~]*$/.test(text) ? text.split('') : graphemes(text);
}

import type { Guard } from '../guard/guard';
import type { Field } from '../html/field';
import type { Habits } from '../model/deviations/habits';
import { judgeFor } from '../rules/judge';
import { graphemes } from '../script/graphemes';
import { quickReplay, type Replayed } from './quick-replay';

/** A text that the strict check accepts and that nobody can type. */
export interface Unreachable {
  readonly text: string;
  /** Index of the stroke at which it died, in graphemes. */
  readonly at: number;
  /** What stands in the field in the end. */
  readonly left: string;
}

/** What the rules while typing and those at submission make of each other. */
export interface TwoStageCheck {
  /** Texts that were tried: those that the strict rules accept by themselves. */
  readonly accepted: number;
  readonly unreachable: readonly Unreachable[];
  /** Texts that can be typed to the end and are then refused. */
  readonly letStand: readonly string[];
}

/**
 * Holds the lenient rules while typing against the strict ones at submission: every text that is accepted must be
 * reachable stroke by stroke, and what may stand to the end should be accepted.
 * @yields how many texts are done
 */
export function* twoStageCheck(
  field: Field,
  guards: readonly Guard[],
  texts: readonly string[],
  habits: Pick<Habits, 'deviations' | 'typing'>,
): Generator<number, TwoStageCheck> {
  const { judge } = judgeFor(field, guards, habits);
  const replay = quickReplay(field, guards, habits);
  const unreachable: Unreachable[] = [];
  const letStand: string[] = [];
  let accepted = 0;
  for (const [index, text] of texts.entries()) {
    const typed = replay(text);
    const { verdict } = judge(text);
    if (verdict === 'accepted') {
      accepted++;
      if (typed.text !== text) unreachable.push({ text, at: diedAt(text, typed, replay), left: typed.text });
    } else if (verdict !== 'not worked out' && typed.text === text) letStand.push(text);
    yield index + 1;
  }
  return { accepted, unreachable, letStand };
}

/** The first stroke after which what stands is no longer on the way to the text. */
function diedAt(text: string, typed: Replayed, replay: (sample: string) => Replayed): number {
  if (typed.refusedAt !== null) return typed.refusedAt;
  const strokes = graphemes(text);
  for (let length = 1; length <= strokes.length; length++) {
    const beginning = strokes.slice(0, length).join('');
    if (!text.startsWith(replay(beginning).text)) return length - 1;
  }
  return Math.max(0, strokes.length - 1);
}

import { isNamedKey, type Stroke } from '../script/stroke';
import type { EventRecord } from './event-record';
import type { Caret, TypingStep } from './observation';

/** What a page under test tells after one stroke. */
export interface TypedState {
  readonly text: string;
  readonly caret: Caret;
  readonly value: string;
  readonly events: readonly EventRecord[];
  readonly guard: string | null;
  /** The field had the focus when the stroke came. */
  readonly hadFocus: boolean;
}

/** Reads one step of a ladder out of what the page told: a character that raised no `input` was refused. */
export function typingStepOf(stroke: Stroke, typed: TypedState): TypingStep {
  const { text, caret, value, events, guard, hadFocus } = typed;
  const asked = hadFocus && !isNamedKey(stroke.key);
  const took = events.some((event) => event.type === 'input');
  return {
    text,
    caret,
    value,
    events,
    guard,
    refused: guard !== null ? 'guard' : asked && !took ? 'target' : null,
  };
}

import type { EventRecord } from '../../observation/event-record';
import { type Stroke, textOfStroke } from '../../script/stroke';
import type { Caret, TypingStep } from './facts';

/** What a page under test tells after one stroke. */
export interface TypedState {
  readonly text: string;
  readonly caret: Caret;
  readonly value: string;
  readonly events: readonly EventRecord[];
  /** The guard that refused, or null. */
  readonly guard: string | null;
  readonly rewrittenBy: readonly string[];
  readonly endless: string | null;
  /** The field had the focus when the stroke came. */
  readonly hadFocus: boolean;
}

/** Reads one step of a ladder out of what the page told: a character that raised no `input`, or an empty one, was refused. */
export function typingStepOf(stroke: Stroke, typed: TypedState, takesText = true): TypingStep {
  const { text, caret, value, events, guard, rewrittenBy, endless, hadFocus } = typed;
  const asked =
    takesText &&
    hadFocus &&
    Boolean(textOfStroke(stroke)) &&
    !(stroke.kind === 'text' && stroke.route === 'script');
  const took = events.some((event) => event.type === 'input' && event.data !== '');
  return {
    text,
    caret,
    value,
    events,
    guard,
    ...(rewrittenBy.length > 0 && { rewrittenBy }),
    ...(endless !== null && { endless }),
    refused: guard !== null ? 'guard' : asked && !took ? 'target' : null,
  };
}

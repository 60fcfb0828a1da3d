import type { Guard } from '../../guard/guard';
import type { Deviations } from '../../standard/deviations';
import type { TypingHabits } from '../deviations/typing-habits';
import type { EventLog } from './event-log';

/** What became of one stroke, beside the events that it raised. */
export interface StrokeOutcome {
  refused: 'guard' | 'target' | null;
  /** Id of the guard that refused. */
  guard: string | null;
  /** Ids of the guards that rewrote the text. */
  rewrittenBy: readonly string[];
  /** Id of a guard that would have rewritten for ever. */
  endless: string | null;
}

export function untouched(): StrokeOutcome {
  return { refused: null, guard: null, rewrittenBy: [], endless: null };
}

/** What all controls share while a script is typed. */
export interface TypingContext {
  readonly habits: TypingHabits;
  readonly deviations: Deviations;
  readonly guards: readonly Guard[];
  readonly log: EventLog;
  /** The moment at which it is typed, which empty parts of dates begin with. */
  readonly now: Date;
  /** Of the stroke that is under way. */
  outcome: StrokeOutcome;
  /** Enter asks the form to be sent (HTML Standard, "Implicit submission"). */
  readonly send: () => void;
}

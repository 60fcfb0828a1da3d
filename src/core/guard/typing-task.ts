import type { FieldId } from '../html/field';
import type { Script } from '../script/stroke';
import type { Guard } from './guard';

/** What is typed into a field, and the guards that listen. */
export interface TypingTask {
  readonly script: Script;
  readonly guards: readonly Guard[];
}

export type TypingTasks = Readonly<Record<FieldId, TypingTask>>;

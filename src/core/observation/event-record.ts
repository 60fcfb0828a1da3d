/** Events that the recorder listens to, by their names in UI Events, Input Events, Clipboard API and HTML. */
export const recordedEvents = [
  'focus',
  'keydown',
  'keypress',
  'compositionstart',
  'compositionupdate',
  'beforeinput',
  'input',
  'compositionend',
  'keyup',
  'change',
  'blur',
  'invalid',
  'submit',
] as const;
export type RecordedEvent = (typeof recordedEvents)[number];

/** One event as a listener on the field saw it. */
export interface EventRecord {
  readonly type: RecordedEvent;
  readonly key: string | null;
  readonly code: string | null;
  readonly inputType: string | null;
  readonly data: string | null;
  /** The field's value at that moment, as a script reads it. */
  readonly value: string;
  /** False for events that a script made. */
  readonly trusted: boolean;
  /** A guard called `preventDefault` on it. */
  readonly prevented: boolean;
}

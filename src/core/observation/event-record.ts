/** Events that the recorder listens to, by their names in UI Events, Input Events, Clipboard API and HTML. */
export const domEvents = [
  'focus',
  'keydown',
  'keypress',
  'compositionstart',
  'compositionupdate',
  'copy',
  'cut',
  'paste',
  'drop',
  'beforeinput',
  'input',
  'compositionend',
  'keyup',
  'change',
  'blur',
  'invalid',
  'submit',
] as const;

/** What native fields and app toolkits tell instead; these names are Ukko's own, toolkits have theirs. */
export const nativeEvents = ['text changed', 'editing complete', 'submitted'] as const;

export const recordedEvents = [...domEvents, ...nativeEvents] as const;
export type RecordedEvent = (typeof recordedEvents)[number];

/** One event as a listener on the field saw it. */
export interface EventRecord {
  readonly type: RecordedEvent;
  readonly key: string | null;
  readonly code: string | null;
  readonly inputType: string | null;
  /** What is inserted; of *text changed*, the text before. */
  readonly data: string | null;
  /** The field's value at that moment, as a script reads it. */
  readonly value: string;
  /** False for events that a script made. */
  readonly trusted: boolean;
  /** A guard, or a listener of the page's own, called `preventDefault` on it. */
  readonly prevented: boolean;
  /** Of a page of the developer's own: what its listeners made of the value; not given where they left it. */
  readonly rewrittenTo?: string;
  /** Of a page of the developer's own: how long its listeners took, ms; not given where nobody can tell. */
  readonly took?: number;
}

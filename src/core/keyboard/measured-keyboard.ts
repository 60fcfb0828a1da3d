import type { EventRecord } from '../observation/event-record';
import type { PictureId } from '../observation/picture';

/** What an engine asks an input method for (Wayland, text-input-unstable-v3, "content_purpose"), in the order of its numbers. */
export const contentPurposes = [
  'normal',
  'alpha',
  'digits',
  'number',
  'phone',
  'url',
  'email',
  'name',
  'password',
  'pin',
  'date',
  'time',
  'datetime',
  'terminal',
] as const;
export type ContentPurpose = (typeof contentPurposes)[number];

/** The same, "content_hint": one bit each. */
export const contentHints = [
  'completion',
  'spellcheck',
  'auto_capitalization',
  'lowercase',
  'uppercase',
  'titlecase',
  'hidden_text',
  'sensitive_data',
  'latin',
  'multiline',
] as const;
export type ContentHint = (typeof contentHints)[number];

/** What the real on-screen keyboard did when a finger tapped a field. */
export interface MeasuredKeyboard {
  /** What the engine asked for; null when it asked for nothing. */
  readonly asked: { readonly purpose: ContentPurpose; readonly hints: readonly ContentHint[] } | null;
  /** The layout that the keyboard chose, by its own name: `number/us`. Null when no keyboard came up. */
  readonly layout: string | null;
  /** Height of the page's viewport before and with the keyboard, CSS px. */
  readonly height: { readonly before: number; readonly with: number };
  /** Whether the whole of the focused field is still in sight. */
  readonly fieldInSight: boolean;
  /** What the page saw of one key that was tapped, the first of the first row; null when no keyboard came up. */
  readonly tapped: readonly Pick<EventRecord, 'type' | 'key' | 'inputType' | 'data' | 'value'>[] | null;
  readonly picture: PictureId;
}

export function hintsOf(bits: number): ContentHint[] {
  return contentHints.filter((_, bit) => (bits & (1 << bit)) !== 0);
}

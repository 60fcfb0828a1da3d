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

export function hintsOf(bits: number): ContentHint[] {
  return contentHints.filter((_, bit) => (bits & (1 << bit)) !== 0);
}

/** What an engine asks an input method for. */
export interface KeyboardAsked {
  readonly purpose: ContentPurpose;
  readonly hints: readonly ContentHint[];
}

export function askedText(asked: KeyboardAsked | null): string {
  return asked ? [asked.purpose, ...asked.hints].join(', ') : 'nothing';
}

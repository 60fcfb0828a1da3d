import type { ContentHint, ContentPurpose } from '@/core/observation/content-purpose';

/** What an on-screen keyboard says of itself while it runs: no picture has to be read to know which layout is up. */
export interface KeyboardLog {
  /** What an engine asked for last; null as long as it asked for nothing since `forget`. */
  readonly asked: { readonly purpose: ContentPurpose; readonly hints: readonly ContentHint[] } | null;
  /** The layout loaded last; stays over `forget`, for it is not loaded twice. */
  readonly layout: string | null;
  /** @param line of its output */
  hear(line: string): void;
  forget(): void;
}

/** A key on the screen: px from the left, and how far down, of the keyboard's height. One without a name changes the layer. */
export interface KeyPlace {
  readonly key: string | null;
  readonly x: number;
  readonly down: number;
}

/**
 * An on-screen keyboard that the phone-sized display can run. To add one, write a file beside this one and name it in
 * `keyboard-programs.ts`.
 */
export interface KeyboardProgram {
  /** As its answers name it. */
  readonly name: string;
  /** The environment variable that names another program than that on the path. */
  readonly variable: string;
  readonly debianPackage: string;
  /** What the desktop's settings have to say before it comes up: schema, key and value. */
  readonly settings: readonly (readonly [schema: string, key: string, value: string])[];
  /** Added to its environment. */
  readonly env: Readonly<Record<string, string>>;
  /** Reads what it says while it runs. */
  log(): KeyboardLog;
  /** The keys that are tapped on a layout to hear what the page is told of them, in order. */
  keysToTap(layout: string | null): readonly KeyPlace[];
}

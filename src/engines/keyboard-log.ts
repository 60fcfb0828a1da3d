import {
  type ContentHint,
  type ContentPurpose,
  contentPurposes,
  hintsOf,
} from '@/core/keyboard/content-purpose';

/** What an on-screen keyboard says of itself while it runs: no picture has to be read to know which one is up. */
export interface KeyboardLog {
  /** What an engine asked for last; null as long as it asked for nothing since `forget`. */
  readonly asked: { readonly purpose: ContentPurpose; readonly hints: readonly ContentHint[] } | null;
  /** The layout loaded last; stays over `forget`, for it is not loaded twice. */
  readonly layout: string | null;
  hear(line: string): void;
  forget(): void;
}

export function keyboardLog(): KeyboardLog {
  let asked: KeyboardLog['asked'] = null;
  let layout: string | null = null;
  return {
    get asked() {
      return asked;
    },
    get layout() {
      return layout;
    },
    hear(line) {
      const [, hints, purpose] = /zwp_input_method_v2@\d+\.content_type\((\d+), (\d+)\)/.exec(line) ?? [];
      const known = contentPurposes[Number(purpose)];
      if (known) asked = { purpose: known, hints: hintsOf(Number(hints)) };
      const [, loaded] = /Loaded layout Resource: (\S+)/.exec(line) ?? [];
      if (loaded) layout = loaded;
    },
    forget() {
      asked = null;
    },
  };
}

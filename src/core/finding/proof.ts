import type { Difference } from '../questions/differences';
import type { Taps } from './claim';

/** What one target showed that a claim rests on. Its sentence is made in `words/`. */
export type Proof =
  /** `field` is the label where a finding is of many; `from` is what it is compared with. */
  | {
      readonly code: 'difference';
      readonly field: string | null;
      readonly difference: Difference;
      readonly from: string;
    }
  /** CSS px of the page's height that the keyboard leaves. */
  | { readonly code: 'height left'; readonly left: number; readonly before: number }
  /** Sides of the window that something reaches past. */
  | { readonly code: 'leaves window'; readonly sides: readonly string[] }
  | { readonly code: 'takes no focus' }
  | { readonly code: 'focus unseen' }
  | { readonly code: 'value unchanged'; readonly keys: readonly string[]; readonly value: string }
  /** Texts before and after a stroke; the caret in UTF-16 code units. */
  | {
      readonly code: 'caret jump';
      readonly before: string;
      readonly after: string;
      readonly from: number;
      readonly to: number;
    }
  | { readonly code: 'keys did nothing'; readonly keys: readonly string[] }
  | {
      readonly code: 'characters kept out';
      readonly characters: readonly string[];
      readonly typed: string;
      readonly became: string;
    }
  /** How long listeners took over an event, ms. */
  | { readonly code: 'slow listener'; readonly event: string; readonly took: number }
  /** How many of so many rounds of the same strokes went the same way. */
  | { readonly code: 'rounds'; readonly asked: number; readonly alike: number }
  | { readonly code: 'layout'; readonly layout: string }
  /** Of people who write another language than the first that was asked about, BCP 47. */
  | { readonly code: 'language'; readonly language: string }
  /** The page was told no keydown of a key by its name, only these events. */
  | { readonly code: 'key unheard'; readonly key: string; readonly heard: readonly string[] }
  | ({ readonly code: 'taps' } & Taps);

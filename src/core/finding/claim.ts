import type { Fault } from '../fault/fault';
import type { Guard, GuardStage } from '../guard/guard';
import type { FieldKind } from '../html/field';
import type { ActionKeyTrouble } from '../keyboard/action-key';
import type { InputMode } from '../keyboard/input-traits';
import type { Setting } from '../keyboard/settings';
import type { PatternWarning } from '../pattern/pattern-warnings';
import type { SlowPattern } from '../pattern/slow-pattern';
import type { Purpose, Writing } from '../purpose/purpose';
import type { Difference } from '../questions/differences';
import type { OtherSample, Route } from '../questions/restriction/facts';

/** What a finding claims: a code, with all that its sentences are made of in `words/`. */
export type Claim =
  /** `kind` is that of the field; null: the fault belongs to no field. */
  | { readonly code: 'fault'; readonly fault: Fault; readonly kind: FieldKind | null }
  /** Checks of a field's rule that took too many steps; each reason is the matcher's own. */
  | { readonly code: 'not worked out'; readonly reasons: readonly string[] }
  | GuardClaim
  | PatternClaim
  | ShapeClaim
  | KeyboardClaim
  | DifferenceClaim
  | { readonly code: 'seen'; readonly sight: Sight }
  | { readonly code: 'typed'; readonly effect: TypingEffect };

type GuardClaim =
  /** Text came in past a guard; `isCaught`: what is checked in the end refuses it. `better` is a stage at which nothing comes past. */
  | {
      readonly code: 'guard bypassed';
      readonly guard: Guard;
      readonly routes: readonly Route[];
      readonly isCaught: boolean;
      readonly better: GuardStage | null;
    }
  /** A guard swallows keys that bring no character, or keeps out by some routes what it should let through. */
  | {
      readonly code: 'guard blocks';
      readonly guard: Guard;
      readonly keys: readonly string[];
      readonly routes: readonly Route[];
      readonly isMended: boolean;
    }
  /** The rules while typing refuse `beginning`, with which the valid `value` begins. */
  | { readonly code: 'valid value blocked'; readonly value: string; readonly beginning: string }
  /** Of `tried` samples those that come out otherwise than expected, and by what. */
  | { readonly code: 'samples differ'; readonly tried: number; readonly others: readonly OtherSample[] };

type PatternClaim =
  | ({ readonly code: 'slow pattern' } & SlowPattern)
  | { readonly code: 'pattern warning'; readonly warning: PatternWarning };

/** What a rule does with `texts`, out of `tried` that people enter for `purpose`, or that only look like it. */
type ShapeClaim =
  | {
      readonly code: 'shape cut';
      readonly purpose: Purpose;
      readonly texts: readonly Writing[];
      readonly tried: number;
      /** The maxlength, UTF-16 code units. */
      readonly most: number;
    }
  | {
      readonly code: 'shape refused';
      readonly purpose: Purpose;
      readonly texts: readonly Writing[];
      readonly tried: number;
      /** What a person enters cannot be written in another way. */
      readonly isFixed: boolean;
      /** The browser checks this kind by itself, so the pattern can go. */
      readonly isPatternNeedless: boolean;
    }
  | {
      readonly code: 'shape accepted';
      readonly purpose: Purpose;
      readonly texts: readonly Writing[];
      readonly tried: number;
    };

type KeyboardClaim =
  /** `value` is accepted and cannot be typed. `setting` brings up a keyboard that has all; null: none does, of phones or of the one that was asked. */
  | {
      readonly code: 'keyboard lacks';
      readonly missing: readonly string[];
      readonly value: string;
      readonly setting: Setting | null;
      readonly isOfPhones: boolean;
    }
  | { readonly code: 'action key'; readonly trouble: ActionKeyTrouble; readonly kind: FieldKind }
  /** Taps for a text as it is, and with another `inputmode`. */
  | ({ readonly code: 'detour' } & Taps);

export interface Taps {
  readonly text: string;
  readonly before: number;
  readonly after: number;
  readonly inputmode: InputMode;
}

/** What differs in one field, by what it is about. */
export type FieldDifference = 'kind' | 'value' | 'told';

/** What an engine does by itself to every field. */
export type EngineHabit = 'checks' | 'wording' | 'size' | 'parts';

type DifferenceClaim =
  /** The first of the differences; `in` is where it is so, `from` the reference. */
  | {
      readonly code: 'field differs';
      readonly about: FieldDifference;
      readonly difference: Difference;
      readonly in: readonly string[];
      readonly from: string;
    }
  /** Fields of kinds that the targets of `in` do not know, and show a text box for; `fields` are their labels. */
  | {
      readonly code: 'kinds unknown';
      readonly kinds: readonly FieldKind[];
      readonly fields: readonly string[];
      readonly in: readonly string[];
    }
  /** `fields` are the labels of those that show it. */
  | {
      readonly code: 'engines differ';
      readonly about: EngineHabit;
      readonly fields: readonly string[];
      readonly in: readonly string[];
    };

/** What one engine or device shows by itself. */
export type Sight =
  | 'out of sight'
  | 'opening leaves'
  | 'bubble leaves'
  | 'not by keyboard'
  | 'widget not by keyboard'
  | 'keys change nothing'
  | 'focus not shown';

/** What scripts of a page do to whoever types. */
/** `unsteady`: the same strokes do not go the same way each time. */
export type TypingEffect = 'caret' | 'keys' | 'kept out' | 'slow' | 'unsteady';

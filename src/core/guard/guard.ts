import type { CharacterSet } from './character-set';

/** When a guard acts, in the order in which a stroke meets them. */
export const guardStages = ['key', 'before insert', 'after input', 'on leaving', 'on submission'] as const;
export type GuardStage = (typeof guardStages)[number];

/** What a guard does with a text that its rule does not let stand. */
export const remedies = ['refuse', 'mend', 'go back'] as const;
/** `refuse` stops what is about to happen; `mend` rewrites the text; `go back` puts the old text in its place. */
export type Remedy = (typeof remedies)[number];

/** What every guard has. */
interface GuardAt {
  readonly id: string;
  readonly on: boolean;
  readonly stage: GuardStage;
  /** Only `refuse` acts at the stages *key*, *before insert* and *on submission*. Not given: `mend` after input and on leaving, else `refuse`. */
  readonly remedy?: Remedy;
  /** At the stage *key*: keys that pass whatever the rule says, by their names in UI Events; `Shortcut` stands for all keys with Control, Alt or Meta. */
  readonly keys?: readonly string[];
}

/** Only these characters, or all but these. */
export interface CharactersGuard extends GuardAt {
  readonly kind: 'allow' | 'deny';
  readonly set: CharacterSet;
}

export const lengthUnits = ['code units', 'code points', 'graphemes'] as const;
export type LengthUnit = (typeof lengthUnits)[number];

export interface LengthGuard extends GuardAt {
  readonly kind: 'length';
  readonly most: number;
  readonly unit: LengthUnit;
}

/** A number in progress: a sign, digits, one separator (dot or comma), digits. */
export interface DecimalsGuard extends GuardAt {
  readonly kind: 'decimals';
  /** Most digits after the separator, 0 to 20. */
  readonly most: number;
  /** Most digits before it; not given: as many as one likes. */
  readonly whole?: number;
}

/** A number between two limits, both included. */
export interface RangeGuard extends GuardAt {
  readonly kind: 'range';
  readonly min: number | null;
  readonly max: number | null;
}

/** A regular expression with the `v` flag. */
export interface PatternGuard extends GuardAt {
  readonly kind: 'pattern';
  readonly source: string;
  readonly match: 'whole' | 'part';
}

/** A list of words: the text is one of them, or contains none of them. */
export interface WordsGuard extends GuardAt {
  readonly kind: 'words';
  readonly words: readonly string[];
  readonly sense: 'one of' | 'none of';
}

/** A date that exists, written with the letters d, m and y for its digits, as in `dd.mm.yyyy`. */
export interface DateGuard extends GuardAt {
  readonly kind: 'date';
  readonly format: string;
}

export const checkMethods = ['mod 10', 'mod 11', 'mod 97'] as const;

/** The last digits check the others: ISO/IEC 7812-1 Annex B (mod 10), ISO 2108 for ten digits (mod 11), ISO/IEC 7064 (mod 97). */
export interface CheckDigitGuard extends GuardAt {
  readonly kind: 'check digit';
  readonly method: (typeof checkMethods)[number];
}

export interface CaseGuard extends GuardAt {
  readonly kind: 'case';
  readonly to: 'upper' | 'lower';
}

/** Places for characters with fixed separators between them: `0` a digit, `A` a letter, `X` either; `\` before one of them makes it fixed. */
export interface MaskGuard extends GuardAt {
  readonly kind: 'mask';
  readonly mask: string;
}

/** One restriction rule with the stage at which it acts. Every kind of guard is data, so that it can be kept and sent. */
export type Guard =
  | CharactersGuard
  | LengthGuard
  | DecimalsGuard
  | RangeGuard
  | PatternGuard
  | WordsGuard
  | DateGuard
  | CheckDigitGuard
  | CaseGuard
  | MaskGuard;

export type GuardKind = Guard['kind'];

/** An edit that is about to happen, or has happened. */
export interface PendingEdit {
  readonly oldText: string;
  readonly newText: string;
  readonly inserted: string;
}

export type GuardDecision = { readonly pass: true } | { readonly pass: false; readonly guard: string };

/** A rule that a text must hold to in the end: at submission, or on leaving where it only says so. */
export function isStrict({ stage, remedy }: Guard): boolean {
  return stage === 'on submission' || (stage === 'on leaving' && remedy === 'refuse');
}

/** What a guard does with a text that its rule does not let stand. */
export function remedyOf(guard: Guard): Remedy {
  if (guard.stage !== 'after input' && guard.stage !== 'on leaving') return 'refuse';
  return guard.remedy ?? 'mend';
}

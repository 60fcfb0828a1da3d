import type { Guard } from '../../guard/guard';
import type { Objection, Verdict } from '../../guard/verdict';
import type { Answer } from '../../observation/outcome';
import type { Script } from '../../script/stroke';

/** Ways by which a text can reach a field. */
export const routes = [
  'hardware keys',
  'soft keys',
  'paste',
  'drop',
  'autofill',
  'dictation',
  'composition',
  'script',
] as const;
export type Route = (typeof routes)[number];

export const bypassOutcomes = ['held', 'bypassed', 'rewritten', 'blocked too much', 'not tried'] as const;
export type BypassOutcome = (typeof bypassOutcomes)[number];

/** What one guard, alone, does with a text that it should not let stand, on one way. */
export interface BypassCell {
  readonly route: Route;
  readonly outcome: BypassOutcome;
  /** The shortest script that shows it. */
  readonly script: Script;
  /** What stands in the field after it. */
  readonly text: string;
  /** Keys that the guard swallows though they bring no character. */
  readonly swallowed: readonly string[];
}

export interface BypassRow {
  readonly guard: Guard;
  readonly cells: readonly BypassCell[];
}

/** A guard that is on, on every way in. */
export interface TriedGuard extends BypassRow {
  /** Whether all that it lets past is refused in the end, on leaving or on submission. */
  readonly isCaught: boolean;
  /** The same rule at the later stages, which hear more; the first of them is the gentlest. */
  readonly later: readonly BypassRow[];
  /** The same guard, were the keys let through that a person needs to edit; null where it does not listen to keys. */
  readonly sparingKeys: BypassRow | null;
}

/** A sample that does not come out as the person expects, typed key by key. */
export interface OtherSample {
  readonly text: string;
  readonly expected: Verdict;
  readonly verdict: Verdict;
  readonly by: readonly Objection[];
}

/** What the restriction rules of a field, its guards and its own constraints, make of texts that reach it. */
export interface RestrictionFacts {
  /** Those that are on. */
  readonly guards: readonly TriedGuard[];
  /** The shortest valid value that the rules while typing keep from being typed, and its beginning at which they do. */
  readonly blocked: { readonly value: string; readonly beginning: string } | null;
  /** How many samples were tried, and those that come out otherwise. */
  readonly samples: { readonly tried: number; readonly others: readonly OtherSample[] };
}

export type RestrictionObservation = Answer<'restriction', RestrictionFacts>;

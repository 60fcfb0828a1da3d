import type { OwnPage } from '../document/own-page';
import type { FieldId } from '../html/field';
import type { PhoneEngine } from '../keyboard/keyboard-question';
import type { Failure } from '../observation/failure';
import type { Picture } from '../observation/picture';

/** Asks an engine to send the form of an own page for real: what is sent arrives. */
export interface RealQuestion {
  readonly page: OwnPage;
  /** The snapshot of the form, which names its fields. */
  readonly markup: string;
  /** Of people, where the markup states none; null: nobody said it. */
  readonly language: string | null;
  /** The button that is pressed. */
  readonly button: FieldId;
  /** Filled in with values that its constraints accept; else as it is at first. */
  readonly filled: boolean;
  readonly engine: PhoneEngine;
}

/** A request that the page's scripts made, by another method than GET. */
export interface MadeRequest {
  readonly method: string;
  readonly url: string;
  /** Of the HTTP answer; null when none came while Ukko looked. */
  readonly status: number | null;
  /** The beginning of the answer's text. */
  readonly answer: string;
}

/** Longest part of an answer that is kept, UTF-16 code units. */
export const longestAnswer = 2000;

/** What came of it, as the engine saw it. */
export interface RealSending {
  readonly engine: string;
  readonly version: string;
  /** ISO 8601, UTC. */
  readonly at: string;
  readonly requests: readonly MadeRequest[];
  /** Where the page was led; null when it stayed. `status` is null where the engine does not tell it. */
  readonly led: { readonly address: string; readonly title: string; readonly status: number | null } | null;
  /** The field that was in the way, in the engine's own words; null when none was. */
  readonly blocked: { readonly ordinal: number; readonly message: string } | null;
  readonly picture: Picture | null;
}

export type RealAnswer =
  | { readonly status: 'sent'; readonly sending: RealSending }
  | { readonly status: 'fault'; readonly failure: Failure };

import type { ValidityFlag } from '../standard/validity-flags';

/** A question about the element with the id `t`, alone in its page but for the markup around it. */
export interface ValidityQuestion {
  readonly html: string;
  /** Null leaves the value as it was parsed; otherwise it is set as a script sets `value`. */
  readonly setValue: string | null;
  /** The type that a script sets after that. */
  readonly thenType?: string | undefined;
  /** Attributes that a script sets after that. */
  readonly thenAttrs?: Readonly<Record<string, string>> | undefined;
  /** What a script gives to `setCustomValidity` after that. */
  readonly custom?: string | undefined;
}

export interface ValidityAnswer {
  readonly typeReflected: string;
  readonly value: string;
  readonly valid: boolean;
  /** The true members of ValidityState, in the standard's order, without `valid`. */
  readonly flags: readonly ValidityFlag[];
  readonly willValidate: boolean;
  /** Of a checkbox and a radio button. */
  readonly checked?: boolean;
  /** Name of the exception that setting threw. */
  readonly threw?: string;
}

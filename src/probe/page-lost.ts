import type { Failure } from '@/core/observation/failure';
import { failureText } from '@/core/words/failure-words';

/** Thrown, by its name, when a page cannot be had or goes away; the message is for logs. */
export class PageLost extends Error {
  override readonly name: string = 'PageLost';
  /** See `isLost`. */
  readonly isPageLost = true;

  /** See `isLost`. */
  static override [Symbol.hasInstance](error: unknown): boolean {
    return isLost(error);
  }

  /** It would be so again, were it asked again. */
  readonly isSettled: boolean;
  /** It did not answer in the time that it had. */
  readonly isLate: boolean;
  /** The browser has ended; else this page or this command alone failed. */
  readonly isGone: boolean;

  constructor(
    readonly failure: Failure,
    { isGone = false, isSettled = false, isLate = false } = {},
  ) {
    super(failureText(failure));
    this.isLate = isLate;
    this.isGone = isGone;
    this.isSettled = isSettled;
  }
}

/**
 * Whether something that was thrown is one of these. A server may hold this module more than once, in the bundle of each of its routes,
 * and browsers go from one to the other: what one of them throws is told by what it says of itself.
 *
 * @param name of the class; any where it is left out
 */
export function isLost(error: unknown, name?: string): boolean {
  if (!(error instanceof Error) || !('isPageLost' in error)) return false;
  return name === undefined || error.name === name;
}

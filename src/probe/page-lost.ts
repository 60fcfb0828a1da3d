import type { Failure } from '@/core/observation/failure';
import { failureText } from '@/core/words/failure-words';

/** Thrown, by its name, when a page cannot be had or goes away; the message is for logs. */
export class PageLost extends Error {
  override readonly name: string = 'PageLost';

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

import type { UnworkedCode } from './unworked';

/** It would take too many steps, or too much room. The message is the code, so that it crosses from one thread to another. */
export class GaveUp extends Error {
  override readonly name = 'GaveUp';

  constructor(readonly code: UnworkedCode) {
    super(code);
  }
}

/** Steps that a computation may take. Counted and not timed: a busy machine changes no answer. */
export class Budget {
  private left: number;

  constructor(steps: number) {
    this.left = steps;
  }

  /** Takes steps before they are done. Throws `GaveUp` when there are not so many left. */
  spend(steps = 1): void {
    this.left -= steps;
    if (this.left < 0) throw new GaveUp('too many steps');
  }
}

/** How much work a pattern may make. */
export interface Limits {
  readonly nodes: number;
  readonly states: number;
  /** `Date.now()` at which it is given up. */
  readonly until: number;
}

/** It would take too long, or too much room. */
export class GaveUp extends Error {}

/** Looks at the clock now and then, and gives up when it is time. */
export function ticking({ until }: Pick<Limits, 'until'>): (work?: number) => void {
  let done = 0;
  return (work = 1) => {
    done += work;
    if (done < 2000) return;
    done = 0;
    if (Date.now() > until) throw new GaveUp('it took too long');
  };
}

/** Steps of the piece of work, some tenths of a ms on any machine. */
const steps = 100_000;
/** How often it is done to know how long it takes where nothing is in the way. */
const tries = 12;
/** How often it is done to know how long it takes now. */
const probes = 3;

/** How fast scripts run in this page now, beside how fast they can: other work on the machine slows listeners down as it does this. */
export class Pace {
  private best = Math.min(...Array.from({ length: tries }, work));

  /** How many times longer work takes now than it does at best, at least 1; the middle of a few tries. */
  slowness(): number {
    const took = Array.from({ length: probes }, work).sort((a, b) => a - b);
    this.best = Math.min(this.best, took[0] ?? this.best);
    return this.best === 0 ? 1 : Math.max(1, (took[1] ?? 0) / this.best);
  }
}

let sum = 0;

/** @returns how long it took, ms */
function work(): number {
  const begin = performance.now();
  for (let step = 0; step < steps; step++) sum = (sum * 31 + step) | 0;
  return performance.now() - begin;
}

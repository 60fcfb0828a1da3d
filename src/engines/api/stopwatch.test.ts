import fc from 'fast-check';
import { expect, it } from 'vitest';
import { slowest, stopwatch } from './stopwatch';

function machine(wanting: () => number) {
  let time = 0;
  const pass = (ms: number) => {
    time += ms;
  };
  return { pass, elapsed: stopwatch({ now: () => time, wanting, processors: 2 }) };
}

it('counts as a clock does while there is a processor for everybody', () => {
  const { pass, elapsed } = machine(() => 2);
  pass(700);
  expect(elapsed()).toBe(700);
  pass(300);
  expect(elapsed()).toBe(1000);
});

it('counts the share that each of several programs gets', () => {
  let wanting = 1;
  const { pass, elapsed } = machine(() => wanting);
  pass(100);
  elapsed();
  wanting = 4;
  pass(1000);
  expect(elapsed()).toBe(600);
});

it('goes on however busy the machine is, and never back or faster than a clock', () => {
  const readings = fc.array(fc.tuple(fc.nat(5000), fc.nat(1000)), { minLength: 1 });
  fc.assert(
    fc.property(readings, (read) => {
      let wanting = 0;
      const { pass, elapsed } = machine(() => wanting);
      let before = 0;
      for (const [ms, many] of read) {
        wanting = many;
        pass(ms);
        const now = elapsed();
        expect(now - before).toBeGreaterThanOrEqual(ms * slowest - 1e-6);
        expect(now - before).toBeLessThanOrEqual(ms + 1e-6);
        before = now;
      }
    }),
  );
});

it('reads the machine on which it runs', () => {
  expect(stopwatch()()).toBeGreaterThanOrEqual(0);
});

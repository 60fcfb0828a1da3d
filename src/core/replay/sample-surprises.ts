import { judged } from '../guard/verdict';
import type { SampleVerdicts } from './replay-samples';

const notWorkedOut = judged.indexOf('not worked out');

/**
 * Samples of which some target says something else than is expected of them; what was not worked out is none.
 *
 * @param expected by sample, the index of a verdict
 * @returns indices of samples, in order
 */
export function surprises({ verdicts }: SampleVerdicts, expected: Uint8Array): Uint32Array {
  const is = new Uint8Array(expected.length);
  for (const codes of verdicts)
    for (let at = 0; at < codes.length; at++)
      if (codes[at] !== expected[at] && codes[at] !== notWorkedOut) is[at] = 1;
  return indicesOf(is);
}

/** Samples of which some target says something else than it said before. */
export function changedSides(now: SampleVerdicts, before: SampleVerdicts): Uint32Array {
  const is = new Uint8Array(now.verdicts[0]?.length ?? 0);
  for (const [target, codes] of now.verdicts.entries()) {
    const then = before.verdicts[target];
    for (let at = 0; at < codes.length; at++) if (codes[at] !== then?.[at]) is[at] = 1;
  }
  return indicesOf(is);
}

function indicesOf(is: Uint8Array): Uint32Array {
  const indices = new Uint32Array(is.reduce((sum, one) => sum + one, 0));
  let count = 0;
  for (let at = 0; at < is.length; at++) if (is[at] === 1) indices[count++] = at;
  return indices;
}

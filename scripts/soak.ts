/**
 * npm run soak [sweeps]: sweeps a small form over the three engines again and again, and prints what is left of each: processes,
 * descriptors, temporary files, memory. All four stay flat; the exit code is 1 where a process or a file is left at the end.
 */
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { askingOf } from '@/core/observation/asking';
import { targets } from '@/core/target/line-up';
import type { EngineTarget } from '@/core/target/target';
import { markedProcesses } from '@/engines/marked-processes.mjs';
import { sweepEngines } from '@/engines/sweep-engines';

const count = Number(process.argv[2] ?? 200);
const engines = targets.filter(
  (target): target is EngineTarget => target.ask === 'engine' && target.withheld === null,
);
const asking = askingOf(
  '<form><label>Station <input name=station required></label><label>Date <input type=date name=date></label><button>Send</button></form>',
  ['look', 'message'],
);

// What is started carries a mark, and its folders go where nobody else's are.
const temporary = mkdtempSync(join(tmpdir(), 'ukko-soak-'));
process.env.TMPDIR = temporary;
process.env.UKKO_SOAK = temporary;
const mark = `UKKO_SOAK=${temporary}`;

interface Left {
  readonly sweep: number;
  readonly processes: number;
  readonly descriptors: number;
  readonly files: number;
  /** Of this process, MB. */
  readonly memory: number;
}

function leftAfter(sweep: number): Left {
  globalThis.gc?.();
  return {
    sweep,
    processes: markedProcesses(mark).length,
    descriptors: readdirSync('/proc/self/fd').length,
    files: readdirSync(temporary, { recursive: true }).length,
    memory: Math.round(process.memoryUsage().rss / 1_000_000),
  };
}

const rowOf = ({ sweep, processes, descriptors, files, memory }: Left) =>
  [sweep, processes, descriptors, files, `${memory} MB`].map((cell) => String(cell).padStart(12)).join('');

console.log(
  ['sweeps', 'processes', 'descriptors', 'files', 'memory'].map((head) => head.padStart(12)).join(''),
);
let failed = 0;
let first: Left | null = null;
let last = leftAfter(0);
console.log(rowOf(last));
for (let sweep = 1; sweep <= count; sweep++) {
  await sweepEngines(
    engines,
    asking,
    (message) => {
      if (message.type === 'failed') failed++;
    },
    new AbortController().signal,
  );
  last = leftAfter(sweep);
  // The bundler of the probe starts with the first sweep, and ends with this process.
  first ??= last;
  if (sweep === 1 || sweep % Math.max(1, Math.round(count / 10)) === 0) console.log(rowOf(last));
}
console.log(`${count} sweeps over ${engines.length} engines, ${failed} failed`);
rmSync(temporary, { recursive: true, force: true });
process.exitCode = last.processes > (first?.processes ?? 0) || last.files > 0 ? 1 : 0;

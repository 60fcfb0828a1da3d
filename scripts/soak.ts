/**
 * npm run soak [sweeps]: sweeps a small form over the three engines again and again, and prints what is left of each: processes,
 * descriptors, temporary files, memory. All four stay flat; the exit code is 1 where a process or a file is left at the end.
 */
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { askingOf } from '@/core/questions/asking';
import { targets } from '@/core/target/line-up';
import type { EngineTarget } from '@/core/target/target';
import { sweepEngines } from '@/engines/sweep-engines';

const count = Number(process.argv[2] ?? 200);
const engines = targets.filter(
  (target): target is EngineTarget => target.ask === 'engine' && target.withheld === null,
);
const asking = askingOf(
  '<form><label>Station <input name=station required></label><label>Date <input type=date name=date></label><button>Send</button></form>',
  ['look', 'message'],
);

// Folders go where nobody else's are.
const temporary = mkdtempSync(join(tmpdir(), 'ukko-soak-'));
process.env.TMPDIR = temporary;

/** Programs that a sweep starts, and that these start, as Linux cuts their names off. */
const started =
  /^(?:chromium|chrome_crashpad|firefox|Web Content|MiniBrowser|WebKit|Xvfb|openbox|xcompmgr|xclip|dbus-|at-spi|dconf)/;

/** Whoever started them, zombies left out: run it where nobody else uses such programs. */
function startedProcesses(): number {
  return readdirSync('/proc').filter((name) => {
    try {
      const [, program = '', state] =
        /^\d+ \((.*)\) (\w)/s.exec(readFileSync(`/proc/${name}/stat`, 'utf8')) ?? [];
      return state !== 'Z' && started.test(program);
    } catch {
      return false;
    }
  }).length;
}

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
    processes: startedProcesses(),
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
const before = leftAfter(0);
let last = before;
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
  if (sweep === 1 || sweep % Math.max(1, Math.round(count / 10)) === 0) console.log(rowOf(last));
}
console.log(`${count} sweeps over ${engines.length} engines, ${failed} failed`);
rmSync(temporary, { recursive: true, force: true });
process.exitCode = last.processes > before.processes || last.files > 0 ? 1 : 0;

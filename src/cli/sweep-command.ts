import { randomUUID } from 'node:crypto';
import { writeFile } from 'node:fs/promises';
import { askingOf } from '@/core/observation/asking';
import type { PageQuestion } from '@/core/observation/observation';
import type { Run, RunId } from '@/core/observation/run';
import { writeRunFile } from '@/core/observation/run-file';
import { collectRun, sweep } from '@/core/observation/sweep';
import type { SweepMessage } from '@/core/observation/sweep-message';
import { askingFault } from '@/core/observation/sweep-request';
import { type Target, type TargetId, targetId } from '@/core/target/target';
import { ukkoVersion } from '@/core/version';
import { sweepEngines } from '@/engines/sweep-engines';
import { readFormFile, refuse } from './read-form-file';

export interface SweepOptions {
  readonly out: string;
  readonly targets: readonly Target[];
  readonly questions: readonly PageQuestion[];
  readonly quiet: boolean;
}

/** `ukko sweep`: the same sweep as in the app, without a screen. Sets the exit code that the help text promises. */
export async function sweepCommand(file: string, options: SweepOptions): Promise<void> {
  const form = await readFormFile(file);
  if (!form) return refuse(`The file ${file} cannot be read. Give the path of an HTML file.`);
  const asking = askingOf(form.markup, options.questions);
  const fault = askingFault(asking);
  if (fault) return refuse(fault);

  const [reference] = options.targets;
  const gathered = collectRun({
    id: randomUUID() as RunId,
    form,
    lineUp: { targets: options.targets, reference: reference?.id ?? targetId('chromium') },
    ukko: ukkoVersion,
    startedAt: new Date().toISOString(),
  });
  const cancel = new AbortController();
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.once(signal, () => cancel.abort());
  const say = options.quiet ? () => undefined : reporter();
  await sweep(
    options.targets,
    asking,
    { engines: sweepEngines, probe: async () => undefined },
    (message) => {
      gathered.emit(message);
      say(message);
    },
    cancel.signal,
  );
  const run = gathered.run(cancel.signal.aborted ? null : new Date().toISOString());
  if (!(await write(options.out, run)))
    return refuse(`The run cannot be written to ${options.out}. Choose another path for --out.`);
  const failed = run.observations.filter((o) => o.outcome.status === 'failed').length;
  if (failed > 0 || cancel.signal.aborted) process.exitCode = 1;
  if (!options.quiet)
    process.stderr.write(
      `${run.observations.length} answers, ${failed} failed, ${run.pictures.length} pictures: ${options.out}\n`,
    );
}

async function write(path: string, run: Run): Promise<boolean> {
  try {
    await writeFile(path, writeRunFile(run));
    return true;
  } catch {
    return false;
  }
}

function reporter(): (message: SweepMessage) => void {
  const totals = new Map<TargetId, { done: number; total: number }>();
  return (message) => {
    if (message.type === 'started') totals.set(message.target, { done: 0, total: message.total });
    if (message.type === 'observation') {
      const { target, field } = message.observation;
      const count = totals.get(target);
      if (!count) return;
      count.done++;
      if (process.stderr.isTTY)
        process.stderr.write(`\r\u001b[K${target}: ${count.done} of ${count.total}, ${field}`);
    }
    if (message.type === 'finished')
      process.stderr.write(`${process.stderr.isTTY ? '\r\u001b[K' : ''}${message.target}: done\n`);
    if (message.type === 'failed') process.stderr.write(`${message.target}: ${message.reason}\n`);
  };
}

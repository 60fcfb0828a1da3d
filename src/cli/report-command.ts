import { nameFromWords } from '@/core/html/name-from-words';
import { refuse } from './refuse';
import { stopSignal } from './stopping';
import { type ReportOptions, readComparedWith, readRun, reportPaths, reportRun } from './write-reports';
import { unwritablePath } from './write-whole';

/** `ukko report`: reports of a run that was swept before. */
export async function reportCommand(file: string, options: ReportOptions): Promise<void> {
  const unwritable = await unwritablePath(reportPaths(options));
  if (unwritable !== null) return refuse(`${unwritable} cannot be written. Choose another path.`);
  const run = await readRun(file);
  if (typeof run === 'string') return refuse(run);
  const comparedWith = await readComparedWith(options);
  if (typeof comparedWith === 'string') return refuse(comparedWith);
  // A run file does not say where its form was read from.
  const source = run.form.page?.address ?? `${nameFromWords(run.form.name, 'form')}.html`;
  await reportRun(run, source, comparedWith, options, stopSignal());
}

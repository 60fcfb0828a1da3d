import { refuse } from './refuse';
import { type ReportOptions, readBaseline, readRun, reportRun } from './write-reports';

/** `ukko report`: reports of a run that was swept before. */
export async function reportCommand(file: string, options: ReportOptions): Promise<void> {
  const run = await readRun(file);
  if (typeof run === 'string') return refuse(run);
  const baseline = await readBaseline(options);
  if (typeof baseline === 'string') return refuse(baseline);
  await reportRun(run, baseline, options);
}

import { refuse } from './read-form-file';
import { failing, type ReportOptions, readRun, reportOf, summaryOf, writeReports } from './write-reports';

/** `ukko report`: reports of a run that was swept before. */
export async function reportCommand(file: string, options: ReportOptions): Promise<void> {
  const run = await readRun(file);
  if (typeof run === 'string') return refuse(run);
  const baseline = options.baseline === undefined ? null : await readRun(options.baseline);
  if (typeof baseline === 'string') return refuse(baseline);
  const report = reportOf(run, baseline);
  const unwritten = await writeReports(report, options);
  if (unwritten !== null) return refuse(`${unwritten} cannot be written. Choose another path.`);
  process.stdout.write(`${summaryOf(report)}\n`);
  if (failing(report, options.failOn).size > 0) process.exitCode = 3;
}

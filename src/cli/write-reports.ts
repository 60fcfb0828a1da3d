import { readFile } from 'node:fs/promises';
import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';
import { driftBetween, type FoundRun } from '@/core/drift/drift';
import { runFindings } from '@/core/finding/collect-findings';
import { decided } from '@/core/finding/decided';
import {
  decisionsFileName,
  isAbout,
  type ProjectDecision,
  readDecisionsFile,
} from '@/core/finding/decisions-file';
import { withoutEngineHabits } from '@/core/finding/engine-habits';
import type { Finding } from '@/core/finding/finding';
import type { KeyboardSetup } from '@/core/keyboard/keyboard-setup';
import { languagesAsked } from '@/core/keyboard/languages-asked';
import { type Picture, type PictureId, pictureBytes } from '@/core/observation/picture';
import { restrictionByModel } from '@/core/replay/restriction-by-model';
import { csvReport } from '@/core/report/csv-report';
import { htmlReport } from '@/core/report/html-report';
import { jsonReport } from '@/core/report/json-report';
import { junitReport } from '@/core/report/junit-report';
import { markdownReport } from '@/core/report/markdown-report';
import { byHarm, type Report } from '@/core/report/report';
import { sarifReport } from '@/core/report/sarif-report';
import { answersOf } from '@/core/run/answers';
import type { Run } from '@/core/run/run';
import { readRunFile } from '@/core/run/run-file';
import { ukkoVersion } from '@/core/version';
import { answerDriftWords, causeText, setupWords } from '@/core/words/drift-words';
import { fileFaultText } from '@/core/words/file-fault-words';
import { findingTitle } from '@/core/words/finding-words';
import { harmTitles } from '@/core/words/harm-words';
import { counted } from '@/core/words/listed';
import { type FailOn, failing } from './fail-on';
import { refuse } from './refuse';
import { say, tell } from './say';
import { heeding } from './stopping';
import { writeWhole } from './write-whole';

export interface ReportOptions {
  readonly html?: string;
  readonly markdown?: string;
  readonly csv?: string;
  readonly json?: string;
  readonly junit?: string;
  readonly sarif?: string;
  /** Where the code host knows the form by, for `sarif`. */
  readonly source?: string;
  /** A run file to compare with. */
  readonly baseline?: string;
  /** A file with what the team decided; not given: the one of the usual name, where it is there. */
  readonly decisions?: string;
  readonly failOn: FailOn;
  /** Whether what engines do to every field by themselves is told. */
  readonly engineHabits: boolean;
  /** Of people who fill in a page that does not say its own, BCP 47; not given: as it was said when the form was swept. */
  readonly language?: string;
}

/** Where reports are to be written. */
export function reportPaths({
  html,
  markdown,
  csv,
  json,
  junit,
  sarif,
}: ReportOptions): (string | undefined)[] {
  return [html, markdown, csv, json, junit, sarif];
}

/** Reads a run file. @returns a sentence where it cannot be read */
export async function readRun(path: string): Promise<Run | string> {
  const text = await readFile(path, 'utf8').catch(() => null);
  if (text === null)
    return `The run ${path} cannot be read. Write one with “ukko sweep … --out ${path}” first.`;
  const reading = readRunFile(text);
  return reading.status === 'fault' ? `${path}: ${fileFaultText(reading.fault)}` : reading.run;
}

/** What was found by a run, and what is another than in a baseline; null when it was told to stop. */
async function reportOf(
  run: Run,
  baseline: Run | null,
  decisions: readonly ProjectDecision[],
  { language, engineHabits }: Pick<ReportOptions, 'language' | 'engineHabits'>,
  signal: AbortSignal,
): Promise<Report | null> {
  // Of a person in front of a build server nobody knows more.
  const setup: KeyboardSetup = { ...languagesAsked(run.lineUp), corrections: [] };
  const foundBy = async (of: Run) => {
    const all = await heeding(
      runFindings(forPeopleOf(language, of), setup, restrictionByModel(new Date().toISOString())),
      signal,
    );
    return all && !engineHabits ? withoutEngineHabits(all) : all;
  };
  const found = await foundBy(run);
  const foundBefore = baseline && (await foundBy(baseline));
  if (!found || (baseline && !foundBefore)) return null;
  const before = baseline && foundBefore && foundRun(baseline, foundBefore);
  return {
    run,
    findings: found,
    decisions: decided(
      found,
      decisions.filter((one) => isAbout(one, run.form.name)),
    ),
    drift:
      before &&
      driftBetween(before, foundRun(run, found), pixelsIn([...run.pictures, ...(baseline?.pictures ?? [])])),
    ukko: ukkoVersion,
    madeAt: new Date().toISOString(),
  };
}

/** What was said of people when a report is written goes before what was said when the form was swept. */
function forPeopleOf(language: string | undefined, run: Run): Run {
  return language === undefined ? run : { ...run, form: { ...run.form, language } };
}

function foundRun(run: Run, findings: readonly Finding[]): FoundRun {
  return { run, answers: answersOf(run.observations), findings };
}

function pixelsIn(pictures: readonly Picture[]): (a: PictureId, b: PictureId) => number | null {
  const byId = new Map(pictures.map((picture) => [picture.id, picture]));
  const read = (id: PictureId) => {
    const picture = byId.get(id);
    return picture ? PNG.sync.read(Buffer.from(pictureBytes(picture))) : null;
  };
  return (a, b) => {
    const [one, other] = [read(a), read(b)];
    if (!one || !other || one.width !== other.width || one.height !== other.height) return null;
    return pixelmatch(one.data, other.data, undefined, one.width, one.height, { threshold: 0.1 });
  };
}

/** Writes the reports that were asked for. @returns the path that could not be written, or null */
async function writeReports(report: Report, source: string, options: ReportOptions): Promise<string | null> {
  const writers: readonly (readonly [string | undefined, () => string])[] = [
    [options.html, () => htmlReport(report)],
    [options.markdown, () => markdownReport(report)],
    [options.csv, () => csvReport(report)],
    [options.json, () => jsonReport(report)],
    [options.junit, () => junitReport(report, failing(report, options.failOn))],
    [options.sarif, () => sarifReport(report, options.source ?? source)],
  ];
  for (const [path, write] of writers) {
    if (path === undefined) continue;
    try {
      await writeWhole(path, write());
    } catch (error) {
      if (!(error instanceof Error && 'code' in error)) throw error;
      return path;
    }
  }
  return null;
}

/**
 * Writes the reports of a run, says what was found unless `quiet`, and sets the exit code.
 *
 * @param source the path or address from which the form was read
 */
export async function reportRun(
  run: Run,
  source: string,
  { baseline, decisions }: ComparedWith,
  options: ReportOptions,
  signal: AbortSignal,
  quiet = false,
): Promise<void> {
  const report = await reportOf(forPeopleOf(options.language, run), baseline, decisions, options, signal);
  if (!report) {
    tell(`Stopped before the reports were written, because ${signal.reason}.`);
    process.exitCode = 1;
    return;
  }
  const unwritten = await writeReports(report, source, options);
  if (unwritten !== null) return refuse(`${unwritten} cannot be written. Choose another path.`);
  if (!quiet) say(summaryOf(report));
  if (failing(report, options.failOn).size > 0) process.exitCode = 3;
}

/** What a run is held against. */
export interface ComparedWith {
  /** The run to compare with; null where none was asked for. */
  readonly baseline: Run | null;
  readonly decisions: readonly ProjectDecision[];
}

/** @returns a sentence where one of them cannot be read */
export async function readComparedWith(options: ReportOptions): Promise<ComparedWith | string> {
  const baseline = options.baseline === undefined ? null : await readRun(options.baseline);
  if (typeof baseline === 'string') return baseline;
  const decisions = await readDecisions(options.decisions);
  return typeof decisions === 'string' ? decisions : { baseline, decisions };
}

async function readDecisions(path: string | undefined): Promise<readonly ProjectDecision[] | string> {
  const text = await readFile(path ?? decisionsFileName, 'utf8').catch(() => null);
  if (text === null)
    return path === undefined
      ? []
      : `The decisions ${path} cannot be read. Write them with “Export decisions” in the app.`;
  const reading = readDecisionsFile(text);
  return reading.status === 'fault'
    ? `${path ?? decisionsFileName}: ${fileFaultText(reading.fault)}`
    : reading.decisions;
}

/** What a terminal shows of a report: what is another than before, or else what was found, the worst first. */
function summaryOf({ findings, drift }: Report): string {
  if (!drift)
    return [
      counted(findings.length, 'finding'),
      ...byHarm(findings).flatMap((group) => [
        harmTitles[group.harm],
        ...group.findings.map((finding) => `  ${findingTitle(finding)}`),
      ]),
    ].join('\n');
  const { fresh, changed, gone, same, answers, setup: changes } = drift;
  return [
    `${fresh.length} new, ${changed.length} changed, ${gone.length} gone, ${same.length} as they were; ${answers.length} other answers`,
    ...changes.map((one) => `  ${setupWords(one)}`),
    ...fresh.map(({ finding, because }) => `+ ${findingTitle(finding)} (${causeText(because)})`),
    ...changed.map(({ finding, because }) => `~ ${findingTitle(finding)} (${causeText(because)})`),
    ...gone.map(({ finding, because }) => `- ${findingTitle(finding)} (${causeText(because)})`),
    ...answers.map((one) => `* ${one.field.label}: ${answerDriftWords(one).join(' ')}`),
  ].join('\n');
}

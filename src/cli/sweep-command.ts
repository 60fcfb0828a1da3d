import { randomUUID } from 'node:crypto';
import { unwatchFile, watchFile } from 'node:fs';
import { readFile } from 'node:fs/promises';
import type { FormDocument } from '@/core/document/form-document';
import { readForm } from '@/core/html/read-form';
import type { Picture } from '@/core/observation/picture';
import { scriptsForPage } from '@/core/page/usual-scripts';
import { type Asking, askingOf } from '@/core/questions/asking';
import type { PageQuestion } from '@/core/questions/observation';
import type { Run, RunId } from '@/core/run/run';
import { writeRunFile } from '@/core/run/run-file';
import { askModels } from '@/core/sweep/ask-models';
import { earlierAnswers, withKeptAnswers } from '@/core/sweep/earlier-answers';
import {
  answersPlanned,
  type KnownAnswers,
  knownAnswers,
  picturesOf,
  resumeFault,
} from '@/core/sweep/known-answers';
import { collectRun, sweep } from '@/core/sweep/sweep';
import type { SweepMessage } from '@/core/sweep/sweep-message';
import { askingFault } from '@/core/sweep/sweep-request';
import { type Target, type TargetId, targetId } from '@/core/target/target';
import { ukkoVersion } from '@/core/version';
import { figure } from '@/core/words/listed';
import { askingFaultText, resumeFaultText } from '@/core/words/request-fault-words';
import { engineNamed } from '@/engines/engines';
import { type Browsers, newBrowsers } from '@/engines/pool/browsers';
import { WarmBrowsers } from '@/engines/pool/warm-browsers';
import { sweepEngines } from '@/engines/sweep-engines';
import { type Span, type Trace, traceFile } from '@/engines/trace/trace';
import { isAddress, readFormFile } from './read-form-file';
import { readFormPage } from './read-form-page';
import { refuse } from './refuse';
import { tell } from './say';
import { pageChange } from './served-page';
import { stopSignal } from './stopping';
import { noProgress, sweepProgress } from './sweep-progress';
import {
  type ComparedWith,
  type ReportOptions,
  readComparedWith,
  readRun,
  reportPaths,
  reportRun,
} from './write-reports';
import { unwritablePath, writeWhole } from './write-whole';

export interface SweepOptions extends ReportOptions {
  readonly out?: string;
  readonly targets: readonly Target[];
  readonly questions: readonly PageQuestion[];
  /** Without what takes most of the time. */
  readonly fast: boolean;
  readonly quiet: boolean;
  /** Where what the time was spent on is written, in the Trace Event Format. */
  readonly trace?: string;
  readonly watch: boolean;
  /** A run file of the same form, of which only what is missing is asked. */
  readonly resume?: string;
  /** Minutes after which a sweep that was not ended is ended, with what was answered. */
  readonly limit: number;
  /** Of a page on a dev server: which of its forms, and a file with what is done before it is there. */
  readonly form: number;
  readonly steps?: string;
  readonly held: boolean;
}

/** `ukko sweep`: the same sweep as in the app, without a screen. Sets the exit code that the help text promises. */
export async function sweepCommand(file: string, options: SweepOptions): Promise<void> {
  const unwritable = await unwritablePath([options.out, options.trace, ...reportPaths(options)]);
  if (unwritable !== null) return refuse(`${unwritable} cannot be written. Choose another path.`);
  const stop = stopSignal(options.watch ? null : options.limit * 60_000);
  const comparedWith = await readComparedWith(options);
  if (typeof comparedWith === 'string') return refuse(comparedWith);
  const { baseline } = comparedWith;
  if (options.watch && file === '-')
    return refuse('Standard input cannot be watched. Give the path of a file.');
  const resumed = options.resume === undefined ? null : await readRun(options.resume);
  if (typeof resumed === 'string') return refuse(resumed);
  // Those that are watched for are asked again and again.
  const warm = options.watch ? new WarmBrowsers() : null;
  const browsers = warm ?? newBrowsers;
  let earlier = resumed;
  let before = baseline;
  try {
    for (;;) {
      // What is edited while it is swept counts too.
      const change = options.watch ? changeOf(file, stop) : null;
      const compared = { ...comparedWith, baseline: before };
      const run = await sweepOnce(file, options, compared, { earlier, browsers }, stop);
      if (!change || stop.aborted) return;
      // What the last edit did is what one wants to see; a baseline that was given stays.
      before = baseline ?? run ?? before;
      // A page of one's own may be another one now, and nobody can tell what of it is.
      if (run) earlier = run.form.page ? null : run;
      tell(`Waiting for ${file} to change. Control+C ends.`);
      await change;
      if (stop.aborted) {
        process.exitCode = 0;
        return;
      }
    }
  } finally {
    await warm?.close();
  }
}

/** What a sweep begins with. */
interface Beginning {
  /** A run of which answers are kept; null: all are asked for. */
  readonly earlier: Run | null;
  readonly browsers: Browsers;
}

/** @returns the run, or null where the form cannot be asked; the exit code says so then. */
async function sweepOnce(
  file: string,
  options: SweepOptions,
  comparedWith: ComparedWith,
  beginning: Beginning,
  signal: AbortSignal,
): Promise<Run | null> {
  process.exitCode = 0;
  const read = await formOf(file, options, signal);
  const form =
    typeof read === 'string' || options.language === undefined
      ? read
      : { ...read, language: options.language };
  const asking = typeof form === 'string' ? null : askingOfForm(form, options);
  const fault = asking ? askingFault(asking) : null;
  if (typeof form === 'string' || !asking || fault) {
    refuse(fault ? askingFaultText(fault) : String(form));
    return null;
  }
  const misfit = asking.page && beginning.earlier && resumeFault(beginning.earlier, asking, ukkoVersion);
  if (misfit) {
    refuse(`${options.resume} cannot be resumed: ${resumeFaultText(misfit)}`);
    return null;
  }
  const run = await sweptRun(form, asking, options, beginning, signal);
  if (options.out !== undefined && !(await written(options.out, run))) {
    refuse(`The run cannot be written to ${options.out}. Choose another path for --out.`);
    return null;
  }
  const failed = run.observations.filter((o) => o.outcome.status === 'failed').length;
  if (failed > 0 || signal.aborted) process.exitCode = 1;
  if (!options.quiet)
    tell(
      `${run.observations.length} answers, ${failed} failed, ${run.pictures.length} pictures${options.out ? `: ${options.out}` : ''}`,
    );
  if (signal.aborted) tell(stoppedText(run, answersPlanned(options.targets, asking), options, signal));
  // Half a sweep says nothing of what is gone.
  else await reportRun(run, file, comparedWith, options, signal, options.quiet);
  return run;
}

/** @returns a sentence where there is none */
async function formOf(
  file: string,
  { form, steps, held }: SweepOptions,
  signal: AbortSignal,
): Promise<FormDocument | string> {
  if (!isAddress(file))
    return (
      (await readFormFile(file)) ??
      `The file ${file} cannot be read. Give the path of an HTML file, or the address of a page.`
    );
  const text = steps === undefined ? '' : await readFile(steps, 'utf8').catch(() => null);
  if (text === null) return `The steps ${steps} cannot be read. Give the path of a text file.`;
  return readFormPage({ address: file, form, steps: text, ...(held && { held }) }, signal);
}

/** How far a sweep came, and how it goes on. */
function stoppedText(
  { observations }: Run,
  planned: number,
  { out }: SweepOptions,
  { reason }: AbortSignal,
): string {
  const answered = observations.filter(({ outcome }) => outcome.status !== 'failed').length;
  const said = `Stopped at ${figure(answered)} of ${figure(planned)} answers, because ${reason}.`;
  return out === undefined ? said : `${said} Give --resume ${out} to ask for the others.`;
}

/** What still holds of an earlier run of the very same form; nothing where there is none. */
async function knownFrom(
  earlier: Run | null,
  asking: Asking,
  targets: readonly Target[],
): Promise<KnownAnswers> {
  if (!earlier || resumeFault(earlier, asking, ukkoVersion)) return new Map();
  const engines = targets.filter((target) => target.ask === 'engine');
  const versions = new Map<TargetId, string>();
  for (const { id, engine } of engines) {
    const found = await (await engineNamed(engine)).find();
    if (found.status === 'found' && found.version !== null) versions.set(id, found.version);
  }
  return knownAnswers(earlier, asking, engines, versions);
}

async function sweptRun(
  form: FormDocument,
  asking: Asking,
  options: SweepOptions,
  { earlier, browsers }: Beginning,
  signal: AbortSignal,
): Promise<Run> {
  const [reference] = options.targets;
  const known = await knownFrom(earlier, asking, options.targets);
  const observations = [...known.values()].flat();
  const gathered = collectRun(
    {
      id: randomUUID() as RunId,
      form,
      lineUp: { targets: options.targets, reference: reference?.id ?? targetId('chromium') },
      ukko: ukkoVersion,
      startedAt: new Date().toISOString(),
    },
    { observations, pictures: picturesOf(observations, earlier?.pictures ?? []) },
  );
  const progress = options.quiet ? noProgress : sweepProgress(options.targets, asking, known);
  const startedAt = new Date().toISOString();
  const spans: Span[] = [];
  const trace = options.trace === undefined ? null : (span: Span) => void spans.push(span);
  const means = { known, earlier: earlierAnswers(earlier?.observations ?? []), browsers, trace };
  const answered = trace && answerSpans(trace);
  const gather = withKeptAnswers(earlier?.observations ?? [], gathered.emit);
  await sweep(
    options.targets,
    asking,
    {
      engines: (targets, asked, emit, stop) => sweepEngines(targets, asked, emit, stop, means),
      probe: async () => undefined,
      models: askModels(() => new Date()),
    },
    (message) => {
      gather(message);
      progress.hear(message);
      answered?.(message);
    },
    signal,
  ).finally(progress.end);
  if (options.trace !== undefined && spans.length > 0) await writeWhole(options.trace, traceFile(spans));
  const run = gathered.run(signal.aborted ? null : new Date().toISOString());
  if (!earlier) return run;
  const kept = run.observations.filter(({ at }) => at < startedAt);
  if (!options.quiet) tell(`${figure(kept.length)} answers are kept from before.`);
  return { ...run, pictures: together(run.pictures, picturesOf(kept, earlier.pictures)) };
}

/** Takes down each answer as the time from the one before it on. */
function answerSpans(trace: Trace): (message: SweepMessage) => void {
  const since = new Map<TargetId, number>();
  return (message) => {
    if (message.type !== 'started' && message.type !== 'observation') return;
    const now = performance.now();
    const target = message.type === 'started' ? message.target : message.observation.target;
    if (message.type === 'observation') {
      const { question, field } = message.observation;
      trace({
        target,
        name: `${question} ${field}`,
        kind: 'answer',
        begin: since.get(target) ?? now,
        end: now,
      });
    }
    since.set(target, now);
  };
}

/** Pictures of both, each once. */
function together(some: readonly Picture[], others: readonly Picture[]): Picture[] {
  return [...new Map([...some, ...others].map((picture) => [picture.id, picture])).values()];
}

function askingOfForm(form: FormDocument, options: SweepOptions): Asking {
  const questions = options.questions.filter((one) => !options.fast || !slowQuestions.includes(one));
  const isTyped = form.page && questions.includes('typing');
  const scripts = isTyped ? scriptsForPage(form, readForm(form.markup, form.language).fields) : {};
  const people = { language: form.language ?? null };
  return askingOf(form.markup, questions, scripts, null, form.page ?? null, people);
}

/** Pictures of what opens over the page, one field after the other: most of the time of a sweep. */
const slowQuestions: readonly PageQuestion[] = ['opening', 'bubble'];

function changeOf(file: string, signal: AbortSignal): Promise<void> {
  return isAddress(file) ? pageChange(file, signal) : fileChange(file, signal);
}

/** How often a watched file is looked at, ms: editors that put a new file in the place of the old one are seen as well. */
const lookEvery = 300;

function fileChange(file: string, signal: AbortSignal): Promise<void> {
  return new Promise((resolve) => {
    const end = () => {
      unwatchFile(file, look);
      signal.removeEventListener('abort', end);
      resolve();
    };
    const look = (now: { mtimeMs: number }, was: { mtimeMs: number }) => {
      if (now.mtimeMs !== was.mtimeMs && now.mtimeMs > 0) end();
    };
    watchFile(file, { interval: lookEvery }, look);
    signal.addEventListener('abort', end);
    if (signal.aborted) end();
  });
}

async function written(path: string, run: Run): Promise<boolean> {
  try {
    await writeWhole(path, writeRunFile(run));
    return true;
  } catch {
    return false;
  }
}

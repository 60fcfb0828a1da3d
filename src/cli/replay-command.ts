import { readFile } from 'node:fs/promises';
import { basename } from 'node:path';
import type { FormDocument } from '@/core/document/form-document';
import { isFormFile, readFormFile } from '@/core/document/form-file';
import type { Guard } from '@/core/guard/guard';
import type { Sample } from '@/core/guard/sample';
import { type Field, isTypedText } from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import { readForm } from '@/core/html/read-form';
import { habitsOf } from '@/core/model/deviations/habits';
import { quickReplay } from '@/core/replay/quick-replay';
import { isUnexpected, type SampleResult } from '@/core/report/sample-report';
import type { Target, TargetId } from '@/core/target/target';
import { fileFaultText } from '@/core/words/file-fault-words';
import { objectionsText } from '@/core/words/guard-words';
import { figure } from '@/core/words/listed';
import { samplesFaultText } from '@/core/words/samples-fault-words';
import { SampleReports } from './sample-reports';
import { FaultySample, samplesIn } from './sample-stream';
import { say, tell } from './say';
import { heeding, stopSignal } from './stopping';
import { unwritablePath } from './write-whole';

export interface ReplayOptions {
  /** A path; `-` for standard input. */
  readonly samples: string;
  readonly field?: string;
  readonly targets: readonly Target[];
  readonly junit?: string;
  readonly csv?: string;
  readonly json?: string;
}

/** `ukko replay`: types samples into a field under its guards, from the model. Exit code 1 when a verdict is not the expected one. */
export async function replayCommand(formFile: string, options: ReplayOptions): Promise<void> {
  const outcome = await replay(formFile, options).catch((error: unknown) => whyNot(error, formFile, options));
  if (typeof outcome === 'string') {
    tell(outcome);
    process.exitCode = 2;
    return;
  }
  const { expected, unexpected, isWhole } = outcome;
  if (unexpected > mostSaid) say(`… and ${figure(unexpected - mostSaid)} more`);
  say(`${figure(expected)} as expected, ${figure(unexpected)} not`);
  if (!isWhole) say('Stopped before all samples were replayed; those that were are counted.');
  process.exitCode = unexpected > 0 || !isWhole ? 1 : 0;
}

function whyNot(error: unknown, formFile: string, { samples }: ReplayOptions): string {
  if (error instanceof FaultySample)
    return `${samples}, line ${error.line}: ${samplesFaultText(error.fault)}`;
  const { path, message } = error as NodeJS.ErrnoException;
  return `${path ?? formFile} cannot be used: ${message}.`;
}

/** So many verdicts that were not expected are said one by one. */
const mostSaid = 20;

interface Replayed {
  readonly samples: number;
  readonly expected: number;
  readonly unexpected: number;
  readonly isWhole: boolean;
}

/** @returns a sentence where something is wrong with what was given. Throws `FaultySample`, and what the system says. */
async function replay(formFile: string, options: ReplayOptions): Promise<Replayed | string> {
  const unwritable = await unwritablePath([options.junit, options.csv, options.json]);
  if (unwritable !== null) return `${unwritable} cannot be written. Choose another path.`;
  const form = readFormText(await readFile(formFile, 'utf8'), basename(formFile));
  if (typeof form === 'string') return form;
  const field = chosenField(form, options.field);
  if (typeof field === 'string') return field;
  const guards = ownEntry(form.typing, field.id)?.guards ?? [];
  const reports = await SampleReports.into(options, { form: form.name, field: field.label || field.id });
  try {
    const replayed = await replayAll(field, guards, options, reports);
    if (replayed.samples === 0 && replayed.isWhole) {
      await reports.drop();
      return `${options.samples} has no samples; write one a row: text,expected.`;
    }
    await reports.keep();
    return replayed;
  } catch (error) {
    await reports.drop();
    throw error;
  }
}

/** Each sample on each target as it is read, so that there may be any number of them. */
async function replayAll(
  field: Field,
  guards: readonly Guard[],
  { samples, targets }: ReplayOptions,
  reports: SampleReports,
): Promise<Replayed> {
  const asked = targets.flatMap(({ id }) => {
    const habits = habitsOf(id);
    return habits ? [{ id, type: quickReplay(field, guards, habits) }] : [];
  });
  const signal = stopSignal();
  let [count, expected, unexpected] = [0, 0, 0];
  for await (const piece of samplesIn(samples)) {
    count += piece.length;
    const results: SampleResult[] = [];
    const isWhole = await heeding(replayed(asked, piece, results), signal);
    for (const result of results) {
      if (!isUnexpected(result)) expected++;
      else if (unexpected++ < mostSaid) say(unexpectedText(result));
    }
    await reports.write(results);
    if (!isWhole) return { samples: count, expected, unexpected, isWhole: false };
  }
  return { samples: count, expected, unexpected, isWhole: true };
}

function unexpectedText({ target, sample, verdict, by }: SampleResult): string {
  const why = by.length > 0 ? ` (${objectionsText(by)})` : '';
  return `${target}: ${JSON.stringify(sample.text)} is ${verdict}, ${sample.expected} was expected${why}`;
}

interface Asked {
  readonly id: TargetId;
  readonly type: ReturnType<typeof quickReplay>;
}

/** @yields after each sample; those that are done stand in `results` */
function* replayed(
  targets: readonly Asked[],
  samples: readonly Sample[],
  results: SampleResult[],
): Generator<void, true> {
  for (const sample of samples) {
    for (const { id, type } of targets) {
      const { verdict, text, by } = type(sample.text);
      results.push({ target: id, sample, verdict, text, by });
    }
    yield;
  }
  return true;
}

type ReplayedForm = Pick<FormDocument, 'name' | 'markup' | 'typing'>;

function readFormText(text: string, name: string): ReplayedForm | string {
  if (!isFormFile(text)) return { name, markup: text, typing: {} };
  const reading = readFormFile(text);
  return reading.status === 'fault' ? `${name}: ${fileFaultText(reading.fault)}` : reading.form;
}

/** The field that is named; else the only one that has guards, or the only one that takes text. */
function chosenField(form: ReplayedForm, named: string | undefined): Field | string {
  const typed = readForm(form.markup).fields.filter(({ kind }) => isTypedText(kind));
  const ids = typed.map(({ id }) => id).join(', ');
  if (named !== undefined)
    return (
      typed.find(({ id, name }) => id === named || name === named) ??
      `There is no field “${named}” that takes text; choose from ${ids}.`
    );
  const guarded = typed.filter(({ id }) => (ownEntry(form.typing, id)?.guards ?? []).length > 0);
  const [first, ...others] = guarded.length > 0 ? guarded : typed;
  if (!first) return 'The form has no field that takes text.';
  return others.length === 0 ? first : `Say with --field which field the samples are for: ${ids}.`;
}

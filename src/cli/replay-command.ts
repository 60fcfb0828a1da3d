import { readFile } from 'node:fs/promises';
import { basename } from 'node:path';
import type { FormDocument } from '@/core/document/form-document';
import { isFormFile, readFormFile } from '@/core/document/form-file';
import type { Guard } from '@/core/guard/guard';
import type { Sample } from '@/core/guard/sample';
import { readSamples } from '@/core/guard/sample-table';
import { type Field, isTypedText } from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import { readForm } from '@/core/html/read-form';
import { habitsOf } from '@/core/model/deviations/habits';
import { quickReplay } from '@/core/replay/quick-replay';
import {
  isUnexpected,
  type SampleReport,
  type SampleResult,
  sampleCsv,
  sampleJson,
  sampleJunit,
} from '@/core/report/sample-report';
import type { Target } from '@/core/target/target';
import { fileFaultText } from '@/core/words/file-fault-words';
import { objectionsText } from '@/core/words/guard-words';
import { samplesFaultText } from '@/core/words/samples-fault-words';
import { say, tell } from './say';
import { heeding, stopSignal } from './stopping';
import { unwritablePath, writeWhole } from './write-whole';

export interface ReplayOptions {
  readonly samples: string;
  readonly field?: string;
  readonly targets: readonly Target[];
  readonly junit?: string;
  readonly csv?: string;
  readonly json?: string;
}

/** `ukko replay`: types samples into a field under its guards, from the model. Exit code 1 when a verdict is not the expected one. */
export async function replayCommand(formFile: string, options: ReplayOptions): Promise<void> {
  const outcome = await replay(formFile, options).catch(
    (error: NodeJS.ErrnoException) => `${error.path ?? formFile} cannot be used: ${error.message}.`,
  );
  if (typeof outcome === 'string') {
    tell(outcome);
    process.exitCode = 2;
    return;
  }
  const unexpected = outcome.results.filter(isUnexpected);
  for (const { target, sample, verdict, by } of unexpected.slice(0, 20))
    say(
      `${target}: ${JSON.stringify(sample.text)} is ${verdict}, ${sample.expected} was expected${by.length > 0 ? ` (${objectionsText(by)})` : ''}`,
    );
  if (unexpected.length > 20) say(`… and ${unexpected.length - 20} more`);
  say(`${outcome.results.length - unexpected.length} as expected, ${unexpected.length} not`);
  if (!outcome.isWhole) say('Stopped before all samples were replayed; those that were are counted.');
  process.exitCode = unexpected.length > 0 || !outcome.isWhole ? 1 : 0;
}

/** @returns a sentence where something is wrong with what was given. */
async function replay(
  formFile: string,
  options: ReplayOptions,
): Promise<(SampleReport & { readonly isWhole: boolean }) | string> {
  const unwritable = await unwritablePath([options.junit, options.csv, options.json]);
  if (unwritable !== null) return `${unwritable} cannot be written. Choose another path.`;
  const form = readFormText(await readFile(formFile, 'utf8'), basename(formFile));
  if (typeof form === 'string') return form;
  const samples = readSamples(await readFile(options.samples, 'utf8'));
  if (samples.status === 'fault')
    return `${options.samples}, line ${samples.line}: ${samplesFaultText(samples.fault)}`;
  if (samples.samples.length === 0)
    return `${options.samples} has no samples; write one a row: text,expected.`;
  const field = chosenField(form, options.field);
  if (typeof field === 'string') return field;
  const guards = ownEntry(form.typing, field.id)?.guards ?? [];
  const results: SampleResult[] = [];
  const work = replayed(field, guards, samples.samples, options.targets, results);
  const isWhole = await heeding(work, stopSignal());
  const report: SampleReport = { form: form.name, field: field.label || field.id, results };
  if (options.junit) await writeWhole(options.junit, sampleJunit(report));
  if (options.csv) await writeWhole(options.csv, sampleCsv(report));
  if (options.json) await writeWhole(options.json, sampleJson(report));
  return { ...report, isWhole: isWhole ?? false };
}

/** @yields after each sample; those that are done stand in `results` */
function* replayed(
  field: Field,
  guards: readonly Guard[],
  samples: readonly Sample[],
  targets: readonly Target[],
  results: SampleResult[],
): Generator<void, true> {
  for (const target of targets) {
    const habits = habitsOf(target.id);
    if (!habits) continue;
    const type = quickReplay(field, guards, habits);
    for (const sample of samples) {
      const { verdict, text, by } = type(sample.text);
      results.push({ target: target.id, sample, verdict, text, by });
      yield;
    }
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

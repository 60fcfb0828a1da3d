import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Field } from '@/core/html/field';
import { readForm } from '@/core/html/read-form';
import { isTappable, type KeyboardAnswer, type PhoneEngine } from '@/core/keyboard/keyboard-question';
import { askedText } from '@/core/observation/content-purpose';
import { pictureBytes } from '@/core/observation/picture';
import { type KeyboardFacts, untold } from '@/core/questions/keyboard/facts';
import { kindText } from '@/core/words/kind-text';
import { firstLine } from '@/engines/api/deadline';
import { EngineLost } from '@/engines/api/engine';
import { measureKeyboards } from '@/engines/measure-keyboards';
import { readFormFile } from './read-form-file';
import { refuse } from './refuse';
import { say, tell } from './say';
import { stopSignal } from './stopping';
import { unwritablePath, writeWhole } from './write-whole';

export interface KeyboardsOptions {
  readonly engine: PhoneEngine;
  readonly json?: string;
  readonly pictures?: string;
}

/** `ukko keyboards`: which keyboard a real engine brings up for each field, on a phone-sized display. */
export async function keyboardsCommand(file: string, options: KeyboardsOptions): Promise<void> {
  const form = await readFormFile(file);
  if (!form) return refuse(`The file ${file} cannot be read. Give the path of an HTML file.`);
  const unwritable = await unwritablePath([options.json]);
  if (unwritable !== null) return refuse(`${unwritable} cannot be written. Choose another path.`);
  const signal = stopSignal();
  const told: KeyboardAnswer[] = [];
  const { fields } = readForm(form.markup);
  try {
    if (options.pictures) await mkdir(options.pictures, { recursive: true });
    await measureKeyboards(
      options.engine,
      { markup: form.markup, page: null },
      isTappable,
      (answer) => {
        say(lineOf(answer, fields));
        told.push(answer);
      },
      signal,
    );
  } catch (error) {
    if (!signal.aborted && !(error instanceof EngineLost)) throw error;
    const why = signal.aborted ? `Stopped before the end, because ${signal.reason}.` : firstLine(error);
    tell(why);
    process.exitCode = 1;
  }
  // What came before it was stopped, or before the engine was lost, is an answer.
  if (told.length > 0) await write(told, fields, options);
}

function factsOf({ observation: { outcome } }: KeyboardAnswer): KeyboardFacts | null {
  return outcome.status === 'answered' ? outcome.facts : null;
}

function fieldOf({ observation }: KeyboardAnswer, fields: readonly Field[]): Field | undefined {
  return fields.find(({ id }) => id === observation.field);
}

function lineOf(answer: KeyboardAnswer, fields: readonly Field[]): string {
  const [facts, field] = [factsOf(answer), fieldOf(answer, fields)];
  if (!facts || !field) return answer.observation.field;
  const { asked, layout, height, fieldInSight } = facts;
  return [
    field.label,
    kindText(field),
    asked === untold ? '' : `asked for ${askedText(asked)}`,
    layout ?? 'no keyboard',
    `${height.before} to ${height.with} px`,
    fieldInSight ? 'in sight' : 'out of sight',
  ].join(' · ');
}

async function write(
  answers: readonly KeyboardAnswer[],
  fields: readonly Field[],
  { json, pictures }: KeyboardsOptions,
): Promise<void> {
  if (pictures)
    for (const { observation, picture } of answers)
      await writeWhole(
        join(pictures, `${observation.field.replace(/[^\w-]/g, '_')}.png`),
        pictureBytes(picture),
      );
  if (json) {
    const [by] = answers.map(({ observation }) => observation.provenance);
    const { engine, version } = by?.mark === 'measured' ? by : { engine: '', version: '' };
    const told = answers.map((answer) => {
      const { id, label, kind } = fieldOf(answer, fields) ?? {};
      return { field: id, label, kind, ...factsOf(answer) };
    });
    await writeWhole(json, `${JSON.stringify({ engine, version, answers: told }, null, 2)}\n`);
  }
}

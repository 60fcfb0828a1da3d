import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { isTappable, type PhoneEngine } from '@/core/keyboard/keyboard-question';
import { askedText } from '@/core/observation/content-purpose';
import { pictureBytes } from '@/core/observation/picture';
import { untold } from '@/core/questions/keyboard/facts';
import { firstLine } from '@/engines/api/deadline';
import { EngineLost } from '@/engines/api/engine';
import { type KeyboardAnswer, type KeyboardSweep, measureKeyboards } from '@/engines/measure-keyboards';
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
  const told: { sweep: KeyboardSweep | null } = { sweep: null };
  try {
    if (options.pictures) await mkdir(options.pictures, { recursive: true });
    await measureKeyboards(
      options.engine,
      { markup: form.markup, page: null },
      isTappable,
      (answer, by) => {
        say(lineOf(answer));
        told.sweep = { ...by, answers: [...(told.sweep?.answers ?? []), answer] };
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
  if (told.sweep) await write(told.sweep, options);
}

function lineOf({ field, measured }: KeyboardAnswer): string {
  const { asked, layout, height, fieldInSight } = measured;
  return [
    field.label,
    field.kind,
    asked === untold ? '' : `asked for ${askedText(asked)}`,
    layout ?? 'no keyboard',
    `${height.before} to ${height.with} px`,
    fieldInSight ? 'in sight' : 'out of sight',
  ].join(' · ');
}

async function write(
  { answers, ...sweep }: KeyboardSweep,
  { json, pictures }: KeyboardsOptions,
): Promise<void> {
  if (pictures)
    for (const { field, picture } of answers)
      await writeWhole(join(pictures, `${field.id.replace(/[^\w-]/g, '_')}.png`), pictureBytes(picture));
  if (json) {
    const told = answers.map(({ field: { id, label, kind }, measured }) => ({
      field: id,
      label,
      kind,
      ...measured,
    }));
    await writeWhole(json, `${JSON.stringify({ ...sweep, answers: told }, null, 2)}\n`);
  }
}

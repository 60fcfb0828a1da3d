import { datedStrokes } from '@/core/document/dated-strokes';
import { trialFiles } from '@/core/document/trial-files';
import type { Trial } from '@/core/document/trial-value';
import { attribute, type Field, type FieldKind, isDated, isTypedText, saysTrue } from '@/core/html/field';
import type { EntryRoute, FieldEntry, LeftReason } from '@/core/observation/field-entry';
import { editingChords } from '@/core/script/editing-chord';
import type { AskablePage } from '../api/askable-page';
import { middleOf } from '../api/box';
import type { EntryState, ProbeField } from '../api/probe-api';
import { pressChord } from './field-in-page';
import { probeField } from './question-context';
import { settled } from './settled';

/** Kinds into which nobody enters anything. */
const showing: readonly FieldKind[] = [
  'hidden',
  'submit',
  'image',
  'reset',
  'button',
  'meter',
  'progress',
  'output',
];

/**
 * Enters values as a person does, field after field in the order of the page: keys for text, dates and lists, a pointer where keys do
 * nothing, the chooser for files; then the field is left. A script sets what none of these can.
 *
 * @param fields those to be filled, one by one
 * @param trialOf what is entered; an empty value empties the field
 * @returns what came of it, for each field that a person can fill
 */
export async function enterValues(
  page: AskablePage,
  fields: Iterable<Field> | AsyncIterable<Field>,
  trialOf: (field: Field) => Trial,
): Promise<FieldEntry[]> {
  const entries: FieldEntry[] = [];
  for await (const field of fields)
    if (!showing.includes(field.kind) && !isBehindWidget(field))
      entries.push(await enter(page, field, trialOf(field)));
  return entries;
}

/** Libraries keep a control behind the widget that they draw, and set it themselves. */
function isBehindWidget({ controls: [control] }: Field): boolean {
  return saysTrue(control, 'aria-hidden') && Number(attribute(control, 'tabindex')) < 0;
}

async function enter(page: AskablePage, field: Field, trial: Trial): Promise<FieldEntry> {
  const probed = probeField(field);
  const before = await page.probe('entryState', probed);
  const files = field.kind === 'file' && trial.status === 'none' ? trialFiles(field) : [];
  const left = (why: LeftReason): FieldEntry => ({ field: field.id, status: 'left', why });
  if (!before.isThere) return left('not in page');
  if (before.isDisabled) return left('disabled');
  if (before.list) return chosenFromList(page, field, before.list.reads);
  if (before.isReadOnly) return left('read only');
  if (trial.status === 'none' && files.length === 0) return left(trial.reason);
  const tried = trial.status === 'value' ? trial.value : `C:\\fakepath\\${files[0]?.name}`;
  const now = asTried(field, before.value, tried);
  const told = (by: EntryRoute, became: string): FieldEntry => ({
    field: field.id,
    status: 'entered',
    by,
    tried,
    became,
  });
  if (files.length > 0) {
    if (!page.chooseFiles) return left('no file by script');
    await page.chooseFiles(probed, files);
    await settled(page);
    return told('file chooser', await page.probe('valueOf', probed));
  }
  // A field that is empty and stays so has been gone through all the same: pages check what was left.
  if (now === tried && tried !== '') return told('already there', tried);
  if (!(await page.probe('focus', probed))) return left('no focus');
  const by = await byPerson(page, field, tried, before);
  if (by === 'script') await page.probe('fill', [probed], [tried]);
  await leave(page, probed);
  return told(by, asTried(field, await page.probe('valueOf', probed), tried));
}

/** The value of what is checked or not says only that it is. */
function asTried({ kind }: Field, value: string, tried: string): string {
  return (kind === 'checkbox' || kind === 'radio') && value !== '' ? tried || value : value;
}

type Person = 'keys' | 'pointer' | 'script';

async function byPerson(page: AskablePage, field: Field, tried: string, before: EntryState): Promise<Person> {
  if (field.kind === 'checkbox' || field.kind === 'radio') return checked(page, field, tried);
  if (field.kind === 'select') return moved(page, field, tried, ['ArrowDown', 'ArrowUp']);
  if (field.kind === 'range') return moved(page, field, tried, ['ArrowRight', 'ArrowLeft']);
  const isText = isTypedText(field.kind) || field.kind === 'widget' || before.type === 'text';
  if (isDated(field.kind) && !isText) return dated(page, field, tried);
  if (!isText) return 'script';
  if (before.value !== '') {
    await pressChord(page, ...editingChords['select all']);
    await page.press('Backspace');
  }
  await typed(page, tried);
  return 'keys';
}

async function typed(page: AskablePage, text: string): Promise<void> {
  for (const character of text) await page.press(character === '\n' ? 'Enter' : character);
}

async function isNow(page: AskablePage, field: Field, tried: string): Promise<boolean> {
  return asTried(field, await page.probe('valueOf', probeField(field)), tried) === tried;
}

async function checked(page: AskablePage, field: Field, tried: string): Promise<Person> {
  await page.press(' ');
  if (await isNow(page, field, tried)) return 'keys';
  const place = await page.probe('bringIntoSight', probeField(field));
  if (place && page.click) {
    await page.click(...middleOf(place));
    if (await isNow(page, field, tried)) return 'pointer';
  }
  return 'script';
}

/** Most presses of one key on the way to a value. */
const mostSteps = 60;

/** Goes from value to value until it is there; where a key does nothing any more, the other way. */
async function moved(
  page: AskablePage,
  field: Field,
  tried: string,
  keys: readonly string[],
): Promise<Person> {
  for (const key of keys)
    for (let step = 0, last: string | null = null; step < mostSteps; step++) {
      if (await isNow(page, field, tried)) return 'keys';
      await page.press(key);
      const value = await page.probe('valueOf', probeField(field));
      if (value === last) break;
      last = value;
    }
  return 'script';
}

/** Which row of keys fitted a kind in a page: parts of one kind stand in one order there. */
const fitting = new WeakMap<AskablePage, Map<FieldKind, number>>();

/** Tries the orders in which its parts may stand, each from its first part on. */
async function dated(page: AskablePage, field: Field, tried: string): Promise<Person> {
  const probed = probeField(field);
  if (tried === '') return emptied(page, field);
  const known = fitting.get(page) ?? new Map<FieldKind, number>();
  fitting.set(page, known);
  const rows = datedStrokes(field.kind, tried);
  const last = known.get(field.kind) ?? 0;
  for (const index of [last, ...rows.keys()]) {
    for (const key of rows[index] ?? []) await page.press(key);
    if (await isNow(page, field, tried)) {
      known.set(field.kind, index);
      return 'keys';
    }
    await page.probe('leave', probed);
    await page.probe('focus', probed);
  }
  return 'script';
}

/** More than a date and time have parts. */
const mostParts = 8;

async function emptied(page: AskablePage, field: Field): Promise<Person> {
  for (let part = 0; part < mostParts && !(await isNow(page, field, '')); part++) {
    await page.press('Backspace');
    await page.press('ArrowRight');
  }
  return (await isNow(page, field, '')) ? 'keys' : 'script';
}

/** Opens the list that a page draws at its text box, and takes an option, by keys (ARIA Authoring Practices, "combobox"). */
async function chosenFromList(page: AskablePage, field: Field, before: string): Promise<FieldEntry> {
  const probed = probeField(field);
  const list = async () => (await page.probe('entryState', probed)).list;
  if (!(await page.probe('focus', probed))) return { field: field.id, status: 'left', why: 'no focus' };
  for (let press = 0; press < 3; press++) {
    const now = await list();
    if (now?.isOpen && now.hasActive) break;
    await page.press('ArrowDown');
    await settled(page);
  }
  const open = await list();
  if (open?.isOpen) await page.press('Enter');
  await settled(page);
  const reads = (await list())?.reads ?? '';
  const value = await page.probe('valueOf', probed);
  await leave(page, probed);
  const became = value || reads.replace(before, '').trim() || (reads === before ? '' : reads);
  return became === ''
    ? { field: field.id, status: 'left', why: 'nothing to enter' }
    : { field: field.id, status: 'entered', by: 'keys', tried: became, became };
}

/** As a person goes on: by Tab, which closes what opened at the field. */
async function leave(page: AskablePage, field: ProbeField): Promise<void> {
  await page.press('Tab');
  if (await page.probe('hasFocus', field)) await page.probe('leave', field);
  await settled(page);
}

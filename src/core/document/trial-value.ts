import { appliesTo } from '../html/attribute-registry';
import { exampleIn } from '../html/example-in-placeholder';
import { attribute, type Field, type FieldKind, hasAttribute } from '../html/field';
import { ownEntry } from '../html/own-entry';
import { takesText } from '../html/widget';
import { exampleTexts } from '../pattern/example-text';
import { purposeOf } from '../purpose/purpose-of';
import { placeOfUse } from '../purpose/regions';
import { trialTexts } from '../purpose/trial-texts';
import { GaveUp } from '../regexp/budget';
import { validityOf } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { type MeterRegion, meterRegionValues } from '../standard/gauges';
import { countingOf, rangeOf } from '../standard/ranges-and-steps';
import type { LookState } from './look-state';

/** Why there is nothing to fill a field with. */
export const trialReasons = [
  'no file by script',
  'nothing to enter',
  'no text typed',
  'no valid text',
  'nothing invalid',
  'no such region',
  'no option',
] as const;
export type TrialReason = (typeof trialReasons)[number];

/** What a field is filled with to see it filled, or invalid. */
export type Trial =
  | { readonly status: 'value'; readonly value: string }
  | { readonly status: 'none'; readonly reason: TrialReason };

/** The value of a trial; null where there is none. */
export function triedValue(trial: Trial | null): string | null {
  return trial?.status === 'value' ? trial.value : null;
}

/** What is typed where anything may be. */
const typedWords = 'Ada Holm';

const plausible: Partial<Record<FieldKind, readonly string[]>> = {
  text: [typedWords, 'SKR-04', 'skerry', '12.50', '1250'],
  search: ['storm petrel'],
  tel: ['+358 40 555 0100', '0405550100', '040-555-0100'],
  url: ['https://skerry.example/tide'],
  email: ['ada@skerry.example'],
  password: ['4711', 'seven grey seals', 'Seven-Grey-Seals-7', '47114711'],
  date: ['2026-03-14'],
  month: ['2026-03'],
  week: ['2026-W11'],
  time: ['06:45'],
  'datetime-local': ['2026-03-14T06:45'],
  number: ['3.25', '12', '1', '0'],
  range: ['4', '0', '100'],
  color: ['#2f6f73'],
  textarea: ['Wind from the north, gulls on the breakwater.'],
};

const wrong: Partial<Record<FieldKind, readonly string[]>> = {
  text: ['', '???', '~ 0 ~'],
  search: ['', '???'],
  tel: ['', 'call me'],
  url: ['skerry', ''],
  email: ['ada at skerry', ''],
  password: ['', 'x'],
  number: ['1000000', '-1000000', '0.3333', ''],
  range: [''],
  color: [''],
  textarea: [''],
  select: [''],
};

/** A value that the field accepts by its own constraints, the author's examples first. */
export function validTrial(field: Field): Trial {
  if (field.kind === 'checkbox' || field.kind === 'radio') return { status: 'value', value: 'on' };
  if (field.kind === 'file') return none('no file by script');
  if (field.kind === 'select') return optionTrial(field);
  if (field.kind === 'widget')
    return takesText(field.controls[0]) ? { status: 'value', value: typedWords } : none('no text typed');
  if (!plausible[field.kind]) return none('nothing to enter');
  const [value] = validValues(field);
  return value === undefined ? none('no valid text') : { status: 'value', value };
}

/**
 * Another value that the field accepts, as long as `first` where there is one: what shows the first must show it
 * differently, unless it shows its length alone. Null when none was found.
 */
export function anotherValidValue(field: Field, first: string): string | null {
  if (field.kind === 'checkbox' || field.kind === 'radio') return '';
  if (field.kind === 'select')
    return field.controls[0].options.find((o) => o.value !== first && !o.disabled)?.value ?? null;
  if (field.kind === 'progress' || field.kind === 'meter') return null;
  const turned = [...first].reverse().join('');
  const others = [
    ...validValues(field),
    ...(secondValues[field.kind] ?? []),
    turned,
    otherDigits(first),
  ].filter((text) => text !== first && keeps(field, text) && isValid(field, text));
  return others.find((text) => text.length === first.length) ?? others[0] ?? null;
}

const secondValues: Partial<Record<FieldKind, readonly string[]>> = {
  text: ['Ole Vind', 'SKR-57', 'gannet'],
  search: ['common eider'],
  password: ['1174', 'seals grey seven', '1174 1174'],
  range: ['6', '1', '50'],
  number: ['4.75', '21', '2', '1'],
  color: ['#b3401f'],
  textarea: ['Calm, no swell, two seals near the outer skerry.'],
  date: ['2026-11-28'],
  month: ['2026-11'],
  week: ['2026-W48'],
  time: ['18:20'],
  'datetime-local': ['2026-11-28T18:20'],
};

/** The same text with every digit one further: other digits in the same places. */
function otherDigits(text: string): string {
  return text.replace(/\d/g, (digit) => String((Number(digit) + 1) % 10));
}

function validValues(field: Field): string[] {
  const [control] = field.controls;
  const candidates = [
    exampleIn(attribute(control, 'placeholder') ?? ''),
    ...(field.suggestions ?? []),
    ...nearLimits(field),
    ...ofItsPurpose(field),
    ...(plausible[field.kind] ?? []),
    attribute(control, 'placeholder'),
    attribute(control, 'value'),
  ].filter((text): text is string => text !== null && text.trim() !== '');
  const fits = (text: string) => keeps(field, text) && isValid(field, text);
  const valid = candidates.filter(fits);
  // A text made of its pattern looks made up; it is the last resort.
  return valid.length > 0 ? valid : madeOfPattern(field).filter(fits);
}

/** What people enter into a text field for its purpose, where they are. */
function ofItsPurpose(field: Field): readonly string[] {
  if (field.kind !== 'text' && field.kind !== 'tel') return [];
  const reading = purposeOf(field);
  const examples = reading ? trialTexts(reading.purpose, placeOfUse(field.controls[0].language)) : [];
  if (examples.length > 0) return examples;
  return ownEntry(forKeypad, attribute(field.controls[0], 'inputmode')?.toLowerCase() ?? '') ?? [];
}

/** Texts for which an input mode is meant (HTML Standard, "Input modalities: the inputmode attribute"). */
const forKeypad: Readonly<Record<string, readonly string[]>> = {
  numeric: ['12', '1250', '4711'],
  decimal: ['12.50', '12', '12,50'],
  tel: ['0405550100'],
  email: ['ada@skerry.example'],
  url: ['https://skerry.example/tide'],
};

function madeOfPattern(field: Field): string[] {
  const pattern = attribute(field.controls[0], 'pattern');
  return pattern !== null && appliesTo('pattern', field.kind) ? exampleTexts(pattern) : [];
}

/** A value that the field refuses by its own constraints. */
export function invalidTrial(field: Field): Trial {
  if (!fieldStateOf(field).disabled && field.kind === 'file' && hasAttribute(field.controls[0], 'required'))
    return { status: 'value', value: '' };
  const dated = countingOf(field.kind) ? [...beyondLimits(field), ''] : [];
  const candidates = [...dated, ...(wrong[field.kind] ?? [''])];
  const value = candidates.find((text) => keeps(field, text) && !isValid(field, text));
  return value === undefined ? none('nothing invalid') : { status: 'value', value };
}

/** Which value a state needs first; null when none does. */
export function trialFor(field: Field, state: LookState): Trial | null {
  switch (state) {
    case 'closed':
    case 'focused':
    case 'disabled':
      return null;
    case 'filled':
      return field.kind === 'progress' ? progressTrial(field) : validTrial(field);
    case 'invalid':
      return invalidTrial(field);
    case 'optimal':
    case 'suboptimal':
    case 'poor':
      return regionTrial(field, state);
    case 'indeterminate':
      return { status: 'value', value: '' };
  }
}

function regionTrial(field: Field, region: MeterRegion): Trial {
  const value = meterRegionValues(field.controls[0])[region];
  return value === null ? none('no such region') : { status: 'value', value: String(value) };
}

function progressTrial(field: Field): Trial {
  const max = Number.parseFloat(attribute(field.controls[0], 'max') ?? '');
  return { status: 'value', value: String((max > 0 ? max : 1) * 0.65) };
}

function none(reason: TrialReason): Trial {
  return { status: 'none', reason };
}

function optionTrial(field: Field): Trial {
  const option = field.controls[0].options.find((o) => o.value !== '' && !o.disabled);
  return option ? { status: 'value', value: option.value } : none('no option');
}

/** True when sanitization leaves the text as it is, so that what is tried is what is shown. */
function keeps(field: Field, text: string): boolean {
  return (
    field.kind === 'checkbox' ||
    field.kind === 'radio' ||
    fieldStateOf(field, { value: text }).currentValue === text
  );
}

/** True when nothing at all is wrong with the text, lengths included, as if a person had typed it. */
/** What takes too many steps to be told is no value to try. */
function isValid(field: Field, text: string): boolean {
  try {
    return isValidAsTyped(field, text);
  } catch (error) {
    if (error instanceof GaveUp) return false;
    throw error;
  }
}

function isValidAsTyped(field: Field, text: string): boolean {
  const state = fieldStateOf(field, { value: text, byPerson: text !== '' });
  const { flags, willValidate } = validityOf(state);
  const maxlength = Number.parseInt(state.maxlength ?? '', 10);
  const tooLong = Number.isFinite(maxlength) && text.length > maxlength;
  return !willValidate || (flags.length === 0 && !tooLong);
}

function limits(field: Field) {
  const [control] = field.controls;
  return rangeOf(field.kind, {
    min: attribute(control, 'min'),
    max: attribute(control, 'max'),
    step: attribute(control, 'step'),
    value: attribute(control, 'value'),
  });
}

function nearLimits(field: Field): string[] {
  const range = limits(field);
  if (!range) return [];
  const stepped = range.min === null ? null : range.min + (range.step ?? 0);
  return [stepped, range.min, range.max].flatMap((n) => (n === null ? [] : [range.counting.toText(n)]));
}

function beyondLimits(field: Field): string[] {
  const range = limits(field);
  if (!range || field.kind === 'range') return [];
  const step = range.step ?? 1;
  const past = [range.max === null ? null : range.max + step, range.min === null ? null : range.min - step];
  return past.flatMap((n) => (n === null || !Number.isFinite(n) ? [] : [range.counting.toText(n)]));
}

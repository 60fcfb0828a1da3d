import { appliesTo } from '../html/attribute-registry';
import { dateFormatIn } from '../html/date-format';
import { attributeEdits } from '../html/edit-markup';
import { exampleIn } from '../html/example-in-placeholder';
import { attribute, type Field, hasAttribute, isTypedText } from '../html/field';
import type { Purpose } from '../purpose/purpose';
import { purposeOf } from '../purpose/purpose-of';
import { placeOfUse } from '../purpose/regions';
import { trialTexts } from '../purpose/trial-texts';
import { correctedPattern } from '../regexp/corrected-pattern';
import { validityOf } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { readPattern } from '../standard/pattern-attribute';
import { hasReversedRange, rangeOf } from '../standard/ranges-and-steps';
import { validityFlags } from '../standard/validity-flags';
import { lengthsApartOf } from './attribute-rules';
import { meantByDigits } from './kind-rules';
import { type Mend, saidBeside, withAttributes } from './mend';
import { entries, type FaultRule, isBarred, type PageUnderCheck, placeOf, text } from './page-under-check';

// Rules about what a field takes: its value, its limits, its pattern.

/** Words that ask for an entry, or stand where one should. */
const looksLikeHint =
  /^(?:https?:\/\/(?:www\.)?|www\.)$|_{2,}|\.{3}|…|^(?:enter|type|write|please|your|e\.g\.|for example)\b|\bhere$/i;

/** A default that is the label again, or goes on about it in small letters: “number of seats” in a field “Seats”. */
function repeatsLabel({ label, name }: Field, value: string): boolean {
  const [said, called] = [value.toLowerCase(), label.toLowerCase()];
  if (label === '' || label === name || called.length < 3) return false;
  return said === called || (/^\p{Ll}+(?: \p{Ll}+)+$/u.test(value) && said.split(' ').includes(called));
}

export const hintAsValue: FaultRule = (page, report) => {
  for (const field of entries(page)) {
    if (!isTypedText(field.kind) || hasAttribute(field.controls[0], 'readonly')) continue;
    const value = field.kind === 'textarea' ? field.controls[0].text : (text(field, 'value') ?? '');
    if (looksLikeHint.test(value.trim()) || repeatsLabel(field, value.trim()))
      report({
        field,
        span: placeOf(field.controls[0], 'value'),
        fault: { code: 'hint as value', value },
        mend: asHint(field, value),
      });
  }
};

/** The words as a hint; a textarea's stand between its tags. */
function asHint({ kind, controls: [control] }: Field, value: string): Mend {
  const hint = { placeholder: attribute(control, 'placeholder') ?? value };
  if (kind !== 'textarea') return withAttributes(control, { ...hint, value: null });
  return (markup) => {
    const inside = markup.slice(control.startTag.end, control.span.end);
    const end = control.startTag.end + Math.max(0, inside.lastIndexOf('</'));
    return [...attributeEdits(markup, control, hint), { start: control.startTag.end, end, by: '' }];
  };
}

export const refusedDefault: FaultRule = (page, report) => {
  for (const field of entries(page)) {
    const given = appliesTo('value', field.kind) ? (text(field, 'value') ?? '') : '';
    if (field.kind === 'checkbox' || field.kind === 'radio' || given === '') continue;
    const state = fieldStateOf(field);
    const lost = state.currentValue === '';
    const { flags } = validityOf(state);
    const wrong = validityFlags.filter((flag) => flag !== 'valueMissing' && flags.includes(flag));
    if (lost || wrong.length > 0)
      report({
        field,
        span: placeOf(field.controls[0], 'value'),
        fault: lost
          ? { code: 'default thrown away', value: given }
          : { code: 'default refused', value: given, flags: wrong },
        mend: withAttributes(field.controls[0], { value: null }),
      });
  }
};

export const refusedExample: FaultRule = (page, report) => {
  for (const field of entries(page)) {
    const placeholder = text(field, 'placeholder');
    if (placeholder === null || !isTypedText(field.kind) || field.kind === 'number') continue;
    const example = exampleIn(placeholder);
    if (example === null || isTaken(field, example)) continue;
    const other = otherWritings.map((write) => write(example)).find((one) => isTaken(field, one));
    report({
      field,
      span: placeOf(field.controls[0], 'placeholder'),
      fault: { code: 'example refused', example },
      mend: other
        ? withAttributes(field.controls[0], { placeholder: placeholder.replace(example, other) })
        : null,
    });
  }
};

/** Dates in the format that the page asks for, and the field does not take. */
export const refusedFormat: FaultRule = (page, report) => {
  for (const field of entries(page)) {
    if (!isTypedText(field.kind) || field.kind === 'number') continue;
    const asked = dateFormatIn(`${page.hintOf(field)} ${field.label}`);
    if (asked === null || isTaken(field, asked.example)) continue;
    report({ field, span: field.controls[0].startTag, fault: { code: 'format refused', ...asked } });
  }
};

const otherWritings: readonly ((text: string) => string)[] = [
  (text) => text.replace(/\s/g, ''),
  (text) => text.toUpperCase(),
  (text) => text.replace(/[^\p{L}\p{N}]/gu, ''),
  (text) => text.replace(/[^\p{L}\p{N}]/gu, '').toUpperCase(),
];

/** Whether a person who types this text has typed something valid, with nothing cut off. */
function isTaken(field: Field, typed: string): boolean {
  const state = fieldStateOf(field, { value: typed, byPerson: true });
  return validityOf(state).flags.length === 0;
}

export const reversedLimits: FaultRule = (page, report) => {
  for (const field of page.fields) {
    const range = rangeOf(field.kind, fieldStateOf(field));
    if (!range || hasReversedRange(field.kind, range)) continue;
    if (range.min !== null && range.max !== null && range.max < range.min)
      report({
        field,
        span: placeOf(field.controls[0], 'min'),
        fault: { code: 'min above max' },
        mend: withAttributes(field.controls[0], { min: text(field, 'max'), max: text(field, 'min') }),
      });
  }
};

export const beyondGauge: FaultRule = (page, report) => {
  for (const field of page.fields) {
    if (field.kind !== 'meter' && field.kind !== 'progress') continue;
    const [value, max] = [Number(text(field, 'value') ?? 0), Number(text(field, 'max') ?? 1)];
    if (value > max)
      report({
        field,
        span: placeOf(field.controls[0], 'value'),
        fault: { code: 'beyond its gauge', value, max },
        mend: value <= 100 ? withAttributes(field.controls[0], { max: '100' }) : null,
      });
  }
};

export const patternFaults: FaultRule = (page, report) => {
  for (const field of page.fields) {
    const pattern = text(field, 'pattern');
    // What is barred from validation is not held against its pattern (HTML Standard, "barred from constraint validation").
    if (pattern === null || !appliesTo('pattern', field.kind) || isBarred(field)) continue;
    const span = placeOf(field.controls[0], 'pattern');
    const reading = readPattern(pattern);
    if (reading.status === 'ignored') {
      const corrected = correctedPattern(pattern);
      report({
        field,
        span,
        fault: { code: 'pattern does not compile', reason: reading.reason, corrected },
        mend: corrected && withAttributes(field.controls[0], { pattern: corrected.source }),
      });
      continue;
    }
    if (reading.matches('')) report({ field, span, fault: { code: 'pattern accepts nothing' } });
    if (text(field, 'title') || page.hintOf(field) !== '' || saysHowMany(field)) continue;
    if (!hasKnownFormat(field) || isUnusual(field, reading.matches))
      report({ field, span, fault: { code: 'pattern without a hint' } });
  }
};

/** Most code units of a line of text that nobody is surprised to find an end to. */
const longLine = 60;
/** The same of a text of several lines. */
const longText = 1000;

/** Whether a person can run into a limit without knowing that there is one. One that the browser ignores is none. */
function surprises(field: Field, name: string): boolean {
  const value = text(field, name);
  if (value === null || !appliesTo(name, field.kind) || isBarred(field)) return false;
  if (name === 'minlength' || name === 'maxlength') {
    const length = parseNonNegativeInteger(value);
    if (length === null || (name === 'minlength' && length <= 1)) return false;
    // What is written in a way that everybody knows is as long as it is; where it is cut, that is told.
    const isLong = length >= (field.kind === 'textarea' ? longText : longLine);
    return !(name === 'maxlength' && (isLong || hasKnownFormat(field)));
  }
  // No birthday is yet to come, and who is too young is told so by the date.
  if (text(field, 'autocomplete') === 'bday') return false;
  const range = rangeOf(field.kind, fieldStateOf(field));
  const limit = name === 'min' ? range?.min : range?.max;
  // Nobody enters less than nothing of what is counted.
  return limit != null && !(field.kind === 'number' && name === 'min' && (limit === 0 || limit === 1));
}

/** “Digit 1”, “Code (6 digits)”: a figure in a label is about what is to be entered. */
const saysHowMany = ({ label }: Field) => /\p{Nd}/u.test(label);

/** Purposes whose texts people know how to write; what a rule refuses of them is told by itself. */
const knownFormats: readonly Purpose[] = [
  'name',
  'kana name',
  'street',
  'email',
  'postcode',
  'iban',
  'card',
  'phone',
  'date',
  'time',
  'year',
  'web address',
];

function hasKnownFormat(field: Field): boolean {
  const purpose = purposeOf(field)?.purpose;
  return purpose !== undefined && knownFormats.includes(purpose);
}

/** A pattern that takes no usual writing of what its field seems to be for wants another one, and nobody knows which. */
function isUnusual(field: Field, matches: (text: string) => boolean): boolean {
  const reading = purposeOf(field);
  // What is surely refused is told by itself.
  if (!reading || reading.isSure) return false;
  const usual = trialTexts(reading.purpose, placeOfUse(field.controls[0].language));
  return usual.length > 0 && !usual.some(matches);
}

export const hiddenLimit: FaultRule = (page, report) => {
  for (const field of entries(page)) {
    // A slider shows its ends; limits that are wrong themselves are told as such, and one cause is one finding.
    if (field.kind === 'range' || meantByDigits(field) !== null || lengthsApartOf(field) !== null) continue;
    const limits = ['min', 'max', 'minlength', 'maxlength'].filter(
      (name) => text(field, name) !== null && appliesTo(name, field.kind),
    );
    const [first] = limits;
    if (
      first &&
      limits.some((name) => surprises(field, name)) &&
      page.hintOf(field) === '' &&
      !saysHowMany(field)
    )
      report({
        field,
        span: placeOf(field.controls[0], first),
        fault: { code: 'limit not shown', limits },
        mend: saidBesideField(
          page,
          field,
          limitsText(limits, (name) => text(field, name) ?? ''),
        ),
      });
  }
};

function saidBesideField(page: PageUnderCheck, field: Field, words: string): Mend | null {
  const place = page.elementOf(field.controls[0]);
  return place ? saidBeside(field, place, words) : null;
}

/** Limits as a person reads them: “at least −3, at most 8”. */
function limitsText(limits: readonly string[], limitOf: (name: string) => string): string {
  return limits
    .map((name) => {
      const bound = name.startsWith('min') ? 'at least' : 'at most';
      return `${bound} ${limitOf(name)}${name.endsWith('length') ? ' characters' : ''}`;
    })
    .join(', ');
}

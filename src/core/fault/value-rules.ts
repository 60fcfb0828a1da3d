import { appliesTo } from '../form/attribute-registry';
import { attributeEdits } from '../form/edit-markup';
import { exampleIn } from '../form/example-in-placeholder';
import { attribute, type Field, hasAttribute, isTypedText } from '../form/field';
import { validityOf } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { readPattern } from '../standard/pattern-attribute';
import { hasReversedRange, rangeOf } from '../standard/ranges-and-steps';
import { validityFlags } from '../standard/validity-flags';
import { type Mend, saidBeside, withAttributes } from './mend';
import { entries, type PageUnderCheck, placeOf, type Rule, text } from './page-under-check';

// Rules about what a field takes: its value, its limits, its pattern.

/** Words that ask for an entry, or stand where one should. */
const looksLikeHint =
  /^(?:https?:\/\/(?:www\.)?|www\.)$|_{2,}|\.{3}|…|^(?:enter|type|write|please|your|e\.g\.|for example)\b|\bhere$/i;

export const hintAsValue: Rule = (page, report) => {
  for (const field of entries(page)) {
    if (!isTypedText(field.kind) || hasAttribute(field.controls[0], 'readonly')) continue;
    const value = field.kind === 'textarea' ? field.controls[0].text : (text(field, 'value') ?? '');
    if (looksLikeHint.test(value.trim()))
      report({
        field,
        span: placeOf(field.controls[0], 'value'),
        text: `${field.label} is filled with “${value}”, which a person must delete first.`,
        remedy: 'Use placeholder, or say it beside the field.',
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

export const refusedDefault: Rule = (page, report) => {
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
        text: lost
          ? `${field.label} starts with “${given}”, which its kind throws away.`
          : `${field.label} starts with “${given}”, which its own constraints refuse (${wrong.join(', ')}).`,
        remedy: 'Start with a value that the field takes, or with none.',
        mend: withAttributes(field.controls[0], { value: null }),
      });
  }
};

export const refusedExample: Rule = (page, report) => {
  for (const field of entries(page)) {
    const placeholder = text(field, 'placeholder');
    if (placeholder === null || !isTypedText(field.kind) || field.kind === 'number') continue;
    const example = exampleIn(placeholder);
    if (example === null || isTaken(field, example)) continue;
    const other = otherWritings.map((write) => write(example)).find((one) => isTaken(field, one));
    report({
      field,
      span: placeOf(field.controls[0], 'placeholder'),
      text: `${field.label} shows the example “${example}”, which it refuses itself.`,
      remedy: 'Show one that it takes, or let it take this one.',
      mend: other
        ? withAttributes(field.controls[0], { placeholder: placeholder.replace(example, other) })
        : null,
    });
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

export const reversedLimits: Rule = (page, report) => {
  for (const field of page.fields) {
    const range = rangeOf(field.kind, fieldStateOf(field));
    if (!range || hasReversedRange(field.kind, range)) continue;
    if (range.min !== null && range.max !== null && range.max < range.min)
      report({
        field,
        span: placeOf(field.controls[0], 'min'),
        text: `The min of ${field.label} is above its max: no value is valid.`,
        remedy: 'Swap them.',
        mend: withAttributes(field.controls[0], { min: text(field, 'max'), max: text(field, 'min') }),
      });
  }
};

export const beyondGauge: Rule = (page, report) => {
  for (const field of page.fields) {
    if (field.kind !== 'meter' && field.kind !== 'progress') continue;
    const [value, max] = [Number(text(field, 'value') ?? 0), Number(text(field, 'max') ?? 1)];
    if (value > max)
      report({
        field,
        span: placeOf(field.controls[0], 'value'),
        text: `${field.label} has the value ${value} and goes up to ${max}: it is always full.`,
        remedy: `Give it a max, as in max="100".`,
        mend: value <= 100 ? withAttributes(field.controls[0], { max: '100' }) : null,
      });
  }
};

export const patternFaults: Rule = (page, report) => {
  for (const field of page.fields) {
    const pattern = text(field, 'pattern');
    if (pattern === null || !appliesTo('pattern', field.kind)) continue;
    const span = placeOf(field.controls[0], 'pattern');
    const reading = readPattern(pattern);
    if (reading.status === 'ignored') {
      report({
        field,
        span,
        text: `The pattern of ${field.label} does not compile, so browsers ignore it: ${reading.reason}`,
        remedy: 'Mend it. It is read with the v flag, which wants more characters escaped.',
      });
      continue;
    }
    if (reading.matches(''))
      report({
        field,
        span,
        text: `The pattern of ${field.label} also accepts nothing.`,
        remedy:
          'Let it ask for at least one character; required alone says whether the field may stay empty.',
      });
    if (!text(field, 'title') && page.hintOf(field) === '')
      report({
        field,
        span,
        text: `${field.label} has a pattern and nowhere says what it wants.`,
        remedy: 'Say it beside the field and in its title, which browsers add to their message.',
      });
  }
};

export const hiddenLimit: Rule = (page, report) => {
  for (const field of entries(page)) {
    // A slider shows its ends.
    if (field.kind === 'range') continue;
    const limits = ['min', 'max', 'minlength', 'maxlength'].filter(
      (name) => text(field, name) !== null && appliesTo(name, field.kind),
    );
    const [first] = limits;
    if (first && page.hintOf(field) === '' && !/\d/.test(field.label))
      report({
        field,
        span: placeOf(field.controls[0], first),
        text: `${field.label} has ${limits.join(' and ')}, and shows that nowhere until something is wrong.`,
        remedy: 'Say the limit beside the field.',
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

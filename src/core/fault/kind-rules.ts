import { appliesTo, attributeRegistry } from '../html/attribute-registry';
import { autocompleteFault } from '../html/autocomplete-tokens';
import { attribute, type Field, inputTypes, isDated } from '../html/field';
import { attributeOf } from '../html/parse-markup';
import { wordsOfName } from '../html/words-of-name';
import { spokenPurposeOf } from '../purpose/purpose-of';
import { validityOf } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { rangeOf } from '../standard/ranges-and-steps';
import { missingOnKeypad } from './keypad';
import { type Mend, toldApart, withAttributes, withReadout } from './mend';
import { nearest } from './nearest-word';
import { entries, type FaultRule, placeOf, startOf, text } from './page-under-check';

// Rules about what a kind of field does with what is written on it, and about what helps whoever fills it in.

export const ignoredAttribute: FaultRule = (page, report) => {
  for (const field of page.fields)
    for (const control of field.controls)
      for (const { name, span } of control.attributes) {
        const entry = Object.hasOwn(attributeRegistry, name) ? attributeRegistry[name] : undefined;
        if (!entry || appliesTo(name, field.kind)) continue;
        report({
          field,
          span,
          fault: { code: 'attribute ignored', attribute: name, kind: field.kind },
          mend: withAttributes(control, { [name]: null }),
        });
      }
};

export const unknownType: FaultRule = (page, report) => {
  for (const field of page.fields) {
    const type = text(field, 'type');
    if (field.controls[0].element !== 'input' || type === null || type === '') continue;
    if (inputTypes.some((known) => known === type.toLowerCase())) continue;
    const meant =
      type.toLowerCase() === 'datetime' ? 'datetime-local' : nearest(type.toLowerCase(), inputTypes);
    report({
      field,
      span: placeOf(field.controls[0], 'type'),
      fault: { code: 'unknown type', type, meant },
      mend: meant === null ? null : withAttributes(field.controls[0], { type: meant }),
    });
  }
};

export const codeAsNumber: FaultRule = (page, report) => {
  for (const field of page.fields) {
    const meant = meantByDigits(field);
    if (meant === null) continue;
    report({
      field,
      span: placeOf(field.controls[0], 'type'),
      fault: { code: meant },
      mend:
        meant === 'number to dial'
          ? withAttributes(field.controls[0], { type: 'tel', min: null, max: null, step: null })
          : asDigits(field),
    });
  }
};

/** What the digits of a number field are, when they are no amount. */
export function meantByDigits(field: Field): 'number to dial' | 'code as number' | null {
  if (field.kind !== 'number') return null;
  const words = saidOf(field);
  const purpose = spokenPurposeOf(field);
  if (purpose === 'phone' && !/\b(?:calls|count|how many)\b/.test(words)) return 'number to dial';
  const isCode = /\b(?:pin|code|card|serial|kartennummer)\b/.test(words);
  return isCode || purpose === 'postcode' || purpose === 'iban' ? 'code as number' : null;
}

/** What a field is called, in small letters. */
function saidOf({ label, name }: Field): string {
  return `${label} ${wordsOfName(name)}`.toLowerCase();
}

function asDigits(field: Field): Mend {
  const {
    controls: [control],
  } = field;
  const most = attribute(control, 'maxlength');
  const isSecret = /\bpin\b/.test(saidOf(field));
  return withAttributes(control, {
    type: isSecret ? 'password' : 'text',
    inputmode: 'numeric',
    pattern: most === null ? '[0-9]+' : `[0-9]{${most}}`,
    title: most === null ? 'Digits alone' : `${most} digits`,
    min: null,
    max: null,
    step: null,
  });
}

export const suggestionFaults: FaultRule = (page, report) => {
  for (const field of page.fields) {
    const list = text(field, 'list');
    if (list === null || !appliesTo('list', field.kind)) continue;
    const span = placeOf(field.controls[0], 'list');
    if (page.byId.get(list)?.tagName !== 'datalist') {
      report({
        field,
        span,
        fault: { code: 'list not there', list },
      });
      continue;
    }
    const refused = (field.suggestions ?? []).filter((value) => {
      const state = fieldStateOf(field, { value, byPerson: true });
      return value !== '' && (state.currentValue !== value || validityOf(state).flags.length > 0);
    });
    const [value] = refused;
    if (value !== undefined) report({ field, span, fault: { code: 'suggestion refused', value } });
  }
};

export const autocompleteFaults: FaultRule = (page, report) => {
  for (const field of page.fields) {
    const fault = autocompleteFault(field.controls[0]);
    // That its digits are no number is the cause.
    const isOfKind = fault?.code === 'another kind' && meantByDigits(field) !== null;
    if (fault && !isOfKind)
      report({
        field,
        span: placeOf(field.controls[0], 'autocomplete'),
        fault: { code: 'autocomplete', fault },
      });
  }
};

export const silentSlider: FaultRule = (page, report) => {
  for (const field of page.fields) {
    if (field.kind !== 'range') continue;
    const control = field.controls[0];
    const id = text(field, 'id');
    const around = page.elementOf(control)?.ancestors.at(-1);
    const readout = page.elements.some(
      ({ element, ancestors }) =>
        element.tagName === 'output' &&
        ((id !== null && (attributeOf(element, 'for') ?? '').split(/\s+/).includes(id)) ||
          (around !== undefined &&
            around.tagName !== 'form' &&
            around.tagName !== 'body' &&
            ancestors.includes(around))),
    );
    if (!readout)
      report({
        field,
        span: placeOf(control),
        fault: { code: 'slider without readout' },
        mend: withReadout(control, fieldStateOf(field).currentValue),
      });
  }
};

export const keypadLacks: FaultRule = (page, report) => {
  for (const field of entries(page)) {
    const inputmode = text(field, 'inputmode');
    if (inputmode === null) continue;
    const range = rangeOf(field.kind, fieldStateOf(field));
    const signed = range?.min !== null && range !== null && (range.min ?? 0) < 0;
    const fractional = inputmode.toLowerCase() === 'numeric' && range?.step != null && range.step % 1 !== 0;
    const pattern = field.kind === 'number' ? null : text(field, 'pattern');
    const missing = signed
      ? '-'
      : fractional
        ? '.'
        : pattern === null
          ? null
          : missingOnKeypad(inputmode, pattern);
    if (missing !== null)
      report({
        field,
        span: placeOf(field.controls[0], 'inputmode'),
        fault: { code: 'keypad lacks a character', character: missing, inputmode },
        mend: withAttributes(field.controls[0], { inputmode: null }),
      });
  }
};

export const keyHandlers: FaultRule = ({ elements, fields }, report) => {
  for (const { element } of elements)
    for (const { name, value } of element.attrs) {
      if (!/^onkey(?:press|down|up)$/.test(name) || !/\b(?:key|keyCode|which|charCode)\b/.test(value))
        continue;
      const place = element.sourceCodeLocation?.attrs?.[name];
      const span = place ? { start: place.startOffset, end: place.endOffset } : startOf(element);
      const field = fields.find(({ controls }) =>
        controls.some(({ startTag }) => startTag.start === startOf(element).start),
      );
      report({
        ...(field && { field }),
        span,
        fault: { code: 'filter on keys', handler: name },
      });
    }
};

export const pickerOverPicker: FaultRule = (page, report) => {
  for (const field of page.fields) {
    if (!isDated(field.kind) && field.kind !== 'color') continue;
    const marked = field.controls[0].attributes.find(
      ({ name, value }) => /picker/i.test(name) || (name === 'class' && /picker/i.test(value)),
    );
    if (marked)
      report({
        field,
        span: marked.span,
        fault: { code: 'picker over picker' },
        mend: /picker/i.test(marked.name) ? withAttributes(field.controls[0], { [marked.name]: null }) : null,
      });
  }
};

export const sameButtons: FaultRule = ({ fields }, report) => {
  const told = new Map<string, Field>();
  for (const field of fields) {
    if (field.kind !== 'submit') continue;
    const [control] = field.controls;
    const own = ['name', 'value', 'formaction', 'formmethod'].map((name) =>
      name === 'value' && field.name === '' ? '' : (text(field, name) ?? ''),
    );
    const key = `${control.form} ${own.join(' ')}`;
    const other = told.get(key);
    if (other)
      report({
        field,
        span: placeOf(control),
        fault: { code: 'buttons alike' },
        mend: toldApart([other, field]),
      });
    told.set(key, other ?? field);
  }
};

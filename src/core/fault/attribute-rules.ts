import { attributeRegistry, formAttributeRegistry, isKnownAttribute } from '../html/attribute-registry';
import { type Field, hasAttribute } from '../html/field';
import { attributeOf, attributeSpan, type Element, elementSpan } from '../html/parse-markup';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { ignoredBecause } from './ignored-attribute';
import { withAttributes, withoutAttribute } from './mend';
import { nearest } from './nearest-word';
import { entries, type FaultRule, isBarred, placeOf, text } from './page-under-check';

// Rules about attributes that say something else than they seem to: values and names that there are not, and those that shut people out.

/** Keywords that a browser takes for one that is not written, by attribute (HTML Standard, "invalid value default"). */
const takenFor: Readonly<Record<string, string>> = { method: 'get', formmethod: 'get' };

/** Attributes whose values are keywords that change what a person can enter or what is sent; others have a rule of their own. */
const keywordAttributes = Object.entries(attributeRegistry).flatMap(([name, { value }]) =>
  Array.isArray(value) ? [name] : [],
);

export const noSuchValue: FaultRule = (page, report) => {
  for (const field of page.fields)
    for (const name of keywordAttributes) {
      const why = ignoredBecause(field, name);
      if (why?.code !== 'not among the values') continue;
      const meant = nearest(why.value.toLowerCase(), why.values);
      report({
        field,
        span: placeOf(field.controls[0], name),
        fault: {
          code: 'no such value',
          attribute: name,
          value: why.value,
          takenFor: takenFor[name] ?? null,
          meant,
        },
        mend: withAttributes(field.controls[0], { [name]: meant }),
      });
    }
  for (const field of page.fields) wrongButton(field, report);
  for (const { element } of page.elements) if (element.tagName === 'form') wrongFormValues(element, report);
};

/** HTML Standard, "The button element": what is no type of a button submits. */
function wrongButton(field: Field, report: Parameters<FaultRule>[1]): void {
  const [control] = field.controls;
  const value = control.element === 'button' ? text(field, 'type') : null;
  if (!value || buttonTypes.includes(value.toLowerCase())) return;
  const meant = nearest(value.toLowerCase(), buttonTypes);
  report({
    field,
    span: placeOf(control, 'type'),
    fault: { code: 'no such value', attribute: 'type', value, takenFor: 'submit', meant },
    mend: withAttributes(control, { type: meant ?? 'submit' }),
  });
}
const buttonTypes = ['submit', 'reset', 'button'];

function wrongFormValues(form: Element, report: Parameters<FaultRule>[1]): void {
  for (const [name, values] of Object.entries(formAttributeRegistry)) {
    const value = attributeOf(form, name);
    const span = attributeSpan(form, name);
    if (!Array.isArray(values) || !value || !span || values.includes(value.toLowerCase())) continue;
    const meant = nearest(value.toLowerCase(), values);
    report({
      span,
      fault: { code: 'no such value', attribute: name, value, takenFor: takenFor[name] ?? null, meant },
      mend: meant === null ? withoutAttribute(form, name) : () => [{ ...span, by: `${name}="${meant}"` }],
    });
  }
}

export const misspeltAttribute: FaultRule = ({ fields }, report) => {
  for (const field of fields)
    for (const control of field.controls)
      for (const { name, value, span } of control.attributes) {
        if (isKnownAttribute(name) || name.length < 4) continue;
        const meant = nearest(name, Object.keys(attributeRegistry));
        // A word of its own may be what a library asks for.
        if (meant === null || hasAttribute(control, meant)) continue;
        report({
          field,
          span,
          fault: { code: 'misspelt attribute', attribute: name, meant },
          mend: withAttributes(control, { [name]: null, [meant]: value }),
        });
      }
};

/** Numbers that the standard cannot read; the browser goes on as if they were not there. */
export const unreadableNumber: FaultRule = (page, report) => {
  for (const field of entries(page))
    for (const name of ['min', 'max', 'step', 'minlength', 'maxlength']) {
      const why = ignoredBecause(field, name);
      if (why?.code !== 'no limit' && why?.code !== 'no step' && why?.code !== 'no length') continue;
      report({
        field,
        span: placeOf(field.controls[0], name),
        fault: { code: 'unreadable number', attribute: name, value: why.value },
        mend: withAttributes(field.controls[0], { [name]: null }),
      });
    }
};

/** The least and the most that a text may be long where none can be both; UTF-16 code units. */
export function lengthsApartOf(field: Field): { readonly least: number; readonly most: number } | null {
  if (isBarred(field) || ignoredBecause(field, 'minlength') || ignoredBecause(field, 'maxlength'))
    return null;
  const [least, most] = ['minlength', 'maxlength'].map((name) => parseNonNegativeInteger(text(field, name)));
  return least == null || most == null || least <= most ? null : { least, most };
}

/** No text is long enough and short enough (HTML Standard, "The maxlength and minlength attributes"). */
export const lengthsApart: FaultRule = (page, report) => {
  for (const field of entries(page)) {
    const apart = lengthsApartOf(field);
    if (apart === null) continue;
    const { least, most } = apart;
    report({
      field,
      span: placeOf(field.controls[0], 'minlength'),
      fault: { code: 'minlength above maxlength', least, most },
      mend: withAttributes(field.controls[0], { minlength: String(most), maxlength: String(least) }),
    });
  }
};

/**
 * Members of a form that a control of that name hides from scripts (HTML Standard, "The form element", named getter). Those that scripts
 * hardly ask a form for are not among them: the length of a parcel is a field like any other.
 */
const hiddenMembers = ['submit', 'reset', 'action', 'method', 'elements', 'requestSubmit'];

export const nameHidesMember: FaultRule = ({ fields }, report) => {
  for (const field of fields) {
    if (field.controls[0].form === null || !hiddenMembers.includes(field.name)) continue;
    report({
      field,
      span: placeOf(field.controls[0], 'name'),
      fault: { code: 'name hides a member', name: field.name },
    });
  }
};

/** A required choice that is made already lets everybody pass. */
export const presetChoice: FaultRule = ({ fields }, report) => {
  for (const field of fields) {
    const [control] = field.controls;
    const { options } = control;
    const isOne = !hasAttribute(control, 'multiple') && Number(text(field, 'size') ?? '1') <= 1;
    if (field.kind !== 'select' || !hasAttribute(control, 'required') || !isOne || options.length < 2)
      continue;
    if (options.some(({ value, selected }) => value === '' || selected)) continue;
    const [first] = options;
    report({
      field,
      span: placeOf(control, 'required'),
      fault: { code: 'required choice is made', option: first?.label ?? '' },
    });
  }
};

/** Radio buttons without a value send “on”, whichever it is. */
export const choicesWithoutValue: FaultRule = ({ fields }, report) => {
  for (const field of fields) {
    if (field.kind !== 'radio' || field.controls.length < 2) continue;
    const silent = field.controls.find((control) => !hasAttribute(control, 'value'));
    if (silent) report({ field, span: silent.startTag, fault: { code: 'radio buttons without values' } });
  }
};

export const jumpingFocus: FaultRule = ({ fields }, report) => {
  for (const field of fields) {
    const value = text(field, 'tabindex') ?? '';
    if (!/^[\t\n\f\r ]*\+?[1-9]\d*/.test(value)) continue;
    report({
      field,
      span: placeOf(field.controls[0], 'tabindex'),
      fault: { code: 'focus jumps', tabindex: Number.parseInt(value, 10) },
      mend: withAttributes(field.controls[0], { tabindex: null }),
    });
  }
};

export const pasteRefused: FaultRule = ({ fields }, report) => {
  for (const field of fields) {
    const handler = text(field, 'onpaste');
    if (handler === null || !/return\s+false|preventDefault\s*\(/.test(handler)) continue;
    report({
      field,
      span: placeOf(field.controls[0], 'onpaste'),
      fault: { code: 'paste is refused' },
      mend: withAttributes(field.controls[0], { onpaste: null }),
    });
  }
};

/** A password that is sent by GET stands in the address, in the history and in the logs. */
export const secretInAddress: FaultRule = ({ fields, elements }, report) => {
  const forms = elements.filter(({ element }) => element.tagName === 'form');
  for (const field of fields) {
    const { form } = field.controls[0];
    const element = form === null ? undefined : forms[form]?.element;
    if (field.kind !== 'password' || field.name === '' || !element) continue;
    const [method, action] = ['method', 'action'].map((name) => attributeOf(element, name));
    // Where neither is written, a script of the page sends it.
    if (method == null && action == null) continue;
    const isKept = ['post', 'dialog'].includes(method?.toLowerCase() ?? 'get');
    if (isKept || attributeOf(element, 'onsubmit') !== null) continue;
    const span = attributeSpan(element, 'method') ?? elementSpan(element);
    if (span) report({ field, span, fault: { code: 'secret in the address' } });
  }
};

/** HTML Standard, "The accept attribute": an extension with its dot, a MIME type, or one of three groups. */
export const acceptOfNothing: FaultRule = ({ fields }, report) => {
  for (const field of fields) {
    if (field.kind !== 'file') continue;
    const tokens = (text(field, 'accept') ?? '').split(',').map((one) => one.trim());
    const wrong = tokens.find((one) => one !== '' && !/^(?:\.[^\s,]+|[\w.+-]+\/(?:\*|[\w.+-]+))$/.test(one));
    if (wrong === undefined) continue;
    const meant = /^\w{2,5}$/.test(wrong) ? `.${wrong}` : null;
    report({
      field,
      span: placeOf(field.controls[0], 'accept'),
      fault: { code: 'no such value', attribute: 'accept', value: wrong, takenFor: null, meant },
      mend:
        meant === null
          ? null
          : withAttributes(field.controls[0], {
              accept: tokens.map((one) => (one === wrong ? meant : one)).join(', '),
            }),
    });
  }
};

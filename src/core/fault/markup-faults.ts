import { appliesTo, attributeRegistry } from '../form/attribute-registry';
import { autocompleteFault } from '../form/autocomplete-tokens';
import { attributeEdits } from '../form/edit-markup';
import {
  attribute,
  type Field,
  type FormReading,
  fieldElements,
  hasAttribute,
  inputTypes,
  isButton,
  isDated,
  isTypedText,
} from '../form/field';
import { instead } from '../form/ignored-attribute';
import { labelWords } from '../form/label-words';
import { nameFromWords } from '../form/name-from-words';
import { attributeOf, type Element, elementsOf, isElement, type Node } from '../form/parse-markup';
import { validityOf } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { readPattern } from '../standard/pattern-attribute';
import { hasReversedRange, rangeOf } from '../standard/ranges-and-steps';
import { validityFlags } from '../standard/validity-flags';
import { missingOnKeypad } from './keypad';
import {
  type Mend,
  namedTogether,
  saidBeside,
  tiedToWords,
  toldApart,
  withAttributes,
  withoutAttribute,
  withReadout,
  wordsBefore,
} from './mend';
import {
  type MarkupFault,
  type PageUnderCheck,
  placeOf,
  type Rule,
  runRules,
  startOf,
} from './page-under-check';

/** What is wrong with the markup of a form, as far as the markup alone can tell, with a remedy each. */
export function markupFaults(markup: string, reading: Pick<FormReading, 'fields'>): MarkupFault[] {
  return runRules(markup, reading, rules);
}

/** Fields that a person fills in. */
const entries = ({ fields }: PageUnderCheck) =>
  fields.filter(({ kind }) => !isButton(kind) && !['hidden', 'meter', 'progress', 'output'].includes(kind));

const text = (field: Field, name: string) => attribute(field.controls[0], name);

/** Words that ask for an entry, or stand where one should. */
const looksLikeHint =
  /^(?:https?:\/\/(?:www\.)?|www\.)$|_{2,}|\.{3}|…|^(?:enter|type|write|please|your|e\.g\.|for example)\b|\bhere$/i;

const unnamed: Rule = (page, report) => {
  for (const field of entries(page))
    if (field.name === '')
      report({
        field,
        span: placeOf(field.controls[0]),
        text: `${field.label} has no name, so it is never sent.`,
        remedy: 'Give it a name that the server knows.',
        mend: withAttributes(field.controls[0], { name: nameFromWords(field.label, 'field') }),
      });
};

const unlabelled: Rule = (page, report) => {
  for (const field of page.fields) {
    if (field.kind === 'hidden' || field.kind === 'output' || isButton(field.kind)) continue;
    const control = field.controls[0];
    const place = page.elementOf(control);
    const id = text(field, 'id');
    const around = place?.ancestors.filter(
      ({ tagName, attrs }) => tagName === 'label' && !attrs.some(({ name }) => name === 'for'),
    );
    const tied = page.elements.flatMap(({ element }) =>
      element.tagName === 'label' && id !== null && attributeOf(element, 'for') === id ? [element] : [],
    );
    const labels = [...(around ?? []), ...tied];
    const isNamed =
      labels.some((label) => labelWords(label, place?.element ?? null) !== '') ||
      ['aria-label', 'aria-labelledby', 'title'].some((name) => text(field, name)?.trim());
    if (isNamed) continue;
    const at = { field, span: placeOf(control) };
    if (labels.length > 0)
      report({
        ...at,
        text: `The label of ${field.label} says nothing: whoever hears the page is not told what to enter.`,
        remedy: 'Write into the label what is to be entered.',
      });
    else
      report({
        ...at,
        text: `${field.label} has no label: a click on the words beside it does nothing, and it is not read out.`,
        remedy: 'Put it into a label, or give it an id and a label with that id as its for.',
        mend: place && leadsTo(page.byId, place.element) ? tiedToWords(control, place) : null,
      });
  }
};

const isLabelable = (tagName: string | undefined) => fieldElements.some((name) => name === tagName);

/** Whether its id, if it has one, leads to this element: of two with one id it leads to the first. */
function leadsTo(byId: PageUnderCheck['byId'], element: Element): boolean {
  const id = attributeOf(element, 'id');
  return id === null || byId.get(id) === element;
}

const labelForNothing: Rule = (page, report) => {
  const { elements, byId } = page;
  for (const { element, ancestors } of elements) {
    if (element.tagName !== 'label') continue;
    const target = attributeOf(element, 'for');
    const holds = [...elementsOf(element)].some(({ element: { tagName } }) => isLabelable(tagName));
    if (target === null ? holds : isLabelable(byId.get(target)?.tagName)) continue;
    report({
      span: startOf(element),
      text:
        target === null
          ? 'A label is tied to nothing.'
          : `A label is for “${target}”, and no field has that id.`,
      remedy: 'Put the id of its field into for, or put the field into the label.',
      mend: tiedTo(element, ancestors.at(-1), page),
    });
  }
};

const saysWords = (node: Node) => 'value' in node && node.value.trim() !== '';

/** The mend of the field right behind a label. */
function tiedTo(
  label: Element,
  around: Element | undefined,
  { fields, byId, elementOf }: PageUnderCheck,
): Mend | null {
  const siblings = around?.childNodes ?? [];
  const next = siblings.slice(siblings.indexOf(label) + 1).find((node) => isElement(node) || saysWords(node));
  const field = fields.find(({ controls }) => elementOf(controls[0])?.element === next);
  const place = field && elementOf(field.controls[0]);
  return field && place && leadsTo(byId, place.element) ? tiedToWords(field.controls[0], place) : null;
}

const duplicateId: Rule = ({ elements, byId }, report) => {
  for (const { element } of elements) {
    const id = attributeOf(element, 'id');
    if (id && byId.get(id) !== element)
      report({
        span: startOf(element),
        text: `The id “${id}” is there twice; labels and scripts find the first one.`,
        remedy: 'Give one of them another id.',
      });
  }
};

const manyFocus: Rule = ({ elements }, report) => {
  const asking = elements.filter(({ element }) => attributeOf(element, 'autofocus') !== null);
  for (const { element } of asking.slice(1))
    report({
      span: startOf(element),
      text: `${asking.length} fields ask for the focus on load; the first one gets it.`,
      remedy: 'Leave autofocus on one field.',
      mend: withoutAttribute(element, 'autofocus'),
    });
};

const loneRadio: Rule = (page, report) => {
  const alone = page.fields.filter(({ kind, controls }) => kind === 'radio' && controls.length === 1);
  const questionOf = (field: Field) => {
    const place = page.elementOf(field.controls[0]);
    return place ? wordsBefore(place) : '';
  };
  for (const field of alone) {
    const question = questionOf(field);
    const together = alone.filter((one) => questionOf(one) === question);
    report({
      field,
      span: placeOf(field.controls[0], 'name'),
      text: `The radio button ${field.label} is alone in its group: once chosen, it cannot be taken back.`,
      remedy: 'Give all choices of one question the same name.',
      mend: together.length > 1 ? namedTogether(together, question) : null,
    });
  }
};

const hintAsValue: Rule = (page, report) => {
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

const refusedDefault: Rule = (page, report) => {
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

const reversedLimits: Rule = (page, report) => {
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

const beyondGauge: Rule = (page, report) => {
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

const patternFaults: Rule = (page, report) => {
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
    if (reading.expression.test(''))
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

const hiddenLimit: Rule = (page, report) => {
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

const ignoredAttribute: Rule = (page, report) => {
  for (const field of page.fields)
    for (const control of field.controls)
      for (const { name, span } of control.attributes) {
        const entry = Object.hasOwn(attributeRegistry, name) ? attributeRegistry[name] : undefined;
        if (!entry || appliesTo(name, field.kind)) continue;
        report({
          field,
          span,
          text: `${name} does nothing on ${field.label}, a field of the kind ${field.kind}.`,
          remedy: instead(field.kind, name).trim() || 'Take it away, or change the kind.',
          mend: withAttributes(control, { [name]: null }),
        });
      }
};
const unknownType: Rule = (page, report) => {
  for (const field of page.fields) {
    const type = text(field, 'type');
    if (field.controls[0].element !== 'input' || type === null || type === '') continue;
    if (inputTypes.some((known) => known === type.toLowerCase())) continue;
    report({
      field,
      span: placeOf(field.controls[0], 'type'),
      text: `There is no input type “${type}”: ${field.label} is a plain text box everywhere.`,
      remedy: type.toLowerCase() === 'datetime' ? 'Use datetime-local.' : 'Use a type that there is.',
      mend:
        type.toLowerCase() === 'datetime'
          ? withAttributes(field.controls[0], { type: 'datetime-local' })
          : null,
    });
  }
};

const codeAsNumber: Rule = (page, report) => {
  for (const field of page.fields)
    if (
      field.kind === 'number' &&
      /\b(?:pin|code|card|serial|zip|postal|postcode)\b/i.test(`${field.label} ${field.name}`)
    )
      report({
        field,
        span: placeOf(field.controls[0], 'type'),
        text: `${field.label} is a code, not a number: zeros in front mean nothing to a number field, and it counts up and down.`,
        remedy: 'Use a text or password field with inputmode="numeric" and a pattern.',
        mend: asDigits(field),
      });
};

function asDigits({ label, name, controls: [control] }: Field): Mend {
  const most = attribute(control, 'maxlength');
  const isSecret = /\bpin\b/i.test(`${label} ${name}`);
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

const suggestionFaults: Rule = (page, report) => {
  for (const field of page.fields) {
    const list = text(field, 'list');
    if (list === null || !appliesTo('list', field.kind)) continue;
    const span = placeOf(field.controls[0], 'list');
    if (page.byId.get(list)?.tagName !== 'datalist') {
      report({
        field,
        span,
        text: `${field.label} names the list “${list}”, which is not there.`,
        remedy: 'Add a datalist with that id.',
      });
      continue;
    }
    const refused = (field.suggestions ?? []).filter((value) => {
      const state = fieldStateOf(field, { value, byPerson: true });
      return value !== '' && (state.currentValue !== value || validityOf(state).flags.length > 0);
    });
    if (refused.length > 0)
      report({
        field,
        span,
        text: `${field.label} refuses what its own list offers: “${refused[0]}”.`,
        remedy: 'Offer values that the field takes.',
      });
  }
};

const autocompleteFaults: Rule = (page, report) => {
  for (const field of page.fields) {
    const fault = autocompleteFault(field.controls[0]);
    if (fault)
      report({
        field,
        span: placeOf(field.controls[0], 'autocomplete'),
        text: `${field.label}: ${fault}`,
        remedy: 'Use a token of the standard that goes with the kind, or off.',
      });
  }
};

const silentSlider: Rule = (page, report) => {
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
        text: `The slider ${field.label} shows its value nowhere.`,
        remedy: 'Put an output beside it that a script keeps up to date.',
        mend: withReadout(control, fieldStateOf(field).currentValue),
      });
  }
};

const keypadLacks: Rule = (page, report) => {
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
        text: `${field.label} takes “${missing}”, and the keypad that inputmode="${inputmode}" asks for may not have it.`,
        remedy: 'Ask for a keyboard that has it, or leave inputmode away.',
        mend: withAttributes(field.controls[0], { inputmode: null }),
      });
  }
};

const keyHandlers: Rule = ({ elements, fields }, report) => {
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
        text: `A filter hangs on ${name}: it never sees what is pasted, dropped, dictated or typed on a phone.`,
        remedy: 'Listen to beforeinput, or check after input.',
      });
    }
};

const pickerOverPicker: Rule = (page, report) => {
  for (const field of page.fields) {
    if (!isDated(field.kind) && field.kind !== 'color') continue;
    const marked = field.controls[0].attributes.find(
      ({ name, value }) => /picker/i.test(name) || (name === 'class' && /picker/i.test(value)),
    );
    if (marked)
      report({
        field,
        span: marked.span,
        text: `${field.label} seems to get a picker by script over the one that browsers bring.`,
        remedy: 'Load it only where the kind is not known.',
        mend: /picker/i.test(marked.name) ? withAttributes(field.controls[0], { [marked.name]: null }) : null,
      });
  }
};

const sameButtons: Rule = ({ fields }, report) => {
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
        text: `${field.label} sends just what another button sends: the server cannot tell which one was pressed.`,
        remedy: 'Give both a name and different values, or another formaction.',
        mend: toldApart([other, field]),
      });
    told.set(key, other ?? field);
  }
};

const rules: Readonly<Record<string, Rule>> = {
  'no name': unnamed,
  'no label': unlabelled,
  'label for nothing': labelForNothing,
  'duplicate id': duplicateId,
  'focus asked for twice': manyFocus,
  'radio button alone': loneRadio,
  'hint as value': hintAsValue,
  'default refused': refusedDefault,
  'min above max': reversedLimits,
  'beyond its gauge': beyondGauge,
  pattern: patternFaults,
  'limit not shown': hiddenLimit,
  'attribute ignored': ignoredAttribute,
  'unknown type': unknownType,
  'code as number': codeAsNumber,
  suggestions: suggestionFaults,
  autocomplete: autocompleteFaults,
  'slider without readout': silentSlider,
  'keypad lacks a character': keypadLacks,
  'filter on keys': keyHandlers,
  'picker over picker': pickerOverPicker,
  'buttons alike': sameButtons,
};

/** Every rule, by its name. */
export const ruleNames: readonly string[] = Object.keys(rules);

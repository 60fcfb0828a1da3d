import { appliesTo } from '../html/attribute-registry';
import { type Field, type FieldKind, isDated, isTypedText } from '../html/field';
import { validityOf } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { arrowed } from '../standard/stepping';
import type { ValidityFlag } from '../standard/validity-flags';
import type { Target } from '../target/target';
import { type Language, plainVariant } from '../target/variant';
import { engineDeviations } from './deviations/engine-deviations';
import { habitsOf } from './deviations/habits';
import { admittedNumberText, numberFieldValue } from './deviations/number-filter';
import { validationMessage } from './validation-message';

/** Whose ways and words the model takes for a target. */
export interface Speaker {
  readonly engine: keyof typeof engineDeviations;
  readonly language: Language;
}

/** Null for targets that the model cannot speak for: this browser, remote endpoints, engines from which a kind is withheld. */
export function speakerFor(target: Target): Speaker | null {
  if (target.ask === 'engine') {
    if (target.withheld || !(target.engine in engineDeviations)) return null;
    return { engine: target.engine as keyof typeof engineDeviations, language: target.variant.language };
  }
  const habits = target.ask === 'model' ? habitsOf(target.id) : null;
  return habits && { engine: habits.deviations, language: plainVariant.language };
}

/** What becomes of a text that a person enters. */
export interface Tried {
  /** What the field holds then. */
  readonly value: string;
  readonly flags: readonly ValidityFlag[];
  /** False where nothing is checked. */
  readonly willValidate: boolean;
  /** In the target's own words; empty when nothing is wrong, null where they were not measured. */
  readonly message: string | null;
  /** Where an arrow key would go from there; null for all kinds but numbers: dates go by their parts, and ranges by what is drawn. */
  readonly arrows: { readonly up: string; readonly down: string } | null;
}

/** Whether a text can be entered into a field of this kind at all. */
export function takesText(kind: FieldKind): boolean {
  return isTypedText(kind) || isDated(kind) || kind === 'range' || kind === 'color';
}

/**
 * Enters a text as a person would, all at once; dates, colours and ranges as their values are written. Where it is too
 * long, the rest is not let in.
 */
export function tryValue(field: Field, text: string, { engine, language }: Speaker): Tried {
  const deviations = engineDeviations[engine];
  const { value, badInput } = entered(field, text, engine);
  const state = fieldStateOf(field, { value, byPerson: true, badInput }, deviations);
  const { flags, willValidate } = validityOf(state, deviations);
  const to = (direction: 1 | -1) => {
    const stepping = arrowed(state, direction, deviations);
    return stepping.status === 'value' ? stepping.value : state.currentValue;
  };
  return {
    value: state.currentValue,
    flags,
    willValidate,
    message: willValidate
      ? validationMessage(field, state, flags, { words: engine, deviations: engine }, language)
      : '',
    arrows: state.kind === 'number' ? { up: to(1), down: to(-1) } : null,
  };
}

function entered(
  field: Field,
  text: string,
  engine: Speaker['engine'],
): { readonly value: string; readonly badInput: boolean } {
  if (field.kind === 'number') {
    const left = engine === 'chromium' ? admittedNumberText('', '', text) : text;
    const value =
      engine === 'chromium' ? numberFieldValue(left) : engineDeviations[engine].sanitizeNumber(left);
    return { value, badInput: left !== '' && value === '' };
  }
  const [control] = field.controls;
  const most = appliesTo('maxlength', field.kind)
    ? parseNonNegativeInteger(control.attributes.find(({ name }) => name === 'maxlength')?.value ?? null)
    : null;
  return { value: most === null ? text : cut(text, most), badInput: false };
}

/** Never within a character of two code units. */
function cut(text: string, most: number): string {
  const short = text.slice(0, most);
  return /[\ud800-\udbff]$/.test(short) && short.length < text.length ? short.slice(0, -1) : short;
}

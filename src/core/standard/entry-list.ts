import { appliesTo } from '../html/attribute-registry';
import { type Direction, directionOfText } from '../html/direction';
import { isButton } from '../html/field';
import { type ControlState, idlValueOf } from './control-state';
import { type Deviations, noDeviations } from './deviations';
import { parseNonNegativeInteger } from './non-negative-integers';

/** A file that a person chose; `content` holds one byte a character. */
export interface ChosenFile {
  readonly name: string;
  readonly type: string;
  readonly content: string;
}

export interface Entry {
  readonly name: string;
  readonly value: string | ChosenFile;
  /** The control that the entry is from. */
  readonly ordinal: number;
}

/** Why a control of a form puts nothing into the entry list. */
export type Unsent =
  | 'disabled'
  | 'in a datalist'
  | 'a button that was not pressed'
  | 'not checked'
  | 'no name'
  | 'nothing chosen'
  | 'never sent';

export interface EntryListParameters {
  /** Ordinal of the button that was pressed, or null when a script or the keyboard sends. */
  readonly submitter: number | null;
  /** Name of the encoding that the form is sent in. */
  readonly encoding: string;
  /** Files by the ordinal of their control. */
  readonly files?: ReadonlyMap<number, readonly ChosenFile[]>;
  /** Where in an image button it was clicked, CSS px from its corner. */
  readonly clickedAt?: { readonly x: number; readonly y: number };
}

/**
 * HTML Standard, "Constructing the entry list".
 * @param controls the controls that the form owns, in tree order
 */
export function constructEntryList(
  controls: readonly ControlState[],
  parameters: EntryListParameters,
  deviations: Deviations = noDeviations,
): Entry[] {
  return controls.flatMap((state) =>
    whyUnsent(state, parameters, deviations) === null
      ? entriesOf(state, parameters, deviations)
      : deviations.strayDirections(state).map((name) => directionEntry(state, name)),
  );
}

/** @returns null when the control is sent. */
export function whyUnsent(
  state: ControlState,
  { submitter }: Pick<EntryListParameters, 'submitter'>,
  deviations: Deviations = noDeviations,
): Unsent | null {
  const { control, kind, attributes } = state;
  if (['meter', 'progress', 'output', 'widget'].includes(control.element)) return 'never sent';
  if (kind === 'reset' || kind === 'button') return 'never sent';
  if (control.inDatalist && !deviations.sendsFromDatalist) return 'in a datalist';
  if ('disabled' in attributes || control.disabledByFieldset) return 'disabled';
  if (isButton(kind)) {
    if (control.ordinal !== submitter) return 'a button that was not pressed';
    return kind === 'image' || attributes.name ? null : 'no name';
  }
  if ((kind === 'checkbox' || kind === 'radio') && !state.checked) return 'not checked';
  if (!attributes.name) return 'no name';
  if (kind === 'select' && sentOptions(state).length === 0) return 'nothing chosen';
  return null;
}

function sentOptions({ control, selected }: ControlState): string[] {
  return selected.flatMap((index) => {
    const option = control.options[index];
    return option && !option.disabled ? [option.value] : [];
  });
}

function entriesOf(state: ControlState, parameters: EntryListParameters, deviations: Deviations): Entry[] {
  const { control, kind, attributes } = state;
  const { ordinal } = control;
  const name = attributes.name ?? '';
  const one = (value: string | ChosenFile): Entry => ({ name, value, ordinal });
  if (kind === 'image') {
    const { x, y } = parameters.clickedAt ?? { x: 0, y: 0 };
    const prefix = name === '' ? '' : `${name}.`;
    return [
      { name: `${prefix}x`, value: String(x), ordinal },
      { name: `${prefix}y`, value: String(y), ordinal },
    ];
  }
  if (kind === 'select') return sentOptions(state).map(one);
  if (kind === 'file') {
    const files = parameters.files?.get(ordinal) ?? [];
    return files.length > 0
      ? files.map(one)
      : [one({ name: '', type: 'application/octet-stream', content: '' })];
  }
  if (kind === 'hidden' && name.toLowerCase() === '_charset_') return [one(parameters.encoding)];
  return [one(sentValue(state, deviations)), ...directionOfField(state, deviations)];
}

function sentValue(state: ControlState, deviations: Deviations): string {
  const value = idlValueOf(state);
  if (state.kind === 'email') return deviations.sentEmail(value, 'multiple' in state.attributes);
  if (state.kind !== 'textarea' || state.attributes.wrap?.toLowerCase() !== 'hard') return value;
  return deviations.hardWrap(value, parseNonNegativeInteger(state.attributes.cols ?? null) || 20);
}

function directionOfField(state: ControlState, deviations: Deviations): Entry[] {
  const name = state.attributes.dirname;
  if (name === undefined || (name === '' && !deviations.sendsEmptyDirname)) return [];
  const applies = appliesTo('dirname', state.kind);
  return applies ? [directionEntry(state, name)] : [];
}

function directionEntry(state: ControlState, name: string): Entry {
  return { name, value: directionOfControl(state), ordinal: state.control.ordinal };
}

/** HTML Standard, "The dir attribute", the directionality of a control. */
function directionOfControl(state: ControlState): Direction {
  const dir = state.attributes.dir?.toLowerCase();
  if (dir === 'ltr' || dir === 'rtl') return dir;
  if (dir === 'auto') return directionOfText(idlValueOf(state)) ?? 'ltr';
  return state.kind === 'tel' ? 'ltr' : state.control.direction;
}

import { pageOf } from '../html/page-controls';
import { graphemes } from '../script/graphemes';
import { isModifierKey, isNamedKey, type KeyStroke, type Stroke } from '../script/stroke';
import { validityOf } from '../standard/constraint-validation';
import { type ControlState, idlValueOf } from '../standard/control-state';
import { constraintsInGroup, radioGroupOf } from '../standard/radio-group';
import { engineDeviations } from './deviations/engine-deviations';
import { drivenTyping } from './deviations/typing-habits';
import type { RaisedEvent } from './typing/event-log';
import { ToggleControl } from './typing/toggle-control';
import type { TypedControl } from './typing/typed-control';
import { placeIn } from './typing/typing-place';
import { Typist } from './typing/typist';
import type { AskedEvent, TypingAnswer, TypingQuestion } from './typing-question';

/** Most Tab presses until the focus is taken to stay for ever. */
const mostTabs = 12;

/**
 * What an engine makes of keys that its driver sends, and then of Tab until the focus leaves.
 * @param now when they are sent
 * @returns null when the markup has no form control with the id `t`; the first of the keys that is none.
 */
export function answerTyping(
  question: TypingQuestion,
  engine: keyof typeof engineDeviations,
  now: Date,
): TypingAnswer | { readonly unknownKey: string } | null {
  const deviations = engineDeviations[engine];
  const place = placeIn(pageOf(question.html), ({ attributes }) => attributes.id === 't', deviations);
  if (!place) return null;
  const { own, page } = place;
  const strokes = question.keys.map(strokeOfKey);
  const unknownKey = question.keys.find((_, index) => strokes[index] === null);
  if (unknownKey !== undefined) return { unknownKey };
  const typist = new Typist(place, drivenTyping(engine), deviations, [], now);
  const events: RaisedEvent[] = [];
  const refused: number[] = [];
  if (typist.focus(question.focus)) {
    for (const [index, stroke] of strokes.entries()) {
      if (stroke && typist.stroke(stroke).refused) refused.push(index);
    }
    for (let tab = 0; tab < mostTabs && typist.hasFocus; tab++) typist.stroke({ kind: 'key', key: 'Tab' });
    events.push(...typist.takeEvents());
  }
  const { control } = typist;
  const constraints = constraintsInGroup(control.state, groupNow(own, page, control), deviations);
  const { flags } = validityOf(
    { ...constraints, editedByPerson: control.editedByPerson, badInput: control.badInput },
    deviations,
  );
  return {
    value: control instanceof ToggleControl ? idlValueOf(control.state) : control.value,
    badInput: flags.includes('badInput'),
    valid: flags.length === 0,
    flags,
    events: events.map(asked),
    refused,
    ...(control instanceof ToggleControl && {
      checked: own.kind === 'radio' ? control.chosen : control.state.checked,
    }),
  };
}

/** The group of a radio button as it is now. */
function groupNow(own: ControlState, page: readonly ControlState[], control: TypedControl) {
  return control instanceof ToggleControl ? control.states : radioGroupOf(own, page);
}

/** A key as the batch format writes it; null for what is none. */
export function strokeOfKey(text: string): Stroke | null {
  const [, phase] = /^(down|up):(?=.)/su.exec(text) ?? [];
  const rest = phase ? text.slice(phase.length + 1) : text;
  const parts = rest.length > 1 ? rest.split(/\+(?=.)/su) : [rest];
  const key = parts.at(-1) === 'Space' ? ' ' : (parts.at(-1) ?? '');
  const modifiers = parts.slice(0, -1);
  if (!modifiers.every(isModifierKey) || !(isNamedKey(key) || graphemes(key).length === 1)) return null;
  if (phase === 'down' || phase === 'up') return modifiers.length === 0 ? { kind: phase, key } : null;
  return { kind: 'key', key, modifiers: modifiers as NonNullable<KeyStroke['modifiers']> };
}

function asked({ type, key, inputType, data, value, on }: RaisedEvent): AskedEvent {
  return type === 'submit' || on !== null
    ? [type, key, inputType, data, value, on]
    : [type, key, inputType, data, value];
}

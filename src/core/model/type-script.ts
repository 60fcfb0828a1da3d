import { attribute, type Field, hasAttribute, tellsSelection } from '../form/field';
import { decideBeforeInsert, type Guard } from '../guard/guard';
import type { EventRecord, RecordedEvent } from '../observation/event-record';
import type { TypingFacts, TypingStep } from '../observation/observation';
import {
  bufferOf,
  deleteBackward,
  deleteForward,
  type EditingBuffer,
  insertText,
  isCaretKey,
  moveCaret,
} from '../script/editing-buffer';
import { isNamedKey, type Script } from '../script/stroke';
import { parseNonNegativeInteger } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import type { Habits } from '../target/habits';
import { admittedNumberText, numberFieldValue } from './number-filter';

/** What the model knows of a field while a script is typed into it. */
interface Typing {
  readonly field: Field;
  readonly habits: Habits;
  readonly guards: readonly Guard[];
  readonly valueOf: (text: string) => string;
  readonly maxlength: number | null;
  readonly mutable: boolean;
  buffer: EditingBuffer;
  focused: boolean;
  /** The value at the last change event, or at focus. */
  committed: string;
  /** A person changed the text since then. */
  touched: boolean;
}

/**
 * Types a script into a field as a target with these habits would: focus by script, then one stroke after another.
 * Follows UI Events ("Keyboard event types") and Input Events ("beforeinput", "input") for the order of events.
 */
export function typeScript(
  field: Field,
  script: Script,
  guards: readonly Guard[],
  habits: Habits,
): TypingFacts {
  const typing = begin(field, guards, habits);
  const first = typing.focused ? [eventOf(typing, 'focus')] : [];
  const steps = script.map((stroke, index): TypingStep => {
    const before = typing.buffer;
    const done = typing.focused ? press(typing, stroke.key) : { refused: null, guard: null, events: [] };
    return {
      ...done,
      text: typing.buffer.text,
      caret: { start: typing.buffer.start, end: typing.buffer.end },
      value: typing.valueOf(typing.buffer.text),
      events:
        index === 0
          ? [...first.map((e) => ({ ...e, value: typing.valueOf(before.text) })), ...done.events]
          : done.events,
    };
  });
  return { script, guards, followed: !tellsSelection(field.kind), steps };
}

function begin(field: Field, guards: readonly Guard[], habits: Habits): Typing {
  const state = fieldStateOf(field);
  const text = state.currentValue;
  const at = habits.caretOnFocus === 'start' ? 0 : text.length;
  const [control] = field.controls;
  return {
    field,
    habits,
    guards,
    valueOf: (typed) =>
      field.kind === 'number' && habits.numberFilter === 'keeps out'
        ? numberFieldValue(typed)
        : fieldStateOf(field, { value: typed, byPerson: true }).currentValue,
    maxlength: field.kind === 'number' ? null : parseNonNegativeInteger(attribute(control, 'maxlength')),
    mutable: !state.readonly && !state.disabled,
    buffer: { text, start: at, end: at },
    focused: !state.disabled && !hasAttribute(control, 'hidden'),
    committed: text,
    touched: false,
  };
}

type Pressed = Pick<TypingStep, 'refused' | 'guard' | 'events'>;

function press(typing: Typing, key: string): Pressed {
  if (key === 'Tab') return leave(typing);
  if (key === 'Backspace' || key === 'Delete') return erase(typing, key);
  if (isCaretKey(key)) return move(typing, key);
  if (key === 'Escape' && typing.field.kind === 'search') return clear(typing);
  if (isNamedKey(key)) return passive(typing, key);
  return character(typing, key);
}

function passive(typing: Typing, key: string): Pressed {
  return {
    refused: null,
    guard: null,
    events: [eventOf(typing, 'keydown', { key }), eventOf(typing, 'keyup', { key })],
  };
}

/** Escape empties a search field, as its clear button does. */
function clear(typing: Typing): Pressed {
  const events = [eventOf(typing, 'keydown', { key: 'Escape' })];
  if (typing.mutable && typing.buffer.text !== '') {
    edit(typing, bufferOf(''));
    events.push(eventOf(typing, 'input'));
  }
  return { refused: null, guard: null, events: [...events, eventOf(typing, 'keyup', { key: 'Escape' })] };
}

function move(typing: Typing, key: Parameters<typeof moveCaret>[1]): Pressed {
  const down = eventOf(typing, 'keydown', { key });
  // A read-only field shows no caret, and caret keys do not move one (asked of Chromium 156).
  if (typing.mutable) typing.buffer = moveInLine(typing, key);
  return { refused: null, guard: null, events: [down, eventOf(typing, 'keyup', { key })] };
}

/** In a textarea Home and End stop at the line's ends; here a line is what stands between line feeds, however it wraps. */
function moveInLine({ field, buffer }: Typing, key: Parameters<typeof moveCaret>[1]): EditingBuffer {
  if (field.kind !== 'textarea' || (key !== 'Home' && key !== 'End')) return moveCaret(buffer, key);
  const lineEnd = buffer.text.indexOf('\n', buffer.end);
  const at =
    key === 'Home'
      ? buffer.text.lastIndexOf('\n', buffer.start - 1) + 1
      : lineEnd === -1
        ? buffer.text.length
        : lineEnd;
  return { text: buffer.text, start: at, end: at };
}

function leave(typing: Typing): Pressed {
  const events = [eventOf(typing, 'keydown', { key: 'Tab' })];
  const value = typing.valueOf(typing.buffer.text);
  if (typing.touched && value !== typing.committed) events.push(eventOf(typing, 'change'));
  events.push(eventOf(typing, 'blur'));
  typing.focused = false;
  return { refused: null, guard: null, events };
}

function erase(typing: Typing, key: 'Backspace' | 'Delete'): Pressed {
  const inputType = key === 'Backspace' ? 'deleteContentBackward' : 'deleteContentForward';
  const shown = shownKey(typing, key);
  const events = [eventOf(typing, 'keydown', { key: shown })];
  if (typing.mutable) {
    events.push(eventOf(typing, 'beforeinput', { inputType }));
    const next = key === 'Backspace' ? deleteBackward(typing.buffer) : deleteForward(typing.buffer);
    if (next.text !== typing.buffer.text) {
      edit(typing, next);
      events.push(eventOf(typing, 'input', { inputType }));
    }
  }
  return { refused: null, guard: null, events: [...events, eventOf(typing, 'keyup', { key: shown })] };
}

function character(typing: Typing, key: string): Pressed {
  const shown = shownKey(typing, key);
  const events = [eventOf(typing, 'keydown', { key: shown })];
  if (typing.habits.keys === 'hardware') events.push(eventOf(typing, 'keypress', { key }));
  const about = { inputType: 'insertText', data: key };
  const planned = insertText(typing.buffer, key);
  const decision = decideBeforeInsert(typing.guards, {
    oldText: typing.buffer.text,
    newText: planned.text,
    inserted: key,
  });
  events.push(eventOf(typing, 'beforeinput', { ...about, prevented: !decision.pass }));
  const left = decision.pass && typing.mutable ? admitted(typing, key) : '';
  if (left !== '') {
    edit(typing, insertText(typing.buffer, left));
    events.push(eventOf(typing, 'input', { inputType: 'insertText', data: left }));
  }
  events.push(eventOf(typing, 'keyup', { key: shown }));
  return {
    refused: !decision.pass ? 'guard' : left === '' ? 'target' : null,
    guard: decision.pass ? null : decision.guard,
    events,
  };
}

/** What the target itself lets in: the kind's filter, then the room that maxlength leaves (never half a grapheme). */
function admitted({ field, habits, buffer, maxlength }: Typing, key: string): string {
  const { text, start, end } = buffer;
  const filters = field.kind === 'number' && habits.numberFilter === 'keeps out';
  const kept = filters ? admittedNumberText(text.slice(0, start), text.slice(end), key) : key;
  const length = insertText(buffer, kept).text.length;
  return maxlength !== null && length > maxlength ? '' : kept;
}

function edit(typing: Typing, next: EditingBuffer): void {
  typing.buffer = next;
  typing.touched = true;
}

/** UI Events, "Key events and input methods": under a soft keyboard the page is told of a key, not of which. */
function shownKey({ habits }: Typing, key: string): string {
  return habits.keys === 'soft' && key !== 'Backspace' ? 'Unidentified' : key;
}

function eventOf(
  typing: Typing,
  type: RecordedEvent,
  detail: Partial<Pick<EventRecord, 'key' | 'inputType' | 'data' | 'prevented'>> = {},
): EventRecord {
  return {
    type,
    key: detail.key ?? null,
    code: null,
    inputType: detail.inputType ?? null,
    data: detail.data ?? null,
    value: typing.valueOf(typing.buffer.text),
    trusted: true,
    prevented: detail.prevented ?? false,
  };
}

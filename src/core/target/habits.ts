import type { FieldKind } from '../form/field';
import type { ControlPart } from '../observation/observation';
import { type TargetId, targetId } from './target';

/** How a target goes about what the standard leaves open, as data; the model computes with it. */
export interface Habits {
  readonly parts: Readonly<Partial<Record<FieldKind, readonly ControlPart[]>>>;
  /** Whose words the validation messages are in; null when they are not known. */
  readonly words: 'chromium' | 'firefox' | 'webkit' | null;
  /** Whose ways with values, constraints and submission it has, by the engine's name in `core/model/engine-ways.ts`. */
  readonly ways: 'chromium' | 'firefox' | 'webkit';
  /** What a number field does with characters that no number has. */
  readonly numberFilter: 'keeps out' | 'lets in';
  /** How a typed character reaches the page. */
  readonly keys: 'hardware' | 'soft';
  /** Where the caret stands after a script gave focus to a filled field. */
  readonly caretOnFocus: 'start' | 'end';
  /** Where this is known from, in words for people. */
  readonly source: string;
}

const common: Habits['parts'] = {
  text: ['text box'],
  search: ['text box', 'clear button'],
  tel: ['text box'],
  url: ['text box'],
  email: ['text box'],
  password: ['text box'],
  range: ['slider'],
  color: ['swatch'],
  checkbox: ['check mark'],
  radio: ['radio mark'],
  file: ['button', 'text'],
  submit: ['button'],
  reset: ['button'],
  button: ['button'],
  image: ['button'],
  select: ['list', 'text'],
  textarea: ['text area'],
  meter: ['bar'],
  progress: ['bar'],
  output: ['text'],
};

const desktopBlink: Habits = {
  parts: {
    ...common,
    date: ['text box', 'picker button'],
    month: ['text box', 'picker button'],
    week: ['text box', 'picker button'],
    time: ['text box', 'picker button'],
    'datetime-local': ['text box', 'picker button'],
    number: ['text box', 'spin button'],
  },
  words: 'chromium',
  ways: 'chromium',
  numberFilter: 'keeps out',
  keys: 'hardware',
  caretOnFocus: 'start',
  source: 'the desktop Blink engine as asked on Debian 12',
};

const phoneBlink: Habits = {
  ...desktopBlink,
  parts: {
    ...common,
    date: ['text', 'list'],
    month: ['text', 'list'],
    week: ['text', 'list'],
    time: ['text', 'list'],
    'datetime-local': ['text', 'list'],
    number: ['text box'],
  },
  keys: 'soft',
  source:
    'the desktop Blink engine for values and words, and the UI Events rules for keys under an input method; not checked on a device',
};

const habits: Readonly<Record<TargetId, Habits>> = {
  [targetId('chromium')]: desktopBlink,
  [targetId('blink-phone')]: phoneBlink,
};

/** Null for targets that the model cannot speak for. */
export function habitsOf(target: TargetId): Habits | null {
  return Object.hasOwn(habits, target) ? (habits[target] ?? null) : null;
}

import type { ControlPart } from '../../html/control-part';
import type { FieldKind } from '../../html/field';
import { type TargetId, targetId } from '../../target/target';
import { drivenTyping, nativeTyping, phoneTyping, type TypingHabits } from './typing-habits';

/** How a target goes about what the standard leaves open, as data; the model computes with it. */
export interface Habits {
  readonly parts: Readonly<Partial<Record<FieldKind, readonly ControlPart[]>>>;
  /** Whose words the validation messages are in; null when they are not known. */
  readonly words: 'chromium' | 'firefox' | 'webkit' | null;
  /** Whose ways with values, constraints and submission it has, by the engine's name in `core/model/deviations/engine-deviations.ts`. */
  readonly deviations: 'chromium' | 'firefox' | 'webkit';
  /** What it does with strokes. */
  readonly typing: TypingHabits;
  /** Where this is known from, in words for people. */
  readonly source: string;
}

/** Who is typed into, and when: dates that are empty begin with today. */
export interface TypedAt extends Pick<Habits, 'deviations' | 'typing'> {
  readonly now: Date;
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
  deviations: 'chromium',
  typing: drivenTyping('chromium'),
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
  typing: phoneTyping.composing,
  source:
    'the desktop Blink engine for values and words, and the UI Events rules for keys under an input method; not checked on a device',
};

const desktopGecko: Habits = {
  ...desktopBlink,
  parts: {
    ...desktopBlink.parts,
    month: ['text box'],
    week: ['text box'],
    time: ['text box'],
  },
  words: 'firefox',
  deviations: 'firefox',
  typing: drivenTyping('firefox'),
  source: 'the desktop Gecko engine as asked on Debian 12, with keys as its driver sends them',
};

const desktopWebkit: Habits = {
  ...desktopBlink,
  parts: { ...desktopBlink.parts, week: ['text box'], number: ['text box', 'spin button'] },
  words: 'webkit',
  deviations: 'webkit',
  typing: drivenTyping('webkit'),
  source: 'the WebKitGTK engine as asked on Debian 12, with keys as its driver sends them',
};

const phoneWebkit: Habits = {
  ...phoneBlink,
  words: null,
  deviations: 'webkit',
  typing: phoneTyping.inserting,
  source: 'WebKitGTK for values, and UI Events for soft keys that insert at once; not checked on a device',
};

const native: Habits = {
  ...desktopBlink,
  parts: {},
  words: null,
  typing: nativeTyping.phone,
  source:
    'what native text fields commonly tell their app: a change from one text to another; not checked on a device',
};

const habits: Readonly<Record<TargetId, Habits>> = {
  [targetId('chromium')]: desktopBlink,
  [targetId('firefox')]: desktopGecko,
  [targetId('webkit')]: desktopWebkit,
  [targetId('blink-phone')]: phoneBlink,
  [targetId('webkit-phone')]: phoneWebkit,
  [targetId('blink-tablet')]: phoneBlink,
  [targetId('webkit-tablet')]: phoneWebkit,
  [targetId('native-phone-field')]: native,
  [targetId('native-ios-field')]: native,
  [targetId('app-toolkit-field')]: { ...native, typing: nativeTyping.appToolkit },
  [targetId('desktop-toolkit-field')]: { ...native, typing: nativeTyping.desktopToolkit },
};

/** A field of a native app draws, checks and sends nothing of a form; it only takes strokes. */
export function isNativeField({ typing }: Pick<Habits, 'typing'>): boolean {
  return typing.tells === 'text changes';
}

/** Null for targets that the model cannot speak for. */
export function habitsOf(target: TargetId): Habits | null {
  return Object.hasOwn(habits, target) ? (habits[target] ?? null) : null;
}

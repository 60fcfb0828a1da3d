import { type EnterKeyHint, enterKeyHints } from './input-traits';
import type { KeyboardHabits } from './keyboard-habits';
import type { Known } from './known';

export type HabitValue = boolean | number | string;

/** What a habit can be. */
export type HabitRange =
  | { readonly is: 'yes or no' }
  | { readonly is: 'one of'; readonly choices: readonly string[] }
  /** Code points. */
  | { readonly is: 'text'; readonly most: number }
  | { readonly is: 'number'; readonly most: number; readonly unit: string };

/** One habit of a target, to be looked at and corrected by itself. */
export interface SingleHabit {
  readonly id: string;
  readonly label: string;
  readonly part: 'action key' | 'text' | 'field' | 'above the keys';
  readonly range: HabitRange;
  read(habits: KeyboardHabits): HabitValue;
  with(habits: KeyboardHabits, value: HabitValue): KeyboardHabits;
}

const yesOrNo: HabitRange = { is: 'yes or no' };
const parts = { action: 'action key', text: 'text', decoration: 'field' } as const;
/** How ids of habits begin: corrections are kept under them, and what people have stays readable. */
const idOf: Readonly<Record<keyof typeof parts, string>> = {
  action: 'action',
  text: 'text',
  decoration: 'dress',
};

function single<Part extends keyof typeof parts, Name extends keyof KeyboardHabits[Part] & string>(
  part: Part,
  name: Name,
  label: string,
  range: HabitRange = yesOrNo,
): SingleHabit {
  return {
    id: `${idOf[part]}.${name}`,
    label,
    part: parts[part],
    range,
    read: (habits) => habits[part][name] as HabitValue,
    with: (habits, value) => ({ ...habits, [part]: { ...habits[part], [name]: value } }),
  };
}

function label(hint: EnterKeyHint): SingleHabit {
  return {
    id: `action.label.${hint}`,
    label: `“${hint}” reads`,
    part: 'action key',
    range: { is: 'text', most: 12 },
    read: ({ action }) => action.labels[hint],
    with: (habits, value) => ({
      ...habits,
      action: { ...habits.action, labels: { ...habits.action.labels, [hint]: String(value) } },
    }),
  };
}

const throughTheForm: SingleHabit = {
  id: 'accessory',
  label: 'previous, next and done are above the keys',
  part: 'above the keys',
  range: yesOrNo,
  read: ({ accessory }) => accessory.length > 0,
  with: (habits, value) => ({ ...habits, accessory: value ? ['previous', 'next', 'done'] : [] }),
};

/** Every habit of a keyboard besides which one comes up and which keys it has. */
export const singleHabits: readonly SingleHabit[] = [
  single('action', 'takesHint', 'enterkeyhint changes its name'),
  single('action', 'nextWhereMoreFollow', 'it is “next” where a field follows'),
  single('action', 'otherwise', 'else it is', { is: 'one of', choices: enterKeyHints }),
  single('action', 'hintMoves', '“next” and “previous” move the focus'),
  single('action', 'doneOnlyCloses', '“done” only puts the keyboard away'),
  single('action', 'whenNotAccepted', 'an entry that is not accepted: keyboard', {
    is: 'one of',
    choices: ['kept', 'put away'],
  }),
  ...enterKeyHints.map(label),
  single('text', 'capitalizes', 'capitals come by themselves'),
  single('text', 'doubleSpace', 'two spaces become a full stop'),
  single('text', 'smartPunctuation', 'quotation marks and dashes are put right'),
  single('text', 'predicts', 'words are proposed'),
  single('text', 'autocompleteStopsWords', 'none where autocomplete is off'),
  single('text', 'autocorrectStopsWords', 'none where autocorrect is off'),
  single('text', 'mask', 'shown for each character of a secret', { is: 'text', most: 1 }),
  single('text', 'revealed', 'its last character is shown for', { is: 'number', most: 10_000, unit: 'ms' }),
  single('decoration', 'floatingLabel', 'the label is in the field, and above the text in it'),
  single('decoration', 'affixes', 'a prefix and a suffix are shown'),
  single('decoration', 'atLimit', 'at a length limit', { is: 'one of', choices: ['stops', 'only warns'] }),
  throughTheForm,
];

/** Where a single habit is known from: the person who saw it, or the source of its part. */
export function knownOf(
  { id, part }: SingleHabit,
  { seen, action, text, decoration }: KeyboardHabits,
): Known {
  const own = Object.hasOwn(seen.habits, id) ? seen.habits[id] : undefined;
  return own ?? (part === 'text' ? text : part === 'field' ? decoration : action).known;
}

/** The habits with one of them as somebody saw it; unchanged where such a value cannot be. */
export function withHabit(habits: KeyboardHabits, id: string, value: unknown, known: Known): KeyboardHabits {
  const habit = singleHabits.find((one) => one.id === id);
  if (!habit || !isIn(habit.range, value)) return habits;
  const seen = { ...habits.seen, habits: { ...habits.seen.habits, [id]: known } };
  return { ...habit.with(habits, value), seen };
}

function isIn(range: HabitRange, value: unknown): value is HabitValue {
  switch (range.is) {
    case 'yes or no':
      return typeof value === 'boolean';
    case 'one of':
      return range.choices.some((one) => one === value);
    case 'text':
      return typeof value === 'string' && value !== '' && Array.from(value).length <= range.most;
    case 'number':
      return typeof value === 'number' && value >= 0 && value <= range.most;
  }
}

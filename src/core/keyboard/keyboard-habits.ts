import type { Field } from '../html/field';
import type { AccessoryKey } from './action-key';
import type { EnterKeyHint, InputMode, InputPurpose, InputTraits } from './input-traits';
import type { KeyboardFamily, KeyboardSort } from './keyboards';
import type { KeysSeen } from './keys-seen';
import type { Known } from './known';

/** What comes up when a field gets the focus. */
export type Brings =
  | { readonly up: 'keyboard'; readonly sort: KeyboardSort }
  /** Wheels, a calendar, a list: nothing is typed. */
  | { readonly up: 'picker'; readonly what: string }
  | { readonly up: 'nothing' };

/** One rule of a target: the first that fits a field says what it brings. What is not given fits every field. */
export interface BringsRule {
  readonly kinds?: readonly Field['kind'][];
  /** Null: none is given. */
  readonly inputmodes?: readonly (InputMode | null)[];
  readonly digitsPattern?: true;
  readonly readonly?: true;
  readonly entries?: readonly InputPurpose[];
  readonly brings: Brings;
  readonly known: Known;
}

/** What the action key is called when the field does not say, and what it then does. */
export interface ActionHabits {
  /** Whether `enterkeyhint` changes what the key is called. */
  readonly takesHint: boolean;
  /** Called `next` where another field follows; else by the default. */
  readonly nextWhereMoreFollow: boolean;
  readonly otherwise: EnterKeyHint;
  /** Words on the key, by what it is called. */
  readonly labels: Readonly<Record<EnterKeyHint, string>>;
  /** `next` and `previous` go to another field; else they are words alone, and the key is Enter. */
  readonly hintMoves: boolean;
  /** `done` puts the keyboard away and sends nothing. */
  readonly doneOnlyCloses: boolean;
  /** Where an entry is not accepted yet, what becomes of the keyboard when the action key asks to send. */
  readonly whenNotAccepted: 'kept' | 'put away';
  readonly known: Known;
}

/** What changes the text on its way from the key to the field. */
export interface TextHabits {
  readonly capitalizes: boolean;
  /** Two spaces become a full stop and a space. */
  readonly doubleSpace: boolean;
  /** Straight quotation marks and double hyphens become typographic ones. */
  readonly smartPunctuation: boolean;
  /** Words are proposed while typing, and the one chosen comes with a space. */
  readonly predicts: boolean;
  /** `autocomplete="off"` keeps them away. */
  readonly autocompleteStopsWords: boolean;
  /** `autocorrect="off"` keeps them away. */
  readonly autocorrectStopsWords: boolean;
  /** What stands for each character of a secret, and for how long the last one is shown, ms; 0: never. */
  readonly mask: string;
  readonly revealed: number;
  readonly known: Known;
}

/** How a field is dressed in a target, besides its text. */
export interface DecorationHabits {
  /** The label stands in the field where the text will be, and moves up above it once the field has the focus or a text. */
  readonly floatingLabel: boolean;
  /** What an app may show before and behind the text that is no part of it. */
  readonly affixes: boolean;
  /** At a length limit: no more comes in, or more comes in and a counter warns. */
  readonly atLimit: 'stops' | 'only warns';
  readonly known: Known;
}

export interface KeyboardHabits {
  readonly family: KeyboardFamily;
  /** In the order in which they are tried. */
  readonly rules: readonly BringsRule[];
  /** What a person or a device saw otherwise: keyboards that come up, keys that are on them, and single habits by their id. */
  readonly seen: {
    readonly rules: readonly BringsRule[];
    readonly keys: readonly KeysSeen[];
    readonly habits: Readonly<Record<string, Known>>;
  };
  readonly action: ActionHabits;
  readonly text: TextHabits;
  readonly decoration: DecorationHabits;
  /** Keys above the keyboard. */
  readonly accessory: readonly AccessoryKey[];
}

const remembered = (source: string): Known => ({ source, sure: 'remembered' });
const documented = (source: string): Known => ({ source, sure: 'documented' });

const html = documented('HTML Standard, “Input modalities: the inputmode attribute”');
const notes = remembered('Developers’ notes of the platform, as remembered; not checked on a device');

const keyboard = (sort: KeyboardSort): Brings => ({ up: 'keyboard', sort });
const picker = (what: string): Brings => ({ up: 'picker', what });
const nothing: Brings = { up: 'nothing' };

/** Kinds in which nothing is typed, the same on all phones. */
const untyped: readonly BringsRule[] = [
  {
    kinds: ['checkbox', 'radio', 'range', 'submit', 'reset', 'button', 'image'],
    brings: nothing,
    known: html,
  },
  { kinds: ['hidden', 'meter', 'progress', 'output'], brings: nothing, known: html },
  { kinds: ['file'], brings: picker('a choice of camera and files'), known: notes },
  { kinds: ['color'], brings: picker('a choice of colours'), known: notes },
  { kinds: ['select'], brings: picker('a list'), known: notes },
];

const modes = (sorts: Readonly<Partial<Record<InputMode, KeyboardSort>>>): BringsRule[] => [
  { inputmodes: ['none'], brings: nothing, known: html },
  ...Object.entries(sorts).map(([mode, sort]) => ({
    inputmodes: [mode as InputMode],
    brings: keyboard(sort),
    known: notes,
  })),
];

const kinds = (sorts: Readonly<Partial<Record<Field['kind'], KeyboardSort>>>): BringsRule[] =>
  Object.entries(sorts).map(([kind, sort]) => ({
    kinds: [kind as Field['kind']],
    brings: keyboard(sort),
    known: notes,
  }));

const everyMode = {
  text: 'letters',
  search: 'letters',
  email: 'letters for e-mail',
  url: 'letters for addresses',
} as const;
const addressKinds = { email: 'letters for e-mail', url: 'letters for addresses' } as const;
const letters: BringsRule = { brings: keyboard('letters'), known: notes };

const blinkRules: readonly BringsRule[] = [
  ...untyped,
  {
    kinds: ['date', 'month', 'week', 'time', 'datetime-local'],
    brings: picker('a calendar or a clock'),
    known: notes,
  },
  { readonly: true, brings: nothing, known: notes },
  ...modes({ ...everyMode, tel: 'telephone', numeric: 'digits', decimal: 'numbers' }),
  ...kinds({ ...addressKinds, tel: 'telephone', number: 'numbers' }),
  letters,
];

const webkitRules = (
  pads: Readonly<{ digits: KeyboardSort; numbers: KeyboardSort; telephone: KeyboardSort }>,
): readonly BringsRule[] => [
  ...untyped,
  { kinds: ['week'], brings: picker('wheels'), known: notes },
  {
    kinds: ['date', 'month', 'time', 'datetime-local'],
    brings: picker('a calendar or wheels'),
    known: notes,
  },
  { readonly: true, brings: nothing, known: notes },
  ...modes({ ...everyMode, tel: pads.telephone, numeric: pads.digits, decimal: pads.numbers }),
  ...kinds({ ...addressKinds, tel: pads.telephone }),
  {
    kinds: ['number'],
    digitsPattern: true,
    brings: keyboard(pads.digits),
    known: remembered(
      'A pattern of digits alone on a number or text field, as remembered from before inputmode was there',
    ),
  },
  { kinds: ['number'], brings: keyboard('letters, from the numbers'), known: notes },
  {
    kinds: ['text', 'password', 'search'],
    digitsPattern: true,
    brings: keyboard(pads.digits),
    known: remembered(
      'A pattern of digits alone on a number or text field, as remembered from before inputmode was there',
    ),
  },
  letters,
];

const entry = (entries: readonly InputPurpose[], brings: Brings): BringsRule => ({
  entries,
  brings,
  known: notes,
});

const nativeRules = (signed: KeyboardSort): readonly BringsRule[] => [
  ...untyped,
  entry(['date'], picker('a calendar or wheels')),
  entry(['time'], picker('a clock or wheels')),
  { readonly: true, brings: nothing, known: notes },
  entry(['e-mail'], keyboard('letters for e-mail')),
  entry(['web address'], keyboard('letters for addresses')),
  entry(['phone'], keyboard('telephone')),
  entry(['whole number', 'digits-only secret'], keyboard('digits')),
  entry(['decimal number'], keyboard('numbers')),
  entry(['signed number'], keyboard(signed)),
  letters,
];

const arrowLabels: Readonly<Record<EnterKeyHint, string>> = {
  enter: '⏎',
  done: '✓',
  go: '→',
  next: '⇥',
  previous: '⇤',
  search: 'search',
  send: 'send',
};
const wordLabels: Readonly<Record<EnterKeyHint, string>> = {
  enter: 'return',
  done: 'done',
  go: 'go',
  next: 'next',
  previous: 'previous',
  search: 'search',
  send: 'send',
};

const blinkAction: ActionHabits = {
  takesHint: true,
  nextWhereMoreFollow: true,
  otherwise: 'go',
  labels: arrowLabels,
  hintMoves: true,
  doneOnlyCloses: true,
  whenNotAccepted: 'kept',
  known: notes,
};
const webkitAction: ActionHabits = {
  takesHint: true,
  nextWhereMoreFollow: false,
  otherwise: 'go',
  labels: wordLabels,
  hintMoves: false,
  doneOnlyCloses: false,
  whenNotAccepted: 'kept',
  known: notes,
};

const blinkText: TextHabits = {
  capitalizes: true,
  doubleSpace: true,
  smartPunctuation: false,
  predicts: true,
  autocompleteStopsWords: true,
  autocorrectStopsWords: true,
  mask: '•',
  revealed: 1500,
  known: notes,
};
const webkitText: TextHabits = {
  ...blinkText,
  smartPunctuation: true,
  revealed: 1000,
  autocompleteStopsWords: false,
};

const inPage: DecorationHabits = { floatingLabel: false, affixes: false, atLimit: 'stops', known: html };
const inApp: DecorationHabits = { floatingLabel: true, affixes: true, atLimit: 'only warns', known: notes };

const unseen: KeyboardHabits['seen'] = { rules: [], keys: [], habits: {} };

const blinkPhone: KeyboardHabits = {
  family: 'android-like',
  seen: unseen,
  rules: blinkRules,
  action: blinkAction,
  text: blinkText,
  decoration: inPage,
  accessory: [],
};
const webkitPhone: KeyboardHabits = {
  family: 'ios-like',
  seen: unseen,
  rules: webkitRules({ digits: 'digits', numbers: 'numbers', telephone: 'telephone' }),
  action: webkitAction,
  text: webkitText,
  decoration: inPage,
  accessory: ['previous', 'next', 'done'],
};
const fromNumbers = 'letters, from the numbers' as const;

/** Keyboards of the targets that bring up one, by the target's id. */
const habits: Readonly<Record<string, KeyboardHabits>> = {
  'blink-phone': blinkPhone,
  'blink-tablet': blinkPhone,
  'webkit-phone': webkitPhone,
  'webkit-tablet': {
    ...webkitPhone,
    rules: webkitRules({ digits: fromNumbers, numbers: fromNumbers, telephone: fromNumbers }),
  },
  'native-phone-field': { ...blinkPhone, rules: nativeRules('numbers'), decoration: inApp },
  'native-ios-field': {
    ...webkitPhone,
    rules: nativeRules(fromNumbers),
    decoration: { ...inApp, floatingLabel: false },
    action: { ...webkitAction, otherwise: 'enter' },
    accessory: [],
  },
  'app-toolkit-field': {
    ...blinkPhone,
    rules: nativeRules('numbers'),
    text: { ...blinkText, predicts: false, revealed: 0 },
    decoration: inApp,
  },
};

/** Null for targets that bring up no keyboard of which the model knows. */
export function keyboardHabitsOf(target: string): KeyboardHabits | null {
  return Object.hasOwn(habits, target) ? (habits[target] ?? null) : null;
}

/** Whether a target goes by what an app says that its field is for, and not by the markup of a page. */
export function goesByEntry({ rules }: Pick<KeyboardHabits, 'rules'>): boolean {
  return rules.some(({ entries }) => entries);
}

/** Whether a rule is about a field. */
export function fits(rule: BringsRule, field: InputTraits): boolean {
  const { kind, inputmode, digitsPattern, native } = field;
  return (
    (rule.kinds?.includes(kind) ?? true) &&
    (rule.inputmodes?.includes(inputmode) ?? true) &&
    (rule.digitsPattern === undefined || digitsPattern) &&
    (rule.readonly === undefined || field.readonly) &&
    (rule.entries?.includes(native) ?? true)
  );
}

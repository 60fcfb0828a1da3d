import fc from 'fast-check';
import type { TypingQuestion } from '@/core/model/typing-question';

export interface AskedTyping extends TypingQuestion {
  /** What the question is about, for the tally. */
  readonly about: string;
}

const keysOf = (text: string) => fc.constantFrom(...text.split(' '));
const weighted = (...arbitraries: readonly (readonly [number, fc.Arbitrary<string>])[]) =>
  fc.oneof(...arbitraries.map(([weight, arbitrary]) => ({ weight, arbitrary })));

const editing = keysOf('Backspace Backspace Delete ArrowLeft ArrowRight Home End');
const chords = keysOf(
  'Control+a Control+Backspace Control+Delete Control+ArrowLeft Control+ArrowRight Shift+ArrowLeft Shift+ArrowRight Shift+Home Shift+End Control+z Control+Home Control+End',
);
const rare = keysOf(
  'Escape Enter Space ArrowUp ArrowDown Shift+Enter Control+Enter PageUp PageDown Shift+Space',
);
const letters = keysOf('a b c x y e o w n t A H é ß ; - . , @ / 1 2 0');
const words = fc.constantFrom('Space', 'a', 'b', 'o', 'n', 'e', '.', ',', "'", '-');

const typed = weighted([9, letters], [4, words], [4, editing], [2, chords], [1, rare]);
const numeric = weighted(
  [12, keysOf('0 1 2 5 9 . - + e')],
  [2, keysOf('a x E , Space １ é /')],
  [4, editing],
  [2, keysOf('ArrowUp ArrowDown')],
  [1, keysOf('Control+a Control+z Enter Escape Shift+ArrowLeft Control+Backspace')],
);
const dated = weighted(
  [10, keysOf('0 1 2 3 4 5 9')],
  [4, keysOf('ArrowRight ArrowLeft Tab')],
  [3, keysOf('ArrowUp ArrowDown Backspace Delete')],
  [2, keysOf('/ : - . a p m f j')],
  [1, keysOf('Home End Escape PageUp')],
);
const chosen = weighted(
  [6, keysOf('ArrowUp ArrowDown ArrowLeft ArrowRight')],
  [3, keysOf('Home End PageUp PageDown')],
  [3, keysOf('a b c A B 1')],
  [1, keysOf('Escape Shift+ArrowDown')],
);
const toggled = weighted(
  [5, keysOf('Space ArrowUp ArrowDown ArrowLeft ArrowRight')],
  [2, keysOf('Enter a Shift+Space Escape')],
);
const slid = weighted(
  [8, keysOf('ArrowUp ArrowDown ArrowLeft ArrowRight PageUp PageDown')],
  [3, keysOf('Home End Enter a 5 Escape')],
);

const form = (inside: string) => `<form id="f">${inside}</form>`;
const input = (type: string, attributes = '') =>
  `<input id="t" type="${type}"${attributes && ` ${attributes}`}>`;
const go = '<button id="b">Go</button>';
const options =
  '<option value="">Pick</option><option>apple</option><option>banana</option><option>blue</option><option>cherry</option>';
const radios = (at: number, attributes: readonly string[] = []) =>
  [0, 1, 2]
    .map(
      (one) =>
        `<input ${one === at ? 'id="t"' : `id="r${one + 1}"`} type="radio" name="r"${attributes[one] ? ` ${attributes[one]}` : ''}>`,
    )
    .join('');

/** What is asked about, with its markup and the keys that suit it. */
const subjects: readonly (readonly [string, readonly string[], fc.Arbitrary<string>])[] = [
  [
    'text',
    [
      input('text'),
      input('text', 'value="one two"'),
      input('text', 'maxlength="4"'),
      input('text', 'maxlength="3" value="abcde"'),
      input('text', 'required') + go,
      input('text', 'pattern="[a-c]+" value="abc"') + go,
      input('text', 'readonly value="abc"'),
      input('text', 'minlength="4"') + go,
      `${input('text')}<input>`,
      `${input('text')}<input required>${go}`,
      input('tel', 'value="12 34"'),
      input('password'),
      input('search', 'value="ab"'),
      input('url'),
    ],
    typed,
  ],
  [
    'email',
    [input('email'), input('email', 'multiple'), input('email', 'value="a@b" required') + go],
    weighted([8, keysOf('a b @ . , - x')], [2, keysOf('ü é Space Enter')], [3, editing]),
  ],
  [
    'textarea',
    [
      '<textarea id="t"></textarea>',
      '<textarea id="t" maxlength="5">ab</textarea>',
      '<textarea id="t" readonly>ab</textarea>',
    ],
    weighted([8, letters], [3, keysOf('Enter')], [3, editing], [2, chords]),
  ],
  [
    'number',
    [
      input('number'),
      input('number', 'value="5"'),
      input('number', 'min="3" max="20"'),
      input('number', 'step="0.5" value="1.5"'),
      input('number', 'step="any" value="2"'),
      input('number', 'readonly value="7"'),
      input('number', 'required') + go,
      input('number', 'min="-3" max="8" step="0.01"') + go,
    ],
    numeric,
  ],
  [
    'date',
    [
      input('date'),
      input('date', 'value="2024-02-29"'),
      input('date', 'value="2026-11-23" min="2026-01-01" max="2026-12-31"'),
      input('date', 'readonly value="2024-02-29"'),
    ],
    dated,
  ],
  [
    'time',
    [
      input('time'),
      input('time', 'value="09:30"'),
      input('time', 'value="23:59:30"'),
      input('time', 'step="1"'),
    ],
    dated,
  ],
  ['datetime-local', [input('datetime-local'), input('datetime-local', 'value="2024-02-29T11:59"')], dated],
  ['month', [input('month'), input('month', 'value="2024-02"')], dated],
  ['week', [input('week'), input('week', 'value="2024-W05"')], dated],
  [
    'checkbox',
    [input('checkbox'), input('checkbox', 'checked'), input('checkbox', 'required') + go],
    toggled,
  ],
  [
    'radio',
    [
      radios(0),
      radios(1),
      radios(2, ['checked']),
      radios(1, ['', 'checked']),
      radios(0, ['', 'disabled']),
      radios(0, ['required']) + go,
    ],
    toggled,
  ],
  [
    'range',
    [
      input('range'),
      input('range', 'step="10"'),
      input('range', 'min="0" max="5" step="2"'),
      input('range', 'min="-5" max="5"'),
      input('range', 'step="any" value="30"'),
      input('range', 'max="1" step="0.1" value="0.5"'),
    ],
    slid,
  ],
  ['select', [`<select id="t">${options}</select>`, `<select id="t" size="4">${options}</select>`], chosen],
  [
    'button',
    [
      '<button id="t" type="button">x</button>',
      input('reset'),
      '<input type="text" required><button id="t">Go</button>',
    ],
    keysOf('Space Enter a ArrowDown Escape'),
  ],
];

const byTab = ['text', 'email', 'textarea', 'number', 'date', 'time', 'month'];

/** Questions made by chance from a seed, as many of each kind of field as text is worth of it. */
export function typingQuestions(count: number, seed: number): AskedTyping[] {
  const question = fc
    .constantFrom(
      ...subjects.flatMap((subject) =>
        subject[0] === 'text' || subject[0] === 'number' ? [subject, subject, subject, subject] : [subject],
      ),
    )
    .chain(([about, markups, key]) =>
      fc.record({
        about: fc.constant(about),
        html: fc.constantFrom(...markups).map(form),
        // Tab comes to the first field of the form, and in a group to the button that is checked.
        focus: byTab.includes(about)
          ? fc.constantFrom('script' as const, 'script' as const, 'script' as const, 'tab' as const)
          : fc.constant('script' as const),
        keys: fc.array(key, { minLength: 1, maxLength: 7 }),
      }),
    );
  return fc.sample(question, { numRuns: count, seed });
}

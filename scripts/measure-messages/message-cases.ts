/** A control, with the id `t`, and what is done to it so that something is wrong with it. */
export interface MessageCase {
  readonly html: string;
  /** Set by script. */
  readonly value?: string;
  /** Pressed by a person, after the control got the focus. */
  readonly keys?: readonly string[];
}

const input = (attributes: string, value?: string): MessageCase => ({
  html: `<input id="t" ${attributes}>`,
  ...(value !== undefined && { value }),
});

const missing: MessageCase[] = [
  input('required'),
  input('type="date" required'),
  input('type="number" required'),
  input('type="checkbox" required'),
  input('type="radio" name="n" required'),
  input('type="file" required'),
  input('type="file" required multiple'),
  { html: '<textarea id="t" required></textarea>' },
  { html: '<select id="t" required><option value="">x<option>y</select>' },
  { html: '<select id="t" required multiple><option>x<option>y</select>' },
];

// Each reason twice, with other texts, so that what changes shows.
const mismatched: MessageCase[] = [
  input('type="url"', 'qx'),
  ...[
    'qxw',
    'vzk',
    '@qxw',
    '@vzk',
    'qxw@',
    'vzk@',
    'qx(w@k',
    'qx;w@k',
    'qx@v(w',
    'qx@vz;w',
    'qx;w@€',
    'qx@vz§w',
  ].map((value) => input('type="email"', value)),
  ...['qxw@vz..k', 'vzk@.qxw', 'qxw@-k', 'vzk@w-'].map((value) => input('type="email"', value)),
  ...['q@x,', 'qxw@-k', 'q@x,vzk@w-'].map((value) => input('type="email" multiple', value)),
  input('pattern="x"', 'y'),
  input('type="tel" pattern="x"', 'y'),
  input('pattern="x" title="Qxw vzk"', 'y'),
  input('pattern="x" title="Kzv wxq"', 'y'),
];

const numbers: MessageCase[] = [
  input('type="number" min="47"', '3'),
  input('type="number" min="-1.25" step="any"', '-3'),
  input('type="number" min="3e3"', '2'),
  input('type="number" min="1234567.5" step="any"', '2'),
  input('type="number" max="47"', '83'),
  input('type="number" max="-1.25" step="any"', '3'),
  input('type="number" max="1e-7" step="any"', '3'),
  input('type="number" min="47" max="47"', '83'),
  input('type="number" min="5.5" max="5.5"', '83.5'),
  input('type="number" min="47" max="47"', '13'),
  input('type="number" min="5.5" max="5.5"', '1.5'),
  ...['61', '13', '97'].map((value) => input('type="number" min="83" max="47" step="any"', value)),
  ...['7', '-12', '19'].map((value) => input('type="number" min="8.25" max="-4.75" step="any"', value)),
  input('type="number" step="2"', '47'),
  input('type="number" step="0.5" min="0.25"', '1.5'),
  input('type="number" step="1000"', '-1500'),
  input('type="number" step="20" max="90" min="-10"', '75'),
  input('type="number" step="20" max="85.5" min="0.5"', '81'),
  input('type="number" step="20" min="3" max="8"', '5'),
];

interface Moments {
  readonly type: string;
  /** In order. */
  readonly at: readonly [string, string, string, string];
  /** Two steps with values between two allowed ones, and for each a maximum that leaves only the lower. */
  readonly steps: readonly (readonly [step: string, min: string, value: string, max: string])[];
}

const moments: readonly Moments[] = [
  {
    type: 'date',
    at: ['2026-03-04', '2026-05-17', '2027-08-21', '2031-11-28'],
    steps: [
      ['7', '2026-03-04', '2026-03-06', '2026-03-09'],
      ['30', '2027-11-12', '2027-11-20', '2027-11-21'],
    ],
  },
  {
    type: 'month',
    at: ['2026-03', '2026-05', '2027-08', '2031-11'],
    steps: [
      ['3', '2026-01', '2026-03', '2026-03'],
      ['5', '2027-02', '2027-05', '2027-06'],
    ],
  },
  {
    type: 'week',
    at: ['2026-W03', '2026-W21', '2027-W08', '2031-W47'],
    steps: [
      ['2', '2026-W02', '2026-W03', '2026-W03'],
      ['5', '2027-W50', '2027-W51', '2027-W52'],
    ],
  },
  {
    type: 'time',
    at: ['03:05', '06:45:07', '13:20', '18:05:07.5'],
    steps: [
      ['900', '06:45', '06:46', '06:47'],
      ['2', '13:46', '13:46:01', '13:46:01'],
      ['0.5', '09:46:01', '09:46:01.25', '09:46:01.3'],
    ],
  },
  {
    type: 'datetime-local',
    at: ['2026-03-04T03:05', '2026-05-17T06:45:07', '2027-08-21T13:20', '2031-11-28T18:05'],
    steps: [
      ['900', '2026-03-04T06:45', '2026-03-04T06:46', '2026-03-04T06:47'],
      ['2', '2027-03-14T13:46', '2027-03-14T13:46:01', '2027-03-14T13:46:01'],
    ],
  },
];

const dated = moments.flatMap(({ type, at: [first, second, third, fourth], steps }) => {
  const of = (attributes: string, value: string) => input(`type="${type}" ${attributes}`, value);
  return [
    of(`step="any" min="${second}"`, first),
    of(`step="any" min="${third}"`, first),
    of(`step="any" min="${fourth}"`, first),
    of(`step="any" max="${first}"`, fourth),
    of(`step="any" max="${second}"`, fourth),
    of(`step="any" max="${third}"`, fourth),
    of(`step="any" min="${second}" max="${second}"`, third),
    of(`step="any" min="${third}" max="${third}"`, fourth),
    of(`step="any" min="${second}" max="${second}"`, first),
    of(`step="any" min="${third}" max="${third}"`, second),
    ...[first, third, fourth].map((value) => of(`step="any" min="${third}" max="${second}"`, value)),
    ...[first, second, third, fourth].map((value) => of(`step="any" min="${third}" max="${first}"`, value)),
    ...[first, second, third, fourth].map((value) => of(`step="any" min="${fourth}" max="${second}"`, value)),
    ...steps.flatMap(([step, min, value, max]) => [
      of(`step="${step}" min="${min}"`, value),
      of(`step="${step}" min="${min}" max="${max}"`, value),
    ]),
  ];
});

/** Times on no step, in a range that goes past midnight. */
const pastMidnight: MessageCase[] = [
  ['21:30', '06:45', '05:07'],
  ['20:15', '05:30', '03:04'],
  ['21:30', '06:45', '06:42'],
  ['20:15', '05:30', '05:23'],
  ['21:30', '06:45', '22:50'],
  ['20:15', '05:30', '23:13'],
]
  .map(([min, max, value]) => input(`type="time" step="900" min="${min}" max="${max}"`, value))
  .concat([
    input('type="time" step="900" min="19:12:02"', '23:59:43'),
    input('type="time" step="1200" min="18:05"', '23:58'),
    input('type="time" step="60" min="19:33:23" max="07:02:12"', '23:59:45'),
    input('type="time" step="900" min="12:05:55" max="00:59:18"', '23:59:46'),
    input('type="time" step="900" min="05:40:36" max="00:00:08"', '00:00:01'),
    input('type="time" step="900" min="06:10:30" max="00:00:20"', '00:00:05'),
    input('type="time" step="1" max="00:00"', '05:14:34'),
    input('type="time" step="60" max="00:00"', '05:14'),
    input('type="time" step="1" min="13:38:26" max="05:00"', '08:00'),
    input('type="time" step="any" min="14:48:26" max="18:28"', '20:00'),
  ]);

/** Lengths and limits of every plural category of the languages. */
const counts = [1, 2, 3, 7, 11, 23, 100, 101];

const lengths: MessageCase[] = counts.flatMap((count) => [
  ...[count + 1, 102, 203].map(
    (limit): MessageCase => ({
      html: `<input id="t" minlength="${limit}" value="${'q'.repeat(count + 1)}">`,
      keys: ['End', 'Backspace'],
    }),
  ),
  ...[1, 30].map(
    (more): MessageCase => ({
      html: `<input id="t" maxlength="${count}" value="${'q'.repeat(count + more + 1)}">`,
      keys: ['End', 'Backspace'],
    }),
  ),
]);

const unreadable: MessageCase[] = [
  { html: '<input id="t" type="number">', keys: ['-'] },
  { html: '<input id="t" type="number">', keys: ['1', 'e', '9', '9', '9'] },
  // Half a date in some engines, an impossible one in others.
  ...moments.flatMap(({ type }) => [
    { html: `<input id="t" type="${type}">`, keys: ['1'] },
    { html: `<input id="t" type="${type}">`, keys: [...'02312026'] },
    { html: `<input id="t" type="${type}">`, keys: [...'31022026'] },
  ]),
];

/** Several things wrong at once: which one is named? */
const several: MessageCase[] = [
  input('type="email" pattern="x"', 'y'),
  input('type="url" pattern="x"', 'y'),
  input('type="number" min="47" step="4"', '8'),
  input('type="number" min="3" max="47" step="4"', '52'),
  { html: '<input id="t" type="number" required>', keys: ['-'] },
  { html: '<input id="t" type="date" required>', keys: ['1'] },
  { html: '<input id="t" type="email" minlength="5">', keys: ['q'] },
  { html: '<input id="t" minlength="5" pattern="x">', keys: ['q'] },
  { html: '<input id="t" maxlength="3" pattern="x" value="qqqqqq">', keys: ['End', 'Backspace'] },
  { html: '<input id="t" type="email" maxlength="3" value="qqqqqq">', keys: ['End', 'Backspace'] },
  { html: '<input id="t" maxlength="3" minlength="9" value="qqqqqq">', keys: ['End', 'Backspace'] },
];

/** Everything that is asked of an engine in a language. */
export const messageCases: readonly MessageCase[] = [
  ...missing,
  ...mismatched,
  ...numbers,
  ...dated,
  ...pastMidnight,
  ...lengths,
  ...unreadable,
  ...several,
];

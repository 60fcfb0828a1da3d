import fc from 'fast-check';

/** A form whose button has the id `go`; `ACTION` stands for the address that it is sent to. */
export interface SubmissionForm {
  readonly html: string;
}

const pick = <T>(...all: readonly T[]) => fc.constantFrom(...all);
const names = pick('a', 'b', 'a', '', 'n&m', 'é', 'q"r', 'x\ny', '_charset_', 'd.d', '0', 'a b');
const values = pick(
  '1',
  '',
  'two words',
  'a&b=c+d',
  'é',
  '例子',
  '😀',
  'line\nbreak',
  'cr\r\nlf',
  '%41',
  '"quoted"',
  '+',
  '*-._~',
  '\u00a0',
  "it's",
  '<b>',
  '\\',
  '~!$()',
);

const escaped = (text: string) => text.replace(/[&"<>\r\n]/g, (one) => `&#${one.charCodeAt(0)};`);
const attributes = (given: Readonly<Record<string, string | null>>) =>
  Object.entries(given)
    .flatMap(([name, value]) =>
      value === null
        ? []
        : [
            value === '' && name !== 'value' && name !== 'name' && name !== 'dirname'
              ? ` ${name}`
              : ` ${name}="${escaped(value)}"`,
          ],
    )
    .join('');
const rarely = <T>(one: fc.Arbitrary<T>) => fc.option(one, { nil: null, freq: 1 });
const often = <T>(one: fc.Arbitrary<T>) => fc.option(one, { nil: null, freq: 6 });
const on = pick('');
const common = { name: often(names), disabled: rarely(on) };

const control = fc.oneof(
  {
    weight: 5,
    arbitrary: fc
      .record({
        ...common,
        type: pick('text', 'search', 'tel', 'hidden', 'password', 'url', 'email', 'foo'),
        value: often(values),
        dirname: rarely(pick('dir', 'a', '')),
        dir: rarely(pick('rtl', 'ltr', 'auto')),
        readonly: rarely(on),
      })
      .map((given) => `<input${attributes(given)}>`),
  },
  {
    weight: 3,
    arbitrary: fc
      .record({
        ...common,
        type: pick('checkbox', 'radio'),
        value: often(values),
        checked: fc.option(on, { nil: null, freq: 2 }),
      })
      .map((given) => `<input${attributes(given)}>`),
  },
  {
    weight: 2,
    arbitrary: fc
      .record({
        ...common,
        type: pick('number', 'range', 'date', 'time', 'month', 'week', 'datetime-local', 'color'),
        value: often(
          pick(
            '5',
            '2024-02-29',
            '12:30',
            '2024-02',
            '2024-W09',
            '2024-01-01T12:30',
            '#ABCDEF',
            'x',
            '1e1',
            '2024-01-01 12:30',
            '5.',
          ),
        ),
      })
      .map((given) => `<input${attributes(given)}>`),
  },
  {
    weight: 2,
    arbitrary: fc
      .tuple(
        fc.record({ ...common, multiple: rarely(on) }),
        fc.array(
          pick(
            '<option>a',
            '<option value="x y" selected>b',
            '<option disabled selected>c',
            '<optgroup label=g><option selected>g</optgroup>',
            '<option value="">none',
            '<optgroup label=g disabled><option selected>h</optgroup>',
          ),
          { maxLength: 3 },
        ),
      )
      .map(([given, options]) => `<select${attributes(given)}>${options.join('')}</select>`),
  },
  {
    weight: 2,
    arbitrary: fc
      .tuple(
        fc.record({
          ...common,
          wrap: rarely(pick('hard', 'soft')),
          cols: rarely(pick('10', '7', '0')),
          dirname: rarely(pick('dir', '')),
        }),
        pick(
          '',
          'plain',
          '\nline',
          'a\nb',
          'the quick brown fox jumps',
          'one two three four five six seven eight',
          'é😀',
        ),
      )
      .map(([given, text]) => `<textarea${attributes(given)}>${escaped(text)}</textarea>`),
  },
  {
    weight: 1,
    arbitrary: fc
      .record({ ...common, type: pick('submit', 'reset', 'button', 'image'), value: often(values) })
      .map((given) => `<input${attributes(given)}>`),
  },
  {
    weight: 1,
    arbitrary: pick(
      '<fieldset disabled><input name=f value=1></fieldset>',
      '<fieldset disabled><legend><input name=l value=1></legend></fieldset>',
      '<datalist><input name=d value=1></datalist>',
      '<meter name=m value=.5></meter>',
      '<output name=o>1</output>',
      '<input name=other value=1 form=elsewhere>',
      '<input type=file name=file>',
      '<button name=b2 value=2>x</button>',
      '<label>l<input type=checkbox name=lc checked></label>',
      '<div dir=rtl><input name=r value=1 dirname=rd></div>',
    ),
  },
  {
    weight: 1,
    arbitrary: pick(
      '<input name=req required>',
      '<input name=req2 required value=1>',
      '<input type=email name=mail value=x>',
      '<input name=p pattern=z value=y>',
    ),
  },
);

const button = fc.record({
  name: rarely(pick('go', 'a')),
  value: rarely(values),
  formmethod: rarely(pick('post', 'get', 'dialog', 'foo')),
  formenctype: rarely(pick('multipart/form-data', 'text/plain', 'foo')),
  formnovalidate: rarely(on),
});

const form = fc.record({
  method: often(pick('post', 'get', 'POST', 'put', 'post')),
  enctype: rarely(
    pick(
      'multipart/form-data',
      'text/plain',
      'application/x-www-form-urlencoded',
      'MULTIPART/FORM-DATA',
      'application/json',
    ),
  ),
  'accept-charset': rarely(
    pick(
      'utf-8',
      'windows-1252',
      'iso-8859-1',
      'iso-8859-15 utf-8',
      'shift_jis',
      'bogus',
      'utf-16',
      'koi8-r',
      'gbk',
    ),
  ),
  novalidate: rarely(on),
});

const forms = fc
  .tuple(form, fc.array(control, { maxLength: 7 }), button, pick('', '?z=1', '#f', '/deep?a=b#c'))
  .map(([given, controls, go, rest]) => ({
    html: `<form action="ACTION${rest}"${attributes(given)}>${controls.join('')}<button id="go"${attributes(go)}>Go</button></form>`,
  }));

/** Forms to send, the same ones for the same seed. */
export function submissionForms(count: number, seed: number): SubmissionForm[] {
  return fc.sample(fc.noBias(forms), { numRuns: count, seed });
}

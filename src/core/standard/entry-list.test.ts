import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pageOf } from '../html/page-controls';
import { parsedState } from './control-state';
import { constructEntryList, type EntryListParameters, whyUnsent } from './entry-list';

/** The entries of the first form of a page, each as `name=value`. */
function entries(inside: string, parameters: Partial<EntryListParameters> = {}): string[] {
  const states = pageOf(`<form>${inside}</form>`)
    .controls.filter(({ form }) => form === 0)
    .map((control) => parsedState(control));
  return constructEntryList(states, { submitter: null, encoding: 'UTF-8', ...parameters }).map(
    ({ name, value }) => `${name}=${typeof value === 'string' ? value : `${value.name} (${value.type})`}`,
  );
}

describe('the entry list', () => {
  it.each<[what: string, markup: string, expected: readonly string[]]>([
    ['a text', '<input name=a value=1>', ['a=1']],
    ['an empty text', '<input name=a>', ['a=']],
    ['fields of one name, in tree order', '<input name=a value=1><input name=a value=2>', ['a=1', 'a=2']],
    ['nothing without a name', '<input value=1>', []],
    ['nothing with an empty name', '<input name="" value=1>', []],
    ['nothing that is disabled', '<input name=a disabled>', []],
    ['nothing in a disabled fieldset', '<fieldset disabled><input name=a></fieldset>', []],
    [
      'what stands in the first legend of a disabled fieldset',
      '<fieldset disabled><legend><input name=a value=1></legend><legend><input name=b></legend></fieldset>',
      ['a=1'],
    ],
    ['what is read-only', '<input name=a value=1 readonly>', ['a=1']],
    ['a checked box', '<input type=checkbox name=a checked>', ['a=on']],
    ['a checked box of a value', '<input type=checkbox name=a value="" checked>', ['a=']],
    ['no box that is not checked', '<input type=checkbox name=a value=1>', []],
    [
      'the radio button that is checked',
      '<input type=radio name=a value=1><input type=radio name=a value=2 checked>',
      ['a=2'],
    ],
    ['the first option of a list', '<select name=a><option>x<option value=2>y</select>', ['a=x']],
    ['the first option that is not disabled', '<select name=a><option disabled>x<option>y</select>', ['a=y']],
    [
      'the last of several that are selected where one can be',
      '<select name=a><option selected>x<option selected>y</select>',
      ['a=y'],
    ],
    [
      'all that are selected where several can be, without the disabled',
      '<select name=a multiple><option selected>x<option selected disabled>y<option selected>z</select>',
      ['a=x', 'a=z'],
    ],
    ['nothing of several of which none is selected', '<select name=a multiple><option>x</select>', []],
    ['an empty file where none is chosen', '<input type=file name=a>', ['a= (application/octet-stream)']],
    ['the value of a textarea', '<textarea name=a>\nx\ny</textarea>', ['a=x\ny']],
    [
      'a textarea that is wrapped hard',
      '<textarea name=a wrap=hard cols=3>abc def</textarea>',
      ['a=abc\ndef'],
    ],
    ['the encoding', '<input type=hidden name=_charset_ value=x>', ['_charset_=UTF-8']],
    ['no encoding in a field that shows', '<input name=_charset_ value=x>', ['_charset_=x']],
    ['the direction', '<input name=a dirname=d value=x>', ['a=x', 'd=ltr']],
    ['the direction that is written', '<input name=a dirname=d dir=rtl>', ['a=', 'd=rtl']],
    ['the direction of its text', '<input name=a dirname=d dir=auto value=שלום>', ['a=שלום', 'd=rtl']],
    [
      'a telephone number from left to right',
      '<p dir=rtl><input type=tel name=a dirname=d></p>',
      ['a=', 'd=ltr'],
    ],
    ['no direction of a kind that has none', '<input type=number name=a dirname=d>', ['a=']],
    ['no button', '<button name=a value=1>Go</button><input type=submit name=b>', []],
    [
      'no output, meter or progress',
      '<output name=a>1</output><meter value=1></meter><progress></progress>',
      [],
    ],
    ['nothing in a datalist', '<datalist><input name=a value=1></datalist>', []],
    [
      'a clean value',
      '<input type=number name=a value=abc><input type=email name=b value=" a@b ">',
      ['a=', 'b=a@b'],
    ],
  ])('has %s', (_, markup, expected) => {
    expect(entries(markup)).toEqual(expected);
  });

  it('has the button that was pressed, and no other, where it stands', () => {
    const markup =
      '<button name=do value=save>S</button><input name=a><button name=do value=send>Go</button>';
    expect(entries(markup, { submitter: 0 })).toEqual(['do=save', 'a=']);
    expect(entries(markup, { submitter: 2 })).toEqual(['a=', 'do=send']);
    expect(entries('<button>Go</button>', { submitter: 0 })).toEqual([]);
  });

  it('has where an image was clicked, with its name in front if it has one', () => {
    const clickedAt = { x: 3, y: 14 };
    expect(entries('<input type=image name=map>', { submitter: 0, clickedAt })).toEqual([
      'map.x=3',
      'map.y=14',
    ]);
    expect(entries('<input type=image>', { submitter: 0, clickedAt })).toEqual(['x=3', 'y=14']);
    expect(entries('<input type=image name=map>', { submitter: 0 })).toEqual(['map.x=0', 'map.y=0']);
  });

  it('has every file that was chosen', () => {
    const file = (name: string) => ({ name, type: 'image/png', content: '' });
    expect(
      entries('<input type=file name=a multiple>', {
        files: new Map([[0, [file('tide.png'), file('gull.png')]]]),
      }),
    ).toEqual(['a=tide.png (image/png)', 'a=gull.png (image/png)']);
  });

  it('has no more than the controls that nothing keeps out, in tree order', () => {
    const control = fc.record({
      name: fc.constantFrom('', 'a', 'b'),
      kind: fc.constantFrom('text', 'checkbox', 'radio', 'hidden', 'number', 'reset', 'submit'),
      disabled: fc.boolean(),
      checked: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(control, { maxLength: 8 }), (controls) => {
        const markup = controls
          .map(
            ({ name, kind, disabled, checked }) =>
              `<input type=${kind} name="${name}"${disabled ? ' disabled' : ''}${checked ? ' checked' : ''}>`,
          )
          .join('');
        const states = pageOf(`<form>${markup}</form>`).controls.map((one) => parsedState(one));
        const list = constructEntryList(states, { submitter: null, encoding: 'UTF-8' });
        const sent = states.filter((state) => whyUnsent(state, { submitter: null }) === null);
        expect(list.map(({ ordinal }) => ordinal)).toEqual(sent.map((state) => state.control.ordinal));
        for (const { attributes } of sent) {
          expect(attributes.name).toBeTruthy();
          expect(attributes).not.toHaveProperty('disabled');
        }
      }),
    );
  });
});

describe('a control', () => {
  it.each([
    ['<meter name=a></meter>', 'never sent'],
    ['<progress name=a></progress>', 'never sent'],
    ['<output name=a></output>', 'never sent'],
    ['<input type=reset name=a>', 'never sent'],
    ['<button type=button name=a></button>', 'never sent'],
    ['<datalist><input name=a></datalist>', 'in a datalist'],
    ['<input name=a disabled>', 'disabled'],
    ['<fieldset disabled><input name=a></fieldset>', 'disabled'],
    ['<button name=a></button>', 'a button that was not pressed'],
    ['<input type=image name=a>', 'a button that was not pressed'],
    ['<input type=checkbox name=a>', 'not checked'],
    ['<input type=radio name=a>', 'not checked'],
    ['<input>', 'no name'],
    ['<input type=checkbox checked>', 'no name'],
    ['<select name=a></select>', 'nothing chosen'],
    ['<select name=a multiple><option selected disabled>x</select>', 'nothing chosen'],
    ['<input name=a>', null],
    ['<input type=checkbox name=a checked>', null],
    ['<textarea name=a></textarea>', null],
  ])('%s is not sent because: %s', (markup, why) => {
    const [control] = pageOf(`<form>${markup}</form>`).controls;
    expect(control && whyUnsent(parsedState(control), { submitter: null })).toBe(why);
  });

  it('that was pressed is sent by its name, a picture without one too', () => {
    expect(entries('<button name=a value=1></button>', { submitter: 0 })).toEqual(['a=1']);
    expect(entries('<button></button>', { submitter: 0 })).toEqual([]);
    expect(entries('<input type=image name=a>', { submitter: 0 })).toEqual(['a.x=0', 'a.y=0']);
    expect(entries('<input type=image>', { submitter: 0, clickedAt: { x: 3, y: 4 } })).toEqual([
      'x=3',
      'y=4',
    ]);
  });

  it('is sent with its direction under another name where it has one', () => {
    expect(entries('<input name=a value=x dirname=d>')).toEqual(['a=x', 'd=ltr']);
    expect(entries('<input name=a value=x dirname="">')).toEqual(['a=x']);
    expect(entries('<input name=a value=א dir=auto dirname=d>')).toEqual(['a=א', 'd=rtl']);
    expect(entries('<div dir=rtl><input name=a value=x dirname=d></div>')).toEqual(['a=x', 'd=rtl']);
    expect(entries('<input type=number name=a value=1 dirname=d>')).toEqual(['a=1']);
    expect(entries('<textarea name=a dirname=d>x</textarea>')).toEqual(['a=x', 'd=ltr']);
  });

  it('is wrapped hard where it is a textarea that says so, whatever its case', () => {
    expect(entries('<textarea name=a wrap=HARD cols=3>abc def</textarea>')).toEqual(['a=abc\ndef']);
    expect(entries('<textarea name=a wrap=soft cols=3>abc def</textarea>')).toEqual(['a=abc def']);
    expect(entries('<textarea name=a cols=3>abc def</textarea>')).toEqual(['a=abc def']);
    expect(entries('<input name=a wrap=hard cols=3 value="abc def">')).toEqual(['a=abc def']);
  });
});

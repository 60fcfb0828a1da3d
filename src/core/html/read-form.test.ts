import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hurriedTideLog } from '../demo/hurried-tide-log';
import { skerryTideLog } from '../demo/skerry-tide-log';
import { parsedState } from '../standard/control-state';
import { radioGroupOf } from '../standard/radio-group';
import { toldNote } from '../words/told-note';
import { attribute } from './field';
import { inertMarkup } from './inert-markup';
import { pageOf } from './page-controls';
import { mostNested } from './parse-markup';
import { readForm } from './read-form';

const field = (markup: string) => {
  const [first] = readForm(markup).fields;
  if (!first) throw new Error('no field');
  return first;
};

describe('readForm', () => {
  it('reads every field of the demo form, in order, with its label and kind', () => {
    const { fields, notes } = readForm(skerryTideLog);
    expect(fields.map((f) => `${f.label}: ${f.kind}`)).toEqual([
      'Station code: text',
      'Observer: text',
      'Island: select',
      'E-mail: email',
      'Phone: tel',
      'Island page: url',
      'Log PIN: password',
      'Passphrase: password',
      'Reading date: date',
      'Reading moment: datetime-local',
      'High water: time',
      'Survey month: month',
      'Survey week: week',
      'Water level, metres: number',
      'Gulls counted: number',
      'Sea state: range',
      'sea-shown: output',
      'Water colour: color',
      'Tide: radio',
      'May be published: checkbox',
      'Photos: file',
      'Bird seen: text',
      'Remarks: textarea',
      'Gauge serial: text',
      'Find an entry: search',
      'entry: hidden',
      'Tide coefficient: meter',
      'Upload: progress',
      'Tidal range: output',
      'Save draft: submit',
      'Send entry: submit',
    ]);
    expect(notes).toEqual([]);
  });

  it('makes one field of a radio button group, and of radios without a common name several', () => {
    expect(readForm(skerryTideLog).fields.find((f) => f.name === 'tide')?.controls).toHaveLength(3);
    expect(readForm(hurriedTideLog).fields.filter((f) => f.kind === 'radio')).toHaveLength(3);
  });

  it('calls a radio button group by its heading, and without one by its name, not by its first choice', () => {
    const choices =
      '<label><input type=radio name=pay> by card</label><label><input type=radio name=pay> by bill</label>';
    const labelIn = (markup: string) => readForm(markup).fields[0]?.label;
    expect(labelIn(`<fieldset><legend>Paid</legend>${choices}</fieldset>`)).toBe('Paid');
    expect(labelIn(`<div role=radiogroup aria-label="How it is paid">${choices}</div>`)).toBe(
      'How it is paid',
    );
    expect(
      labelIn(`<b id=q>Paid</b> <i id=r>how?</i><div role=group aria-labelledby="q r">${choices}</div>`),
    ).toBe('Paid how?');
    expect(labelIn(`<fieldset>${choices}</fieldset>`)).toBe('pay');
    // A heading over more than the choices is not their question; the words before them are.
    const others = '<label>Name <input name=a></label><label>Phone <input name=b></label>';
    expect(labelIn(`<fieldset><legend>Order</legend><p>${choices}</p>${others}</fieldset>`)).toBe('pay');
    expect(labelIn(`<fieldset><legend>Order</legend><p>Payment: ${choices}</p>${others}</fieldset>`)).toBe(
      'Payment',
    );
    expect(labelIn(`<div><b>Paid</b><div>${choices}</div></div>`)).toBe('Paid');
    expect(labelIn(`<h2>Order</h2>${choices}${others}`)).toBe('pay');
    expect(
      labelIn(`<fieldset><legend>Paid</legend>${choices}<label>or <input name=a></label></fieldset>`),
    ).toBe('Paid');
  });

  it.each([
    ['<form id=f><input type=radio name=a></form><input type=radio name=a form=f>', 1],
    ['<form id=f><input type=radio name=a form=f><input type=radio name=a></form>', 1],
    // An attribute that names no form leaves the radio without one.
    ['<form id=f><input type=radio name=a form=none></form><input type=radio name=a>', 1],
    ['<form id=f><input type=radio name=a><input type=radio name=a form=none></form>', 2],
    ['<form id=f><input type=radio name=a></form><form><input type=radio name=a form=f></form>', 1],
    // A form in a form is none: its end tag ends the outer one.
    ['<form><form id=f></form><input type=radio name=a></form><input type=radio name=a form=f>', 1],
  ])('groups radios by the form that owns them: %s', (markup, groups) => {
    expect(readForm(markup).fields).toHaveLength(groups);
  });

  it('groups the radios that the standard groups, wherever they stand', () => {
    const radio = fc
      .tuple(fc.constantFrom('a', 'b', ''), fc.constantFrom('', ' form=f', ' form=g', ' form=none', ' form'))
      .map(([name, form]) => `<input type=radio name="${name}"${form}>`);
    const some = fc.array(radio, { maxLength: 4 }).map((radios) => radios.join(''));
    fc.assert(
      fc.property(some, some, some, (inF, inG, outside) => {
        const markup = `<form id=f>${inF}</form>${outside}<form id=g>${inG}</form>`;
        const page = pageOf(markup).controls.map((control) => parsedState(control));
        const groups = page.map((own) => {
          const group = radioGroupOf(own, page);
          return (group.length > 0 ? group : [own]).map(({ control }) => control.ordinal);
        });
        const fields = readForm(markup).fields.map(({ controls }) => controls.map(({ ordinal }) => ordinal));
        expect(new Set(fields.map(String))).toEqual(new Set(groups.map(String)));
      }),
    );
  });

  it('keeps radio groups of two forms apart', () => {
    const markup = '<form><input type=radio name=a></form><form><input type=radio name=a></form>';
    expect(readForm(markup).fields.map((f) => f.id)).toEqual(['a', 'a~2']);
  });

  it('reads the options of a select as the standard does', () => {
    const [control] = field(
      '<select><option value=a> One  \n two </option><optgroup label=G disabled><option selected label=L>b</option></optgroup><optgroup><option disabled>c<option>d</optgroup></select>',
    ).controls;
    const plain = { selected: false, disabled: false, grouped: false };
    expect(control.options).toEqual([
      { ...plain, value: 'a', label: 'One two' },
      { value: 'b', label: 'L', selected: true, disabled: true, grouped: true },
      { ...plain, value: 'c', label: 'c', disabled: true, grouped: true },
      { ...plain, value: 'd', label: 'd', grouped: true },
    ]);
    expect(control.startsWithOther).toBe(false);
    const starts = (inside: string) => field(`<select>${inside}</select>`).controls[0].startsWithOther;
    expect([starts('<optgroup><option>a</optgroup>'), starts('<hr><option>a'), starts('')]).toEqual([
      true,
      true,
      true,
    ]);
    expect(field('<input value=a>').controls[0]).toMatchObject({
      options: [],
      startsWithOther: false,
      text: '',
    });
  });

  it('reads what stands between the tags of those that show it', () => {
    const text = (markup: string) => field(markup).controls[0].text;
    expect(text('<textarea>a <b></textarea>')).toBe('a <b>');
    expect(text('<button>Go <b>on</b></button>')).toBe('Go on');
    expect(text('<output>3 m</output>')).toBe('3 m');
    expect(text('<select><option>a</select>')).toBe('');
    expect(field('<output name=o>3 m</output>').label).not.toContain('3 m');
  });

  it('reads the forms and the lists of a page, in tree order', () => {
    const { forms, lists } = readForm(
      '<form method=post data-x=1></form><div><form></form></div><datalist id=a></datalist><datalist></datalist><p id=b></p>',
    );
    expect(forms.map(({ attributes }) => attributes.map(({ name, value }) => [name, value]))).toEqual([
      [
        ['method', 'post'],
        ['data-x', '1'],
      ],
      [],
    ]);
    expect(forms.map(({ element }) => element)).toEqual(['form', 'form']);
    expect(lists).toEqual(['a']);
  });

  it('knows which controls a fieldset disables, also through others', () => {
    const disabled = (markup: string) =>
      readForm(markup).fields.map(({ controls: [control] }) => control.disabledByFieldset);
    expect(disabled('<fieldset disabled><p><input></p></fieldset>')).toEqual([true]);
    expect(
      disabled('<fieldset disabled><legend><b><input></b></legend><legend><input></legend></fieldset>'),
    ).toEqual([false, true]);
    expect(disabled('<fieldset disabled><div><legend><input></legend></div></fieldset>')).toEqual([true]);
    expect(
      disabled('<fieldset><input></fieldset><fieldset disabled></fieldset><div disabled><input></div>'),
    ).toEqual([false, false]);
  });

  it('knows the language of each control: its own, or that of what it stands in', () => {
    const languages = (markup: string) =>
      readForm(markup).fields.map(({ controls: [control] }) => control.language);
    expect(
      languages('<html lang=de><input><div lang=fr><input><input lang=fi></div><input lang="">'),
    ).toEqual(['de', 'fr', 'fi', null]);
    expect(languages('<input><p lang=" pt-BR "><input></p>')).toEqual([null, 'pt-BR']);
  });

  it('reads suggestions, and says none where the list does not exist', () => {
    expect(field('<input list=b><datalist id=b><option value=x><option>y z</datalist>').suggestions).toEqual([
      'x',
      'y z',
    ]);
    expect(field('<input list=b>').suggestions).toBeNull();
  });

  it('knows what a disabled fieldset disables, its first legend excepted', () => {
    const { fields } = readForm(
      '<fieldset disabled><legend><input name=a></legend><legend><input name=b></legend><input name=c></fieldset><input name=d>',
    );
    expect(fields.map((f) => f.controls[0].disabledByFieldset)).toEqual([false, true, true, false]);
  });

  it('names what it does not run, load or understand, with line and column, and keeps it', () => {
    const markup =
      '<form>\n<script>alert(1)</script>\n<input type=datetime onclick="x()" flavour=sweet>\n<x-date></x-date><img src=a.png></form>';
    const { notes, fields } = readForm(markup);
    const told = notes.map(toldNote).filter(({ kind }) => kind !== 'fault');
    expect(told.map(({ line, kind, text }) => [line, kind, text])).toEqual([
      [2, 'not run', 'Ukko keeps this script in the markup and does not run it.'],
      [3, 'not run', 'Ukko keeps the script in onclick and does not run it.'],
      [3, 'not understood', 'Ukko does not know the attribute flavour and keeps it.'],
      [4, 'not understood', 'Ukko keeps the custom element x-date and does not run its script.'],
      [4, 'not loaded', 'Ukko does not load what src refers to.'],
    ]);
    expect(fields[0] && attribute(fields[0].controls[0], 'flavour')).toBe('sweet');
    expect(fields[0]?.kind).toBe('text');
  });

  it('does not count fields inside a template, which are not in the page', () => {
    const { fields, notes } = readForm('<template><input name=a></template><input name=b>');
    expect(fields.map((f) => f.name)).toEqual(['b']);
    expect(notes.map(({ code }) => code)).toContain('template');
  });

  it('keeps the id of a named field while others come and go', () => {
    expect(field('<input name=level>').id).toBe(readForm('<p><input><input name=level>').fields[1]?.id);
  });

  it('survives any text: unique ids, spans inside the source, ordinals in order', () => {
    const piece = fc.constantFrom(
      '<input name=a>',
      '<input type=radio name=r>',
      '<select><option>1',
      '</form>',
      '<form>',
      '<textarea>',
      '<label>Text',
      '<svg><input>',
      '<table><input>',
      '<!--',
      '\u0000',
      '<template>',
      '"\'<',
      '<p title="<input>">',
    );
    fc.assert(
      fc.property(fc.array(fc.oneof(piece, fc.string()), { maxLength: 12 }), (pieces) => {
        const markup = pieces.join('');
        const { fields } = readForm(markup);
        expect(new Set(fields.map((f) => f.id)).size).toBe(fields.length);
        const controls = fields.flatMap((f) => f.controls).sort((a, b) => a.ordinal - b.ordinal);
        for (const [index, control] of controls.entries()) {
          expect(control.ordinal).toBe(index);
          expect(markup.slice(control.startTag.start, control.startTag.end).toLowerCase()).toContain(
            `<${control.element}`,
          );
        }
      }),
    );
  });

  it.each([
    ['very deep nesting', `<input name=a>${'<div>'.repeat(20_000)}<input name=deep>`, 'nested more than 500'],
    [
      'deep nesting that is closed',
      `<input name=a>${'<b>'.repeat(90_000)}x${'</b>'.repeat(90_000)}`,
      'nested more than 500',
    ],
    [
      'very many elements',
      `<input name=a>${'<br>'.repeat(100_000)}<input name=late>`,
      'more than 60,000 elements',
    ],
  ])('reads up to %s, and says where it stopped', (_, markup, why) => {
    const { fields, notes } = readForm(markup);
    expect(fields.map(({ name }) => name)).toEqual(['a']);
    const [cut] = notes.map(toldNote).filter(({ text }) => text.includes('up to here'));
    expect(cut).toMatchObject({ kind: 'fault', text: expect.stringContaining(why) });
    expect(inertMarkup(markup)).toBe(markup.slice(0, cut?.span.start));
  });

  it('reads what is nested as deeply as it may be', () => {
    const levels = mostNested - 4;
    expect(readForm(`${'<div>'.repeat(levels)}<input name=deep>`).fields.map(({ name }) => name)).toEqual([
      'deep',
    ]);
  });

  it('takes the same number of ids for many fields of one name', () => {
    const ids = readForm('<input name=a>'.repeat(3000)).fields.map(({ id }) => id);
    expect(new Set(ids).size).toBe(3000);
    expect(ids.slice(0, 3)).toEqual(['a', 'a~2', 'a~3']);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyEdits } from '../html/edit-markup';
import { readForm } from '../html/read-form';
import { markupFaults, ruleNames } from './markup-faults';
import type { MarkupFault } from './page-under-check';

/** What tells one fault from another. */
const sign = ({ fault, field }: MarkupFault) => JSON.stringify([fault, field?.label]);

const rulesIn = (markup: string) => markupFaults(markup, readForm(markup)).map(({ rule }) => rule);
const labelled = (control: string, words = 'Tide') => `<label>${words} ${control}</label>`;

/** Each rule with markup that breaks it, and the nearest markup that does not. */
const rules: readonly (readonly [rule: string, broken: string, whole: string])[] = [
  [
    'no way to send',
    `<form>${labelled('<input name=a>')}${labelled('<input name=b>')}</form>`,
    `<form>${labelled('<input name=a>')}${labelled('<input name=b>')}<button type=button>Log</button></form>`,
  ],
  [
    'no way to send',
    `<form>${labelled('<textarea name=a></textarea>')}</form>`,
    `<form>${labelled('<input name=a>')}${labelled('<textarea name=b></textarea>', 'Notes')}</form>`,
  ],
  [
    'no way to send',
    `<form>${labelled('<textarea name=a></textarea>')}</form><p onclick="send()">Send</p>`,
    `<form><label>A <select name=a onchange="this.form.submit()"><option>x</select></label>${labelled('<input name=b>')}${labelled('<input name=c>')}</form>`,
  ],
  ['no name', labelled('<input>'), labelled('<input name=a>')],
  ['no name', labelled('<select><option>x</select>'), labelled('<select name=a><option>x</select>')],
  ['no label', 'Tide <input name=a>', 'Tide <input name=a title=Tide>'],
  [
    'no label',
    'Tide <input name=a aria-hidden=false style="display: block"><div hidden><input name=b title=B></div>',
    '<select name=a aria-hidden=true></select><input name=b style="width: 1px; display:none"><input name=c hidden>',
  ],
  [
    'no label',
    '<label for=b>Tide</label><input name=a id=a><input name=b id=b title=B>',
    labelled('<input name=a>'),
  ],
  [
    'widget without a name',
    '<label>Sea <div role=slider tabindex=0>3</div></label>',
    '<div role=slider tabindex=0 aria-label=Sea>3</div>',
  ],
  // What a script of its own makes of an element may take part in forms, and be named by labels.
  [
    'widget without a name',
    '<div role=textbox contenteditable></div>',
    '<div contenteditable></div><label for=x>Sea</label><x-dial id=x role=slider></x-dial>',
  ],
  [
    'label for nothing',
    '<label for=b>Tide</label><input name=a id=a title=A>',
    '<label for=a>Tide</label><input name=a id=a>',
  ],
  [
    'label for nothing',
    '<label for=a>Tide</label><p id=a></p>',
    '<label for=a>Tide</label><output id=a></output>',
  ],
  [
    'duplicate id',
    `${labelled('<input name=a id=x>')}<p id=x></p>`,
    `${labelled('<input name=a id=x>')}<p id=X></p>`,
  ],
  [
    'focus asked for twice',
    `${labelled('<input name=a autofocus>')}${labelled('<input name=b autofocus>')}`,
    `${labelled('<input name=a autofocus>')}${labelled('<input name=b>')}`,
  ],
  [
    'radio button alone',
    labelled('<input type=radio name=a value=x>'),
    `${labelled('<input type=radio name=a value=x>', 'rising')}${labelled('<input type=radio name=a value=y>', 'falling')}`,
  ],
  [
    'choices without a question',
    labelled('<input type=radio name=a value=x><input type=radio name=a value=y>'),
    `<fieldset><legend>Tide</legend>${labelled('<input type=radio name=a value=x><input type=radio name=a value=y>')}</fieldset>`,
  ],
  [
    'choices without a question',
    labelled('<input type=radio name=a value=x><input type=radio name=a value=y>'),
    '<b id=q>Tide</b><p role=radiogroup aria-labelledby=q><input type=radio name=a value=x><input type=radio name=a value=y>',
  ],
  [
    'hint as value',
    labelled('<input name=a value="Your name">'),
    labelled('<input name=a placeholder="Your name">'),
  ],
  [
    'hint as value',
    labelled('<textarea name=a>Write here</textarea>'),
    labelled('<textarea name=a readonly>Write here</textarea>'),
  ],
  [
    'choices without a question',
    `<fieldset><legend>Log</legend><p>Tide ${labelled('<input type=radio name=a value=x>', 'up')}${labelled('<input type=radio name=a value=y>', 'down')}</p>${labelled('<input name=b>')}${labelled('<input name=c>')}</fieldset>`,
    `<p role=radiogroup aria-label=Tide>Tide ${labelled('<input type=radio name=a value=x>', 'up')}${labelled('<input type=radio name=a value=y>', 'down')}</p>`,
  ],
  [
    'example refused',
    labelled('<input name=a pattern="[0-9]{10,12}" placeholder="0151 2345678">', 'Mobile'),
    labelled('<input name=a pattern="[0-9 ]{10,12}" placeholder="0151 2345678">', 'Mobile'),
  ],
  [
    'example refused',
    labelled('<input name=a maxlength=6 placeholder="e.g. Hestur South">', 'Island'),
    labelled('<input name=a maxlength=12 placeholder="e.g. Hestur South">', 'Island'),
  ],
  [
    'example refused',
    labelled('<input type=email name=a placeholder="aino@skerry.test" pattern=".+@skerry">', 'E-mail'),
    // Words, and shapes of what is wanted, are no examples.
    labelled('<input name=a pattern="[0-9]{2}/[0-9]{2}" placeholder="MM/YY">', 'Until'),
  ],
  [
    'default refused',
    labelled('<input type=date name=a value=14.3.2026>'),
    labelled('<input type=date name=a value=2026-03-14>'),
  ],
  [
    'default refused',
    labelled('<input type=email name=a value=ada>'),
    labelled('<input type=checkbox name=a value=ada>'),
  ],
  [
    'min above max',
    labelled('<input type=number name=a min=8 max=-3>', 'Level, 8 to -3'),
    labelled('<input type=number name=a min=8 max=8>', 'Level, 8'),
  ],
  [
    'min above max',
    labelled('<input type=date name=a min=2026-03-15 max=2026-03-14>', 'On 14 or 15 March'),
    // A time may pass midnight.
    labelled('<input type=time name=a min=22:00 max=06:00>', 'From 22 to 6'),
  ],
  ['beyond its gauge', labelled('<meter value=2></meter>'), labelled('<meter value=2 max=2></meter>')],
  [
    'pattern',
    labelled('<input name=a pattern="[a-" title="small letters">'),
    labelled('<input name=a pattern="[a-z]" title="a small letter">'),
  ],
  [
    'pattern',
    labelled('<input name=a pattern="[a-z]*" title="small letters">'),
    labelled('<input name=a pattern="[a-z]+" title="small letters">'),
  ],
  ['pattern', labelled('<input name=a pattern="[a-z]+">'), labelled('<input type=date name=a>')],
  [
    'pattern',
    labelled('<input name=a pattern="[0-9]">'),
    labelled('<input name=a pattern="[0-9]">', 'Digit 1'),
  ],
  // Everybody knows how a postcode is written; a date in six digits is one of many ways.
  [
    'pattern',
    `<html lang=ko>${labelled('<input name=a pattern="[0-9]{6}">', '생년월일')}`,
    `<html lang=ko>${labelled('<input name=a pattern="[0-9]{5}">', '우편번호')}`,
  ],
  [
    'limit not shown',
    labelled('<input name=a maxlength=7>'),
    labelled('<input name=a maxlength=7>', 'Tide, 7 letters'),
  ],
  [
    'limit not shown',
    labelled('<input type=number name=a min=3>'),
    labelled('<input type=number name=a min=1 title="from 1">'),
  ],
  [
    'limit not shown',
    labelled('<input type=date name=a max=2026-12-01>'),
    labelled('<input type=date name=a max=2026-12-01 autocomplete=bday>', 'Born'),
  ],
  ['attribute ignored', labelled('<input name=a min=1>'), labelled('<input name=a size=4>')],
  [
    'attribute ignored',
    labelled('<input type=checkbox name=a placeholder=x>'),
    labelled('<input type=checkbox name=a required>'),
  ],
  ['unknown type', labelled('<input type=datetime name=a>'), labelled('<input type="" name=a>')],
  [
    'code as number',
    labelled('<input type=number name=pin>'),
    labelled('<input type=number name=pinnacles>', 'Pinnacles'),
  ],
  [
    'code as number',
    labelled('<input type=number name=mobilePhone>'),
    labelled('<input type=tel name=mobilePhone>'),
  ],
  [
    'code as number',
    labelled('<input type=number name=zip_code>'),
    labelled('<input type=number name=phone_calls>'),
  ],
  [
    'suggestions',
    labelled('<input name=a list=l>'),
    `${labelled('<input name=a list=l>')}<datalist id=l><option value=x></datalist>`,
  ],
  [
    'suggestions',
    `${labelled('<input type=email name=a list=l>')}<datalist id=l><option value=ada></datalist>`,
    `${labelled('<input type=email name=a list=l>')}<datalist id=l><option value=ada@skerry.example></datalist>`,
  ],
  [
    'format refused',
    labelled('<input name=a placeholder=TT.MM.JJJJ pattern="[0-9]{2}[.][0-9]{2}[.][0-9]{2}">'),
    labelled('<input name=a placeholder=TT.MM.JJJJ pattern="[0-9]{2}[.][0-9]{2}[.][0-9]{4}">'),
  ],
  [
    'format refused',
    `<form>${labelled('<input name=a maxlength=8>', 'Born (DD/MM/YYYY)')}</form>`,
    `<form>${labelled('<input name=a maxlength=10>', 'Born (DD/MM/YYYY)')}</form>`,
  ],
  [
    'autocomplete',
    labelled('<input type=number name=boats autocomplete=postal-code>'),
    labelled('<input type=number name=zip autocomplete=postal-code>', 'ZIP code'),
  ],
  [
    'autocomplete',
    labelled('<input name=a autocomplete=nickname-of>'),
    labelled('<input name=a autocomplete=nickname>'),
  ],
  [
    'slider without readout',
    labelled('<input type=range name=a id=r>'),
    `${labelled('<input type=range name=a id=r>')}<output for="q r">5</output>`,
  ],
  [
    'keypad lacks a character',
    labelled('<input name=a inputmode=numeric pattern="-?[0-9]+" title="a whole number">'),
    labelled('<input name=a inputmode=numeric pattern="[0-9]+" title="a whole number">'),
  ],
  [
    'filter on keys',
    labelled('<input name=a onkeydown="return event.key !== \'x\'">'),
    labelled('<input name=a onkeydown="count()">'),
  ],
  [
    'picker over picker',
    labelled('<input type=date name=a data-picker=on>'),
    labelled('<input name=a data-picker=on>'),
  ],
  [
    'buttons alike',
    '<form><button name=go value=1>Save</button><button name=go value=1>Send</button></form>',
    '<form><button name=go value=1>Save</button><button name=go value=2>Send</button></form>',
  ],
  [
    'buttons alike',
    '<form><button>Save</button><button>Send</button></form>',
    '<form><button>Save</button></form><form><button>Send</button></form>',
  ],
  [
    'no such value',
    '<form method="psot"><button>Send</button></form>',
    '<form method="POST"><button>Send</button></form>',
  ],
  [
    'no such value',
    labelled('<input name=a inputmode=number>'),
    labelled('<input name=a inputmode=NUMERIC>'),
  ],
  ['no such value', labelled('<input name=a enterkeyhint=ok>'), labelled('<input name=a enterkeyhint="">')],
  [
    'no such value',
    labelled('<textarea name=a wrap=off></textarea>'),
    labelled('<textarea name=a></textarea>'),
  ],
  ['misspelt attribute', labelled('<input name=a requierd>'), labelled('<input name=a v-model=x>')],
  [
    'misspelt attribute',
    labelled('<input name=a patern="[0-9]">'),
    labelled('<input name=a data-patern="[0-9]">'),
  ],
  [
    'misspelt attribute',
    labelled('<input name=a maxlenght=3>'),
    labelled('<input name=a maxlength=3 maxlenght=3>'),
  ],
  [
    'unreadable number',
    labelled('<input type=number name=a step=0>'),
    labelled('<input type=number name=a step=any>'),
  ],
  ['unreadable number', labelled('<input name=a maxlength=-5>'), labelled('<input name=a maxlength=5>')],
  [
    'unreadable number',
    labelled('<input type=date name=a min=today>'),
    labelled('<input type=date name=a min=2026-03-14>'),
  ],
  [
    'minlength above maxlength',
    labelled('<input name=a minlength=8 maxlength=6>'),
    labelled('<input name=a minlength=6 maxlength=6>'),
  ],
  [
    'minlength above maxlength',
    labelled('<textarea name=a minlength=3 maxlength=0></textarea>'),
    labelled('<input name=a minlength=8 maxlength=6 readonly>'),
  ],
  [
    'name hides a member',
    `<form>${labelled('<input name=submit>')}</form>`,
    `<form>${labelled('<input name=length>')}</form>`,
  ],
  [
    'required choice is made',
    labelled('<select name=a required><option>Small<option>Large</select>'),
    labelled('<select name=a required><option value="">Choose<option>Small</select>'),
  ],
  [
    'required choice is made',
    labelled('<select name=a required><option>Small<option>Large</select>'),
    labelled('<select name=a required size=3><option>Small<option>Large</select>'),
  ],
  [
    'radio buttons without values',
    '<input type=radio name=a title=A><input type=radio name=a title=B>',
    '<input type=radio name=a title=A value=a><input type=radio name=a title=B value=b>',
  ],
  ['focus jumps', labelled('<input name=a tabindex=3>'), labelled('<input name=a tabindex=0>')],
  ['focus jumps', labelled('<input name=a tabindex=" 1x">'), labelled('<input name=a tabindex=-1>')],
  [
    'paste is refused',
    labelled('<input name=a onpaste="return false">'),
    labelled('<input name=a onpaste="tidy(this)">'),
  ],
  [
    'secret in the address',
    `<form action=in>${labelled('<input type=password name=a>')}</form>`,
    `<form action=in method=post>${labelled('<input type=password name=a>')}</form>`,
  ],
  [
    'form in a form',
    `<form>${labelled('<input name=a>')}<form></form>${labelled('<input name=b>')}<button>Go</button></form>`,
    `<form>${labelled('<input name=a>')}</form><form>${labelled('<input name=b>')}<button>Go</button></form>`,
  ],
  [
    'pattern',
    labelled('<input name=a title=Code pattern="\\d\\-\\d">'),
    labelled('<input name=a title=Code readonly pattern="\\d\\-\\d">'),
  ],
  [
    'accept',
    labelled('<input type=file name=a accept=pdf>'),
    labelled('<input type=file name=a accept=".pdf, image/*">'),
  ],
];

describe('limits that are wrong themselves', () => {
  it.each([
    '<input type=number name=postcode min=10 max=98168 title="">',
    '<input name=a minlength=8 maxlength=6>',
  ])('are not told once more as shown nowhere: %s', (field) => {
    const found = rulesIn(labelled(field));
    expect(found).not.toContain('limit not shown');
    expect(found).not.toEqual([]);
  });
});

describe('each rule about markup', () => {
  it.each(rules)('%s: %s', (rule, broken) => {
    expect(rulesIn(broken)).toContain(rule);
  });
  it.each(rules)('%s: not %s but %s', (rule, _, whole) => {
    expect(rulesIn(whole)).not.toContain(rule);
  });
  it('has markup here that breaks it', () => {
    expect([...new Set(rules.map(([rule]) => rule))].sort()).toEqual([...ruleNames].sort());
  });
});

describe('the edits of a remedy', () => {
  const broken = fc.constantFrom(...rules.map(([, markup]) => markup));
  const whole = fc.constantFrom(...rules.map(([, , markup]) => markup));
  const inOneForm = fc
    .array(fc.oneof(broken, whole), { minLength: 1, maxLength: 5 })
    // A form in a form is none, and would be read as another page than was meant.
    .map((pieces) => pieces.filter((piece) => !piece.includes('<form')).join('\n'));

  it('take their fault away in any company, and no field with it', () => {
    fc.assert(
      fc.property(inOneForm, (inside) => {
        const markup = `<form>${inside}</form>`;
        const before = readForm(markup);
        for (const fault of markupFaults(markup, before)) {
          if (!fault.mend) continue;
          const mended = applyEdits(markup, fault.mend(markup));
          const after = readForm(mended);
          const controls = (reading: typeof before) =>
            reading.fields.flatMap((field) => field.controls).length;
          expect(controls(after), mended).toBeGreaterThanOrEqual(controls(before));
          const same = (found: ReturnType<typeof markupFaults>) =>
            found.filter((one) => sign(one) === sign(fault)).length;
          expect(same(markupFaults(mended, after)), `${fault.fault.code}\n${mended}`).toBeLessThan(
            same(markupFaults(markup, before)),
          );
        }
      }),
      { numRuns: 300 },
    );
  });

  it('leave everything else as it was written', () => {
    fc.assert(
      fc.property(inOneForm, (inside) => {
        const markup = `<form>${inside}</form>`;
        for (const { mend } of markupFaults(markup, readForm(markup))) {
          const edits = [...(mend?.(markup) ?? [])].sort((x, y) => x.start - y.start);
          for (const [index, { start, end }] of edits.entries()) {
            expect(start).toBeGreaterThanOrEqual(edits[index - 1]?.end ?? 0);
            expect(end).toBeGreaterThanOrEqual(start);
            expect(end).toBeLessThanOrEqual(markup.length);
          }
        }
      }),
      { numRuns: 300 },
    );
  });
});

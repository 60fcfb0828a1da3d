import { describe, expect, it } from 'vitest';
import { demoForm, hurriedForm } from '../demo/demo-forms';
import { readForm } from '../html/read-form';
import { markupFaults } from './markup-faults';

const faults = (markup: string) => markupFaults(markup, readForm(markup));
const rulesIn = (markup: string) => faults(markup).map(({ rule }) => rule);

describe('faults in the markup', () => {
  it('are none in the good form', () => {
    expect(faults(demoForm.markup).map(({ fault }) => fault)).toEqual([]);
  });
  it('are all that were planted in the hurried one, at their lines', () => {
    expect(
      faults(hurriedForm.markup).map(({ line, rule, field }) => `${line} ${rule} ${field?.id ?? ''}`.trim()),
    ).toEqual([
      '2 secret in the address passphrase',
      '3 no label station',
      '3 hint as value station',
      '3 default refused station',
      '3 pattern station',
      '3 limit not shown station',
      '4 label for nothing',
      '4 no label observer',
      '4 focus asked for twice',
      '6 pattern phone',
      '7 no name input-5',
      '7 hint as value input-5',
      '7 default refused input-5',
      '8 code as number pin',
      '8 attribute ignored pin',
      '9 pattern passphrase',
      '9 pattern passphrase',
      '10 min above max date',
      '10 limit not shown date',
      '11 unknown type moment',
      '12 default refused high-water',
      '15 keypad lacks a character level',
      '15 pattern level',
      '17 slider without readout sea',
      '20 radio button alone rising',
      '21 radio button alone slack',
      '22 radio button alone falling',
      '23 no label publish',
      '25 suggestions bird',
      '26 hint as value remarks',
      '26 limit not shown remarks',
      '27 filter on keys serial',
      '30 no label meter-27',
      '30 beyond its gauge meter-27',
      '31 no label progress-28',
      '34 buttons alike button-31',
    ]);
  });
  it.each([
    ['<label>A <input name=a id=x></label><label>B <input name=b id=x></label>', 'duplicate id'],
    ['<label>A <input name=a autocomplete=fistname></label>', 'autocomplete'],
    ['<label>A <input name=a type=number autocomplete=email></label>', 'autocomplete'],
    ['<label>A <input name=a autocomplete="home cc-number"></label>', 'autocomplete'],
    ['<label>A <input name=a type=date class=my-datepicker></label>', 'picker over picker'],
    [
      '<label>A <input name=a type=number list=l><datalist id=l><option value=x></datalist></label>',
      'suggestions',
    ],
    ['<label>A <textarea name=a value=x></textarea></label>', 'attribute ignored'],
    [
      '<label>A <input name=a type=number min=-5 inputmode=numeric title="from -5"></label>',
      'keypad lacks a character',
    ],
    ['<label>A <input name=a type=number step=0.1 inputmode=numeric></label>', 'keypad lacks a character'],
    ['<label>Words</label>', 'label for nothing'],
    ['<input name=a>', 'no label'],
    ['<label for=x> </label><input name=a id=x>', 'no label'],
    ['<label><select name=a><option>North</select></label>', 'no label'],
    ['<input name=a aria-label="">', 'no label'],
    ['<label>A <progress value=5></progress></label>', 'beyond its gauge'],
  ])('%s', (markup, rule) => {
    expect(rulesIn(markup)).toEqual([rule]);
  });
  it.each([
    '<label>A <input name=a autocomplete="section-x shipping home tel"></label>',
    '<label>A <input name=a autocomplete=off></label>',
    '<label>A <input name=a type=time min=22:00 max=06:00 title="by night"></label>',
    '<label for=x>A</label><input name=a id=x>',
    '<input name=a aria-label=A>',
    '<label><img src=tide.png alt="Tide"> <input name=a></label>',
    '<label for=x></label><label for=x>A</label><input name=a id=x>',
    '<label>A <input name=a inputmode=decimal pattern="[0-9]+[.][0-9]" title="one decimal"></label>',
    '<label>A <input name=a type=range><output>3</output></label>',
    '<label>Age, 18 to 99 <input name=a type=number min=18 max=99></label>',
  ])('are none in %s', (markup) => {
    expect(rulesIn(markup)).toEqual([]);
  });
});

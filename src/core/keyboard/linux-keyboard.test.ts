import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { targetId } from '../target/target';
import { charactersOf } from './keyboard';
import { trapOn } from './keyboard-check';
import { keyboardFaults } from './keyboard-faults';
import { linuxKeyboard } from './linux-keyboard';

const layouts = ['us', 'email/us', 'url/us', 'number/us'];

function keyboard(layout: string) {
  const found = linuxKeyboard(layout);
  if (!found) throw new Error(`no layout ${layout}`);
  return found;
}

function trap(markup: string, layout: string) {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error('no field');
  return trapOn(keyboard(layout), { field, guards: [], samples: [] }, targetId('firefox'), 'en-US');
}

describe('the real keyboard of Linux', () => {
  it.each(layouts)('has in %s neither holes nor dead ends', (layout) => {
    expect(keyboardFaults(keyboard(layout))).toEqual([]);
  });

  it('has on its pad what was seen there, and no decimal separator', () => {
    expect([...charactersOf(keyboard('number/us'))].sort()).toEqual([...' #()*+-0123456789'].sort());
  });

  it('puts beside the space bar what the field is about', () => {
    const keys = (layout: string) =>
      keyboard(layout)
        .layers[0].rows.at(-1)
        ?.flatMap((key) => ('text' in key ? key.text : []));
    expect(layouts.slice(0, 3).map(keys)).toEqual([
      [' ', '.'],
      [' ', '@', '.'],
      [' ', '/', '.'],
    ]);
  });

  it('is a trap for a level with decimals, and none for a whole number with a sign', () => {
    expect(trap('<input type=number min=-3 max=8 step=0.01>', 'number/us')?.missing).toEqual(['.']);
    expect(trap('<input type=number min=-3 max=8>', 'number/us')).toBeNull();
  });

  it('is not guessed where nobody looked at the keys', () => {
    expect(['de', 'number/de', 'constructor', ''].map(linuxKeyboard)).toEqual([null, null, null, null]);
  });
});

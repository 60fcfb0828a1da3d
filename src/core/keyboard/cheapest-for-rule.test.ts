import { describe, expect, it } from 'vitest';
import type { Sample } from '../guard/sample';
import { readForm } from '../html/read-form';
import { cheapestForRule } from './cheapest-for-rule';

function cheapest(
  markup: string,
  wanted: Parameters<typeof cheapestForRule>[1] = null,
  samples: readonly Sample[] = [],
) {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error('no field');
  return cheapestForRule({ field, guards: [], samples }, wanted, { language: 'en-US', corrections: [] });
}

describe('the cheapest setting for a rule', () => {
  it('leaves a field alone that brings a keyboard up for every value', () => {
    expect(cheapest('<input name=a>')).toEqual({ kind: 'text', inputmode: null });
  });
  it('takes away an input mode whose pad lacks what the pattern needs', () => {
    const setting = cheapest('<input name=a inputmode=numeric pattern="-?[0-9]{1,2}">');
    expect(setting).toMatchObject({ kind: 'text' });
    expect(setting?.inputmode).not.toBe('numeric');
  });
  it('brings all keys that samples need, where the rule itself names none', () => {
    const samples: Sample[] = [
      { text: 'Skerry 4', expected: 'accepted' },
      { text: '🐦', expected: 'refused' },
    ];
    expect(cheapest('<input name=a inputmode=numeric>')).toEqual({ kind: 'text', inputmode: 'numeric' });
    const setting = cheapest('<input name=a inputmode=numeric>', null, samples);
    expect(setting).toEqual({ kind: 'text', inputmode: null });
  });
  it('changes the input mode before the kind where one keyboard is wanted', () => {
    expect(cheapest('<input name=a>', 'telephone')).toEqual({ kind: 'text', inputmode: 'tel' });
  });
});

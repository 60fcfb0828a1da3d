import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { targets } from '../target/line-up';
import { plainVariant } from '../target/variant';
import { type Speaker, speakerFor, takesText, tryValue } from './try-value';

const field = (markup: string) => {
  const [first] = readForm(markup).fields;
  if (!first) throw new Error(markup);
  return first;
};
const speaker = (engine: Speaker['engine'], language: Speaker['language'] = 'en-US'): Speaker => ({
  engine,
  language,
});

describe('a value, tried', () => {
  it('is filtered, cut, and refused in the words of each engine', () => {
    const level = field('<input type=number required>');
    expect(tryValue(level, '1a2', speaker('chromium'))).toMatchObject({
      value: '12',
      flags: [],
      message: '',
    });
    expect(tryValue(level, '1a2', speaker('firefox'))).toMatchObject({
      value: '',
      flags: ['valueMissing', 'badInput'],
      message: 'Please enter a number.',
    });
    expect(tryValue(level, '1a2', speaker('webkit', 'de-DE')).message).toBe('Geben Sie eine Zahl ein');
    expect(tryValue(field('<input maxlength=3>'), 'ab😀', speaker('chromium')).value).toBe('ab');
    expect(tryValue(field('<input maxlength=4>'), 'ab😀', speaker('chromium')).value).toBe('ab😀');
  });

  it('says that a text is too short only once there is one', () => {
    const code = field('<input minlength=4>');
    expect(tryValue(code, '', speaker('firefox')).flags).toEqual([]);
    expect(tryValue(code, 'ab', speaker('firefox'))).toMatchObject({
      flags: ['tooShort'],
      message: 'Please use at least 4 characters (you are currently using 2 characters).',
    });
  });

  it('says where the arrow keys lead, and nothing of kinds that have no steps', () => {
    expect(tryValue(field('<input type=number step=0.5>'), '3.2', speaker('chromium')).arrows).toEqual({
      up: '3.5',
      down: '3',
    });
    expect(tryValue(field('<input type=month>'), '2026-12', speaker('firefox')).arrows).toBeNull();
    expect(tryValue(field('<input type=number step=any>'), '3.2', speaker('webkit')).arrows?.up).toBe('4.2');
    expect(tryValue(field('<input>'), 'x', speaker('chromium')).arrows).toBeNull();
  });

  it('of a field that is barred from validation is not checked', () => {
    const tried = tryValue(field('<input type=email readonly>'), 'x', speaker('chromium'));
    expect(tried).toMatchObject({ willValidate: false, message: '' });
  });

  it('is never longer than maxlength, in any engine', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), fc.nat(9), (text, most) => {
        for (const engine of ['chromium', 'firefox', 'webkit'] as const) {
          const tried = tryValue(field(`<input maxlength=${most}>`), text, speaker(engine));
          expect(tried.value.length).toBeLessThanOrEqual(most);
          expect(tried.flags).not.toContain('tooLong');
        }
      }),
    );
  });

  it('is spoken for by the model where it knows the engine, as it is set up', () => {
    const byId = new Map(targets.map((target) => [String(target.id), target]));
    const of = (id: string) => {
      const target = byId.get(id);
      if (!target) throw new Error(id);
      return speakerFor(target);
    };
    expect(of('webkit')).toEqual({ engine: 'webkit', language: plainVariant.language });
    expect(of('blink-phone')).toEqual({ engine: 'chromium', language: 'en-US' });
    expect(of('this-browser')).toBeNull();
    expect(
      targets.filter((target) => target.ask === 'engine' && target.withheld).map(speakerFor),
    ).not.toContainEqual(expect.anything());
    expect(['text', 'date', 'textarea'].every((kind) => takesText(kind as 'text'))).toBe(true);
    expect(['select', 'file', 'meter', 'submit'].some((kind) => takesText(kind as 'text'))).toBe(false);
  });
});

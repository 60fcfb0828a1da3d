import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { habitsOf } from '../model/deviations/habits';
import { typeScript } from '../model/type-script';
import { targetId } from '../target/target';
import { didText } from '../words/action-key-words';
import { actionKeyOf } from './action-key';
import { comesUp } from './comes-up';
import { traitsOf } from './input-traits';
import { type Key, layerNamed } from './keyboard';
import { keyboardHabitsOf } from './keyboard-habits';
import { prefilled } from './prefilled';
import { layerUp, scriptOf, type Tapped, type TappingPlace, tap, untapped } from './tapping';

const noon = new Date('2026-03-14T12:00:00');

/** A keyboard under the fingers: taps keys by what stands on them, and says what is in the field. */
function hands(markup: string, target: string) {
  const { fields } = readForm(`<form>${markup}<button>Send</button></form>`);
  const [field] = fields;
  const [habits, typing] = [keyboardHabitsOf(target), habitsOf(targetId(target))];
  if (!field || !habits || !typing) throw new Error(target);
  const entry = traitsOf(field);
  const up = comesUp(habits, entry, 'en-US');
  const { keyboard } = up;
  if (!keyboard) throw new Error('no keyboard');
  const action = actionKeyOf(field, fields, keyboard, habits);
  let now: Tapped = untapped;
  const standing = () =>
    typeScript(field, scriptOf(now), [], { ...typing, now: noon }).steps.at(-1) ?? prefilled(field);
  const text = () => standing().text;
  const place = (): TappingPlace => ({ up, habits, entry, action, before: text() });
  const layer = () => layerUp(now, place());
  const keys = () => layerNamed(keyboard, layer())?.rows.flat() ?? [];
  const press = (key: Key, held: string | null = null) => {
    now = tap(now, key, held, place());
  };
  return {
    layer,
    text,
    keys,
    press,
    first: () => prefilled(field),
    standing,
    said: () => now.did && didText(now.did),
    type(...labels: readonly string[]) {
      for (const label of labels) {
        const key = keys().find((one) =>
          one.does === 'text'
            ? one.text === label
            : one.does === 'layer'
              ? one.label === label
              : one.does === label,
        );
        if (!key) throw new Error(`${label} is not on ${layer()}`);
        press(key);
      }
    },
  };
}

describe('a field that is filled in already', () => {
  it.each(['blink-phone', 'webkit-phone', 'native-phone-field'])(
    'is typed into behind its text: %s',
    (target) => {
      const at = hands('<input name=a value="SKR-_">', target);
      expect(at.standing()).toMatchObject(at.first());
      at.type('erase', 'x');
      expect(at.text()).toBe('SKR-x');
    },
  );
  it('holds what its kind makes of its value', () => {
    expect(hands('<input type=url name=a value=" http:// ">', 'blink-phone').first().text).toBe('http://');
  });
});

describe('tapping', () => {
  it('begins a sentence large, goes on small, and puts a full stop for two spaces', () => {
    const at = hands('<textarea name=a></textarea>', 'webkit-phone');
    expect(at.layer()).toBe('capitals');
    at.type('S');
    expect(at.layer()).toBe('letters');
    at.type('e', 'a', ' ', ' ');
    expect([at.text(), at.layer()]).toEqual(['Sea. ', 'capitals']);
  });

  it('comes back from the numbers to large or small letters by itself, and stays where a person chose', () => {
    const at = hands('<input name=a autocapitalize=characters>', 'blink-phone');
    at.type('A', '?123', '1', '2');
    expect(at.layer()).toBe('numbers');
    at.type('abc', 'B');
    expect([at.text(), at.layer()]).toEqual(['A12B', 'capitals']);
    at.type('⇩');
    expect(at.layer()).toBe('letters');
    at.type('c');
    expect([at.text(), at.layer()]).toEqual(['A12Bc', 'capitals']);
  });

  it('brings several characters at once, held ones, and takes one away', () => {
    const at = hands('<input type=url name=a>', 'webkit-phone');
    at.type('a', '.com', 'erase');
    expect(at.text()).toBe('a.co');
    const e = at.keys().find((key) => key.does === 'text' && key.text === 'e');
    if (e) at.press(e, 'é');
    expect(at.text()).toBe('a.coé');
  });

  it('puts nothing right in an address or a code', () => {
    const at = hands('<input name=a inputmode=email>', 'webkit-phone');
    at.type('A', ' ', ' ');
    expect(at.text()).toBe('A  ');
  });

  it('acts: goes on, or sends, and says so', () => {
    const blink = hands('<input name=a><label>Next one <input name=b></label>', 'blink-phone');
    blink.type('action');
    expect(blink.said()).toBe('The key moves the focus to Next one.');
    const webkit = hands('<input name=a><input name=b>', 'webkit-phone');
    webkit.type('action');
    expect(webkit.said()).toBe('The key submits the form.');
    webkit.type('A');
    expect(webkit.said()).toBeNull();
  });

  it('never leaves the keyboard, whatever is tapped, and only keys with a text make it longer', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('blink-phone', 'webkit-phone', 'webkit-tablet', 'native-ios-field'),
        fc.constantFrom(
          '<input name=a>',
          '<input type=tel name=a>',
          '<input type=number name=a>',
          '<textarea name=a></textarea>',
        ),
        fc.array(fc.nat(), { maxLength: 25 }),
        (target, markup, choices) => {
          const at = hands(markup, target);
          for (const choice of choices) {
            const keys = at.keys();
            expect(keys.length).toBeGreaterThan(0);
            const key = keys[choice % keys.length];
            if (!key || key.does === 'action') continue;
            const before = at.text().length;
            at.press(key);
            if (key.does !== 'text') expect(at.text().length).toBeLessThanOrEqual(before);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

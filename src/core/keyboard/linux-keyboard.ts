import { keyRows, qwerty } from './key-rows';
import type { Keyboard, Layer } from './keyboard';
import { capitals } from './letters';

/** What stands between the space bar and the full stop, by the layout's own name. */
const besideSpace: Readonly<Record<string, string>> = { us: '', 'email/us': '@ ', 'url/us': '/ ' };

const [first, second, third] = qwerty;

const pad: Layer = {
  id: 'numbers',
  rows: keyRows('1 2 3 ( )', '4 5 6 # *', '7 8 9 + -', '<erase> 0 <space:3> <action:2>'),
};

/**
 * The keys of the real keyboard that is asked on a phone-sized display, for the layouts that English brings up there, as
 * they stand on its pictures. Null for a layout of which nobody has looked at the keys.
 *
 * @param layout by the keyboard's own name, as an observation has it: `number/us`
 */
export function linuxKeyboard(layout: string): Keyboard | null {
  const known = { source: 'the keys that the keyboard of Debian 12 showed here', sure: 'measured' } as const;
  if (layout === 'number/us') return { name: layout, layers: [pad], written: null, known };
  const beside = Object.hasOwn(besideSpace, layout) ? besideSpace[layout] : undefined;
  if (beside === undefined) return null;
  const bottom = (to: string) => `${to} <space:4> ${beside}. <action:1.5>`;
  const toNumbers = bottom('<to:numbers:123:1.5>');
  const toLetters = bottom('<to:letters:ABC:1.5>');
  return {
    name: layout,
    written: null,
    known,
    layers: [
      {
        id: 'letters',
        rows: keyRows(first, second, `<to:capitals:⇧:1.5> ${third} <erase:1.5>`, toNumbers),
      },
      {
        id: 'capitals',
        rows: keyRows(
          capitals(first, 'en'),
          capitals(second, 'en'),
          `<to:letters:⇩:1.5> ${capitals(third, 'en')} <erase:1.5>`,
          toNumbers,
        ),
        returnsTo: 'letters',
      },
      {
        id: 'numbers',
        rows: keyRows(
          '1 2 3 4 5 6 7 8 9 0',
          '@ # $ % & - _ + ( )',
          `<to:signs:*/=:1.5> , " ' : ; ! ? <erase:1.5>`,
          toLetters,
        ),
      },
      {
        id: 'signs',
        rows: keyRows(
          '~ ` | · √ π τ ÷ × ¶',
          '© ® £ € ¥ ^ ° * { }',
          '<to:numbers:123:1.5> \\ / < > = [ ] <erase:1.5>',
          toLetters,
        ),
      },
    ],
  };
}

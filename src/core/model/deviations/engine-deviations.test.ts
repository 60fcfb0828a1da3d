import { describe, expect, it } from 'vitest';
import { noDeviations } from '../../standard/deviations';
import { answerValidity } from '../answer-validity';
import { engineDeviations } from './engine-deviations';

const all = { standard: noDeviations, ...engineDeviations };
type Name = keyof typeof all;

/** What each says of a control with a value that a script set. */
function told(html: string, setValue: string | null): Record<Name, string> {
  const say = (name: Name) => {
    const answer = answerValidity({ html, setValue }, all[name]);
    if (!answer) throw new Error(html);
    return [answer.typeReflected, answer.value, ...answer.flags].join(' | ');
  };
  return {
    standard: say('standard'),
    chromium: say('chromium'),
    firefox: say('firefox'),
    webkit: say('webkit'),
  };
}

describe('where engines part from the standard, as they were asked', () => {
  it('month and week are text in Firefox', () => {
    expect(told('<input id=t type=month min=2026-03>', '2026-01')).toEqual({
      standard: 'month | 2026-01 | rangeUnderflow',
      chromium: 'month | 2026-01 | rangeUnderflow',
      firefox: 'text | 2026-01',
      webkit: 'month | 2026-01 | rangeUnderflow',
    });
  });
  it('a pattern with a loose hyphen counts in WebKit alone', () => {
    const { standard, chromium, firefox, webkit } = told('<input id=t pattern="[a-]">', 'b');
    expect(new Set([standard, chromium, firefox])).toEqual(new Set(['text | b']));
    expect(webkit).toBe('text | b | patternMismatch');
  });
  it('WebKit breaks lines where its font draws two letters as a wider one', () => {
    const wrapped = (text: string) => engineDeviations.webkit.hardWrap(text, 7);
    // Both have nine letters of the same widths, but for “fi”.
    expect(wrapped('one two six')).toBe('one two \nsix');
    expect(wrapped('four five six')).toBe('four \nfive six');
  });
  it('Chromium takes spaces in a host, and leaves a host in ASCII undecoded', () => {
    const addresses = [
      'http://a b/',
      'HTTP:\\\\a b/%',
      'https://xn--/',
      'http://a<b',
      'http://ä.xn--a',
      'foo://a b',
      '\u00a0http://a',
    ];
    expect(addresses.map((address) => engineDeviations.chromium.isUrl(address))).toEqual([
      true,
      true,
      true,
      false,
      false,
      false,
      false,
    ]);
  });
  it('any CSS colour is one, but in WebKit', () => {
    const { chromium, firefox, webkit } = told('<input id=t type=color>', 'teal');
    expect([chromium, firefox, webkit]).toEqual(['color | #008080', 'color | #008080', 'color | #000000']);
  });
  it('a range that ends before it begins overflows in Firefox', () => {
    const { standard, firefox, chromium } = told('<input id=t type=range min=9 max=3>', '5');
    expect(standard).toBe('range | 9');
    expect(chromium).toBe('range | 9');
    expect(firefox).toBe('range | 9 | rangeOverflow');
  });
  it('an address beyond ASCII is one in Firefox, and none elsewhere', () => {
    const { standard, firefox, webkit } = told('<input id=t type=email>', 'ada@hölm.example');
    expect(standard).toBe('email | ada@hölm.example | typeMismatch');
    expect(firefox).toBe('email | ada@hölm.example');
    expect(webkit).toBe('email | ada@hölm.example | typeMismatch');
  });
  it('image buttons are barred from validation everywhere but by the standard and Firefox', () => {
    const validates = (name: Name) =>
      answerValidity({ html: '<input id=t type=image>', setValue: null }, all[name])?.willValidate;
    expect((['standard', 'firefox', 'chromium', 'webkit'] as const).map(validates)).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });
  it('a required radio button without a name is missing by the standard alone', () => {
    const { standard, chromium, firefox, webkit } = told('<input id=t type=radio required>', null);
    expect(standard).toContain('valueMissing');
    expect([chromium, firefox, webkit].some((text) => text.includes('valueMissing'))).toBe(false);
  });
  it('all agree about what every one of them has right', () => {
    for (const [html, value] of [
      ['<input id=t required>', ''],
      ['<input id=t type=number min=-3 max=8 step=0.01>', '1.255'],
      ['<input id=t type=date max=2026-12-31>', '2027-01-01'],
      ['<textarea id=t required></textarea>', 'x'],
      ['<select id=t required><option value="">a</select>', null],
    ] as const)
      expect(new Set(Object.values(told(html, value))).size, html).toBe(1);
  });
});

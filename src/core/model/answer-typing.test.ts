import { describe, expect, it } from 'vitest';
import { answerTyping } from './answer-typing';
import type { TypingAnswer } from './typing-question';

const engines = ['chromium', 'firefox', 'webkit'] as const;
const form = (inside: string) => `<form>${inside}</form>`;
const answer = (
  html: string,
  keys: readonly string[],
  engine: (typeof engines)[number] = 'chromium',
): TypingAnswer => {
  const found = answerTyping({ html: form(html), focus: 'script', keys }, engine, new Date());
  if (!found || 'unknownKey' in found) throw new Error(JSON.stringify(found));
  return found;
};
const values = (html: string, keys: readonly string[]) =>
  engines.map((engine) => answer(html, keys, engine).value);
const types = (found: TypingAnswer) => found.events.map(([type, , inputType]) => inputType ?? type);

// Each of these was asked of the three engines on Debian 12; npm run calibrate asks thousands more.
describe('what keys do in each engine', () => {
  it.each<[string, string, string[], [string, string, string]]>([
    ['letters in a number', '<input id=t type=number>', ['1', 'x', '2'], ['12', '', '']],
    ['a plus in front', '<input id=t type=number>', ['+', '5'], ['5', '', '5']],
    ['a dot at the end', '<input id=t type=number>', ['5', '.'], ['5', '5', '5']],
    ['wide digits', '<input id=t type=number>', ['１', '２'], ['12', '12', '']],
    ['an arrow from nothing, min above 0', '<input id=t type=number min=3>', ['ArrowUp'], ['3', '3', '3']],
    ['an arrow on what is no number', '<input id=t type=number>', ['e', 'ArrowUp'], ['1', '', '1']],
    ['typing into a filled field', '<input id=t value=abc>', ['x'], ['xabc', 'xabc', 'x']],
    ['words taken away', '<input id=t>', ['a', 'Space', 'b', 'Control+Backspace'], ['a ', 'a ', 'a ']],
    ['punctuation taken away', '<input id=t>', ['a', '@', 'Control+Backspace'], ['a', '', '']],
    ['everything replaced', '<input id=t value=abc>', ['Control+a', 'x'], ['x', 'x', 'x']],
    ['a host in other letters', '<input id=t type=email>', ['a', '@', 'ü'], ['a@xn--tda', 'a@ü', 'a@ü']],
    ['a date typed through', '<input id=t type=date>', [...'02292024'], ['2024-02-29', '2024-02-29', '']],
    [
      'a date with separators',
      '<input id=t type=date>',
      [...'02/29/2024'],
      ['2024-02-29', '2024-02-29', '2024-02-29'],
    ],
    ['a month that is not known', '<input id=t type=month>', [...'05'], ['', '05', '']],
    ['a name of a month', '<input id=t type=month value=2024-02>', ['m'], ['2024-03', 'm2024-02', '2024-03']],
    ['an hour past noon', '<input id=t type=time>', [...'1330'], ['13:30', '13:30', '']],
    ['an arrow past noon', '<input id=t type=time value=11:30>', ['ArrowUp'], ['12:30', '12:30', '00:30']],
    [
      'a week without an editor',
      '<input id=t type=week value=2024-W05>',
      ['9'],
      ['2024-W09', '92024-W05', '2024-W05'],
    ],
    ['a slider by a tenth', '<input id=t type=range>', ['PageUp', 'ArrowLeft'], ['59', '59', '59']],
    [
      'a letter in a list',
      '<select id=t><option>x<option>apple<option>blue</select>',
      ['b'],
      ['blue', 'blue', 'blue'],
    ],
    [
      'an arrow in a list',
      '<select id=t><option>x<option disabled>y<option>z</select>',
      ['ArrowDown'],
      ['z', 'z', 'z'],
    ],
    ['what is read-only', '<input id=t readonly value=7>', ['5', 'Backspace'], ['7', '7', '7']],
    ['a full field', '<input id=t maxlength=2>', ['a', 'b', 'c'], ['ab', 'ab', 'ab']],
  ])('%s', (_, html, keys, expected) => {
    expect(values(html, keys)).toEqual(expected);
  });

  it('says which events are raised, in order, each with the value at that moment', () => {
    expect(answer('<input id=t>', ['a']).events).toEqual([
      ['focus', null, null, null, ''],
      ['keydown', 'a', null, null, ''],
      ['keypress', 'a', null, null, ''],
      ['beforeinput', null, 'insertText', 'a', ''],
      ['input', null, 'insertText', 'a', 'a'],
      ['keyup', 'a', null, null, 'a'],
      ['keydown', 'Tab', null, null, 'a'],
      ['change', null, null, null, 'a'],
      ['blur', null, null, null, 'a'],
    ]);
  });

  it('sends by Enter through the default button, or says what is not valid', () => {
    const sent = answer('<input id=t><button id=b>Go</button>', ['a', 'Enter']);
    expect(sent.events.find(([type]) => type === 'submit')).toEqual(['submit', null, null, null, 'a', 'b']);
    expect(types(answer('<input id=t required><button>Go</button>', ['Enter']))).toContain('invalid');
    expect(types(answer('<input id=t><input>', ['Enter']))).not.toContain('submit');
    expect(types(answer('<input id=t>', ['Enter'], 'webkit'))).not.toContain('insertLineBreak');
    // The first field that is not valid gets the focus.
    expect(types(answer('<input required><input id=t><button>Go</button>', ['Enter', 'x']))).toEqual([
      'focus',
      'keydown',
      'keypress',
      'insertLineBreak',
      'blur',
    ]);
  });

  it('goes through radio buttons, with the events where the focus is', () => {
    const group = '<input id=t type=radio name=r><input id=u type=radio name=r>';
    const found = answer(group, ['ArrowUp']);
    expect(found.checked).toBe('u');
    expect(found.events.filter(([type]) => type === 'change')).toEqual([
      ['change', null, null, null, 'checked:true', 'u'],
    ]);
    expect(answer(group, ['ArrowUp'], 'webkit').checked).toBeNull();
  });

  it('tells refused characters by their place', () => {
    expect(answer('<input id=t type=number>', ['1', 'e', '5', 'x']).refused).toEqual([3]);
    expect(answer('<input id=t readonly>', ['a', 'ArrowLeft']).refused).toEqual([0]);
  });

  it('says which key is none, and null where there is no t', () => {
    expect(
      answerTyping({ html: form('<input id=t>'), focus: 'script', keys: ['Hyper'] }, 'chromium', new Date()),
    ).toEqual({ unknownKey: 'Hyper' });
    expect(
      answerTyping({ html: form('<input>'), focus: 'script', keys: [] }, 'chromium', new Date()),
    ).toBeNull();
  });
});

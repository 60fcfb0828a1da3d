import { describe, expect, it } from 'vitest';
import { demoForm } from '../demo/demo-forms';
import { typingTasks } from '../document/form-document';
import type { Guard } from '../guard/guard';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import { askingOf, planOf } from '../questions/asking';
import { observationKey, pageQuestions } from '../questions/observation';
import { graphemes } from '../script/graphemes';
import { isNamedKey, type Script } from '../script/stroke';
import { validityOf } from '../standard/constraint-validation';
import { noDeviations } from '../standard/deviations';
import { fieldStateOf } from '../standard/field-state';
import { targetId } from '../target/target';
import { type Habits, habitsOf } from './deviations/habits';
import { admittedNumberText, numberFieldValue } from './deviations/number-filter';
import { predict, predictLook } from './predict';
import { typeScript } from './type-script';
import { validationMessage } from './validation-message';

const now = new Date('2026-03-14T10:30:00');

const habitsFor = (id: string): Habits => {
  const habits = habitsOf(targetId(id));
  if (!habits) throw new Error('no habits');
  return habits;
};
const chromium = habitsFor('chromium');
const phone = habitsFor('blink-phone');

const field = (markup: string): Field => {
  const [first] = readForm(markup).fields;
  if (!first) throw new Error('no field');
  return first;
};
const script = (...keys: string[]): Script =>
  keys.flatMap((key) => (isNamedKey(key) ? [key] : graphemes(key))).map((key) => ({ kind: 'key', key }));
const typed = (markup: string, keys: string[], guards: Guard[] = [], habits = chromium) =>
  typeScript(field(markup), script(...keys), guards, { ...habits, now });
const last = (facts: ReturnType<typeof typed>) => {
  const step = facts.steps.at(-1);
  if (!step) throw new Error('no step');
  return step;
};

describe('typing, as modelled', () => {
  it('raises the events of a hardware key in order, each with the value of that moment', () => {
    const [first, second] = typed('<input>', ['ab']).steps;
    expect(first?.events.map((e) => [e.type, e.value])).toEqual([
      ['focus', ''],
      ['keydown', ''],
      ['keypress', ''],
      ['beforeinput', ''],
      ['input', 'a'],
      ['keyup', 'a'],
    ]);
    expect(second?.events.find((e) => e.type === 'input')).toMatchObject({
      inputType: 'insertText',
      data: 'b',
      value: 'ab',
    });
  });

  it('tells a page no key under a soft keyboard, save for Backspace', () => {
    const { steps } = typed('<input>', ['a', 'Backspace'], [], phone);
    expect(steps.map((s) => s.events.filter((e) => e.type === 'keydown').map((e) => e.key))).toEqual([
      ['Unidentified'],
      ['Backspace'],
    ]);
    expect(steps.flatMap((s) => s.events).some((e) => e.type === 'keypress')).toBe(false);
  });

  it('lets a guard refuse before the text is inserted, and nothing else', () => {
    const guard: Guard = { kind: 'decimals', stage: 'before insert', id: 'g', on: true, most: 2 };
    const { steps } = typed('<input>', ['1.255', 'Backspace', '7'], [guard]);
    expect(steps.map((s) => s.text)).toEqual(['1', '1.', '1.2', '1.25', '1.25', '1.2', '1.27']);
    expect(steps.map((s) => s.refused)).toEqual([null, null, null, null, 'guard', null, null]);
    expect(steps[4]?.guard).toBe('g');
    expect(steps[4]?.events.map((e) => [e.type, e.prevented])).toEqual([
      ['keydown', false],
      ['keypress', false],
      ['beforeinput', true],
      ['keyup', false],
    ]);
  });

  it('stops at maxlength by code units, never inside a grapheme', () => {
    expect(typed('<input maxlength=3>', ['ab😀c']).steps.map((s) => s.text)).toEqual([
      'a',
      'ab',
      'ab',
      'abc',
    ]);
    expect(last(typed('<textarea maxlength=2></textarea>', ['abc']))).toMatchObject({
      text: 'ab',
      refused: 'target',
    });
  });

  it('edits where the caret is', () => {
    expect(last(typed('<input>', ['ac', 'ArrowLeft', 'b', 'End', 'd', 'Home', 'Delete'])).text).toBe('bcd');
    expect(last(typed('<textarea>one\ntwo</textarea>', ['End', '!'])).text).toBe('one!\ntwo');
    expect(last(typed('<input value=abc>', ['x'])).text).toBe('xabc');
  });

  it('raises change on leaving only when the value is another one, and nothing after that', () => {
    const types = (keys: string[]) =>
      typed('<input value=a>', keys).steps.map((s) => s.events.map((e) => e.type).join(' '));
    expect(types(['b', 'Tab', 'c'])).toEqual([
      'focus keydown keypress beforeinput input keyup',
      'keydown change blur',
      '',
    ]);
    expect(types(['b', 'Backspace', 'Tab']).at(-1)).toBe('keydown blur');
  });

  it('changes nothing in a field that is read-only, and hears nothing in one that is disabled', () => {
    expect(last(typed('<input readonly value=a>', ['b']))).toMatchObject({ text: 'a', refused: 'target' });
    expect(last(typed('<input disabled value=a>', ['b']))).toMatchObject({ text: 'a', events: [] });
  });

  it('shows a number that is not yet a value, and says that it follows the text', () => {
    const facts = typed('<input type=number>', ['-1.5x']);
    expect(facts.followed).toBe(true);
    expect(facts.steps.map((s) => [s.text, s.value])).toEqual([
      ['-', ''],
      ['-1', '-1'],
      ['-1.', '-1'],
      ['-1.5', '-1.5'],
      ['-1.5', '-1.5'],
    ]);
    expect(last(facts).refused).toBe('target');
  });
});

describe('the number filter', () => {
  it.each([
    ['', '', 'a1b２', '12'],
    ['1.2', '', '.', ''],
    ['1e', '', '+', '+'],
    ['1e5', '', '-', ''],
    ['', '5e3', '-', '-'],
    ['', '5e3', '+', ''],
    ['', '-5', '1', ''],
    ['5', 'e-3', '.', '.'],
  ])('%j|%j: of %j it admits %j', (left, right, inserted, admitted) => {
    expect(admittedNumberText(left, right, inserted)).toBe(admitted);
  });
  it.each([
    ['+5', '5'],
    ['1.', '1'],
    ['+', ''],
    ['1e', ''],
    ['+2e+2', ''],
    ['1.e5', '1.e5'],
    ['-.5', '-.5'],
  ])('%j has the value %j', (text, value) => {
    expect(numberFieldValue(text)).toBe(value);
  });
});

describe('validation messages, as measured', () => {
  const message = (markup: string, value: string) => {
    const one = field(markup);
    const state = fieldStateOf(one, { value, byPerson: true });
    return validationMessage(one, state, validityOf(state).flags, chromium);
  };
  it.each([
    ['<input required>', '', 'Please fill out this field.'],
    ['<input type=checkbox required>', '', 'Please check this box if you want to proceed.'],
    ['<input type=radio name=a required>', '', 'Please select one of these options.'],
    ['<select required><option value="">x</select>', '', 'Please select an item in the list.'],
    ['<input type=email>', 'ada', "Please include an '@' in the email address. 'ada' is missing an '@'."],
    ['<input type=email>', 'ada@a b', "A part following '@' should not contain the symbol ' '."],
    ['<input type=url>', 'x', 'Please enter a URL.'],
    ['<input pattern=a>', 'b', 'Please match the requested format.'],
    ['<input type=number min=-3>', '-4', 'Value must be greater than or equal to -3.'],
    [
      '<input type=number step=0.25>',
      '0.3',
      'Please enter a valid value. The two nearest valid values are 0.25 and 0.5.',
    ],
    ['<input type=date max=2026-12-31>', '2027-01-01', 'Value must be 12/31/2026 or earlier.'],
    ['<input type=month min=2026-02>', '2026-01', 'Value must be February 2026 or later.'],
    ['<input type=week max=2026-W10>', '2026-W11', 'Value must be Week 10, 2026 or earlier.'],
    ['<input type=time max=17:00>', '18:00', 'Value must be 5:00\u202fPM or earlier.'],
    ['<input>', 'x', ''],
    ['<input type=number min=10 max=1>', '5', 'Minimum value (10) must be less than the maximum value (1).'],
    [
      '<input type=email pattern=x>',
      'y',
      "Please include an '@' in the email address. 'y' is missing an '@'.",
    ],
  ])('%s set to %j: %j', (markup, value, words) => {
    expect(message(markup, value)).toBe(words);
  });
  it.each([
    ['chromium', 'de-DE', '<input type=number max=1.5>', '2', 'Wert muss kleiner als oder gleich 1,5 sein.'],
    ['firefox', 'en-US', '<input pattern=a title=Post>', 'b', 'Please match the requested format: Post.'],
    [
      'firefox',
      'fi-FI',
      '<input type=time min=18:05>',
      '12:00',
      'Valitse arvo, joka ei ole aikaisempi kuin 18.05.',
    ],
    ['webkit', 'en-US', '<input maxlength=1>', 'ab', 'Use no more than one character'],
    [
      'webkit',
      'de-DE',
      '<input type=date min=2026-03-04>',
      '2026-03-01',
      'Value must be greater than or equal to 2026-03-04',
    ],
  ] as const)('%s in %s, of %s set to %j: %j', (engine, language, markup, value, words) => {
    const one = field(markup);
    const state = fieldStateOf(one, { value, byPerson: true });
    const { flags } = validityOf(state);
    expect(validationMessage(one, state, flags, { words: engine, deviations: engine }, language)).toBe(words);
  });
  it('is silent about words that nobody measured, rather than guess', () => {
    const one = field('<input required>');
    expect(
      validationMessage(one, fieldStateOf(one), ['valueMissing'], { ...chromium, words: null }),
    ).toBeNull();
    // Months are text in Firefox, which has no words for them.
    expect(
      validationMessage(
        one,
        fieldStateOf(field('<input type=month min=2026-02>'), { value: '2026-01' }),
        ['rangeUnderflow'],
        {
          deviations: 'firefox',
          words: 'firefox',
        },
      ),
    ).toBeNull();
  });
});

describe('predict', () => {
  const asking = askingOf(demoForm.markup, pageQuestions, typingTasks(demoForm));

  it('answers everything that was planned, once, as modelled', () => {
    const observations = predict(targetId('blink-phone'), asking, '2026-11-23T08:00:00Z');
    expect(observations).toHaveLength(planOf(asking).length);
    expect(new Set(observations.map(observationKey)).size).toBe(observations.length);
    expect(observations.every((o) => o.provenance.mark === 'modelled' && o.outcome.status !== 'failed')).toBe(
      true,
    );
  });

  it.each(['blink-phone', 'native-phone-field'])(
    'answers for %s all that was planned of a page that a plain button sends',
    (target) => {
      const page = { address: 'http://localhost:1/', form: 0, steps: '' };
      const markup = '<form><input name=a><button type=button>Send</button></form>';
      const asked = askingOf(markup, pageQuestions, {}, null, page);
      const keysOf = (all: readonly { field: string; question: string }[]) =>
        all.map(({ field: of, question }) => `${of} ${question}`).sort();
      expect(keysOf(predict(targetId(target), asked, ''))).toEqual(keysOf(planOf(asked)));
    },
  );

  it('has nothing to say for a target without habits', () => {
    expect(predict(targetId('this-browser'), asking, '')).toEqual([]);
  });
});

describe('a gauge in each of its states', () => {
  const shown = (markup: string, state: Parameters<typeof predictLook>[1]) => {
    const outcome = predictLook(field(markup), state, noDeviations);
    return outcome.status === 'answered' ? outcome.facts.value : outcome.status;
  };
  it.each([
    ['<progress max=100 value=35></progress>', 'closed', '35'],
    ['<progress max=100 value=35></progress>', 'filled', '65'],
    ['<progress max=100 value=35></progress>', 'indeterminate', '0'],
    ['<meter min=20 max=120 low=45 high=95 optimum=70 value=82></meter>', 'closed', '82'],
    ['<meter min=20 max=120 low=45 high=95 optimum=70 value=82></meter>', 'optimal', '70'],
  ] as const)('%s, %s, is at %s', (markup, state, value) => {
    expect(shown(markup, state)).toBe(value);
  });
});

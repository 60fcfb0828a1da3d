import { describe, expect, it } from 'vitest';
import { type Deviations, noDeviations } from '../standard/deviations';
import { answerValidity } from './answer-validity';
import { engineDeviations } from './deviations/engine-deviations';
import type { ValidityQuestion } from './validity-question';

const all = { standard: noDeviations, ...engineDeviations };
const targets = Object.keys(all) as (keyof typeof all)[];

type Asked = Partial<ValidityQuestion> & { readonly html: string };
const ask = (question: Asked, deviations: Deviations) =>
  answerValidity({ setValue: null, ...question }, deviations);

/** What every target answers to a question, as value and flags. */
function everywhere(question: Asked): Record<string, string> {
  return Object.fromEntries(
    targets.map((name) => {
      const answer = ask(question, all[name]);
      return [name, answer ? `${answer.value} [${answer.flags.join()}]` : 'nothing'];
    }),
  );
}

const same = (text: string) => Object.fromEntries(targets.map((name) => [name, text]));

describe('what all agree about', () => {
  it.each<[string, Asked, string]>([
    ['a missing value', { html: '<input id=t required>' }, ' [valueMissing]'],
    ['a value as parsed', { html: '<input id=t value="a&#10;b">' }, 'ab []'],
    ['line breaks in a textarea', { html: '<textarea id=t></textarea>', setValue: 'a\r\nb' }, 'a\nb []'],
    ['lengths that a script went past', { html: '<input id=t maxlength=2>', setValue: 'abc' }, 'abc []'],
    ['an address', { html: '<input id=t type=email>', setValue: ' a@b ' }, 'a@b []'],
    [
      'a wrapped range of times',
      { html: '<input id=t type=time min=22:00 max=06:00>', setValue: '12:00' },
      '12:00 [rangeUnderflow,rangeOverflow]',
    ],
    ['a step from min', { html: '<input id=t type=number min=1 step=2>', setValue: '4' }, '4 [stepMismatch]'],
    ['decimal steps', { html: '<input id=t type=number step=0.1>', setValue: '0.3' }, '0.3 []'],
    ['a slider between its steps', { html: '<input id=t type=range step=10>', setValue: '34' }, '30 []'],
    [
      'the placeholder of a list',
      { html: '<select id=t required><option value="">Pick<option>a</select>' },
      ' [valueMissing]',
    ],
    [
      'the last of several selected',
      { html: '<select id=t><option selected>a<option selected>b</select>' },
      'b []',
    ],
    [
      'a group with another button checked',
      { html: '<input id=t type=radio name=r required><input type=radio name=r checked>' },
      'on []',
    ],
    [
      'groups of two forms',
      {
        html: '<form><input id=t type=radio name=r required></form><form><input type=radio name=r checked></form>',
      },
      'on [valueMissing]',
    ],
    [
      'a value that a type throws away',
      { html: '<input id=t>', setValue: '2024-02-30', thenType: 'date' },
      ' []',
    ],
    [
      'limits that move a slider',
      { html: '<input id=t type=range>', setValue: '90', thenAttrs: { max: '50' } },
      '50 []',
    ],
    [
      'a message of a script',
      { html: '<input id=t type=number min=5>', setValue: '1', custom: 'no' },
      '1 [rangeUnderflow,customError]',
    ],
    ['a pattern that does not compile', { html: '<input id=t pattern="[">', setValue: 'x' }, 'x []'],
    [
      'a pattern for the whole text',
      { html: '<input id=t pattern="a|b">', setValue: 'ab' },
      'ab [patternMismatch]',
    ],
  ])('%s', (_, question, answer) => {
    expect(everywhere(question)).toEqual(same(answer));
  });
  it('what is barred, in a fieldset and out of it', () => {
    const barred = (html: string) => targets.map((name) => ask({ html }, all[name])?.willValidate);
    expect(barred('<fieldset disabled><input id=t></fieldset>')).toEqual([false, false, false, false]);
    expect(barred('<fieldset disabled><legend><input id=t></legend></fieldset>')).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect(barred('<input id=t type=checkbox readonly>')).toEqual([false, false, false, false]);
    expect(barred('<datalist><input id=t></datalist>')).toEqual([false, false, false, false]);
  });
  it('files cannot be set', () => {
    expect(ask({ html: '<input id=t type=file>', setValue: 'x' }, noDeviations)).toMatchObject({
      value: '',
      threw: 'InvalidStateError',
    });
  });
});

describe('where they part', () => {
  it.each<[string, Asked, Record<string, string>]>([
    [
      'an addressee with a host in letters',
      { html: '<input id=t type=email>', setValue: 'a@münchen.example' },
      {
        standard: 'a@münchen.example [typeMismatch]',
        chromium: 'a@münchen.example [typeMismatch]',
        firefox: 'a@münchen.example []',
        webkit: 'a@münchen.example [typeMismatch]',
      },
    ],
    [
      'a colour by name',
      { html: '<input id=t type=color>', setValue: 'teal' },
      { standard: '#008080 []', chromium: '#008080 []', firefox: '#008080 []', webkit: '#000000 []' },
    ],
    [
      'a slider with its ends the wrong way round',
      { html: '<input id=t type=range min=20 max=10>', setValue: '5' },
      { standard: '20 []', chromium: '20 []', firefox: '20 [rangeOverflow]', webkit: '20 []' },
    ],
    [
      'a hyphen at the end of a class',
      { html: '<input id=t pattern="[a-]">', setValue: 'x' },
      { standard: 'x []', chromium: 'x []', firefox: 'x []', webkit: 'x [patternMismatch]' },
    ],
    [
      'a dot before an exponent',
      { html: '<input id=t type=number step=any>', setValue: '1.e5' },
      { standard: ' []', chromium: '1.e5 []', firefox: ' []', webkit: '1.e5 []' },
    ],
    [
      'a limit with a plus',
      { html: '<input id=t type=number min="+5">', setValue: '1' },
      { standard: '1 [rangeUnderflow]', chromium: '1 []', firefox: '1 []', webkit: '1 []' },
    ],
    [
      'a limit written with an exponent',
      { html: '<input id=t type=range min=1e1 max=1e2>', setValue: '3' },
      { standard: '10 []', chromium: '1e+1 []', firefox: '10 []', webkit: '1e+1 []' },
    ],
    [
      'a month',
      { html: '<input id=t type=month>', setValue: '2024-1' },
      { standard: ' []', chromium: ' []', firefox: '2024-1 []', webkit: ' []' },
    ],
    [
      'a first option that is disabled',
      { html: '<select id=t><option disabled>a<option>b</select>' },
      { standard: 'b []', chromium: 'b []', firefox: 'b []', webkit: 'a []' },
    ],
    [
      'a step finer than a float',
      { html: '<input id=t type=number step=1.1>', setValue: '3.3000000000000003' },
      {
        standard: '3.3000000000000003 []',
        chromium: '3.3000000000000003 []',
        firefox: '3.3000000000000003 [stepMismatch]',
        webkit: '3.3000000000000003 []',
      },
    ],
  ])('%s', (_, question, answers) => {
    expect(everywhere(question)).toEqual(answers);
  });
  it('an image button is checked in one engine', () => {
    const html = '<input id=t type=image>';
    expect(targets.filter((name) => ask({ html }, all[name])?.willValidate)).toEqual(['standard', 'firefox']);
  });
});

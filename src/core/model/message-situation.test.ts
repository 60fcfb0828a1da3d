import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { validityOf } from '../standard/constraint-validation';
import { noDeviations } from '../standard/deviations';
import { fieldStateOf } from '../standard/field-state';
import { validityFlags } from '../standard/validity-flags';
import { situationOf } from './message-situation';

function situation(markup: string, value: string, badInput = false, title: string | null = null) {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  const state = fieldStateOf(field, { value, byPerson: true, badInput });
  const { flags } = validityOf(state);
  const [flag] = validityFlags.filter((one) => flags.includes(one));
  if (!flag) throw new Error(`${markup} takes ${value}`);
  return situationOf(state, flags, flag, title, noDeviations);
}

describe('what a message is about', () => {
  it.each([
    ['<input required>', '', 'valueMissing text'],
    ['<input type=number required>', '', 'valueMissing number'],
    ['<input type=file required>', '', 'valueMissing file'],
    ['<input type=file required multiple>', '', 'valueMissing files'],
    ['<select required></select>', '', 'valueMissing select'],
    ['<input type=url>', 'x', 'typeMismatch url'],
    ['<input type=email>', 'ada', 'typeMismatch email without @'],
    ['<input type=email>', '@b', 'typeMismatch email nothing before'],
    ['<input type=email>', 'a@', 'typeMismatch email nothing after'],
    ['<input type=email>', 'a(b@c', 'typeMismatch email symbol before'],
    ['<input type=email>', 'a@b(c', 'typeMismatch email symbol after'],
    ['<input type=email>', 'a@b..c', 'typeMismatch email dot'],
    ['<input type=email>', 'a@-b', 'typeMismatch email otherwise'],
    ['<input type=email multiple>', 'a@b,a@-b', 'typeMismatch email otherwise of several'],
    ['<input type=email multiple>', 'a@b,', 'typeMismatch email none of several'],
    ['<input pattern=a>', 'b', 'patternMismatch'],
    ['<input minlength=4>', 'ab', 'tooShort'],
    ['<textarea maxlength=1></textarea>', 'ab', 'tooLong'],
    ['<input type=number min=5>', '4', 'rangeUnderflow number'],
    ['<input type=number min=5 max=5>', '6', 'rangeOverflow number alone'],
    ['<input type=number min=9 max=5>', '4', 'rangeUnderflow number reversed'],
    ['<input type=time min=20:00 max=06:00>', '12:00', 'rangeUnderflow time reversed'],
    ['<input type=time max=00:00>', '12:00', 'rangeOverflow time at midnight'],
    ['<input type=date max=2026-01-01>', '2026-01-02', 'rangeOverflow date'],
    ['<input type=number step=2>', '3', 'stepMismatch number of 2'],
    ['<input type=number step=4 max=5>', '5', 'stepMismatch number of 1'],
    ['<input type=time step=900>', '23:50', 'stepMismatch time of 2, past midnight'],
    ['<input type=time step=900 min=20:00 max=06:00>', '05:50', 'stepMismatch time of 2, before min'],
    ['<input type=time step=900 min=20:00 max=06:00>', '21:50', 'stepMismatch time of 1, after max'],
  ])('%s with %j: %s', (markup, value, id) => {
    expect(situation(markup, value).id).toBe(id);
  });

  it('is a date that is none, or a number that is none', () => {
    expect(situation('<input type=date>', '', true).id).toBe('badInput date');
  });

  it('takes along what stands in the gaps', () => {
    expect(situation('<input pattern=a>', 'b', false, 'One a').slots).toEqual({
      title: { is: 'text', text: 'One a' },
    });
    expect(situation('<input minlength=4>', 'ä😀', false).slots).toEqual({
      limit: { is: 'count', count: 4 },
      length: { is: 'count', count: 3 },
    });
    expect(situation('<input type=email>', 'x@ada lund').slots).toEqual({
      symbol: { is: 'text', text: ' ' },
    });
    const { first, second } = situation('<input type=number step=0.1>', '0.25').slots;
    expect([first, second].map((slot) => slot?.is === 'number' && slot.number.toNumber())).toEqual([
      0.2, 0.3,
    ]);
    const { min } = situation('<input type=time step=2 min=10:00>', '09:00').slots;
    expect(min).toMatchObject({ kind: 'time', at: 36_000_000, inSeconds: { step: true, base: false } });
  });
});

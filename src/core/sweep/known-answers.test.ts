import { describe, expect, it } from 'vitest';
import type { Picture } from '../observation/picture';
import { askingOf, planOf } from '../questions/asking';
import type { Observation, PageQuestion } from '../questions/observation';
import { findTarget } from '../target/line-up';
import { type EngineTarget, targetId } from '../target/target';
import { answersPlanned, knownAnswers, picturesOf, resumeFault } from './known-answers';
import { owedAnswers } from './owed-answers';

const chromium = findTarget(targetId('chromium')) as EngineTarget;
const phone = findTarget(targetId('blink-phone'));
const markup =
  '<form><label>A <input name=a></label><label>B <input type=date name=b></label><button>Go</button></form>';
const questions: readonly PageQuestion[] = ['message', 'opening', 'parts'];
const asking = askingOf(markup, questions);

function answer(question: PageQuestion, field: string, more: object = {}): Observation {
  return {
    question,
    field,
    target: 'chromium',
    provenance: { mark: 'measured', engine: 'Chromium', version: '1.2', protocol: 'p', unable: [] },
    at: '2026-03-14T00:00:00Z',
    outcome: { status: 'inapplicable', reason: { code: 'no room' } },
    ...more,
  } as unknown as Observation;
}
const keptOf = (observations: readonly Observation[], version = '1.2', asked = asking) =>
  knownAnswers({ observations }, asked, [chromium], new Map([[targetId('chromium'), version]])).get(
    targetId('chromium'),
  );

describe('answers that are there already', () => {
  it('are those that were planned and did not fail, of this target', () => {
    const good = answer('message', 'a');
    const failed = answer('message', 'b', {
      outcome: { status: 'failed', failure: { code: 'mistake', said: 'x' } },
    });
    expect(keptOf([good, failed, answer('bubble', 'a'), answer('message', 'gone')])).toEqual([good]);
    expect(keptOf([answer('message', 'a', { target: 'firefox' })])).toEqual([]);
  });

  it('are none of another version of the engine, and none that nobody measured', () => {
    expect(keptOf([answer('message', 'a')], '1.3')).toEqual([]);
    expect(knownAnswers({ observations: [answer('message', 'a')] }, asking, [chromium], new Map())).toEqual(
      new Map([['chromium', []]]),
    );
    expect(
      keptOf([answer('message', 'a', { provenance: { mark: 'modelled', model: 'm', source: '' } })]),
    ).toEqual([]);
  });

  it('are asked together where one question learns what another one needs', () => {
    const whole = [answer('opening', 'a'), answer('parts', 'a')];
    expect(keptOf([...whole, answer('opening', 'b')])).toEqual(whole);
    expect(keptOf([answer('parts', 'b')])).toEqual([]);
    // Who asks for one of them alone needs no more.
    expect(keptOf([answer('opening', 'b')], '1.2', askingOf(markup, ['opening']))).toHaveLength(1);
  });

  it('are not owed any more, and everything else is', () => {
    const kept = keptOf([answer('message', 'a'), answer('message', 'b')]) ?? [];
    const owed = owedAnswers(asking, kept);
    expect(owed.total).toBe(planOf(asking).length - 2);
    expect(owed.askedFor('a' as never, answer('message', 'a'))).toBeNull();
    expect(owed.fieldsOf('message').size).toBe(1);
  });
});

describe('going on with a run', () => {
  const run = { form: { id: 'f', name: 'F', markup, typing: {} }, ukko: '0.1.0' } as never;
  const page = { address: 'http://localhost/', form: 0, steps: '' };

  it('takes the same form and the same version of Ukko', () => {
    expect(resumeFault(run, asking, '0.1.0')).toBeNull();
    expect(resumeFault(run, asking, '0.1.1')).toBe('another Ukko');
    expect(resumeFault(run, { ...asking, markup: `${markup} ` }, '0.1.0')).toBe('another form');
    expect(resumeFault(run, { ...asking, page }, '0.1.0')).toBe('another form');
  });

  it('keeps the pictures of what it keeps', () => {
    const shown = answer('opening', 'a', { outcome: { status: 'answered', facts: { picture: 'p1' } } });
    const bare = answer('opening', 'b', { outcome: { status: 'answered', facts: { picture: null } } });
    const pictures = ['p1', 'p2'].map((id) => ({ id }) as unknown as Picture);
    expect(picturesOf([shown, bare, answer('message', 'a')], pictures)).toEqual([{ id: 'p1' }]);
  });

  it('counts what is asked in all, of engines and models', () => {
    if (!phone) throw new Error('no phone');
    const each = planOf(asking).length;
    expect(answersPlanned([chromium, phone], asking)).toBe(2 * each);
    const device = { ask: 'device', id: 'd', name: 'D' } as never;
    expect(answersPlanned([device], asking)).toBe(0);
  });
});

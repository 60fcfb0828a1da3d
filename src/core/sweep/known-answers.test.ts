import { describe, expect, it } from 'vitest';
import { measuredAnswer } from '../../../tests/fixtures/measured-answer';
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

const keptOf = (observations: readonly Observation[], version = '1.2', asked = asking) =>
  knownAnswers({ observations }, asked, [chromium], new Map([[targetId('chromium'), version]])).get(
    targetId('chromium'),
  );

describe('answers that are there already', () => {
  it('are those that were planned and did not fail, of this target', () => {
    const good = measuredAnswer('message', 'a');
    const failed = measuredAnswer('message', 'b', {
      outcome: { status: 'failed', failure: { code: 'mistake', said: 'x' } },
    });
    expect(keptOf([good, failed, measuredAnswer('bubble', 'a'), measuredAnswer('message', 'gone')])).toEqual([
      good,
    ]);
    expect(keptOf([measuredAnswer('message', 'a', { target: 'firefox' })])).toEqual([]);
  });

  it('are none of another version of the engine, and none that nobody measured', () => {
    expect(keptOf([measuredAnswer('message', 'a')], '1.3')).toEqual([]);
    expect(
      knownAnswers({ observations: [measuredAnswer('message', 'a')] }, asking, [chromium], new Map()),
    ).toEqual(new Map([['chromium', []]]));
    expect(
      keptOf([measuredAnswer('message', 'a', { provenance: { mark: 'modelled', model: 'm', source: '' } })]),
    ).toEqual([]);
  });

  it('are asked together where one question learns what another one needs', () => {
    const whole = [measuredAnswer('opening', 'a'), measuredAnswer('parts', 'a')];
    expect(keptOf([...whole, measuredAnswer('opening', 'b')])).toEqual(whole);
    expect(keptOf([measuredAnswer('parts', 'b')])).toEqual([]);
    // Who asks for one of them alone needs no more.
    expect(keptOf([measuredAnswer('opening', 'b')], '1.2', askingOf(markup, ['opening']))).toHaveLength(1);
  });

  it('are not owed any more, and everything else is', () => {
    const kept = keptOf([measuredAnswer('message', 'a'), measuredAnswer('message', 'b')]) ?? [];
    const owed = owedAnswers(asking, kept);
    expect(owed.total).toBe(planOf(asking).length - 2);
    expect(owed.askedFor('a' as never, measuredAnswer('message', 'a'))).toBeNull();
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
    const shown = measuredAnswer('opening', 'a', {
      outcome: { status: 'answered', facts: { picture: 'p1' } },
    });
    const bare = measuredAnswer('opening', 'b', {
      outcome: { status: 'answered', facts: { picture: null } },
    });
    const pictures = ['p1', 'p2'].map((id) => ({ id }) as unknown as Picture);
    expect(picturesOf([shown, bare, measuredAnswer('message', 'a')], pictures)).toEqual([{ id: 'p1' }]);
  });

  it('counts what is asked in all, of engines and models', () => {
    if (!phone) throw new Error('no phone');
    const each = planOf(asking).length;
    expect(answersPlanned([chromium, phone], asking)).toBe(2 * each);
    const device = { ask: 'device', id: 'd', name: 'D' } as never;
    expect(answersPlanned([device], asking)).toBe(0);
  });
});

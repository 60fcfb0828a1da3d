import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import type { FormDocument, FormId } from '../document/form-document';
import { answerFindings } from '../finding/answer-findings';
import { formFindingsAtOnce } from '../finding/collect-findings';
import type { Finding } from '../finding/finding';
import { collected } from '../finding/finding';
import { predict } from '../model/predict';
import { askingOf, sweepQuestions } from '../questions/asking';
import type { Observation } from '../questions/observation';
import { answersOf } from '../run/answers';
import { findTarget, type LineUp } from '../target/line-up';
import { targetId } from '../target/target';
import { causeText, setupWords } from '../words/drift-words';
import { driftBetween, type FoundRun } from './drift';

const [chromium, firefox] = ['chromium', 'firefox'].map((id) => targetId(id));
const lineUp: LineUp = {
  targets: [chromium, firefox].flatMap((id) => (id && findTarget(id)) ?? []),
  reference: targetId('chromium'),
};
const markup =
  '<form><label>Boat <input name=boat></label><label>Month <input type=month name=month></label><button>Go</button></form>';

/** A sweep as engines of these versions answer it; the model speaks for them. */
function sweep(
  change: Partial<FoundRun['run']> & {
    markup?: string;
    version?: string;
    alter?: (one: Observation) => Observation;
  } = {},
): FoundRun {
  const { markup: source = markup, version = '1', alter = (one) => one, ...more } = change;
  const form: FormDocument = { id: 'f' as FormId, name: 'Boats', markup: source, typing: {} };
  const run = { form, lineUp, ukko: '1', startedAt: '2026-01-01T00:00:00Z', ...more };
  const asking = askingOf(form.markup, sweepQuestions);
  const observations = run.lineUp.targets
    .flatMap(({ id }) => predict(id, asking, '2026-01-01T00:00:00Z'))
    .map((one): Observation => {
      const engine = one.target === 'firefox' ? version : '1';
      return alter({
        ...one,
        provenance: { mark: 'measured', engine: 'E', version: engine, protocol: 'P', unable: [] },
      });
    });
  const answers = answersOf(observations);
  return {
    run,
    answers,
    findings: collected([
      ...formFindingsAtOnce(form, { language: 'en-US', corrections: [] }, askRestriction),
      ...answerFindings(run, answers),
    ]),
  };
}

/** Firefox draws Boat otherwise. */
const wider = (one: Observation): Observation =>
  one.question === 'look' &&
  one.target === 'firefox' &&
  one.field === 'boat' &&
  one.outcome.status === 'answered'
    ? { ...one, outcome: { ...one.outcome, facts: { ...one.outcome.facts, value: 'odd' } } }
    : one;

const texts = (list: readonly { readonly finding: Finding; readonly because: readonly string[] }[]) =>
  list.map(({ finding, because }) => [finding.field?.label, ...because]);

describe('the drift between two sweeps', () => {
  it('is none between a sweep and itself', () => {
    const drift = driftBetween(sweep(), sweep());
    expect([drift.setup, drift.fresh, drift.gone, drift.changed, drift.answers]).toEqual([
      [],
      [],
      [],
      [],
      [],
    ]);
    expect(drift.same.length).toBe(sweep().findings.length);
    expect(drift.same.length).toBeGreaterThan(0);
  });

  it('says what is new, and that the form was changed', () => {
    const drift = driftBetween(
      sweep(),
      sweep({ markup: markup.replace('name=boat', 'name=boat value="Enter it here"') }),
    );
    expect(texts(drift.fresh)).toEqual([['Boat', 'form']]);
    expect(drift.setup.map(setupWords)).toEqual(['The markup of the form has changed.']);
    expect(
      texts(
        driftBetween(sweep({ markup: markup.replace(/<label>Boat (.*?)<.label>/, '$1') }), sweep()).gone,
      )[0],
    ).toContain('form');
  });

  it('says what is new, and that the engine has another version', () => {
    const drift = driftBetween(sweep(), sweep({ version: '2', alter: wider }));
    expect(texts(drift.fresh)).toEqual([['Boat', 'engine']]);
    expect(drift.answers.map(({ target, field, because }) => [target.name, field.label, ...because])).toEqual(
      [['Firefox', 'Boat', 'engine']],
    );
    expect(causeText(['engine', 'form'])).toBe('an engine has another version, and the form has changed');
  });

  it('owns up where nothing that it knows of was changed', () => {
    const drift = driftBetween(sweep(), sweep({ alter: wider }));
    expect(texts(drift.fresh)).toEqual([['Boat']]);
    expect(causeText([])).toMatch(/^nothing that Ukko knows of/);
    expect(texts(driftBetween(sweep(), sweep({ alter: wider, ukko: '2' })).fresh)).toEqual([
      ['Boat', 'Ukko'],
    ]);
  });

  it('does not blame a change elsewhere in the form', () => {
    const elsewhere = markup.replace('<button>Go', '<button>Send');
    expect(texts(driftBetween(sweep(), sweep({ alter: wider, markup: elsewhere })).fresh)).toEqual([
      ['Boat'],
    ]);
  });

  it('tells a target that was not asked before from one that answers otherwise', () => {
    const alone = { ...lineUp, targets: lineUp.targets.slice(0, 1) };
    const drift = driftBetween(sweep({ lineUp: alone }), sweep());
    expect(drift.fresh.length).toBeGreaterThan(0);
    expect(drift.fresh.every(({ because }) => because.join() === 'line-up')).toBe(true);
    expect(drift.answers).toEqual([]);
  });

  it('keeps a finding whose field got another name, by what it says', () => {
    const faulty = markup.replace('name=boat', 'name=boat value="Enter it here"');
    const drift = driftBetween(
      sweep({ markup: faulty }),
      sweep({ markup: faulty.replace('name=boat', 'name=vessel') }),
    );
    expect([drift.fresh, drift.gone]).toEqual([[], []]);
  });

  it('counts every finding once, whatever is found before and after', () => {
    const all = sweep({
      markup: '<form><input value="Enter it here"><input name=b value="your name"><select></select></form>',
    });
    const some = fc.subarray([...all.findings]);
    fc.assert(
      fc.property(some, some, (before, after) => {
        const drift = driftBetween({ ...all, findings: before }, { ...all, findings: after });
        expect(drift.fresh.length + drift.changed.length + drift.same.length).toBe(after.length);
        expect(drift.gone.length + drift.changed.length + drift.same.length).toBe(before.length);
      }),
    );
  });
});

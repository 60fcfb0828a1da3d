import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import { demoForm } from '../demo/demo-forms';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import { predict } from '../model/predict';
import { askingOf, sweepQuestions } from '../questions/asking';
import type { Difference } from '../questions/differences';
import type { Observation } from '../questions/observation';
import type { SubmissionObservation } from '../questions/submission/facts';
import { targets } from '../target/line-up';
import type { Target } from '../target/target';
import { findingsOfRun } from './collect-findings';
import { differenceFindings } from './difference-findings';
import { ranked } from './finding';
import type { TargetDifferences } from './reference-differences';

const [chromium, firefox, webkit, phone] = ['chromium', 'firefox', 'webkit', 'blink-phone'].map((id) => {
  const found = targets.find((one) => one.id === id);
  if (!found) throw new Error(id);
  return found;
}) as [Target, Target, Target, Target];

const setup = { language: 'en-US', corrections: [] } as const;

const month = fieldOf('<label>Month <input type=month name=month></label>');
function fieldOf(markup: string): Field {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return field;
}
const different = (target: Target, ...differences: Difference[]): TargetDifferences => ({
  target,
  mark: 'measured',
  field: month,
  differences,
});

describe('findings of answers', () => {
  const type = { what: 'type', here: 'text', there: 'month' } as const;
  const nothingOpens = {
    what: 'opening',
    here: { opened: null, tried: ['Alt+ArrowDown'] },
    there: { opened: 'a click in the middle', tried: [] },
  } as const;
  const wider = {
    what: 'size',
    here: { width: 210, height: 21 },
    there: { width: 177, height: 21 },
  } as const;
  const noValue = { what: 'value', here: '', there: '2026-05' } as const;
  const otherWords = { what: 'message', here: 'Fill this in.', there: 'Please fill it in.' } as const;
  const findingsOf = (...all: TargetDifferences[]) => differenceFindings(all, 'Chromium');

  it('merge what has one cause: a kind that a target does not know, on all targets', () => {
    const all = findingsOf(different(firefox, type, wider, nothingOpens), different(webkit, type, noValue));
    expect(all).toMatchObject([
      {
        claim: { code: 'kinds unknown', kinds: ['month'], fields: ['Month'], in: ['Firefox', 'WebKit'] },
        harm: 'person misled',
        targets: [
          {
            name: 'Firefox',
            proofs: [{ difference: type }, { difference: wider }, { difference: nothingOpens }],
          },
          { name: 'WebKit' },
        ],
        marks: ['measured'],
      },
    ]);
  });

  it('put fields together whose kinds the same targets do not know, and only those', () => {
    const [week, day] = ['week', 'date'].map((kind) =>
      fieldOf(`<label>${kind} <input type=${kind} name=${kind}></label>`),
    );
    if (!week || !day) throw new Error('no field');
    const asText = (field: Field) => ({ what: 'type', here: 'text', there: field.kind }) as const;
    const on = (target: Target, field: Field): TargetDifferences => ({
      ...different(target, asText(field), wider),
      field,
    });
    const alone = findingsOf(different(firefox, type));
    const all = findingsOf(
      ...[month, week].flatMap((field) => [on(firefox, field), on(webkit, field)]),
      on(firefox, day),
    );
    expect(all).toMatchObject([
      {
        field: { label: 'Month' },
        claim: { kinds: ['month', 'week'], fields: ['Month', 'week'], in: ['Firefox', 'WebKit'] },
        targets: [
          {
            name: 'Firefox',
            proofs: [
              { field: 'Month', difference: type },
              { field: 'week', difference: asText(week) },
            ],
          },
          { name: 'WebKit', proofs: [{ field: 'Month' }, { field: 'week' }] },
        ],
        // Decisions on either of them alone are found again.
        standsFor: [alone[0]?.id, expect.anything()],
      },
      { field: { label: 'date' }, claim: { kinds: ['date'], in: ['Firefox'] } },
    ]);
    expect(all[1]).not.toHaveProperty('standsFor');
  });

  it('have ids of their own where the same kinds are unknown to other targets elsewhere in the form', () => {
    const months = ['a', 'b', 'c', 'd'].map((name) =>
      fieldOf(`<label>Month <input type=month name=${name}></label>`),
    );
    const on = (target: Target, field: Field | undefined): TargetDifferences => ({
      ...different(target, type),
      field: field ?? month,
    });
    const all = findingsOf(
      on(firefox, months[0]),
      on(firefox, months[1]),
      on(webkit, months[2]),
      on(webkit, months[3]),
    );
    expect(all.map(({ standsFor }) => standsFor?.length)).toEqual([2, 2]);
    expect(new Set(all.map(({ id }) => id)).size).toBe(2);
  });

  it('tell of a target that makes something else than a text box of a kind what it makes', () => {
    const asDate = { what: 'type', here: 'date', there: 'month' } as const;
    expect(findingsOf(different(firefox, asDate))).toMatchObject([
      { claim: { code: 'field differs', about: 'kind', difference: asDate } },
    ]);
    // One of them does: they are not told as if all showed a text box.
    expect(findingsOf(different(firefox, type), different(webkit, asDate))).toMatchObject([
      { claim: { code: 'field differs', difference: type, in: ['Firefox'] } },
    ]);
  });

  it('tell once of a target that checks nothing, whatever that brings about, and of its other differences as ever', () => {
    const flags = { what: 'flags', here: [], there: ['valueMissing'] } as const;
    const noBubble = { what: 'bubble', here: false, there: true } as const;
    const level = fieldOf('<label>Level <input name=level required></label>');
    const sent = { what: 'sent', when: 'asIs' } as const;
    const goesOut = { ...sent, difference: { what: 'outcome', here: 'sent', there: 'blocked' } } as const;
    const otherwiseSent = {
      ...sent,
      difference: { what: 'entry', name: 'level', here: ['1'], there: ['2'] },
    } as const;
    const all = [
      different(firefox, flags, noBubble, wider),
      { ...different(firefox, flags, goesOut, otherwiseSent), field: level },
      different(webkit, flags),
    ];
    const told = (checkNothing: readonly Target[]) =>
      differenceFindings(all, 'Chromium', new Set(checkNothing.map(({ id }) => id))).map(
        ({ claim, harm, targets }) => [
          'about' in claim ? claim.about : claim.code,
          harm,
          targets.map(({ name }) => name).join(),
        ],
      );
    expect(told([firefox])).toEqual([
      ['checks', 'person misled', 'Firefox'],
      ['size', 'cosmetic', 'Firefox'],
      ['value', 'wrong value sent', 'Firefox'],
      ['value', 'wrong value sent', 'WebKit'],
    ]);
    expect(told([]).map(([about]) => about)).toEqual(['value', 'told', 'size', 'value']);
  });

  it.each([
    [
      'goes out where the reference holds it back',
      { what: 'outcome', here: 'sent', there: 'blocked' },
      'checks',
    ],
    [
      'is held back where the reference sends it',
      { what: 'outcome', here: 'blocked', there: 'sent' },
      'value',
    ],
    [
      'sends nothing where the reference holds it back',
      { what: 'outcome', here: 'nothing', there: 'blocked' },
      'value',
    ],
    [
      'goes out where the reference sends nothing',
      { what: 'outcome', here: 'sent', there: 'nothing' },
      'value',
    ],
    ['is encoded otherwise', { what: 'encoding', here: 'sent', there: 'blocked' }, 'value'],
  ] as const)(
    'tell that a form %s, in a target that checks nothing, for what it is',
    (_, difference, about) => {
      const one = { what: 'sent', when: 'asIs', difference } as Difference;
      const found = (checkNothing: boolean) =>
        differenceFindings(
          [different(firefox, one)],
          'Chromium',
          new Set(checkNothing ? [firefox.id] : []),
        ).map(({ claim, evidence }) => ['about' in claim && claim.about, evidence]);
      expect(found(true)).toEqual([[about, 'submission']]);
      expect(found(false)).toEqual([['value', 'submission']]);
    },
  );

  it('are cosmetic only where each target opens it, by another gesture, and nothing else differs', () => {
    const opensElsewhere = {
      what: 'opening',
      here: { opened: 'a click at its end', tried: [] },
      there: { opened: 'a click in the middle', tried: [] },
    } as const;
    const harmsOf = (...all: TargetDifferences[]) => findingsOf(...all).map(({ harm }) => harm);
    expect(harmsOf(different(firefox, opensElsewhere))).toEqual(['cosmetic']);
    expect(harmsOf(different(firefox, opensElsewhere), different(webkit, nothingOpens))).toEqual([
      'person misled',
    ]);
    const noBubble = { what: 'bubble', here: false, there: true } as const;
    expect(harmsOf(different(firefox, opensElsewhere, noBubble))).toEqual(['person misled']);
    const opensHere = { ...opensElsewhere, there: { opened: null, tried: [] } };
    expect(harmsOf(different(firefox, opensHere))).toEqual(['person misled']);
  });

  it('have their evidence in what is submitted only where all of it is about that', () => {
    const sending = {
      what: 'sending',
      when: 'asIs',
      difference: { what: 'blocked', here: 'A', there: 'B' },
    } as const;
    const evidenceOf = (...differences: Difference[]) =>
      findingsOf(different(firefox, ...differences)).map(({ evidence }) => evidence);
    expect(evidenceOf(sending)).toEqual(['submission']);
    expect(evidenceOf(sending, nothingOpens)).toEqual(['survey']);
    expect(
      findingsOf(different(firefox, sending), different(webkit, nothingOpens)).map(
        ({ evidence }) => evidence,
      ),
    ).toEqual(['survey']);
  });

  it('never blur how they are known', () => {
    const [finding] = findingsOf(different(firefox, nothingOpens), {
      ...different(phone, nothingOpens),
      mark: 'modelled',
    });
    expect(finding?.marks).toEqual(['measured', 'modelled']);
    expect(finding?.targets.map(({ mark }) => mark)).toEqual(['measured', 'modelled']);
  });

  it('claim of a target only what it shows itself', () => {
    const here = { ...nothingOpens, here: { opened: 'a click at its end', tried: [] } };
    const [finding] = findingsOf(different(firefox, nothingOpens), different(webkit, here));
    expect(finding?.claim).toMatchObject({ difference: nothingOpens, in: ['Firefox'] });
    expect(finding?.targets.map(({ name }) => name)).toEqual(['Firefox', 'WebKit']);
  });

  it('are apart by what they do to the person', () => {
    const all = ranked(findingsOf(different(firefox, wider, noValue)));
    expect(all.map(({ claim, harm }) => [claim, harm])).toMatchObject([
      [{ code: 'field differs', about: 'value', difference: noValue }, 'wrong value sent'],
      [{ code: 'engines differ', about: 'size', fields: ['Month'] }, 'cosmetic'],
    ]);
  });

  it('are one for what an engine does by itself, over all fields and targets', () => {
    const week = fieldOf('<label>Week <input type=week name=week></label>');
    const noTitle = { what: 'title', of: 'message', here: false, there: true } as const;
    const [wording, ...others] = findingsOf(
      different(firefox, otherWords),
      { ...different(firefox, otherWords), field: week },
      { ...different(webkit, noTitle), field: week },
    );
    expect(others).toEqual([]);
    expect(wording).toMatchObject({
      field: null,
      claim: {
        code: 'engines differ',
        about: 'wording',
        fields: ['Month', 'Week'],
        in: ['Firefox', 'WebKit'],
      },
      harm: 'cosmetic',
      targets: [
        { name: 'Firefox', proofs: [{ field: 'Month' }, { field: 'Week' }] },
        { name: 'WebKit', proofs: [{ field: 'Week', difference: noTitle }] },
      ],
      evidence: 'messages',
    });
  });

  it('keep words about another fault with the fault', () => {
    const flags = { what: 'flags', here: ['badInput'], there: ['valueMissing'] } as const;
    const all = findingsOf(different(firefox, flags, otherWords));
    expect(all.map(({ harm, targets: on }) => [harm, on[0]?.proofs.length])).toEqual([
      ['wrong value sent', 2],
    ]);
  });

  it('tell what is sent otherwise at the field of that name, and what stops a button at the button', () => {
    const form = {
      ...demoForm,
      markup:
        '<form action="/log"><label>Boat <input name=boat required></label><button name=do value=go>Go</button></form>',
    };
    const asking = askingOf(form.markup, sweepQuestions);
    const answers = [chromium, phone].flatMap(({ id }) => predict(id, asking, '2026-01-01T00:00:00.000Z'));
    const otherwise = answers.map((one): Observation => {
      if (one.question !== 'submission' || one.target !== phone.id || one.outcome.status !== 'answered')
        return one;
      const { facts } = one.outcome;
      const sent: SubmissionObservation['outcome'] = {
        status: 'answered',
        facts: {
          ...facts,
          asIs: { status: 'nothing', why: { code: 'no request' } },
          filled: {
            status: 'sent',
            method: 'GET',
            url: '/log?boat=rowing&do=go',
            contentType: null,
            body: '',
          },
        },
      };
      return { ...one, outcome: sent };
    });
    const lineUp = { targets: [chromium, phone], reference: chromium.id };
    expect(findingsOfRun({ form, lineUp, observations: answers }, setup, askRestriction)).toEqual([]);
    const all = findingsOfRun({ form, lineUp, observations: otherwise }, setup, askRestriction);
    expect(all.map(({ field, harm, evidence }) => [field?.label, harm, evidence])).toEqual([
      ['Boat', 'wrong value sent', 'submission'],
      ['Go', 'wrong value sent', 'submission'],
    ]);
    expect(all.map(({ claim }) => claim)).toMatchObject([
      { difference: { what: 'sent', when: null, difference: { name: 'boat', here: ['rowing'] } } },
      { difference: { when: 'asIs', difference: { what: 'outcome', here: 'nothing', there: 'blocked' } } },
    ]);
  });
});

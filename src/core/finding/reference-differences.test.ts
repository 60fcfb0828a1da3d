import { describe, expect, it } from 'vitest';
import { hasAttribute } from '../html/field';
import { readForm } from '../html/read-form';
import type { Provenance } from '../observation/provenance';
import type { Observation } from '../questions/observation';
import { answersOf } from '../run/answers';
import { findTarget } from '../target/line-up';
import { targetId } from '../target/target';
import { differenceFindings } from './difference-findings';
import { referenceDifferences, targetsWithoutChecks } from './reference-differences';

const measured: Provenance = { mark: 'measured', engine: 'E', version: '1', protocol: 'P', unable: [] };
const modelled: Provenance = { mark: 'modelled', source: 'Ukko' } as unknown as Provenance;
const date = '<label>Reading date <input type=date name=d required></label>';

type Answer = Pick<Observation, 'question'> & { readonly facts: object };
const opening = (opened: string | null): Answer => ({
  question: 'opening',
  facts: { opened, tried: ['a click'], popUp: null, leaves: [], picture: null },
});
const message = (text: string): Answer => ({
  question: 'message',
  facts: { willValidate: true, flags: ['valueMissing'], message: text, saysTitle: null },
});

/** What is found where Chromium, the reference, gives the first answers, and another target the second ones. */
function found(
  other: string,
  provenance: Provenance,
  there: readonly Answer[],
  here: readonly Answer[],
  markup: string,
  hasScripts = false,
) {
  const { fields, forms } = readForm(markup);
  const [field] = fields;
  const lineUp = {
    targets: ['chromium', other].flatMap((id) => findTarget(targetId(id)) ?? []),
    reference: targetId('chromium'),
  };
  const observed = (target: string, by: Provenance) => (answer: Answer) =>
    ({
      field: field?.id,
      target: targetId(target),
      at: '',
      provenance: by,
      question: answer.question,
      ...(answer.question === 'look' && { state: 'closed' }),
      outcome: { status: 'answered', facts: answer.facts },
    }) as unknown as Observation;
  const answers = answersOf([
    ...there.map(observed('chromium', measured)),
    ...here.map(observed(other, provenance)),
  ]);
  const unchecked = forms.flatMap((form, at) => (hasAttribute(form, 'novalidate') ? [at] : []));
  return differenceFindings(referenceDifferences(lineUp, answers, fields, unchecked, hasScripts), 'Chromium');
}

const look = (typeReflected: string, value: string): Answer => ({
  question: 'look',
  facts: { typeReflected, value, size: null, textShown: null, sent: [], pseudoClasses: [], marks: [] },
});

describe('targets without checks', () => {
  const markup = '<input name=a required><input name=b required><input name=c>';
  const { fields } = readForm(markup);
  /** Faults by field, in one target after the other. */
  const without = (...byTarget: readonly (readonly (number | null)[])[]) => {
    const lineUp = {
      targets: ['chromium', 'firefox', 'html-4'].flatMap((id) => findTarget(targetId(id)) ?? []),
      reference: targetId('chromium'),
    };
    const all = byTarget.flatMap((counts, at) =>
      counts.flatMap((count, index): Observation[] => {
        const [target, field] = [lineUp.targets[at], fields[index]];
        if (!target || !field || count === null) return [];
        const facts = {
          tried: '',
          willValidate: true,
          flags: Array(count).fill('valueMissing'),
          message: '',
          saysTitle: null,
        };
        return [
          {
            field: field.id,
            target: target.id,
            at: '',
            provenance: measured,
            question: 'message',
            outcome: { status: 'answered', facts },
          },
        ];
      }),
    );
    return [...targetsWithoutChecks(lineUp, answersOf(all), fields)];
  };

  it('are those that find none of the faults of the reference', () => {
    expect(without([1, 1, 0], [1, 1, 0], [0, 0, 0])).toEqual(['html-4']);
    expect(without([1, 1, 0], [1, 0, 0], [0, 1, 0])).toEqual([]);
  });
  it('are none where too little was asked to tell', () => {
    expect(without([1, 1, 0], [1, 1, 0], [0, null, 0])).toEqual([]);
    expect(without([1, 0, 0], [1, 0, 0], [0, 0, 0])).toEqual([]);
    expect(without([0, 0, 0], [0, 0, 0], [0, 0, 0])).toEqual([]);
  });
});

describe('findings about differences', () => {
  it('tell of a model no more than what the markup alone says where a page has scripts', () => {
    const told = (other: string, by: Provenance, typed: string, hasScripts: boolean) =>
      found(other, by, [look('date', '2026-01-02')], [look(typed, '')], date, hasScripts).flatMap(
        ({ claim }) => (claim.code === 'field differs' ? claim.difference.what : claim.code),
      );
    expect(told('blink-phone', modelled, 'text', true)).toEqual(['kinds unknown']);
    expect(told('blink-phone', modelled, 'date', false)).toEqual(['value']);
    expect(told('blink-phone', modelled, 'date', true)).toEqual([]);
    expect(told('firefox', measured, 'date', true)).toEqual(['value']);
  });

  it('are worse where nothing opens than where it opens by another gesture', () => {
    const harms = (opened: string | null) =>
      found('firefox', measured, [opening('a click at its end')], [opening(opened)], date).map(
        ({ harm }) => harm,
      );
    expect(harms(null)).toEqual(['person misled']);
    expect(harms('a click in the middle')).toEqual(['cosmetic']);
    expect(harms('a click at its end')).toEqual([]);
  });

  it('are none of what a model opens, because it draws nothing', () => {
    expect(found('blink-phone', modelled, [opening('a click')], [opening(null)], date)).toEqual([]);
  });

  it('are none about messages where the form does not validate', () => {
    const of = (attribute: string) =>
      found('firefox', measured, [message('Fill')], [message('Füllen')], `<form ${attribute}>${date}</form>`);
    expect(of('').map(({ claim }) => claim.code)).toEqual(['engines differ']);
    expect(of('novalidate')).toEqual([]);
    expect(
      found('firefox', measured, [message('Fill')], [message('Füllen')], `<form novalidate></form>${date}`),
    ).toHaveLength(1);
  });
});

describe('what is sent otherwise', () => {
  const markup =
    '<form><input name=a><input type=hidden name=h><button name=go>Send</button><button name=too>Save</button><button type=button>No</button></form>';
  const { fields } = readForm(markup);
  const sent = (query: string, method = 'GET') => ({
    status: 'sent',
    method,
    url: `/?${query}`,
    contentType: null,
    body: '',
  });
  const blocked = (by: string, message = 'Fill') => ({ status: 'blocked', by, message, invalid: [by] });
  type Sent = { readonly asIs: object; readonly filled: object };

  /** By target: what each of its buttons sends, in order; null where one was not asked. */
  function differing(...byTarget: readonly (readonly (Sent | null)[])[]) {
    const lineUp = {
      targets: ['chromium', 'firefox', 'webkit'].flatMap((id) => findTarget(targetId(id)) ?? []),
      reference: targetId('chromium'),
    };
    const buttons = fields.filter(({ controls: [{ element }] }) => element === 'button');
    const observations = byTarget.flatMap((all, at) =>
      all.flatMap((facts, index) =>
        facts === null
          ? []
          : [
              {
                field: buttons[index]?.id,
                target: lineUp.targets[at]?.id,
                at: '',
                provenance: measured,
                question: 'submission',
                outcome: { status: 'answered', facts: { ...facts, others: null } },
              } as unknown as Observation,
            ],
      ),
    );
    return referenceDifferences(lineUp, answersOf(observations), fields, [], false).map(
      ({ target, field, differences }) => [
        target.id,
        field.id,
        differences.map((one) =>
          one.what === 'sent' || one.what === 'sending'
            ? [one.what, one.when, one.difference.what]
            : one.what,
        ),
      ],
    );
  }
  const both = (one: object): Sent => ({ asIs: one, filled: one });

  it('belongs to the field of that name, once for all buttons, and of other targets alone', () => {
    expect(
      differing(
        [both(sent('a=1')), both(sent('a=1'))],
        [both(sent('a=2')), both(sent('a=2'))],
        [both(sent('a=1'))],
      ),
    ).toEqual([['firefox', 'a', [['sent', null, 'entry']]]]);
  });

  it('belongs to the button where no field has that name, or it is about more than one', () => {
    expect(differing([both(sent('x=1'))], [both(sent('x=2'))])).toEqual([
      ['firefox', 'go', [['sent', null, 'entry']]],
    ]);
    expect(differing([both(sent('a=1'))], [both(sent('a=1', 'POST'))])).toEqual([
      [
        'firefox',
        'go',
        expect.arrayContaining([
          ['sent', 'asIs', 'encoding'],
          ['sent', 'filled', 'encoding'],
        ]),
      ],
    ]);
    expect(
      differing([{ asIs: sent('a=1'), filled: sent('a=2') }], [{ asIs: blocked('a'), filled: sent('a=2') }]),
    ).toEqual([['firefox', 'go', [['sent', 'asIs', 'outcome']]]]);
  });

  it('is who is in the way, and not in which words: these are compared at the field', () => {
    expect(differing([both(blocked('a'))], [both(blocked('a', 'Füllen'))])).toEqual([]);
    expect(differing([both(blocked('a'))], [both(blocked('h'))])).toEqual([
      [
        'firefox',
        'go',
        [
          ['sending', 'asIs', 'blocked'],
          ['sending', 'asIs', 'invalid'],
          ['sending', 'filled', 'blocked'],
          ['sending', 'filled', 'invalid'],
        ],
      ],
    ]);
  });

  it('is nothing of a button that only one of them was asked about', () => {
    expect(differing([both(sent('a=1')), null], [null, both(sent('a=2'))])).toEqual([]);
    expect(differing([null], [both(sent('a=2'))])).toEqual([]);
  });
});

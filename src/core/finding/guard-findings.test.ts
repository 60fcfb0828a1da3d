import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import type { Guard } from '../guard/guard';
import { offeredGuards } from '../guard/offered-guards';
import { fieldId } from '../html/field';
import { readForm } from '../html/read-form';
import type { Outcome } from '../observation/outcome';
import type { BypassCell, RestrictionFacts, TriedGuard } from '../questions/restriction/facts';
import { GaveUp } from '../regexp/budget';
import { targetId } from '../target/target';
import { formFindingsAtOnce } from './collect-findings';
import { guardFindings } from './guard-findings';
import { changedForm } from './remedy-edit';

const markup = '<label>Code <input name=code></label>';
const code = fieldId('code');

function found(guards: readonly Guard[]) {
  const form = { markup, typing: { [code]: { script: '', guards } } };
  const findings = formFindingsAtOnce(form, { language: 'en-US', corrections: [] }, askRestriction);
  return findings.filter(({ evidence }) => evidence === 'ways in' || evidence === 'rule');
}

/** Each guard that is offered as it is, and as a filter on key presses that forgets the keys for editing. */
const guards = offeredGuards.flatMap(({ code, make }): [string, Guard][] => {
  const { keys: _, remedy: __, ...rule } = make('g');
  return [
    [code, make('g')],
    [`${code}, on key presses`, { ...rule, stage: 'key' } as Guard],
  ];
});

describe('what is found of a guard', () => {
  it.each(guards)('%s: each remedy takes its finding away', (_, guard) => {
    for (const { id, change } of found([guard])) {
      if (change?.kind !== 'guards') continue;
      const form = changedForm({ markup, typing: { [code]: { script: '', guards: [guard] } } }, change);
      expect(found(form.typing[code]?.guards ?? []).map((one) => one.id)).not.toContain(id);
    }
  });

  it('is nothing while it is switched off', () => {
    for (const [, guard] of guards) expect(found([{ ...guard, on: false }])).toEqual([]);
  });

  it('is said by the routes that get past it, with the strokes that show it', () => {
    const [past] = found([
      {
        kind: 'allow',
        id: 'g',
        on: true,
        stage: 'key',
        set: { classes: ['ASCII digits'], own: '' },
        keys: ['Backspace'],
      },
    ]).filter(({ claim }) => claim.code === 'guard bypassed');
    expect(past?.claim).toMatchObject({ guard: { id: 'g' }, routes: expect.arrayContaining(['autofill']) });
    expect(past?.script?.length).toBeGreaterThan(0);
    expect(past?.change).toMatchObject({
      kind: 'guards',
      guards: [{ stage: expect.not.stringMatching(/^key$/) }],
    });
  });
});

const rule: Guard = {
  kind: 'allow',
  id: 'g',
  on: true,
  stage: 'key',
  set: { classes: ['ASCII digits'], own: '' },
};
const nothing: RestrictionFacts = { guards: [], blocked: null, samples: { tried: 0, others: [] } };
const cell = (
  route: BypassCell['route'],
  outcome: BypassCell['outcome'],
  more: Partial<BypassCell> = {},
): BypassCell => ({
  route,
  outcome,
  script: [{ kind: 'text', route: 'paste', text: route }],
  text: 'x',
  swallowed: [],
  ...more,
});
const tried = (more: Partial<TriedGuard>): TriedGuard => ({
  guard: rule,
  cells: [cell('paste', 'held')],
  isCaught: false,
  later: [],
  sparingKeys: null,
  ...more,
});

/** What is found where an observer answers so. */
function said(
  outcome: Outcome<RestrictionFacts>,
  guards: readonly Guard[] = [rule],
  asked: Parameters<typeof guardFindings>[3] = [],
) {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error('no field');
  const provenance = { mark: 'measured', by: { engine: 'test', version: '1' }, at: '2026-01-01T00:00:00Z' };
  const observation = { question: 'restriction', target: 't', field: field.id, outcome, provenance };
  return guardFindings(field, guards, observation as never, asked);
}
const answered = (
  facts: Partial<RestrictionFacts>,
  ...rest: [(readonly Guard[])?, Parameters<typeof guardFindings>[3]?]
) => said({ status: 'answered', facts: { ...nothing, ...facts } }, ...rest);

describe('what an observer answered of guards', () => {
  it('is nothing where it could not be asked, and given up where it took too many steps', () => {
    expect(said({ status: 'failed', failure: { code: 'server away' } } as never)).toEqual([]);
    expect(said({ status: 'inapplicable', reason: { code: 'no text typed' } } as never)).toEqual([]);
    const gaveUp = { status: 'failed', failure: { code: 'not worked out', why: 'too many steps' } };
    expect(() => said(gaveUp as never)).toThrow(GaveUp);
  });

  it('is nothing of a guard that holds on every way, or could not be tried', () => {
    expect(
      answered({ guards: [tried({ cells: [cell('paste', 'held'), cell('drop', 'not tried')] })] }),
    ).toEqual([]);
  });

  it('is how it is bypassed, caught in the end or not, and the gentlest later stage that holds', () => {
    const later = (stage: Guard['stage'], outcome: BypassCell['outcome']) => ({
      guard: { ...rule, stage } as Guard,
      cells: [cell('drop', outcome)],
    });
    const bypassed = tried({
      cells: [cell('paste', 'held'), cell('drop', 'bypassed'), cell('autofill', 'bypassed')],
      later: [
        later('before insert', 'bypassed'),
        later('after input', 'held'),
        later('on submission', 'held'),
      ],
    });
    expect(answered({ guards: [bypassed] })).toMatchObject([
      {
        claim: {
          code: 'guard bypassed',
          guard: rule,
          routes: ['drop', 'autofill'],
          isCaught: false,
          better: 'after input',
        },
        harm: 'wrong value sent',
        script: [{ text: 'drop' }],
        change: { kind: 'guards', guards: [{ stage: 'after input' }] },
        marks: ['measured'],
        targets: [],
      },
    ]);
    expect(answered({ guards: [{ ...bypassed, isCaught: true, later: [] }] })).toMatchObject([
      { claim: { isCaught: true, better: null }, harm: 'person misled', change: null },
    ]);
  });

  it('is changed in the place of the guard that was tried, those that are off not counted', () => {
    const [off, other] = [
      { ...rule, id: 'off', on: false },
      { ...rule, id: 'other' },
    ];
    const better = {
      guard: { ...rule, id: 'better', stage: 'after input' } as Guard,
      cells: [cell('drop', 'held')],
    };
    const bypassed = tried({ cells: [cell('drop', 'bypassed')], later: [better] });
    const [finding] = answered({ guards: [tried({ guard: other }), bypassed] }, [off, other, rule]);
    expect(finding?.change).toMatchObject({ guards: [{ id: 'off' }, { id: 'other' }, { id: 'better' }] });
  });

  it('is what it swallows, each key once, and mended where sparing them is enough', () => {
    const spared = (...swallowed: string[]) => ({
      guard: { ...rule, keys: ['Tab'] } as Guard,
      cells: [cell('paste', 'held'), cell('hardware keys', 'held', { swallowed })],
    });
    const blocks = tried({
      cells: [
        cell('hardware keys', 'blocked too much', { swallowed: ['Tab', 'Enter'] }),
        cell('soft keys', 'blocked too much', { swallowed: ['Enter'] }),
        cell('paste', 'held'),
      ],
      sparingKeys: spared(),
    });
    expect(answered({ guards: [blocks] })).toMatchObject([
      {
        claim: {
          code: 'guard blocks',
          guard: rule,
          keys: ['Tab', 'Enter'],
          routes: ['hardware keys', 'soft keys'],
          isMended: true,
        },
        harm: 'cannot enter a valid value',
        evidence: 'ways in',
        script: [{ text: 'hardware keys' }],
        change: { guards: [{ keys: ['Tab'] }] },
      },
    ]);
    for (const sparingKeys of [spared('Enter'), null])
      expect(answered({ guards: [{ ...blocks, sparingKeys }] })).toMatchObject([
        { claim: { isMended: false }, change: null },
      ]);
  });

  it('has an id of its own for each stage and each way in which it fails', () => {
    const both = [cell('drop', 'bypassed'), cell('hardware keys', 'blocked too much')];
    const ids = (guard: Guard) => answered({ guards: [tried({ guard, cells: both })] }).map(({ id }) => id);
    expect(new Set([...ids(rule), ...ids({ ...rule, stage: 'before insert' })]).size).toBe(4);
    expect(ids({ ...rule, id: 'called otherwise' })).toEqual(ids(rule));
  });

  it('names the keyboards that told the page nothing of a key, where it listens to keys', () => {
    const tapped = [{ type: 'input', key: null, by: 'a' }] as never;
    const asked = [
      { field: code, target: targetId('firefox'), name: 'Firefox', mark: 'captured', layout: 'us', tapped },
      {
        field: code,
        target: targetId('webkit'),
        name: 'WebKit',
        mark: 'captured',
        layout: 'us',
        tapped: null,
      },
    ] as const;
    const bypassed = tried({ cells: [cell('soft keys', 'bypassed')] });
    expect(answered({ guards: [bypassed] }, [rule], asked)).toMatchObject([
      {
        targets: [{ name: 'Firefox', proofs: [{ code: 'key unheard', key: 'a', heard: ['input'] }] }],
        marks: ['measured', 'captured'],
      },
    ]);
    const inserted = tried({
      guard: { ...rule, stage: 'before insert' },
      cells: [cell('soft keys', 'bypassed')],
    });
    expect(answered({ guards: [inserted] }, [rule], asked)[0]?.targets).toEqual([]);
  });

  it('is the value that cannot be typed', () => {
    expect(answered({ blocked: { value: 'AA', beginning: 'A' } })).toMatchObject([
      {
        claim: { code: 'valid value blocked', value: 'AA', beginning: 'A' },
        harm: 'cannot enter a valid value',
        evidence: 'rule',
      },
    ]);
  });

  it('is worst of samples that should be accepted, and is not', () => {
    const sample = (expected: 'accepted' | 'refused') =>
      ({ text: expected, expected, verdict: 'unfinished', by: [] }) as const;
    const harm = (...all: ('accepted' | 'refused')[]) =>
      answered({ samples: { tried: 5, others: all.map(sample) } }).map((one) => [one.harm, one.evidence]);
    expect(harm()).toEqual([]);
    expect(harm('refused')).toEqual([['wrong value sent', 'samples']]);
    expect(harm('refused', 'accepted')).toEqual([['cannot enter a valid value', 'samples']]);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import kept from '../../../tests/fixtures/files/finding-ids-0.1.json';
import { demoForm, hurriedForm } from '../demo/demo-forms';
import type { FormId } from '../document/form-document';
import type { FindingId } from '../finding/finding';
import { markupFindings } from '../finding/markup-findings';
import { readForm } from '../html/read-form';
import { correctionOf, habitCorrection, keysCorrection } from '../keyboard/correction';
import { traitsOf } from '../keyboard/input-traits';
import { keyboardHabitsOf } from '../keyboard/keyboard-habits';
import { singleHabits } from '../keyboard/single-habit';
import type { RunId } from '../run/run';
import { defaultLineUp } from '../target/line-up';
import { targetId } from '../target/target';
import { fileFaultText } from '../words/file-fault-words';
import { additionsFrom } from './merge';
import { type Belongings, readWorkspace, type WorkspaceContents } from './workspace';

const phone = targetId('blink-phone');
const habits = keyboardHabitsOf(phone);
const [level] = readForm('<input type=number>').fields;
const [habit] = singleHabits;
if (!habits || !level || !habit) throw new Error('The phone has no habits.');

const contents: WorkspaceContents = {
  format: 'ukko-workspace',
  version: 1,
  ukko: '0.1.0',
  exportedAt: '2026-11-26T10:00:00Z',
  forms: [{ ...demoForm, changedAt: '2026-11-26T09:00:00Z' }],
  decisions: [
    {
      formId: demoForm.id,
      finding: '["a"]' as FindingId,
      kind: 'accept',
      reason: '',
      at: '2026-11-26T09:00:00Z',
    },
  ],
  lineUps: [{ ...defaultLineUp, formId: demoForm.id }],
  baselines: [{ formId: demoForm.id, run: 'r' as RunId }],
  targets: [...defaultLineUp.targets],
  corrections: [
    correctionOf(phone, habits, traitsOf(level), 'no keyboard', '2026-11-26'),
    correctionOf(phone, habits, traitsOf(level), 'telephone', '2026-11-26'),
    keysCorrection(phone, { sort: 'telephone', language: 'en-US', has: ['-'], lacks: [] }, '2026-11-26'),
    habitCorrection(phone, habit, habit.read(habits), '2026-11-26'),
  ],
  pictures: [{ id: 'a'.repeat(64) as WorkspaceContents['pictures'][number]['id'], width: 3, height: 4 }],
};

describe('what is in a workspace', () => {
  it('reads back what was written', () => {
    expect(readWorkspace(JSON.stringify(contents))).toEqual({ status: 'read', contents });
  });

  it('reads decisions that version 0.1 kept under sentences, each with its finding of today', () => {
    const [{ ids, markup }] = kept as [(typeof kept)[number]];
    const [decision] = contents.decisions;
    const decisions = ids.map((finding) => ({ ...decision, finding }));
    const reading = readWorkspace(JSON.stringify({ ...contents, decisions }));
    if (reading.status === 'fault') throw new Error(JSON.stringify(reading.fault));
    const { fields } = readForm(markup);
    const today = markupFindings(markup, fields).map(({ id }) => id);
    const carried = reading.contents.decisions.map(({ finding }) => finding);
    // One is not said any more, and one was not said then.
    expect(carried.filter((id) => !today.includes(id))).toEqual([
      '["markup","pattern without a hint","email"]',
    ]);
    expect(today.filter((id) => !carried.includes(id))).toEqual([
      '["markup","secret in the address","passphrase"]',
    ]);
  });

  it.each([
    ['{', 'is not valid JSON'],
    ['[]', 'is not a workspace file of Ukko'],
    ['{"format":"ukko-run"}', 'is not a workspace file of Ukko'],
    ['{"format":"ukko-workspace"}', 'does not state its version'],
    ['{"format":"ukko-workspace","version":9}', 'has version 9; this Ukko reads up to version 1'],
    ['{"format":"ukko-workspace","version":1}', 'is wrong at '],
    [JSON.stringify({ ...contents, corrections: [{ about: 'keys' }] }), 'wrong at corrections[0]'],
    [JSON.stringify({ ...contents, targets: [{ ask: 'engine' }] }), 'wrong at targets[0]'],
  ])('%j is refused with a sentence', (text, sentence) => {
    const reading = readWorkspace(text);
    expect(reading.status === 'fault' && fileFaultText(reading.fault)).toContain(sentence);
    expect(reading.status === 'fault' && fileFaultText(reading.fault)).toMatch(/^[A-Z].*\.$/s);
  });
});

describe('two workspaces together', () => {
  const form = fc.record({
    id: fc.constantFrom('a', 'b', 'c'),
    name: fc.constantFrom('Log', 'Sheet'),
    markup: fc.constantFrom('<input>', '<select></select>', ''),
    typing: fc.constant({}),
    changedAt: fc.constantFrom('2026-01-01T00:00:00Z', '2026-01-02T00:00:00Z'),
  });
  const decision = fc.record({
    formId: fc.constantFrom('a', 'b'),
    finding: fc.constantFrom('x', 'y'),
    kind: fc.constantFrom('mend', 'later'),
    reason: fc.constant(''),
    at: fc.constantFrom('2026-01-01T00:00:00Z', '2026-01-02T00:00:00Z', '2026-01-03T00:00:00Z'),
  });
  const byId = { selector: ({ id }: { id: string }) => id };
  const belongings = fc.record({
    forms: fc.uniqueArray(form, byId),
    decisions: fc.uniqueArray(decision, { selector: ({ formId, finding }) => `${formId} ${finding}` }),
    lineUps: fc.constant([]),
    baselines: fc.uniqueArray(
      fc.record({ formId: fc.constantFrom('a', 'b'), run: fc.constantFrom('1', '2') }),
      {
        selector: ({ formId }) => formId,
      },
    ),
    targets: fc.constant([]),
    corrections: fc.constant([]),
  }) as unknown as fc.Arbitrary<Belongings>;

  const together = (here: Belongings, there: Belongings): Belongings => {
    let copies = 0;
    const taken = new Set<string>([...here.forms, ...there.forms].map(({ id }) => id));
    const come = additionsFrom(here, there, () => {
      let id = '';
      do id = `copy ${++copies}`;
      while (taken.has(id));
      return id as FormId;
    });
    const put = <Item>(old: readonly Item[], more: readonly Item[], keyOf: (item: Item) => string) => [
      ...new Map([...old, ...more].map((item) => [keyOf(item), item])).values(),
    ];
    return {
      forms: put(here.forms, come.forms, ({ id }) => id),
      decisions: put(here.decisions, come.decisions, ({ formId, finding }) => `${formId} ${finding}`),
      lineUps: [],
      baselines: put(here.baselines, come.baselines, ({ formId }) => formId),
      targets: [],
      corrections: [],
    };
  };

  it('lose no form, and nothing that is here', () => {
    fc.assert(
      fc.property(belongings, belongings, (here, there) => {
        const all = together(here, there);
        const markups = (of: Belongings) => new Set(of.forms.map(({ markup }) => markup));
        for (const markup of [...markups(here), ...markups(there)]) expect(markups(all)).toContain(markup);
        for (const one of here.forms) expect(all.forms).toContainEqual(one);
        for (const one of here.baselines) expect(all.baselines).toContainEqual(one);
        for (const one of [...here.decisions, ...there.decisions]) {
          const kept = all.decisions.find(
            ({ formId, finding }) => formId === one.formId && finding === one.finding,
          );
          expect((kept?.at ?? '') >= one.at).toBe(true);
        }
      }),
    );
  });

  it('are the same when they are put together twice', () => {
    fc.assert(
      fc.property(belongings, belongings, (here, there) => {
        const once = together(here, there);
        expect(together(once, there)).toEqual(once);
        expect(additionsFrom(here, here, () => 'new' as FormId).forms).toEqual([]);
      }),
    );
  });

  it('keep a form that is another one under the same id, as a copy', () => {
    const mine: Belongings = { ...contents, forms: [{ ...hurriedForm, changedAt: '2026-01-01T00:00:00Z' }] };
    const [own] = mine.forms;
    const others = own ? [{ ...own, markup: '<input name=other>' }] : [];
    expect(additionsFrom(mine, { ...mine, forms: others }, () => 'copy' as FormId).forms).toMatchObject([
      { id: 'copy', name: 'Skerry Tide Log, in a hurry (from a workspace)', markup: '<input name=other>' },
    ]);
  });
});

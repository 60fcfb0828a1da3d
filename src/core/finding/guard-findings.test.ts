import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import type { Guard } from '../guard/guard';
import { offeredGuards } from '../guard/offered-guards';
import { fieldId } from '../html/field';
import { formFindingsAtOnce } from './collect-findings';
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

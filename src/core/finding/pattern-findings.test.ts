import { describe, expect, it } from 'vitest';
import type { Guard } from '../guard/guard';
import { readForm } from '../html/read-form';
import { patternFindings } from './pattern-findings';
import { changedForm } from './remedy-edit';

function found(pattern: string, limit = '', guards: readonly Guard[] = []) {
  const markup = `<label>A <input name=a${pattern === '' ? '' : ` pattern="${pattern}"`} ${limit}></label>`;
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return patternFindings(markup, field, guards).map((finding) => ({
    ...finding,
    mended: finding.change && changedForm({ markup, typing: {} }, finding.change).markup,
  }));
}

describe('a pattern that a matcher takes long over', () => {
  it('loses what was entered where its steps double, or never end over what can be entered', () => {
    expect(found('(?:a+)+b')).toMatchObject([
      {
        claim: { code: 'slow pattern', grows: { by: 'doubling' }, isForGood: true },
        harm: 'value lost',
        evidence: 'rule',
        change: null,
      },
    ]);
    expect(found('\\w*\\w*\\w*\\w*\\w*!')).toMatchObject([
      { claim: { grows: { by: 'power' }, isForGood: true }, harm: 'value lost' },
    ]);
  });

  it('stands still for a moment where they are a power that is felt', () => {
    const cube = '.*a.*b.*c.*d';
    expect(found(cube)).toMatchObject([
      { claim: { grows: { by: 'power', power: 3 }, isForGood: false }, harm: 'person misled' },
    ]);
    // As long as people write where nothing says a limit, and no longer.
    expect(found(cube, 'maxlength=1000000')).toEqual(found(cube, 'maxlength=2000'));
    expect(found(cube, 'maxlength=400')).toHaveLength(1);
    expect(found(cube, 'maxlength=200')).toEqual([]);
    // A square is felt by nobody.
    expect(found('a*a*b')).toEqual([]);
    expect(found('(?:a+)+b', 'maxlength=6')).toEqual([]);
  });

  it('shows the last three counts, and which of them were cut', () => {
    const [slow] = found('(?:a+)+b');
    const { claim } = slow ?? {};
    if (claim?.code !== 'slow pattern') throw new Error('not slow');
    expect(claim.steps).toHaveLength(3);
    expect(claim.steps.map(({ isMore }) => isMore)).toEqual([false, false, true]);
    expect(claim.steps.map(({ times }) => times)).toEqual(
      [...claim.steps.map(({ times }) => times)].sort((a, b) => a - b),
    );
  });

  it('may be the one of a guard, and has an id by its source', () => {
    const guard: Guard = {
      kind: 'pattern',
      id: 'p',
      on: true,
      stage: 'on submission',
      source: '(?:a+)+b',
      match: 'whole',
    };
    expect(found('', '', [guard])).toMatchObject([{ harm: 'value lost' }]);
    expect(found('(?:a+)+b').map(({ id }) => id)).toEqual(found('', '', [guard]).map(({ id }) => id));
    expect(found('(?:a+)+c').map(({ id }) => id)).not.toEqual(found('(?:a+)+b').map(({ id }) => id));
  });
});

describe('a pattern that means something else than it seems to', () => {
  it.each([
    ['[A-z]{2}', 'A to z', 'wrong value sent', '[A-Za-z]{2}'],
    ['a.b', 'dot takes anything', 'wrong value sent', 'a\\.b'],
    ['a^b|c', 'never matches', 'cannot enter a valid value', null],
  ])('%s: %s', (pattern, sort, harm, remedy) => {
    const [one, ...others] = found(pattern);
    expect(others).toEqual([]);
    expect(one).toMatchObject({
      claim: { code: 'pattern warning', warning: { sort } },
      harm,
      evidence: 'rule',
    });
    expect(one?.mended ?? null).toBe(remedy && `<label>A <input name=a pattern="${remedy}" ></label>`);
    expect(one?.id).toContain(sort);
  });

  it('is nothing of what the rules about markup say already, and nothing without a pattern', () => {
    for (const pattern of ['', 'a*', '^a$', '[0-9]+']) expect(found(pattern)).toEqual([]);
  });
});

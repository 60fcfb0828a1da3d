import { describe, expect, it } from 'vitest';
import { statesOf } from '../document/look-state';
import { withoutScripts } from '../html/without-scripts';
import { askingOf, planOf } from '../questions/asking';
import { engineTarget } from '../target/target';
import { plainVariant } from '../target/variant';
import { askingOfTarget } from './asking-of-target';

const chromium = engineTarget('chromium', 'Chromium', '');
const markup = '<noscript><input name=plain></noscript><input type=date name=day><input name=last>';

describe('the asking of a target', () => {
  it('is the same for an engine as it is', () => {
    const asking = askingOf(markup, ['look']);
    expect(askingOfTarget(asking, chromium)).toEqual(asking);
  });
  it('has what is withheld under names that nobody knows, and asks the author’s fields all the same', () => {
    const withheld = { kinds: ['date'], attributes: [], source: '' } as const;
    const asked = askingOfTarget(askingOf(markup, ['look']), { ...chromium, withheld });
    expect(asked.markup).toContain('type="withheld-date"');
    expect(asked.fields.map(({ kind }) => kind)).toEqual(['date', 'text']);
  });
  it('finds the fields again where scripts are off and what stands in noscript is part of the page', () => {
    const variant = { ...plainVariant, scripts: false };
    const asked = askingOfTarget(askingOf(markup, ['look']), { ...chromium, variant });
    expect(asked.runsScripts).toBe(false);
    expect(asked.fields.map(({ id, controls }) => [id, controls[0].ordinal])).toEqual([
      ['day', 1],
      ['last', 2],
    ]);
  });
});

describe('markup without scripts', () => {
  it.each([
    ['<noscript><p>a</p></noscript>', '<p>a</p>'],
    ['<head><noscript><style>x{}</style></noscript></head>', '<head><style>x{}</style></head>'],
    ['<noscript>unclosed <input>', 'unclosed <input>'],
    ['<p>none</p>', '<p>none</p>'],
  ])('%s', (before, after) => {
    expect(withoutScripts(before)).toBe(after);
  });
});

describe('the states of a field', () => {
  it('are those that its kind can be in, and all of them are planned', () => {
    expect(statesOf('output')).toEqual(['closed']);
    expect(statesOf('meter')).toContain('poor');
    expect(statesOf('progress')).toContain('indeterminate');
    const planned = planOf(
      askingOf('<meter></meter><input type=date name=d>', ['look', 'opening', 'fallback']),
    );
    expect(planned.map(({ question }) => question)).toEqual([
      ...Array(9).fill('look'),
      'opening',
      'opening',
      'fallback',
    ]);
  });
});

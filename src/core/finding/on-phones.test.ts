import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import type { TypingPlan } from '../document/form-document';
import type { FieldId } from '../html/field';
import { readForm } from '../html/read-form';
import { comesUp } from '../keyboard/comes-up';
import { type Correction, correctedHabits, correctionOf } from '../keyboard/correction';
import { traitsOf } from '../keyboard/input-traits';
import { phoneBrowsers } from '../keyboard/phone-browsers';
import { tapsFor } from '../keyboard/taps';
import { targetId } from '../target/target';
import { formFindingsAtOnce } from './collect-findings';
import type { Evidence } from './finding';
import { changedForm } from './remedy-edit';

function found(
  evidence: Evidence,
  markup: string,
  plan: Partial<TypingPlan> = {},
  corrections: readonly Correction[] = [],
) {
  const form = { markup, typing: { ['a' as FieldId]: { script: '', guards: [], ...plan } } };
  return formFindingsAtOnce(form, { language: 'en-US', corrections }, askRestriction).filter(
    (one) => one.evidence === evidence,
  );
}

describe('a trap on phones', () => {
  const pad = '<label>Count <input name=a inputmode=numeric></label>';
  it('is found by a sample where the rule itself names no character', () => {
    expect(found('keyboards', pad)).toEqual([]);
    const [trap, ...others] = found('keyboards', pad, { samples: '12,accepted\n1/2,accepted\n🐦,refused' });
    expect(others).toEqual([]);
    expect(trap).toMatchObject({
      claim: { code: 'keyboard lacks', missing: ['/'], value: '1/2', isOfPhones: true },
      targets: [{ name: 'Android-like phone' }, { name: 'iOS-like phone' }],
    });
    const mended = trap?.change && changedForm({ markup: pad, typing: {} }, trap.change);
    expect(mended && found('keyboards', mended.markup, { samples: '1/2,accepted' })).toEqual([]);
  });
});

describe('a detour on phones', () => {
  const site = '<label>Site <input name=a></label>';
  it('names the text that is spared the most taps, on each phone, and writes the input mode', () => {
    const [detour, ...others] = found('taps', site, {
      samples: 'https://a.b/c,accepted\nwww.a.b,accepted\nnot https://x.y/,refused',
    });
    expect(others).toEqual([]);
    expect(detour).toMatchObject({
      claim: { code: 'detour', text: 'https://a.b/c', before: 18, after: 14, inputmode: 'url' },
      harm: 'cosmetic',
      targets: [
        { name: 'Android-like phone', mark: 'modelled' },
        { name: 'iOS-like phone', proofs: [{ code: 'taps', before: 20, after: 16 }] },
      ],
    });
    const mended = detour?.change && changedForm({ markup: site, typing: {} }, detour.change);
    expect(mended?.markup).toContain('inputmode="url"');
  });
  it('is none where somebody saw a pad come up instead', () => {
    const [field] = readForm(site).fields;
    const phone = targetId('webkit-phone');
    const habits = correctedHabits(phone, []);
    if (!field || !habits) throw new Error(site);
    const seen = correctionOf(
      phone,
      habits,
      { ...traitsOf(field), inputmode: 'url' },
      'digits',
      '2026-11-26',
    );
    const samples = 'https://a.b/c,accepted';
    expect(found('taps', site, { samples }, [seen])).toEqual([]);
    expect(found('taps', site, { samples })).toHaveLength(1);
  });
  it.each([
    ['nothing has to be typed', '<label>Site <input name=a></label>', ''],
    ['only some samples are of that sort', site, 'https://a.b/c,accepted\nthe second / third,accepted'],
    ['it is set well', '<label>Site <input name=a inputmode=url></label>', 'https://a.b/c,accepted'],
    ['no keyboard comes up', '<label>Site <input type=checkbox name=a></label>', 'https://a.b/c,accepted'],
  ])('is none where %s', (_, markup, samples) => {
    expect(found('taps', markup, { samples })).toEqual([]);
  });
  it('never costs a tap more on any phone than before, whatever is typed', () => {
    const words = fc.string({ unit: fc.constantFrom(...'ab1/.:@-+ '), minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(fc.array(words, { minLength: 1, maxLength: 3 }), (texts) => {
        const samples = texts.map((text) => `"${text}",accepted`).join('\n');
        for (const { change } of found('taps', site, { samples })) {
          if (!change) continue;
          const after = changedForm({ markup: site, typing: {} }, change).markup;
          for (const { id } of phoneBrowsers)
            expect(tapsInAll(after, id, texts)).toBeLessThanOrEqual(tapsInAll(site, id, texts));
        }
      }),
      { numRuns: 60 },
    );
  });
});

/** Taps for all texts; endless where one cannot be typed. */
function tapsInAll(
  markup: string,
  target: (typeof phoneBrowsers)[number]['id'],
  texts: readonly string[],
): number {
  const [field] = readForm(markup).fields;
  const habits = correctedHabits(target, []);
  if (!field || !habits) throw new Error(markup);
  const { keyboard, firstLayer } = comesUp(habits, traitsOf(field), 'en-US');
  return texts.reduce(
    (sum, text) =>
      sum + ((keyboard && tapsFor(text, keyboard, firstLayer)?.taps) ?? Number.POSITIVE_INFINITY),
    0,
  );
}

describe('an action key that leads nowhere', () => {
  it('is found where a field of many lines belongs to no form, and nothing sends it', () => {
    const [trouble, ...others] = found('keyboards', '<label>A <textarea name=a></textarea></label>');
    expect(others).toEqual([]);
    expect(trouble).toMatchObject({
      claim: { code: 'action key', trouble: 'newline only', kind: 'textarea' },
      harm: 'person misled',
      targets: [{ name: 'Android-like phone' }, { name: 'iOS-like phone' }],
    });
  });
  it.each([
    ['there is one', '<button>Go</button>'],
    ['a script listens to one', '<button type=button onclick="log()">Log</button>'],
    ['there is none of any sort, which is a fault of the form', ''],
  ])('is none where %s', (_, button) => {
    expect(found('keyboards', `<form><label>A <textarea name=a></textarea></label>${button}</form>`)).toEqual(
      [],
    );
  });
});

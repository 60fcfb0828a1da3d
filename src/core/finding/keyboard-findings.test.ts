import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import type { AskedKeyboard } from '../keyboard/asked-keyboards';
import { type Correction, correctedHabits, correctionOf } from '../keyboard/correction';
import { traitsOf } from '../keyboard/input-traits';
import { targetId } from '../target/target';
import type { Finding } from './finding';
import { keyboardFindings } from './keyboard-findings';
import { changedForm } from './remedy-edit';

const page = (field: string, lang = 'en') => `<html lang=${lang}><label>A ${field}</label></html>`;

function fieldIn(markup: string) {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return field;
}

function found(
  markup: string,
  asked: readonly Pick<AskedKeyboard, 'target' | 'layout'>[] = [],
  corrections: readonly Correction[] = [],
  samples: readonly { text: string; expected: 'accepted' }[] = [],
  alsoIn: readonly string[] = [],
): Finding[] {
  const field = fieldIn(markup);
  const ruled = { field, guards: [], samples };
  return keyboardFindings(
    markup,
    ruled,
    { language: 'en-US', corrections, alsoIn },
    asked.map((one) => ({ ...one, field: field.id, name: one.target, mark: 'measured', tapped: null })),
  );
}

const onLinux = (layout: string | null) => ({ target: targetId('firefox'), layout });
const lacking = (all: readonly Finding[]) =>
  all.map(({ claim, targets }) => [
    claim.code === 'keyboard lacks' ? claim.missing.join('') : claim.code,
    ...targets.map(({ name }) => name),
  ]);

/** A rule that wants a sign which no keypad of digits has. */
const slash = 'inputmode=numeric pattern="[0-9]/[0-9]" title="1/2"';

describe('what keyboards lack', () => {
  it('is nothing where no keyboard comes up, and nothing where every value can be typed', () => {
    for (const field of ['<input type=checkbox name=a>', '<input name=a>', '<input type=date name=a>'])
      expect(found(page(field))).toEqual([]);
  });

  it('names a value, where it cannot be typed, and the cheapest setting that helps', () => {
    const markup = page(`<input name=a ${slash}>`);
    expect(found(markup)).toMatchObject([
      {
        claim: { missing: ['/'], value: '1/1', setting: { kind: 'text', inputmode: null }, isOfPhones: true },
        harm: 'cannot enter a valid value',
        evidence: 'keyboards',
        targets: [
          { name: 'Android-like phone', mark: 'modelled', proofs: [] },
          { name: 'iOS-like phone', mark: 'modelled', proofs: [] },
        ],
      },
    ]);
  });

  it('is mended by the input mode alone where the kind may stay, and by the kind where that brings the keypad', () => {
    const mended = (field: string) => {
      const [trap] = found(page(field));
      return trap?.change && changedForm({ markup: page(field), typing: {} }, trap.change).markup;
    };
    expect(mended(`<input name=a ${slash}>`)).toBe(page('<input name=a pattern="[0-9]/[0-9]" title="1/2">'));
    expect(mended('<input type=tel name=a pattern="[0-9]x[0-9]" title="1x2">')).toBe(
      page('<input type=tel name=a pattern="[0-9]x[0-9]" title="1x2" inputmode="text">'),
    );
  });

  it('is one finding for each set of characters, in whatever order they are met', () => {
    const markup = page('<input name=a inputmode=decimal pattern="[0-9][.][0-9]" title="1.2">', 'fr');
    expect(lacking(found(markup))).toEqual([['.', 'iOS-like phone']]);
    const both = page('<input name=a inputmode=decimal pattern="-[0-9][.][0-9]" title="-1.2">', 'fr');
    expect(lacking(found(both))).toEqual([['-.', 'iOS-like phone']]);
    const [one, other] = ['-1.2', '.1-2'].map((text) =>
      found(page('<input name=a inputmode=decimal>', 'fr'), [], [], [{ text, expected: 'accepted' }]),
    );
    expect(one?.map(({ id }) => id)).toEqual(other?.map(({ id }) => id));
    expect(one?.[0]?.id).toContain('keyboard');
  });

  it('is one finding where one keyboard lacks a sign besides: what both lack is the cause', () => {
    const markup = page('<input name=a inputmode=numeric pattern="[A-Z]-[0-9]" title="A-1">');
    expect(lacking(found(markup))).toEqual([['A', 'Android-like phone', 'iOS-like phone']]);
  });

  it('is told of letters in the languages whose letters are known, and of keypads in all', () => {
    const cyrillic = '<input name=a pattern="[а-я]+" title="б">';
    expect(lacking(found(page(cyrillic, 'ru')))).toEqual([]);
    expect(lacking(found(page(cyrillic, 'el')))[0]?.slice(1)).toEqual([
      'Android-like phone',
      'iOS-like phone',
    ]);
    expect(lacking(found(page(cyrillic, 'nv')))).toEqual([]);
    expect(lacking(found(page(`<input name=a ${slash}>`, 'nv')))).toEqual([
      ['/', 'Android-like phone', 'iOS-like phone'],
    ]);
  });

  it('proposes no setting in a language of which it is not known which keyboard would have the letters', () => {
    expect(found(page(`<input name=a ${slash}>`, 'nv'))[0]).toMatchObject({
      claim: { setting: null },
      change: null,
    });
  });

  it('is told of the keyboard that came up here, by its layout', () => {
    const markup = page('<input name=a pattern="é" title="é">');
    expect(lacking(found(markup, [onLinux('us')]))).toEqual([['é', 'firefox']]);
    expect(found(markup, [onLinux('us')])[0]).toMatchObject({
      claim: { isOfPhones: false, setting: null },
      change: null,
      targets: [{ mark: 'measured', proofs: [{ code: 'layout', layout: 'us' }] }],
    });
    for (const none of [null, 'number/fi', 'made-up']) expect(found(markup, [onLinux(none)])).toEqual([]);
  });

  it('is told of its letters in English alone, and of its keypad in any language', () => {
    for (const [lang, is] of [
      ['en', true],
      ['en-GB', true],
      ['en-ZA', true],
      ['fr', false],
      ['nv', false],
    ] as const) {
      const letters = found(page('<input name=a pattern="ñé" title="ñé">', lang), [onLinux('us')]);
      const ofLinux = letters.filter(({ targets }) => targets.some(({ name }) => name === 'firefox'));
      expect([lang, ofLinux.length > 0]).toEqual([lang, is]);
      const pad = found(page(`<input name=a ${slash}>`, lang), [onLinux('number/us')]);
      expect(pad.flatMap(({ targets }) => targets.map(({ name }) => name))).toContain('firefox');
    }
  });

  it('of phones and of the keyboard here is one finding, mended for the phones', () => {
    const all = found(page(`<input name=a ${slash}>`), [onLinux('number/us')]);
    expect(lacking(all)).toEqual([['/', 'Android-like phone', 'iOS-like phone', 'firefox']]);
    expect(all[0]).toMatchObject({ claim: { isOfPhones: true }, change: { kind: 'markup' } });
  });

  it('is asked of every language of the line-up where the page states none, and of its own where it does', () => {
    const field = '<input name=a inputmode=decimal pattern="[0-9][.][0-9]" title="1.2">';
    const inLineUp = (markup: string) => found(markup, [], [], [], ['de-DE', 'fi-FI']);
    expect(inLineUp(field)).toMatchObject([
      {
        claim: { missing: ['.'] },
        targets: [{ name: 'iOS-like phone', proofs: [{ code: 'language', language: 'de-DE' }] }],
      },
    ]);
    expect(inLineUp(page(field, 'en'))).toEqual([]);
    expect(inLineUp(page(field, 'fi'))).toMatchObject([{ targets: [{ proofs: [] }] }]);
    expect(inLineUp(`<input name=a ${slash}>`)[0]?.targets.map(({ name, proofs }) => [name, proofs])).toEqual(
      [
        ['Android-like phone', []],
        ['iOS-like phone', []],
      ],
    );
  });

  it('goes by the keyboard that a person saw', () => {
    const field = '<input name=a pattern="[0-9]/[0-9]" title="1/2">';
    const id = targetId('webkit-phone');
    const habits = correctedHabits(id, []);
    if (!habits) throw new Error('no habits');
    const seen = correctionOf(id, habits, traitsOf(fieldIn(page(field))), 'digits', '2026-11-30');
    expect(found(page(field))).toEqual([]);
    expect(lacking(found(page(field), [], [seen]))).toEqual([['/', 'iOS-like phone']]);
  });
});

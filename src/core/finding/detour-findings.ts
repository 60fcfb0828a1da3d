import { attributeEdits } from '../html/edit-markup';
import { comesUp } from '../keyboard/comes-up';
import { isMeantFor, worthIt } from '../keyboard/detour';
import {
  hasKeyboard,
  type InputMode,
  type InputTraits,
  inputModes,
  traitsOf,
} from '../keyboard/input-traits';
import { trapOn } from '../keyboard/keyboard-check';
import type { KeyboardSetup } from '../keyboard/keyboard-setup';
import { otherLanguages } from '../keyboard/languages-asked';
import { type Phone, phonesWith } from '../keyboard/phone-browsers';
import { type RuledField, textsToTap } from '../keyboard/ruled-field';
import { tapsFor } from '../keyboard/taps';
import { typedLanguage } from '../keyboard/typed-language';
import { type Finding, fieldFinding, findingId } from './finding';

/** Most samples whose taps are counted. */
const mostSamples = 50;

/**
 * A field whose samples, or a value that it accepts, take more taps than under another `inputmode`: one that costs no tap
 * more in any phone browser, and whose keyboards have all that the field's rule needs.
 */
export function detourFindings(markup: string, ruled: RuledField, asked: KeyboardSetup): Finding[] {
  const { field } = ruled;
  const language = typedLanguage(field, asked.language);
  if (!hasKeyboard(field) || language === null) return [];
  const setup: KeyboardSetup = { ...asked, language };
  const texts = textsToTap(ruled, mostSamples);
  const entry = traitsOf(field);
  const phones = phonesWith(setup);
  const tapsUnder = (inputmode: InputMode | null) =>
    phones.map((phone) => tapsOf(texts, phone, { ...entry, inputmode }, setup.language));
  const now = tapsUnder(entry.inputmode);
  const others = inputModes
    .filter(
      (inputmode) => inputmode !== entry.inputmode && texts.every((text) => isMeantFor(inputmode, text)),
    )
    .map((inputmode) => ({ inputmode, taps: tapsUnder(inputmode) }))
    .filter(({ taps }) => saves(now, taps))
    .sort((a, b) => total(a.taps) - total(b.taps));
  const inAll = [language, ...otherLanguages(field, asked)];
  const best = others.find(({ inputmode }) =>
    inAll.every((one) => hasAll(ruled, phones, { ...entry, inputmode }, one)),
  );
  if (!best) return [];
  const { inputmode } = best;
  const on = phones.flatMap(({ target: { id, name } }, at) => {
    const saved = mostSaved(texts, now[at], best.taps[at]);
    const taps = saved && { code: 'taps' as const, ...saved, inputmode };
    return taps ? [{ target: id, name, mark: 'modelled' as const, proofs: [taps] }] : [];
  });
  const [first] = on;
  const [taps] = first?.proofs ?? [];
  if (!taps) return [];
  return [
    fieldFinding(field, {
      id: findingId('detour', field.id, inputmode),
      claim: { ...taps, code: 'detour' },
      harm: 'cosmetic',
      change: { kind: 'markup', edits: attributeEdits(markup, field.controls[0], { inputmode }) },
      targets: on,
      evidence: 'taps',
    }),
  ];
}

/** Taps for each text; null where one of them cannot be typed. */
type TapCounts = readonly number[] | null;

function tapsOf(
  texts: readonly string[],
  { habits }: Phone,
  entry: InputTraits,
  language: string,
): TapCounts {
  const { keyboard, firstLayer } = comesUp(habits, entry, language);
  if (!keyboard) return null;
  const counts = texts.map((text) => tapsFor(text, keyboard, firstLayer)?.taps ?? null);
  return counts.includes(null) ? null : (counts as number[]);
}

function sum(counts: TapCounts | undefined): number {
  return counts?.reduce((all, count) => all + count, 0) ?? Number.POSITIVE_INFINITY;
}

function total(phones: readonly TapCounts[]): number {
  return phones.reduce((all, counts) => all + sum(counts), 0);
}

/** What cannot be typed now is a trap and no detour. */
function saves(now: readonly TapCounts[], then: readonly TapCounts[]): boolean {
  return (
    now.every((counts, at) => counts !== null && sum(then[at]) <= sum(counts)) && total(then) < total(now)
  );
}

interface Saved {
  readonly text: string;
  readonly before: number;
  readonly after: number;
}

/** The text that is spared the most taps; null where it is not worth a word. */
function mostSaved(
  texts: readonly string[],
  now: TapCounts | undefined,
  then: TapCounts | undefined,
): Saved | null {
  const all = texts.map((text, at) => ({ text, before: now?.[at] ?? 0, after: then?.[at] ?? 0 }));
  const [best] = all.sort((a, b) => b.before - b.after - (a.before - a.after));
  return best && best.before - best.after >= worthIt ? best : null;
}

function hasAll(ruled: RuledField, phones: readonly Phone[], entry: InputTraits, language: string): boolean {
  return phones.every(({ target, habits }) => {
    const { keyboard } = comesUp(habits, entry, language);
    return keyboard !== null && trapOn(keyboard, ruled, target.id, language) === null;
  });
}

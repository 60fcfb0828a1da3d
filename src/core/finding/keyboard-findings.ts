import { grouped } from '../grouped';
import { attributeEdits, type TextEdit } from '../html/edit-markup';
import type { Field } from '../html/field';
import type { AskedKeyboard } from '../keyboard/asked-keyboards';
import { cheapestForRule } from '../keyboard/cheapest-for-rule';
import { comesUp } from '../keyboard/comes-up';
import { hasKeyboard, traitsOf } from '../keyboard/input-traits';
import type { Keyboard } from '../keyboard/keyboard';
import { trapOn, trapOnLayout } from '../keyboard/keyboard-check';
import type { KeyboardSetup } from '../keyboard/keyboard-setup';
import { otherLanguages } from '../keyboard/languages-asked';
import { linuxKeyboard } from '../keyboard/linux-keyboard';
import { phonesWith } from '../keyboard/phone-browsers';
import type { RuledField } from '../keyboard/ruled-field';
import type { Setting } from '../keyboard/settings';
import type { Trap } from '../keyboard/trap';
import { typedLanguage } from '../keyboard/typed-language';
import { type Finding, type FoundOn, fieldFinding, findingId } from './finding';

interface TargetTrap {
  readonly on: FoundOn;
  readonly trap: Trap;
  /** In which the person types, BCP 47; null where no letters of it are known. */
  readonly language: string | null;
}

/**
 * What a field's rule accepts and the keyboards of phones cannot produce; those that lack the same are one finding, and so is what
 * some of them lack besides.
 * @param asked keyboards that came up for the field
 */
export function keyboardFindings(
  markup: string,
  ruled: RuledField,
  setup: KeyboardSetup,
  asked: readonly AskedKeyboard[] = [],
): Finding[] {
  const { field } = ruled;
  if (!hasKeyboard(field)) return [];
  const language = typedLanguage(field, setup.language);
  const traps = [
    ...phoneTraps(ruled, setup, language),
    ...measuredTraps(ruled, asked, language),
    ...otherLanguages(field, setup).flatMap((other) => inLanguage(phoneTraps(ruled, setup, other), other)),
  ];
  const groups = grouped(traps, (trap) => leastOf(trap, traps));
  return [...groups].map(([{ trap, language }, those]) => {
    const targets = firstOfEach(those.map(({ on }) => on));
    // A page chooses the keyboards of phones; what it could ask of the real one instead, nobody tried.
    const isOfPhones = targets.some(({ mark }) => mark === 'modelled');
    const setting = isOfPhones && language ? cheapestForRule(ruled, null, { ...setup, language }) : null;
    const { missing, value } = trap;
    return fieldFinding(field, {
      id: findingId('keyboard', field.id, ...missing.toSorted()),
      claim: { code: 'keyboard lacks', missing, value, setting, isOfPhones },
      harm: 'cannot enter a valid value',
      change: setting && { kind: 'markup', edits: settingEdits(markup, field, setting) },
      targets,
      evidence: 'keyboards',
    });
  });
}

/** With the language said, which is not the one that is asked about first. */
function inLanguage(traps: readonly TargetTrap[], language: string): TargetTrap[] {
  const proofs = [{ code: 'language' as const, language }];
  return traps.map(({ on, ...trap }) => ({ ...trap, on: { ...on, proofs } }));
}

/** A target that lacks the same in several languages is named once. */
function firstOfEach(targets: readonly FoundOn[]): FoundOn[] {
  return targets.filter(({ target }, at) => targets.findIndex((one) => one.target === target) === at);
}

/** The first of those that lack the fewest of the characters that a keyboard lacks, and none besides: what all of them lack. */
function leastOf({ trap }: TargetTrap, all: readonly TargetTrap[]): TargetTrap {
  const isPart = (other: TargetTrap) => other.trap.missing.every((one) => trap.missing.includes(one));
  return all
    .filter(isPart)
    .reduce((least, one) => (one.trap.missing.length < least.trap.missing.length ? one : least));
}

/** @param typed null where the letters of the page's language are on no keyboard that is known: then only those without letters tell */
function phoneTraps(ruled: RuledField, setup: KeyboardSetup, typed: string | null): TargetTrap[] {
  const language = typed ?? setup.language;
  return phonesWith(setup).flatMap(({ target: { id, name }, habits }) => {
    const { keyboard } = comesUp(habits, traitsOf(ruled.field), language);
    if (!keyboard || (typed === null && hasLetters(keyboard))) return [];
    const trap = trapOn(keyboard, ruled, id, language);
    return trap ? [{ on: { target: id, name, mark: 'modelled', proofs: [] }, trap, language: typed }] : [];
  });
}

/** The real one is asked in English: its letters are not those on which another language is typed. */
function measuredTraps(
  ruled: RuledField,
  asked: readonly AskedKeyboard[],
  typed: string | null,
): TargetTrap[] {
  const isEnglish = typed !== null && new Intl.Locale(typed).language === 'en';
  return asked.flatMap(({ target, name, mark, layout }) => {
    const keyboard = layout === null ? null : linuxKeyboard(layout);
    if (layout === null || !keyboard || (!isEnglish && hasLetters(keyboard))) return [];
    const trap = trapOnLayout(layout, ruled, target);
    const proofs = layout ? [{ code: 'layout' as const, layout }] : [];
    return trap ? [{ on: { target, name, mark, proofs }, trap, language: typed }] : [];
  });
}

const hasLetters = ({ layers }: Keyboard) => layers[0].id === 'letters';

function settingEdits(markup: string, field: Field, { kind, inputmode }: Setting): TextEdit[] {
  return [
    ...attributeEdits(markup, field.controls[0], { inputmode }),
    ...(kind === field.kind ? [] : attributeEdits(markup, field.controls[0], { type: kind })),
  ];
}

import { attributeEdits, type TextEdit } from '../form/edit-markup';
import type { Field } from '../form/field';
import { grouped } from '../grouped';
import type { AskedKeyboard } from '../keyboard/asked-keyboards';
import { cheapestForRule } from '../keyboard/cheapest-for-rule';
import { comesUp } from '../keyboard/comes-up';
import { entryOf, hasKeyboard } from '../keyboard/entry';
import { trapOn, trapOnLayout } from '../keyboard/keyboard-check';
import type { KeyboardSetup } from '../keyboard/keyboard-setup';
import { phonesWith } from '../keyboard/phone-browsers';
import type { RuledField } from '../keyboard/ruled-field';
import type { Setting } from '../keyboard/settings';
import type { Trap } from '../keyboard/trap';
import { type Finding, type FoundOn, findingId } from './finding';

interface TargetTrap {
  readonly on: FoundOn;
  readonly trap: Trap;
}

/**
 * What a field's rule accepts and the keyboards of phones cannot produce; those that lack the same are one finding.
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
  const traps = [...phoneTraps(ruled, setup), ...measuredTraps(ruled, asked)];
  const groups = grouped(traps, ({ trap }) => findingId('keyboard', field.id, ...[...trap.missing].sort()));
  return [...groups].flatMap(([id, [first, ...others]]) => {
    if (!first) return [];
    const missing = first.trap.missing.map((one) => (one === ' ' ? 'the space' : `“${one}”`)).join(' and ');
    const found = [first, ...others].map(({ on }) => on);
    // A page chooses the keyboards of phones; what it could ask of the real one instead, nobody tried.
    const isPhones = found.some(({ mark }) => mark === 'modelled');
    const setting = isPhones ? cheapestForRule(ruled, null, setup) : null;
    return [
      {
        id,
        field: { id: field.id, label: field.label },
        says: `${field.label}: the keyboard that comes up lacks ${missing}. “${first.trap.value}” is accepted and cannot be typed.`,
        harm: 'cannot enter a valid value',
        why: 'On such a phone the person cannot enter every valid value.',
        remedy: setting
          ? `${settingText(setting)} brings up a keyboard that has it.`
          : remedies[isPhones ? 'phones' : 'measured'],
        change: setting && { kind: 'markup', edits: settingEdits(markup, field, setting) },
        details: [],
        script: null,
        targets: found,
        marks: [...new Set(found.map(({ mark }) => mark))],
        evidence: 'keyboards',
      } satisfies Finding,
    ];
  });
}

const remedies = {
  phones:
    'No type and inputmode bring up a keyboard that has it in both phone browsers; let the rule take another writing.',
  measured: 'Let the rule take another writing too, or try other settings on that keyboard.',
} as const;

function phoneTraps(ruled: RuledField, setup: KeyboardSetup): TargetTrap[] {
  const { language } = setup;
  return phonesWith(setup).flatMap(({ target: { id, name }, habits }) => {
    const { keyboard } = comesUp(habits, entryOf(ruled.field), language);
    const trap = keyboard && trapOn(keyboard, ruled, id, language);
    return trap ? [{ on: { target: id, name, mark: 'modelled', says: [] }, trap }] : [];
  });
}

function measuredTraps(ruled: RuledField, asked: readonly AskedKeyboard[]): TargetTrap[] {
  return asked.flatMap(({ target, name, mark, layout }) => {
    const trap = layout && trapOnLayout(layout, ruled, target);
    const says = [`The keyboard came up as ${layout}.`];
    return trap ? [{ on: { target, name, mark, says }, trap }] : [];
  });
}

function settingText({ kind, inputmode }: Setting): string {
  return `type="${kind}" ${inputmode === null ? 'without inputmode' : `with inputmode="${inputmode}"`}`;
}

function settingEdits(markup: string, field: Field, { kind, inputmode }: Setting): TextEdit[] {
  return [
    ...attributeEdits(markup, field.controls[0], { inputmode }),
    ...(kind === field.kind ? [] : attributeEdits(markup, field.controls[0], { type: kind })),
  ];
}

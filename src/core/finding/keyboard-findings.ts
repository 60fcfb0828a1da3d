import { grouped } from '../grouped';
import { attributeEdits, type TextEdit } from '../html/edit-markup';
import type { Field } from '../html/field';
import type { AskedKeyboard } from '../keyboard/asked-keyboards';
import { cheapestForRule } from '../keyboard/cheapest-for-rule';
import { comesUp } from '../keyboard/comes-up';
import { hasKeyboard, traitsOf } from '../keyboard/input-traits';
import { trapOn, trapOnLayout } from '../keyboard/keyboard-check';
import type { KeyboardSetup } from '../keyboard/keyboard-setup';
import { phonesWith } from '../keyboard/phone-browsers';
import type { RuledField } from '../keyboard/ruled-field';
import type { Setting } from '../keyboard/settings';
import type { Trap } from '../keyboard/trap';
import { type Finding, type FoundOn, fieldFinding, findingId } from './finding';

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
    const targets = [first, ...others].map(({ on }) => on);
    // A page chooses the keyboards of phones; what it could ask of the real one instead, nobody tried.
    const isOfPhones = targets.some(({ mark }) => mark === 'modelled');
    const setting = isOfPhones ? cheapestForRule(ruled, null, setup) : null;
    const { missing, value } = first.trap;
    return [
      fieldFinding(field, {
        id,
        claim: { code: 'keyboard lacks', missing, value, setting, isOfPhones },
        harm: 'cannot enter a valid value',
        change: setting && { kind: 'markup', edits: settingEdits(markup, field, setting) },
        targets,
        evidence: 'keyboards',
      }),
    ];
  });
}

function phoneTraps(ruled: RuledField, setup: KeyboardSetup): TargetTrap[] {
  const { language } = setup;
  return phonesWith(setup).flatMap(({ target: { id, name }, habits }) => {
    const { keyboard } = comesUp(habits, traitsOf(ruled.field), language);
    const trap = keyboard && trapOn(keyboard, ruled, id, language);
    return trap ? [{ on: { target: id, name, mark: 'modelled', proofs: [] }, trap }] : [];
  });
}

function measuredTraps(ruled: RuledField, asked: readonly AskedKeyboard[]): TargetTrap[] {
  return asked.flatMap(({ target, name, mark, layout }) => {
    const trap = layout && trapOnLayout(layout, ruled, target);
    const proofs = layout ? [{ code: 'layout' as const, layout }] : [];
    return trap ? [{ on: { target, name, mark, proofs }, trap }] : [];
  });
}

function settingEdits(markup: string, field: Field, { kind, inputmode }: Setting): TextEdit[] {
  return [
    ...attributeEdits(markup, field.controls[0], { inputmode }),
    ...(kind === field.kind ? [] : attributeEdits(markup, field.controls[0], { type: kind })),
  ];
}

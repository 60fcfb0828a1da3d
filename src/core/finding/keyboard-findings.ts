import { attributeEdits, type TextEdit } from '../form/edit-markup';
import type { Field } from '../form/field';
import { grouped } from '../grouped';
import type { Guard } from '../guard/guard';
import { cheapestForRule } from '../keyboard/cheapest-for-rule';
import type { Correction } from '../keyboard/correction';
import { hasKeyboard } from '../keyboard/entry';
import { trapOnTarget } from '../keyboard/keyboard-check';
import type { Setting } from '../keyboard/settings';
import type { Trap } from '../keyboard/trap';
import { targets } from '../target/line-up';
import type { Target } from '../target/target';
import type { Language } from '../target/variant';
import { type Finding, findingId } from './finding';

/** The browsers of phones, whose keyboards a page can choose. */
const phones = targets.filter(({ id }) => id === 'blink-phone' || id === 'webkit-phone');

export interface KeyboardSetup {
  readonly language: Language;
  readonly corrections: readonly Correction[];
}

interface TargetTrap {
  readonly target: Target;
  readonly trap: Trap;
}

/** What a field's rule accepts and the keyboards of phones cannot produce; those that lack the same are one finding. */
export function keyboardFindings(
  markup: string,
  field: Field,
  guards: readonly Guard[],
  setup: KeyboardSetup,
): Finding[] {
  if (!hasKeyboard(field)) return [];
  const traps = phones.flatMap((target): TargetTrap[] => {
    const trap = trapOnTarget(field, guards, target.id, setup.language, setup.corrections);
    return trap ? [{ target, trap }] : [];
  });
  const groups = grouped(traps, ({ trap }) => findingId('keyboard', field.id, ...[...trap.missing].sort()));
  return [...groups].flatMap(([id, [first, ...others]]) => {
    if (!first) return [];
    const missing = first.trap.missing.map((one) => (one === ' ' ? 'the space' : `“${one}”`)).join(' and ');
    const setting = cheapestForRule(field, guards, null, setup.language, setup.corrections);
    return [
      {
        id,
        field: { id: field.id, label: field.label },
        says: `${field.label}: the keyboard that comes up lacks ${missing}. “${first.trap.value}” is accepted and cannot be typed.`,
        harm: 'cannot enter a valid value',
        why: 'On such a phone the person cannot enter every valid value.',
        remedy: setting
          ? `${settingText(setting)} brings up a keyboard that has it.`
          : 'No type and inputmode bring up a keyboard that has it in both phone browsers; let the rule take another writing.',
        change: setting && { kind: 'markup', edits: settingEdits(markup, field, setting) },
        details: [],
        script: null,
        targets: [first, ...others].map(({ target }) => ({
          target: target.id,
          name: target.name,
          mark: 'modelled',
          says: [],
        })),
        marks: ['modelled'],
        evidence: 'keyboards',
      } satisfies Finding,
    ];
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

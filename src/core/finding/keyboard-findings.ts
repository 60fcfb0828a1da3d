import { attributeEdits, type TextEdit } from '../form/edit-markup';
import type { Field } from '../form/field';
import { grouped } from '../grouped';
import type { Guard } from '../guard/guard';
import { cheapestForRule } from '../keyboard/cheapest-for-rule';
import type { Correction } from '../keyboard/correction';
import { hasKeyboard } from '../keyboard/entry';
import { trapOnLayout, trapOnTarget } from '../keyboard/keyboard-check';
import type { MeasuredLayout } from '../keyboard/measured-layouts';
import { phoneBrowsers } from '../keyboard/phone-browsers';
import type { Setting } from '../keyboard/settings';
import type { Trap } from '../keyboard/trap';
import type { Language } from '../target/variant';
import { type Finding, type FoundOn, findingId } from './finding';

export interface KeyboardSetup {
  readonly language: Language;
  readonly corrections: readonly Correction[];
}

interface TargetTrap {
  readonly on: FoundOn;
  readonly trap: Trap;
}

/**
 * What a field's rule accepts and the keyboards of phones cannot produce; those that lack the same are one finding.
 * @param layouts that came up for fields of the form when the real keyboard was asked
 */
export function keyboardFindings(
  markup: string,
  field: Field,
  guards: readonly Guard[],
  setup: KeyboardSetup,
  layouts: readonly MeasuredLayout[] = [],
): Finding[] {
  if (!hasKeyboard(field)) return [];
  const traps = [
    ...phoneTraps(field, guards, setup),
    ...measuredTraps(
      field,
      guards,
      layouts.filter((one) => one.field === field.id),
    ),
  ];
  const groups = grouped(traps, ({ trap }) => findingId('keyboard', field.id, ...[...trap.missing].sort()));
  return [...groups].flatMap(([id, [first, ...others]]) => {
    if (!first) return [];
    const missing = first.trap.missing.map((one) => (one === ' ' ? 'the space' : `“${one}”`)).join(' and ');
    const found = [first, ...others].map(({ on }) => on);
    // A page chooses the keyboards of phones; what it could ask of the real one instead, nobody tried.
    const isPhones = found.some(({ mark }) => mark === 'modelled');
    const setting = isPhones ? cheapestForRule(field, guards, null, setup.language, setup.corrections) : null;
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

function phoneTraps(field: Field, guards: readonly Guard[], setup: KeyboardSetup): TargetTrap[] {
  return phoneBrowsers.flatMap(({ id, name }) => {
    const trap = trapOnTarget(field, guards, id, setup.language, setup.corrections);
    return trap ? [{ on: { target: id, name, mark: 'modelled', says: [] }, trap }] : [];
  });
}

function measuredTraps(
  field: Field,
  guards: readonly Guard[],
  layouts: readonly MeasuredLayout[],
): TargetTrap[] {
  return layouts.flatMap(({ target, name, layout }) => {
    const trap = trapOnLayout(layout, field, guards, [], target);
    const says = [`The keyboard came up as ${layout}.`];
    return trap ? [{ on: { target, name, mark: 'measured', says }, trap }] : [];
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

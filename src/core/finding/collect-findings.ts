import type { Difference } from '../compare/differences';
import { markupFaults } from '../fault/markup-faults';
import { attribute, type Field } from '../form/field';
import type { FormDocument } from '../form/form-document';
import { readForm } from '../form/read-form';
import type { Trap } from '../keyboard/trap';
import type { ProvenanceMark } from '../observation/provenance';
import { patternWarnings } from '../pattern/pattern-warnings';
import type { Target } from '../target/target';
import { faultHarm } from './fault-harm';
import { type Finding, type FindingId, type FoundOn, type Harm, ranked } from './finding';

/** What the views know of a form. */
export interface Known {
  readonly form: Pick<FormDocument, 'markup'>;
  /** Of each target and field, how its answers differ from those of the reference. */
  readonly differences: readonly TargetDifferences[];
  /** What cannot be typed on the keyboards of targets. */
  readonly traps: readonly TargetTrap[];
}

export interface TargetDifferences {
  readonly target: Target;
  readonly mark: ProvenanceMark;
  readonly field: Field;
  readonly differences: readonly Difference[];
}

export interface TargetTrap {
  readonly target: Target;
  readonly field: Field;
  readonly trap: Trap;
}

/** Every fault and difference as one finding each, those of one cause merged, the worst first. */
export function collectFindings({ form, differences, traps }: Known): Finding[] {
  const { fields } = readForm(form.markup);
  return ranked([
    ...ofMarkup(form.markup, fields),
    ...fields.flatMap(ofPattern),
    ...ofKeyboards(traps),
    ...ofDifferences(differences),
  ]);
}

function idOf(...parts: readonly string[]): FindingId {
  return JSON.stringify(parts) as FindingId;
}

const named = ({ id, label }: Field) => ({ id, label });

function ofMarkup(markup: string, fields: readonly Field[]): Finding[] {
  return markupFaults(markup, { fields }).map(({ rule, field, text, remedy }) => {
    const [harm, why] = faultHarm(rule, text);
    return {
      id: idOf('markup', rule, field?.id ?? '', text),
      field: field && named(field),
      says: text,
      harm,
      why,
      remedy,
      targets: [],
      marks: ['modelled'],
      evidence: 'form',
    };
  });
}

/** Kinds of warnings that the rules about markup do not have. */
const ofPatternsAlone = ['dot takes anything', 'A to z', 'digits of other scripts', 'never matches'];

function ofPattern(field: Field): Finding[] {
  const source = attribute(field.controls[0], 'pattern');
  if (source === null) return [];
  return patternWarnings({ source, match: 'whole' })
    .filter(({ sort }) => ofPatternsAlone.includes(sort))
    .map(
      ({ sort, says, witness, remedy }): Finding => ({
        id: idOf('pattern', sort, field.id, source),
        field: named(field),
        says: `${field.label}: ${says}${witness ? ` It accepts “${witness}”.` : ''}`,
        harm: sort === 'never matches' ? 'cannot enter a valid value' : 'wrong value sent',
        why: 'The rule means something else than it seems to.',
        remedy: remedy === null ? null : `Write pattern="${remedy}".`,
        targets: [],
        marks: ['modelled'],
        evidence: 'typing',
      }),
    );
}

/** Keyboards that lack the same characters of the same field are one finding. */
function ofKeyboards(traps: readonly TargetTrap[]): Finding[] {
  const groups = grouped(traps, ({ field, trap }) => idOf('keyboard', field.id, ...[...trap.missing].sort()));
  return [...groups].flatMap(([id, all]) => {
    const [first] = all;
    if (!first) return [];
    const { field, trap } = first;
    const missing = trap.missing.map((one) => (one === ' ' ? 'space' : one)).join(' ');
    return [
      {
        id,
        field: named(field),
        says: `${field.label}: the keyboard that comes up lacks ${missing}. “${trap.value}” is accepted and cannot be typed.`,
        harm: 'cannot enter a valid value' as const,
        why: 'On such a phone the person cannot enter every valid value.',
        remedy:
          'Change inputmode or type; the Keyboards view names the cheapest setting that brings the keys.',
        targets: all.map(({ target }) => ({
          target: target.id,
          name: target.name,
          mark: 'modelled' as const,
          says: [],
        })),
        marks: ['modelled' as const],
        evidence: 'keyboards' as const,
      },
    ];
  });
}

/** What kinds of differences do to a person, the worst kind first. */
const differenceHarms: readonly (readonly [Difference['what'][], Harm, string])[] = [
  [
    ['type'],
    'person misled',
    'The kind is not known there, and the person gets something plainer: no picker, no check of the format.',
  ],
  [
    ['value', 'validation', 'flags'],
    'wrong value sent',
    'The same entry counts as another value, or is accepted in one browser and refused in the other.',
  ],
  [
    ['applicable', 'opening', 'readable', 'order', 'message', 'bubble', 'keyboard', 'in sight'],
    'person misled',
    'The person sees or is told something else there.',
  ],
  [
    ['size', 'text', 'parts', 'window', 'title', 'marks', 'picture'],
    'cosmetic',
    'It looks another way there; what is entered is the same.',
  ],
];

/** Differences of one sort of one field are one finding, over all targets; where the kind is not known that is the cause of all. */
function ofDifferences(all: readonly TargetDifferences[]): Finding[] {
  const groups = new Map<FindingId, { field: Field; sort: number; on: FoundOn[] }>();
  for (const { target, field, mark, differences } of all) {
    const sorts = differences.map(({ what }) => differenceHarms.findIndex(([whats]) => whats.includes(what)));
    const isUnknown = sorts.includes(0);
    const shown = isUnknown ? [0] : [...new Set(sorts)].filter((sort) => sort >= 0);
    for (const sort of shown) {
      const says = differences
        .filter((_, index) => isUnknown || sorts[index] === sort)
        .map(({ text }) => text);
      const id = idOf('difference', `${sort}`, field.id);
      const group = groups.get(id) ?? { field, sort, on: [] };
      group.on.push({ target: target.id, name: target.name, mark, says });
      groups.set(id, group);
    }
  }
  return [...groups].flatMap(([id, { field, sort, on }]) => {
    const [, harm, why] = differenceHarms[sort] ?? [];
    if (!harm || why === undefined) return [];
    const names = on.map(({ name }) => name).join(', ');
    return [
      {
        id,
        field: named(field),
        says:
          sort === 0
            ? `${field.label} is another kind of field in ${names}.`
            : `${field.label} in ${names}: ${on[0]?.says[0] ?? ''}`,
        harm,
        why,
        remedy:
          sort === 0
            ? 'Try the fallback plans for it: a format hint, a pattern, or a scripted picker only where the native one is missing.'
            : null,
        targets: on,
        marks: [...new Set(on.map(({ mark }) => mark))],
        evidence: 'survey' as const,
      },
    ];
  });
}

function grouped<Item, Key>(items: readonly Item[], keyOf: (item: Item) => Key): Map<Key, Item[]> {
  const groups = new Map<Key, Item[]>();
  for (const item of items) groups.set(keyOf(item), [...(groups.get(keyOf(item)) ?? []), item]);
  return groups;
}

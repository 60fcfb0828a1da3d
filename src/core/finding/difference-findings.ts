import type { Difference } from '../compare/differences';
import type { Field } from '../form/field';
import { type Finding, type FindingId, type FoundOn, findingId, type Harm } from './finding';
import type { TargetDifferences } from './reference-differences';

/** What kinds of differences do to a person, the worst kind first. */
const differenceHarms: readonly (readonly [Difference['what'][], Harm, string])[] = [
  [
    ['type'],
    'person misled',
    'The kind is not known there, and the person gets something plainer: no picker, no check of the format.',
  ],
  [
    ['value', 'validation', 'flags', 'sent'],
    'wrong value sent',
    'The same entry counts as another value, or is accepted in one browser and refused in the other.',
  ],
  [
    ['applicable', 'opening', 'readable', 'order', 'message', 'bubble', 'keyboard', 'in sight', 'sending'],
    'person misled',
    'The person sees or is told something else there.',
  ],
  [
    ['size', 'text', 'parts', 'window', 'title', 'marks', 'picture'],
    'cosmetic',
    'It looks another way there; what is entered is the same.',
  ],
];

interface Group {
  readonly field: Field;
  readonly sort: number;
  readonly on: FoundOn[];
  readonly isSending: boolean;
}

/** Differences of one sort of one field are one finding, over all targets; where the kind is not known that is the cause of all. */
export function differenceFindings(all: readonly TargetDifferences[]): Finding[] {
  const groups = new Map<FindingId, Group>();
  for (const { target, field, mark, differences } of all) {
    const sorts = differences.map(({ what }) => differenceHarms.findIndex(([whats]) => whats.includes(what)));
    const isUnknown = sorts.includes(0);
    const shown = isUnknown ? [0] : [...new Set(sorts)].filter((sort) => sort >= 0);
    for (const sort of shown) {
      const own = differences.filter((_, index) => isUnknown || sorts[index] === sort);
      const id = findingId('difference', `${sort}`, field.id);
      const isSending = own.every(({ what }) => what === 'sent' || what === 'sending');
      const group = groups.get(id) ?? { field, sort, on: [], isSending };
      group.on.push({ target: target.id, name: target.name, mark, says: own.map(({ text }) => text) });
      groups.set(id, group);
    }
  }
  return [...groups].flatMap(([id, group]) => findingOf(id, group));
}

function findingOf(id: FindingId, { field, sort, on, isSending }: Group): Finding[] {
  const [, harm, why] = differenceHarms[sort] ?? [];
  if (!harm || why === undefined) return [];
  const names = on.map(({ name }) => name).join(', ');
  return [
    {
      id,
      field: { id: field.id, label: field.label },
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
      change: null,
      details: [],
      script: null,
      targets: on,
      marks: [...new Set(on.map(({ mark }) => mark))],
      evidence: isSending ? 'submission' : 'survey',
    },
  ];
}

import type { Difference } from '../compare/differences';
import type { Field } from '../form/field';
import { type Evidence, type Finding, type FindingId, type FoundOn, findingId, type Harm } from './finding';
import type { TargetDifferences } from './reference-differences';

interface DifferenceSort {
  readonly name: string;
  readonly whats: readonly Difference['what'][];
  readonly harm: Harm;
  readonly why: string;
  readonly remedy: string | null;
  readonly evidence: Evidence;
}

/** Of one field, what differs because of what the field is and holds; the worst first. */
const ofOneField: readonly DifferenceSort[] = [
  {
    name: 'kind',
    whats: ['type'],
    harm: 'person misled',
    why: 'The kind is not known there, and the person gets something plainer: no picker, no check of the format.',
    remedy:
      'Try the fallback plans for it: a format hint, a pattern, or a scripted picker only where the native one is missing.',
    evidence: 'survey',
  },
  {
    name: 'value',
    whats: ['value', 'validation', 'flags', 'sent'],
    harm: 'wrong value sent',
    why: 'The same entry counts as another value, or is accepted in one browser and refused in the other.',
    remedy: null,
    evidence: 'survey',
  },
  {
    name: 'told',
    whats: ['applicable', 'opening', 'readable', 'order', 'bubble', 'keyboard', 'in sight', 'sending'],
    harm: 'person misled',
    why: 'The person sees or is told something else there.',
    remedy: null,
    evidence: 'survey',
  },
];

interface Habit extends DifferenceSort {
  /** What is so, as the end of a sentence that begins with one field, or with more. */
  readonly says: readonly [one: string, more: string];
}

/** What an engine does by itself to every field of the kind: one cause, whichever fields show it. */
const habits: readonly Habit[] = [
  {
    name: 'wording',
    whats: ['message', 'title'],
    says: ['words its message otherwise', 'word their messages otherwise'],
    harm: 'cosmetic',
    why: 'Each browser words what it refuses by itself; what is refused is the same.',
    remedy: 'Where every person has to read the same, say it in the page, beside the field.',
    evidence: 'messages',
  },
  {
    name: 'size',
    whats: ['size'],
    says: ['has another size', 'have another size'],
    harm: 'cosmetic',
    why: 'Each browser has sizes of its own for what the page’s styles leave open.',
    remedy: 'Where it matters, give the fields a width, a height and a font in the page’s styles.',
    evidence: 'looks',
  },
  {
    name: 'parts',
    whats: ['text', 'parts', 'window', 'marks', 'picture'],
    says: ['is made of other parts', 'are made of other parts'],
    harm: 'cosmetic',
    why: 'It looks another way there; what is entered is the same.',
    remedy: null,
    evidence: 'looks',
  },
];

/** Differences that have one cause: of one field, or of all fields by a habit of the engine. */
interface Group {
  readonly sort: DifferenceSort | Habit;
  readonly on: { readonly field: Field; readonly target: FoundOn; readonly whats: Difference['what'][] }[];
}

/**
 * What has one cause is one finding, over all targets: where a kind is not known, that is the cause of all that differs in
 * the field; what an engine does by itself is one over all fields.
 */
export function differenceFindings(all: readonly TargetDifferences[]): Finding[] {
  const groups = new Map<FindingId, Group>();
  for (const { target, field, mark, differences } of all)
    for (const [sort, own] of bySort(differences)) {
      const id = findingId('difference', sort.name, ...('says' in sort ? [] : [field.id]));
      const group = groups.get(id) ?? { sort, on: [] };
      const says = own.map(({ text }) => text);
      group.on.push({
        field,
        target: { target: target.id, name: target.name, mark, says },
        whats: own.map(({ what }) => what),
      });
      groups.set(id, group);
    }
  return [...groups].flatMap(([id, group]) => findingOf(id, group));
}

/** A field's differences in one target, by what they are about. */
function bySort(
  differences: readonly Difference[],
): [sort: DifferenceSort | Habit, differences: readonly Difference[]][] {
  const [kind] = ofOneField;
  if (kind && differences.some(({ what }) => kind.whats.includes(what))) return [[kind, differences]];
  // Words about another fault are no other words about the same.
  const isOtherFault = differences.some(({ what }) => what === 'flags' || what === 'validation');
  const belongs = (sort: DifferenceSort | Habit, what: Difference['what']) =>
    isOtherFault && what === 'message' ? sort.name === 'value' : sort.whats.includes(what);
  return [...ofOneField, ...habits].flatMap((sort) => {
    const own = differences.filter(({ what }) => belongs(sort, what));
    return own.length > 0 ? [[sort, own] as [typeof sort, typeof own]] : [];
  });
}

function findingOf(id: FindingId, { sort, on }: Group): Finding[] {
  const [first] = on;
  if (!first) return [];
  const fields = [...new Set(on.map(({ field }) => field))];
  const [field, ...otherFields] = fields;
  const isOfOne = otherFields.length === 0;
  const targets = 'says' in sort && !isOfOne ? byTarget(on) : on.map(({ target }) => target);
  const names = targets.map(({ name }) => name).join(', ');
  const isSending = on.every(({ whats }) => whats.every((what) => what === 'sent' || what === 'sending'));
  return [
    {
      id,
      field: field && isOfOne ? { id: field.id, label: field.label } : null,
      says: saysOf(sort, fields, names, first.target.says[0] ?? ''),
      harm: sort.harm,
      why: sort.why,
      remedy: sort.remedy,
      change: null,
      details: [],
      script: null,
      targets,
      marks: [...new Set(targets.map(({ mark }) => mark))],
      evidence: isSending ? 'submission' : sort.evidence,
    },
  ];
}

/** Each target once, and of each field what is so there. */
function byTarget(on: Group['on']): FoundOn[] {
  const merged = new Map<string, FoundOn>();
  for (const { field, target } of on) {
    const known = merged.get(target.target);
    const says = [...(known?.says ?? []), `${field.label}: ${target.says.join(' ')}`];
    merged.set(target.target, { ...target, says });
  }
  return [...merged.values()];
}

/** As many fields are named in what a habit says. */
const named = 3;

function saysOf(sort: DifferenceSort | Habit, fields: readonly Field[], names: string, text: string): string {
  const labels = fields.map(({ label }) => label);
  if (!('says' in sort))
    return sort.name === 'kind'
      ? `${labels[0]} is another kind of field in ${names}.`
      : `${labels[0]} in ${names}: ${text}`;
  const [one, more] = sort.says;
  if (labels.length === 1) return `${labels[0]} ${one} in ${names}.`;
  const left = labels.length - named;
  const told =
    left > 1
      ? `${labels.slice(0, named).join(', ')} and ${left} others`
      : `${labels.slice(0, -1).join(', ')} and ${labels.at(-1)}`;
  return `${told} ${more} in ${names}.`;
}

import { grouped } from '../grouped';
import type { Field } from '../html/field';
import type { Difference } from '../questions/differences';
import type { TargetId } from '../target/target';
import type { Claim, EngineHabit, FieldDifference } from './claim';
import {
  type Evidence,
  type Finding,
  type FindingId,
  type FoundOn,
  fieldFinding,
  findingId,
  type Harm,
} from './finding';
import type { Proof } from './proof';
import type { TargetDifferences } from './reference-differences';

type Sort = Kind & {
  readonly whats: readonly Difference['what'][];
  readonly harm: Harm;
  readonly evidence: Evidence;
};

/** Of what a difference tells: of one field, or of what an engine does by itself. */
type Kind =
  | { readonly of: 'field'; readonly name: FieldDifference }
  | { readonly of: 'engine'; readonly name: EngineHabit };

/** Of one field, what differs because of what the field is and holds; the worst first. */
const ofOneField: readonly Sort[] = [
  { of: 'field', name: 'kind', whats: ['type'], harm: 'person misled', evidence: 'survey' },
  {
    of: 'field',
    name: 'value',
    whats: ['value', 'validation', 'flags', 'sent'],
    harm: 'wrong value sent',
    evidence: 'survey',
  },
  {
    of: 'field',
    name: 'told',
    whats: [
      ...(['applicable', 'opening', 'readable', 'order', 'clock', 'bubble'] as const),
      ...(['keyboard', 'in sight', 'sending'] as const),
    ],
    harm: 'person misled',
    evidence: 'survey',
  },
];

/** Of a target that checks nothing at all: whatever a constraint would bring about. */
const unchecking: Sort = {
  of: 'engine',
  name: 'checks',
  whats: ['validation', 'flags', 'message', 'title', 'bubble', 'sending'],
  harm: 'person misled',
  evidence: 'messages',
};

/** That a form goes out which the reference holds back is a matter of checks too. */
function isOfChecks(one: Difference): boolean {
  if (one.what !== 'sent') return unchecking.whats.includes(one.what);
  const { difference } = one;
  return difference.what === 'outcome' && difference.here === 'sent' && difference.there === 'blocked';
}

/** What an engine does by itself to every field of the kind: one cause, whichever fields show it. */
const ofEngine: readonly Sort[] = [
  { of: 'engine', name: 'wording', whats: ['message', 'title'], harm: 'cosmetic', evidence: 'messages' },
  { of: 'engine', name: 'size', whats: ['size'], harm: 'cosmetic', evidence: 'looks' },
  {
    of: 'engine',
    name: 'parts',
    whats: ['text', 'parts', 'window', 'marks', 'picture'],
    harm: 'cosmetic',
    evidence: 'looks',
  },
];

/** Differences that have one cause: of one field, or of all fields by a habit of the engine. */
interface Group {
  readonly sort: Sort;
  readonly on: TargetDifferences[];
}

/**
 * What has one cause is one finding, over all targets: where a kind is not known, that is the cause of all that differs in
 * the field; what an engine does by itself is one over all fields.
 * @param from the name of the reference
 * @param checkNothing targets in which no constraint of any field does anything
 */
export function differenceFindings(
  all: readonly TargetDifferences[],
  from: string,
  checkNothing: ReadonlySet<TargetId> = new Set(),
): Finding[] {
  const groups = new Map<FindingId, Group>();
  for (const one of all)
    for (const [sort, differences] of bySort(one.differences, checkNothing.has(one.target.id))) {
      const id = findingId('difference', sort.name, ...(sort.of === 'field' ? [one.field.id] : []));
      const group = groups.get(id) ?? { sort, on: [] };
      group.on.push({ ...one, differences });
      groups.set(id, group);
    }
  return unknownKindsTogether([...groups].flatMap(([id, group]) => findingOf(id, group, from)));
}

/** Fields whose kinds the same targets do not know have one cause. */
function unknownKindsTogether(findings: readonly Finding[]): Finding[] {
  const byTargets = grouped(findings, ({ claim }) =>
    claim.code === 'kinds unknown' ? JSON.stringify(claim.in) : null,
  );
  return findings.flatMap((finding) => {
    if (finding.claim.code !== 'kinds unknown') return [finding];
    const same = byTargets.get(JSON.stringify(finding.claim.in)) ?? [];
    return same[0] === finding ? [together(same, finding)] : [];
  });
}

function together(same: readonly Finding[], first: Finding): Finding {
  if (same.length === 1) return first;
  const claims = same.flatMap(({ claim }) => (claim.code === 'kinds unknown' ? [claim] : []));
  const kinds = [...new Set(claims.flatMap((claim) => claim.kinds))];
  const claim = {
    code: 'kinds unknown' as const,
    kinds,
    fields: claims.flatMap(({ fields }) => fields),
    in: claims[0]?.in ?? [],
  };
  const targets = first.targets.map((on) => ({
    ...on,
    proofs: same.flatMap((one) => proofsOf(one, on.target)),
  }));
  return {
    // The first field stays: what it looks like is the evidence, and where it stands the place.
    ...first,
    id: findingId('difference', 'kinds', first.field?.id ?? ''),
    claim,
    targets,
    standsFor: same.map(({ id }) => id),
  };
}

/** What a target made of a field, under the field's name: the cause, and not all that follows from it. */
function proofsOf({ field, targets }: Finding, target: TargetId): Proof[] {
  const proofs = targets.find((on) => on.target === target)?.proofs ?? [];
  return proofs.flatMap((proof) =>
    proof.code === 'difference' && proof.difference.what === 'type'
      ? [{ ...proof, field: field?.label ?? null }]
      : [],
  );
}

/** A field's differences in one target, by what they are about. */
function bySort(
  all: readonly Difference[],
  checksNothing: boolean,
): [sort: Sort, differences: readonly Difference[]][] {
  const [kind] = ofOneField;
  if (kind && all.some(({ what }) => kind.whats.includes(what))) return [[kind, all]];
  const ofChecks = all.filter((one) => checksNothing && isOfChecks(one));
  const differences = all.filter((one) => !ofChecks.includes(one));
  if (ofChecks.length > 0) return [[unchecking, ofChecks], ...bySort(differences, false)];
  // Words about another fault are no other words about the same.
  const isOtherFault = differences.some(({ what }) => what === 'flags' || what === 'validation');
  const belongs = (sort: Sort, what: Difference['what']) =>
    isOtherFault && what === 'message' ? sort.name === 'value' : sort.whats.includes(what);
  return [...ofOneField, ...ofEngine].flatMap((sort) => {
    const own = differences.filter(({ what }) => belongs(sort, what));
    return own.length > 0 ? [[sort, own] as [Sort, Difference[]]] : [];
  });
}

function findingOf(id: FindingId, { sort, on }: Group, from: string): Finding[] {
  const fields = [...new Set(on.map(({ field }) => field))];
  const [field, ...otherFields] = fields;
  const [difference] = on[0]?.differences ?? [];
  if (!field || !difference) return [];
  const isOfOne = otherFields.length === 0;
  const targets = isOfOne ? on.map((one) => foundOn(one, from, null)) : byTarget(on, from);
  const names = targets.map(({ name }) => name);
  const labels = fields.map(({ label }) => label);
  const isSending = on.every(({ differences }) =>
    differences.every(({ what }) => what === 'sent' || what === 'sending'),
  );
  const finding = fieldFinding(field, {
    id,
    claim:
      sort.of === 'field'
        ? (unknownKind(sort, field, on) ?? {
            code: 'field differs',
            about: sort.name,
            difference,
            in: sharing(on, difference),
            from,
          })
        : { code: 'engines differ', about: sort.name, fields: labels, in: names },
    harm: isOpenedOtherwise(on) ? 'cosmetic' : sort.harm,
    targets,
    evidence: isSending ? 'submission' : sort.evidence,
  });
  return [isOfOne ? finding : { ...finding, field: null }];
}

/** A kind of which all that differ make a text box. */
function unknownKind({ name }: Sort, { kind, label }: Field, on: readonly TargetDifferences[]): Claim | null {
  const isText = ({ differences }: TargetDifferences) =>
    differences.some((one) => one.what === 'type' && one.here === 'text' && one.there === kind);
  if (name !== 'kind' || !on.every(isText)) return null;
  return { code: 'kinds unknown', kinds: [kind], fields: [label], in: on.map(({ target }) => target.name) };
}

/** It opens everywhere, by another gesture: whoever wants it finds that. */
function isOpenedOtherwise(on: readonly TargetDifferences[]): boolean {
  return on.every(({ differences }) =>
    differences.every((one) => one.what === 'opening' && one.here.opened && one.there.opened),
  );
}

/** The names of the targets that show just this difference. */
function sharing(on: readonly TargetDifferences[], difference: Difference): string[] {
  const told = JSON.stringify(difference);
  return on
    .filter(({ differences }) => differences.some((one) => JSON.stringify(one) === told))
    .map(({ target }) => target.name);
}

/** @param label of the field, where a finding is of many */
function foundOn(
  { target, mark, differences }: TargetDifferences,
  from: string,
  label: string | null,
): FoundOn {
  const proofs = differences.map((difference) => ({
    code: 'difference' as const,
    field: label,
    difference,
    from,
  }));
  return { target: target.id, name: target.name, mark, proofs };
}

/** Each target once, and of each field what is so there. */
function byTarget(on: readonly TargetDifferences[], from: string): FoundOn[] {
  const merged = new Map<string, FoundOn>();
  for (const one of on) {
    const own = foundOn(one, from, one.field.label);
    const known = merged.get(own.target);
    merged.set(own.target, { ...own, proofs: [...(known?.proofs ?? []), ...own.proofs] });
  }
  return [...merged.values()];
}

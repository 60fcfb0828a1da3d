import type { Field, FieldId } from '../html/field';
import type { ProvenanceMark } from '../observation/provenance';
import type { Script } from '../script/stroke';
import type { TargetId } from '../target/target';
import type { Claim } from './claim';
import type { Proof } from './proof';
import type { RemedyEdit } from './remedy-edit';

/** What a fault or a difference does to the person who fills the form in, the worst first. */
export const harms = [
  'cannot enter a valid value',
  'value lost',
  'wrong value sent',
  'person misled',
  'cosmetic',
] as const;
export type Harm = (typeof harms)[number];

export type FindingId = string & { readonly brand: 'FindingId' };

/** A fault or a difference that the views mark, with everything that is needed to decide on it. */
export interface Finding {
  /** Made of what it is about and not of where it stands, so that a decision stays with it over sweeps and edits. */
  readonly id: FindingId;
  readonly field: { readonly id: FieldId; readonly label: string } | null;
  readonly claim: Claim;
  readonly harm: Harm;
  /** The remedy as an edit of the form, where it can be told what was meant. */
  readonly change: RemedyEdit | null;
  /** What the same edit mends besides. */
  readonly also: readonly Pick<Finding, 'field' | 'claim'>[];
  /** The shortest strokes that show it; null where it is not about typing. */
  readonly script: Script | null;
  /** Where it is so; none: everywhere. */
  readonly targets: readonly FoundOn[];
  /** How it is known, each once: an engine did it, a device did, the model says so. */
  readonly marks: readonly ProvenanceMark[];
  readonly evidence: Evidence;
  /** Of several fields with one cause: what a finding about each of them alone would be called. */
  readonly standsFor?: readonly FindingId[];
}

export interface FoundOn {
  readonly target: TargetId;
  readonly name: string;
  readonly mark: ProvenanceMark;
  /** What it showed; none where the claim says all. */
  readonly proofs: readonly Proof[];
}

/** Where it can be seen: a view, or what the Typing view shows of a field. */
export const evidences = [
  'form',
  'survey',
  'messages',
  'looks',
  'keyboards',
  'taps',
  'rule',
  'ways in',
  'strokes',
  'samples',
  'submission',
] as const;
export type Evidence = (typeof evidences)[number];

/** Evidence that lies in what targets show of a field. */
export const shownByTargets: readonly Evidence[] = ['survey', 'messages', 'looks'];

export const decisionKinds = ['mend', 'accept', 'later'] as const;
export type DecisionKind = (typeof decisionKinds)[number];

/** What a person decided about a finding. */
export interface Decision {
  readonly finding: FindingId;
  readonly kind: DecisionKind;
  /** Why it is accepted; empty for the others. */
  readonly reason: string;
  /** ISO 8601, UTC. */
  readonly at: string;
}

/** What is claimed, by its code: of a fault its own. It stays the same whatever is said. */
export function claimCode({ claim }: Pick<Finding, 'claim'>): string {
  return claim.code === 'fault' ? claim.fault.code : claim.code;
}

/** An id out of what a finding is about. */
export function findingId(...parts: readonly string[]): FindingId {
  return JSON.stringify(parts) as FindingId;
}

/** The worst first; of equal harm what is so everywhere, then on most targets; then in the order of the form. */
export function ranked(findings: readonly Finding[]): Finding[] {
  const reach = ({ targets }: Finding) => (targets.length === 0 ? Number.POSITIVE_INFINITY : targets.length);
  return findings
    .map((finding, index) => ({ finding, index }))
    .sort(
      (a, b) =>
        harms.indexOf(a.finding.harm) - harms.indexOf(b.finding.harm) ||
        (reach(a.finding) === reach(b.finding) ? 0 : reach(b.finding) - reach(a.finding)) ||
        a.index - b.index,
    )
    .map(({ finding }) => finding);
}

/** Findings that one and the same edit mends have one cause: the worst of them stays, the others are told with it. */
export function merged(findings: readonly Finding[]): Finding[] {
  const byChange = new Map<string, Finding[]>();
  for (const [index, finding] of findings.entries()) {
    const key = finding.change ? JSON.stringify(finding.change) : `${index}`;
    byChange.set(key, [...(byChange.get(key) ?? []), finding]);
  }
  return [...byChange.values()].flatMap((same) => {
    const [first, ...others] = ranked(same);
    if (!first) return [];
    const mended = others.flatMap(({ field, claim, also }) => [{ field, claim }, ...also]);
    return [{ ...first, also: [...first.also, ...mended] }];
  });
}

/** What every finding about one field has. */
type OfField = Pick<Finding, 'id' | 'claim' | 'harm' | 'evidence'> & Partial<Finding>;

/** A finding about a field: of the model alone and everywhere so, where nothing else is said. */
export function fieldFinding({ id, label }: Pick<Field, 'id' | 'label'>, finding: OfField): Finding {
  const targets = finding.targets ?? [];
  const marks: ProvenanceMark[] = targets.length === 0 ? ['modelled'] : marksOf(targets);
  return { field: { id, label }, change: null, also: [], script: null, targets, marks, ...finding };
}

/** How it is known on all of them, each once. */
export function marksOf(targets: readonly FoundOn[]): ProvenanceMark[] {
  return [...new Set(targets.map(({ mark }) => mark))];
}

/** Findings from several sources, those of one cause merged, the worst first. */
export function collected(findings: readonly Finding[]): Finding[] {
  return ranked(merged(findings));
}

import type { Field, FieldId } from '../form/field';
import type { ProvenanceMark } from '../observation/provenance';
import type { Script } from '../script/stroke';
import type { TargetId } from '../target/target';
import type { Change } from './change';

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
  /** Made of what it says and not of where it stands, so that a decision stays with it over sweeps and edits. */
  readonly id: FindingId;
  readonly field: { readonly id: FieldId; readonly label: string } | null;
  readonly says: string;
  readonly harm: Harm;
  /** Why it matters to the person who fills the form in. */
  readonly why: string;
  /** What to do; null where only the team can tell. */
  readonly remedy: string | null;
  /** The remedy as an edit of the form, where it can be told what was meant. */
  readonly change: Change | null;
  /** What else belongs to it, a sentence each: what has the same cause, the script that shows it. */
  readonly details: readonly string[];
  /** The shortest strokes that show it; null where it is not about typing. */
  readonly script: Script | null;
  /** Where it is so; none: everywhere. */
  readonly targets: readonly FoundOn[];
  /** How it is known, each once: an engine did it, a device did, the model says so. */
  readonly marks: readonly ProvenanceMark[];
  readonly evidence: Evidence;
}

/** A sort of fault that answers can show, the same for every field. */
export interface FaultSort {
  readonly name: string;
  readonly harm: Harm;
  /** What is so, as the end of a sentence that begins with the field. */
  readonly says: string;
  readonly why: string;
  readonly remedy: string;
}

export interface FoundOn {
  readonly target: TargetId;
  readonly name: string;
  readonly mark: ProvenanceMark;
  /** In that target's own words. */
  readonly says: readonly string[];
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

/** An id out of what a finding says. */
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
    const details = others.flatMap((one) => [one.says, ...one.details]);
    return [{ ...first, details: [...first.details, ...details] }];
  });
}

/** A finding of one sort of fault about a field, where it was shown. */
export function faultFinding(
  source: string,
  { name, harm, says, why, remedy }: FaultSort,
  { id, label }: Field,
  targets: readonly FoundOn[],
  rest: Pick<Finding, 'details' | 'script' | 'evidence'>,
): Finding {
  return {
    id: findingId(source, name, id),
    field: { id, label },
    says: `${label}: ${says}.`,
    harm,
    why,
    remedy,
    change: null,
    targets,
    marks: [...new Set(targets.map(({ mark }) => mark))],
    ...rest,
  };
}

/** Findings from several sources, those of one cause merged, the worst first. */
export function collected(findings: readonly Finding[]): Finding[] {
  return ranked(merged(findings));
}

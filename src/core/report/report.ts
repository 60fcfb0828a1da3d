import { coverageOf, type FieldCoverage } from '../compare/coverage';
import type { Drift } from '../drift/drift';
import { type Decision, type Finding, type FindingId, type Harm, harms } from '../finding/finding';
import type { FieldId } from '../html/field';
import { readForm } from '../html/read-form';
import type { Picture, PictureId } from '../observation/picture';
import { markOf, type ProvenanceMark } from '../observation/provenance';
import { type Answers, answersOf, answerTo } from '../run/answers';
import type { Run } from '../run/run';
import type { Target, TargetId } from '../target/target';
import { formGapTexts } from '../words/coverage-words';
import { provenanceText } from '../words/provenance-words';

/** Everything that a report is written from; every sort of report is one writer over it. */
export interface Report {
  readonly run: Run;
  readonly findings: readonly Finding[];
  readonly decisions: ReadonlyMap<FindingId, Decision>;
  /** What is another than in the baseline; null without one. */
  readonly drift: Drift | null;
  /** The Ukko that writes the report, which need not be the one that asked. */
  readonly ukko: string;
  /** ISO 8601, UTC. */
  readonly madeAt: string;
}

/** What a target was asked, and how it answered. */
export interface AskedTarget {
  readonly target: Target;
  readonly isReference: boolean;
  readonly mark: ProvenanceMark;
  /** Who answered, and how, one line each: an engine may have been asked at two times in two versions. */
  readonly by: readonly string[];
  readonly answers: number;
  readonly failed: number;
}

export function askedTargets({ lineUp, observations }: Report['run']): AskedTarget[] {
  return lineUp.targets.map((target) => {
    const own = observations.filter((one) => one.target === target.id);
    return {
      target,
      isReference: target.id === lineUp.reference,
      mark: markOf(target),
      by: [...new Set(own.map(({ provenance }) => provenanceText(provenance)))],
      answers: own.length,
      failed: own.filter(({ outcome }) => outcome.status === 'failed').length,
    };
  });
}

/** How far each field was asked; none where nothing was asked at all. */
export function coverageIn({ form, lineUp, observations }: Run): FieldCoverage[] {
  return observations.length === 0 ? [] : coverageOf(readForm(form.markup).fields, lineUp, observations);
}

/** What is not covered of the form as a whole, or taken for granted. */
export function formGapsIn({ form, observations }: Run): readonly string[] {
  if (observations.length === 0) return [];
  return formGapTexts(form);
}

/** How a finding stands to the baseline; `found` where there is none. */
export const standings = ['new', 'changed', 'known', 'found'] as const;
export type SinceBaseline = (typeof standings)[number];

export function sinceBaseline({ drift }: Report, finding: Finding): SinceBaseline {
  return sinceBaselineIn(drift, finding);
}

export function sinceBaselineIn(drift: Drift | null, finding: Finding): SinceBaseline {
  if (!drift) return 'found';
  if (drift.fresh.some((one) => one.finding === finding)) return 'new';
  return drift.changed.some((one) => one.finding === finding) ? 'changed' : 'known';
}

/** Findings by what they do to the person, the worst first; without the empty groups. */
export function byHarm(findings: readonly Finding[]): { harm: Harm; findings: Finding[] }[] {
  return harms
    .map((harm) => ({ harm, findings: findings.filter((one) => one.harm === harm) }))
    .filter((group) => group.findings.length > 0);
}

export function decisionText(decision: Decision | undefined): string {
  if (!decision) return 'not decided';
  return decision.reason === '' ? decision.kind : `${decision.kind}: ${decision.reason}`;
}

/** A time as a report writes it, to the minute. */
export function timeText(iso: string): string {
  return `${iso.slice(0, 16).replace('T', ' ')} UTC`;
}

/** The pictures of a run by what they show. */
export interface ShownPictures {
  /** A control at rest; null where there is none. */
  closed(target: TargetId, field: FieldId): Picture | null;
}

export function shownPictures({ observations, pictures }: Run): ShownPictures {
  const answers: Answers = answersOf(observations);
  const byId = new Map<PictureId, Picture>(pictures.map((picture) => [picture.id, picture]));
  return {
    closed(target, field) {
      const outcome = answerTo(answers, 'look', target, field, 'closed')?.outcome;
      const id = outcome?.status === 'answered' ? outcome.facts.picture : null;
      return (id && byId.get(id)) ?? null;
    },
  };
}

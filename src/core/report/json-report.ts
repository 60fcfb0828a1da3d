import type { FieldCoverage } from '../compare/coverage';
import type { Drift, Drifted } from '../drift/drift';
import { claimCode, type Finding } from '../finding/finding';
import { type FindingPlace, findingPlaces } from '../finding/finding-place';
import { gapText } from '../words/coverage-words';
import { answerDriftWords, setupWords } from '../words/drift-words';
import { findingTitle, findingWords, targetWords } from '../words/finding-words';
import { askedTargets, coverageIn, formGapsIn, type Report, sinceBaseline } from './report';

/** The version of the JSON report; docs/report.schema.json publishes its shape. */
export const jsonReportVersion = 2 as const;

/** A report as JSON. */
export function jsonReport(report: Report): string {
  return `${JSON.stringify(reportTold(report), null, 2)}\n`;
}

/** What the JSON of a report holds; `json-report-schema.ts` says it member by member. */
export type JsonReport = ReturnType<typeof reportTold>;

function reportTold(report: Report) {
  const { run, drift } = report;
  const placeOf = findingPlaces(run.form.markup);
  return {
    format: 'ukko-report' as const,
    version: jsonReportVersion,
    ukko: report.ukko,
    madeAt: report.madeAt,
    form: { name: run.form.name },
    sweep: { id: run.id, ukko: run.ukko, startedAt: run.startedAt, finishedAt: run.finishedAt },
    targets: askedTargets(run).map(({ target, isReference, mark, by, answers, failed }) => ({
      id: target.id,
      name: target.name,
      isReference,
      mark,
      by,
      answers,
      failed,
    })),
    findings: report.findings.map((finding) => ({
      ...toldOf(finding, placeOf(finding)),
      standing: sinceBaseline(report, finding),
      decision: report.decisions.get(finding.id) ?? null,
    })),
    coverage: coverageIn(run).map(coverageTold),
    unread: formGapsIn(run),
    drift: drift && driftTold(drift),
  };
}

function toldOf(finding: Finding, place: FindingPlace | null) {
  const { id, field, harm, targets, marks } = finding;
  const { says, why, remedy, details } = findingWords(finding);
  const on = targets.map((one) => {
    const { target, name, mark } = one;
    return { target, name, mark, says: targetWords(one) };
  });
  return { id, field, place, code: claimCode(finding), says, harm, why, remedy, details, targets: on, marks };
}

function coverageTold({ field, targets, routes, gaps }: FieldCoverage) {
  return {
    field: { id: field.id, label: field.label },
    targets: targets.map(({ mark, count }) => ({ mark, count })),
    routes: [...routes],
    gaps: gaps.map(gapText),
  };
}

function driftTold(drift: Drift) {
  const of = ({ finding, because }: Drifted) => ({
    finding: finding.id,
    says: findingTitle(finding),
    because,
  });
  return {
    since: drift.since,
    setup: drift.setup.map((one) => ({ cause: one.cause, target: one.target, text: setupWords(one) })),
    new: drift.fresh.map(of),
    gone: drift.gone.map(of),
    changed: drift.changed.map((one) => ({ ...of(one), before: findingTitle(one.before) })),
    answers: drift.answers.map((one) => ({
      target: one.target.id,
      field: one.field.id,
      differences: answerDriftWords(one),
      because: one.because,
    })),
  };
}

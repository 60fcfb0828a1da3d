import type { Drift, Drifted } from '../drift/drift';
import type { Finding } from '../finding/finding';
import { askedTargets, type Report, standingOf } from './report';

/** The version of the JSON report; docs/report.schema.json publishes its shape. */
export const jsonReportVersion = 1;

/** A report as JSON. */
export function jsonReport(report: Report): string {
  const { run, drift } = report;
  const value = {
    format: 'ukko-report',
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
      ...toldOf(finding),
      standing: standingOf(report, finding),
      decision: report.decisions.get(finding.id) ?? null,
    })),
    drift: drift && driftTold(drift),
  };
  return `${JSON.stringify(value, null, 2)}\n`;
}

function toldOf({ id, field, says, harm, why, remedy, details, targets, marks }: Finding) {
  return { id, field, says, harm, why, remedy, details, targets, marks };
}

function driftTold(drift: Drift) {
  const of = ({ finding, because }: Drifted) => ({ finding: finding.id, says: finding.says, because });
  return {
    since: drift.since,
    setup: drift.setup,
    new: drift.fresh.map(of),
    gone: drift.gone.map(of),
    changed: drift.changed.map((one) => ({ ...of(one), before: one.before.says })),
    answers: drift.answers.map(({ target, field, differences, because }) => ({
      target: target.id,
      field: field.id,
      differences: differences.map(({ text }) => text),
      because,
    })),
  };
}

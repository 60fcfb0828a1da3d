import Papa from 'papaparse';
import { decisionText, type Report, standingOf } from './report';

/** Findings as CSV (RFC 4180), a row each. A cell that a spreadsheet would reckon as a formula starts with an apostrophe. */
export function csvReport(report: Report): string {
  const fields = [
    'harm',
    'field',
    'finding',
    'targets',
    'known by',
    'why',
    'remedy',
    'details',
    'standing',
    'decision',
  ];
  const data = report.findings.map((finding) => [
    finding.harm,
    finding.field?.label ?? '',
    finding.says,
    finding.targets.map(({ name }) => name).join('; '),
    finding.marks.join('; '),
    finding.why,
    finding.remedy ?? '',
    [
      ...finding.targets.flatMap((on) => on.says.map((text) => `${on.name}: ${text}`)),
      ...finding.details,
    ].join('; '),
    standingOf(report, finding),
    decisionText(report.decisions.get(finding.id)),
  ]);
  return `${Papa.unparse({ fields, data }, { newline: '\n', escapeFormulae: true })}\n`;
}

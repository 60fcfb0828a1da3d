import Papa from 'papaparse';
import { findingPlaces } from '../finding/finding-place';
import { findingWords, targetWords } from '../words/finding-words';
import { readable } from './readable';
import { decisionText, type Report, sinceBaseline } from './report';

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
    'line',
    'column',
    'selector',
  ];
  const placeOf = findingPlaces(report.run.form.markup);
  const data = report.findings.map((finding) => {
    const { says, why, remedy, details } = findingWords(finding);
    const place = placeOf(finding);
    return [
      finding.harm,
      finding.field?.label ?? '',
      says,
      finding.targets.map(({ name }) => name).join('; '),
      finding.marks.join('; '),
      why,
      remedy ?? '',
      [
        ...finding.targets.flatMap((on) => targetWords(on).map((text) => `${on.name}: ${text}`)),
        ...details,
      ].join('; '),
      sinceBaseline(report, finding),
      decisionText(report.decisions.get(finding.id)),
      String(place?.line ?? ''),
      String(place?.column ?? ''),
      place?.selector ?? '',
    ].map(readable);
  });
  return `${Papa.unparse({ fields, data }, { newline: '\n', escapeFormulae: true })}\n`;
}

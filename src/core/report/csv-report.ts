import Papa from 'papaparse';
import { findingPlaces } from '../finding/finding-place';
import { gapText } from '../words/coverage-words';
import { findingWords, targetWords } from '../words/finding-words';
import { readable } from './readable';
import { coverageIn, decisionText, formGapsIn, type Report, sinceBaseline } from './report';

/** Findings as CSV (RFC 4180), a row each, and a row for each field that could not be asked or filled, with `not covered` for its harm. A cell that a spreadsheet would reckon as a formula starts with an apostrophe. */
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
  const found = report.findings.map((finding) => {
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
    ];
  });
  const open = coverageIn(report.run).flatMap(({ field, gaps }) =>
    gaps.map((gap) => ['not covered', field.label, gapText(gap), ...fields.slice(3).map(() => '')]),
  );
  const ofForm = formGapsIn(report.run).map((text) => [
    'not covered',
    '',
    text,
    ...fields.slice(3).map(() => ''),
  ]);
  const data = [...found, ...open, ...ofForm].map((row) => row.map(readable));
  return `${Papa.unparse({ fields, data }, { newline: '\n', escapeFormulae: true })}\n`;
}

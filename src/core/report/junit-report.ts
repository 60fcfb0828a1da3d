import type { Finding } from '../finding/finding';
import { type FindingPlace, findingPlaces } from '../finding/finding-place';
import { readForm } from '../html/read-form';
import { gapText } from '../words/coverage-words';
import { findingTitle, findingWords, targetWords } from '../words/finding-words';
import { placeText } from '../words/place-words';
import { junitXml } from './junit';
import { coverageIn, decisionText, formGapsIn, type Report, sinceBaseline } from './report';

/**
 * A report as JUnit XML: a suite for each field with a case for each finding, one that passes where nothing was found, and one that is
 * skipped for each thing that could not be asked or filled.
 * @param fails the findings that fail the build
 */
export function junitReport(report: Report, fails: ReadonlySet<Finding>): string {
  const { form } = report.run;
  const places = [...readForm(form.markup).fields.map(({ id, label }) => ({ id, label })), null];
  const placeOf = findingPlaces(form.markup);
  const coverage = coverageIn(report.run);
  const toldPlace = (place: FindingPlace | null) =>
    place ? [`${placeText(place, form)}: ${place.element}`] : [];
  return junitXml(
    places.flatMap((place) => {
      const own = report.findings.filter(({ field }) => (field?.id ?? null) === (place?.id ?? null));
      const unread = place === null ? formGapsIn(report.run) : [];
      if (place === null && own.length + unread.length === 0) return [];
      const name = place ? place.label || place.id : 'The form';
      const classname = `${form.name}.${name}`;
      const cases = own.map((finding) => ({
        classname,
        name: findingTitle(finding),
        failure: fails.has(finding) ? failureText(finding) : null,
        output: [
          `${sinceBaseline(report, finding)}, ${decisionText(report.decisions.get(finding.id))}, ${finding.marks.join(' and ')}`,
          ...finding.targets.map((on) => `${on.name} (${on.mark}): ${targetWords(on).join(' ')}`),
          ...findingWords(finding).details,
          ...toldPlace(placeOf(finding)),
        ].join('\n'),
      }));
      const open = coverage.find(({ field }) => field.id === place?.id)?.gaps ?? [];
      const skipped = [...open.map(gapText), ...unread].map((text) => ({
        classname,
        name: 'covered',
        failure: null,
        skipped: text,
      }));
      const nothing = { classname, name: 'nothing found', failure: null };
      return [
        { name: `${form.name}, ${name}`, cases: [...(cases.length > 0 ? cases : [nothing]), ...skipped] },
      ];
    }),
  );
}

function failureText(finding: Finding): string {
  const { remedy, why } = findingWords(finding);
  return `${finding.harm}: ${remedy ?? why}`;
}

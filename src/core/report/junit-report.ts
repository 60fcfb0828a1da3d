import type { Finding } from '../finding/finding';
import { readForm } from '../form/read-form';
import { junitXml } from './junit';
import { decisionText, type Report, standingOf } from './report';

/**
 * A report as JUnit XML: a suite for each field with a case for each finding, and one that passes where nothing was found.
 * @param fails the findings that fail the build
 */
export function junitReport(report: Report, fails: ReadonlySet<Finding>): string {
  const { form } = report.run;
  const places = [...readForm(form.markup).fields.map(({ id, label }) => ({ id, label })), null];
  return junitXml(
    places.flatMap((place) => {
      const own = report.findings.filter(({ field }) => (field?.id ?? null) === (place?.id ?? null));
      if (place === null && own.length === 0) return [];
      const name = place ? place.label || place.id : 'The form';
      const classname = `${form.name}.${name}`;
      const cases = own.map((finding) => ({
        classname,
        name: finding.says,
        failure: fails.has(finding) ? `${finding.harm}: ${finding.remedy ?? finding.why}` : null,
        output: [
          `${standingOf(report, finding)}, ${decisionText(report.decisions.get(finding.id))}, ${finding.marks.join(' and ')}`,
          ...finding.targets.map((on) => `${on.name} (${on.mark}): ${on.says.join(' ')}`),
          ...finding.details,
        ].join('\n'),
      }));
      const nothing = { classname, name: 'nothing found', failure: null };
      return [{ name: `${form.name}, ${name}`, cases: cases.length > 0 ? cases : [nothing] }];
    }),
  );
}

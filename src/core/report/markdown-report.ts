import type { Drift } from '../drift/drift';
import type { Finding } from '../finding/finding';
import { type FindingPlace, findingPlaces } from '../finding/finding-place';
import { gapText } from '../words/coverage-words';
import { causeText, setupWords } from '../words/drift-words';
import { findingTitle, findingWords } from '../words/finding-words';
import { harmTitles } from '../words/harm-words';
import { counted } from '../words/listed';
import { placeText } from '../words/place-words';
import { readable } from './readable';
import {
  askedTargets,
  byHarm,
  coverageIn,
  decisionText,
  formGapsIn,
  type Report,
  sinceBaseline,
  timeText,
} from './report';

/** A report as Markdown, short enough for the description of a pull request: what is new first, the rest folded away. */
export function markdownReport(report: Report): string {
  const { run, findings, drift } = report;
  const fresh = findings.filter((one) => sinceBaseline(report, one) !== 'known');
  const known = findings.filter((one) => sinceBaseline(report, one) === 'known');
  return `${[
    `## ${plain(run.form.name)}: ${counted(findings.length, 'finding')}${drift ? `, ${drift.fresh.length} new, ${drift.changed.length} changed, ${drift.gone.length} gone` : ''}`,
    ...(drift ? [driftLine(drift)] : []),
    ...listed(report, fresh),
    ...(drift && drift.gone.length > 0
      ? [
          '### Gone',
          ...drift.gone.map(
            ({ finding, because }) => `- ~~${plain(findingTitle(finding))}~~ (${causeText(because)})`,
          ),
        ]
      : []),
    ...(known.length > 0
      ? [
          `<details><summary>${counted(known.length, 'known finding')}</summary>`,
          '',
          ...listed(report, known),
          '',
          '</details>',
        ]
      : []),
    '### Who was asked',
    '| target | known | by | answers | failed |',
    '| --- | --- | --- | ---: | ---: |',
    ...askedTargets(run).map(
      ({ target, mark, by, answers, failed }) =>
        `| ${plain(target.name)} | ${mark} | ${plain(by.join('; '))} | ${answers} | ${failed} |`,
    ),
    '',
    ...coverageLines(report),
    `Swept ${timeText(run.startedAt)}${run.ukko ? ` by Ukko ${run.ukko}` : ''}.`,
  ].join('\n')}\n`;
}

function coverageLines({ run }: Report): string[] {
  const coverage = coverageIn(run);
  if (coverage.length === 0) return [];
  const open = coverage.filter(({ gaps }) => gaps.length > 0);
  const covered = coverage.length - open.length;
  return [
    `### Covered: ${covered} of ${counted(coverage.length, 'field')}`,
    ...open.map(({ field, gaps }) => `- ${plain(field.label)}: ${gaps.map(gapText).map(plain).join(' ')}`),
    ...formGapsIn(run).map((text) => `- ${plain(text)}`),
    '',
  ];
}

function driftLine({ since, setup }: Drift): string {
  const changes = setup.map((one) => plain(setupWords(one))).join(' ');
  return `Since ${timeText(since)}: ${changes || 'form, targets and versions are the same.'}\n`;
}

function listed(report: Report, findings: readonly Finding[]): string[] {
  const placeOf = findingPlaces(report.run.form.markup);
  return byHarm(findings).flatMap(({ harm, findings: own }) => [
    `### ${harmTitles[harm]}`,
    ...own.map((finding) => line(report, finding, placeOf(finding))),
    '',
  ]);
}

function line(report: Report, finding: Finding, place: FindingPlace | null): string {
  const { targets, marks } = finding;
  const { says, remedy, details } = findingWords(finding);
  const standing = sinceBaseline(report, finding);
  const decision = report.decisions.get(finding.id);
  const notes = [
    ...(standing === 'found' || standing === 'known' ? [] : [`**${standing}**`]),
    ...(place ? [plain(placeText(place, report.run.form))] : []),
    marks.join(' and '),
    ...(targets.length > 0 ? [`in ${targets.map(({ name }) => plain(name)).join(', ')}`] : []),
    ...(decision ? [plain(decisionText(decision))] : []),
  ];
  return [
    `- ${plain(says)} (${notes.join('; ')})`,
    ...(remedy ? [`  - ${plain(remedy)}`] : []),
    ...details.map((text) => `  - ${plain(text)}`),
  ].join('\n');
}

/** Text that Markdown, and the HTML in it, takes as it is: in one line, nothing of it a mark, a link or a mention. */
function plain(text: string): string {
  return readable(text.replace(/\s+/g, ' '))
    .replace(/[\\`*_{}[\]()#+!|~<>&]/g, (one) => `\\${one}`)
    .replace(/@(?=\w)/g, '&#64;');
}

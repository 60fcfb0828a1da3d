import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { claimCode, type Finding, type Harm } from '../finding/finding';
import { findingPlaces } from '../finding/finding-place';
import { gapText } from '../words/coverage-words';
import { findingTitle, findingWords } from '../words/finding-words';
import { harmTitles } from '../words/harm-words';
import { coverageIn, formGapsIn, type Report } from './report';

/** SARIF 2.1.0, "level property": what loses an entry or keeps one out fails, the rest is told. */
const levels: Readonly<Record<Harm, 'error' | 'warning' | 'note'>> = {
  'cannot enter a valid value': 'error',
  'value lost': 'error',
  'wrong value sent': 'error',
  'person misled': 'warning',
  cosmetic: 'note',
};

/**
 * A report as SARIF 2.1.0 (OASIS, "Static Analysis Results Interchange Format"), which code hosts show beside the lines.
 *
 * @param source the path or address of the form, as the code host knows it
 */
export function sarifReport(report: Report, source: string): string {
  const placeOf = findingPlaces(report.run.form.markup);
  const firsts = new Map(report.findings.toReversed().map((finding) => [ruleId(finding), finding]));
  const ruleOf = ([id, first]: readonly [string, Finding]) => {
    return {
      id,
      shortDescription: { text: harmTitles[first.harm] },
      defaultConfiguration: { level: levels[first.harm] },
    };
  };
  const sarif = {
    $schema: 'https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json',
    version: '2.1.0',
    runs: [
      {
        tool: { driver: { name: 'Ukko', version: report.ukko, rules: [...firsts].map(ruleOf) } },
        // What was not asked is no result: section 3.58, “notification object”.
        invocations: [{ executionSuccessful: true, toolExecutionNotifications: notCovered(report, source) }],
        columnKind: 'utf16CodeUnits',
        results: report.findings.map((finding) => resultOf(report, finding, placeOf(finding), source)),
      },
    ],
  };
  return `${JSON.stringify(sarif, null, 2)}\n`;
}

function notCovered({ run }: Report, source: string) {
  const gaps = coverageIn(run).flatMap((one) => one.gaps.map((gap) => `${one.field.label}: ${gapText(gap)}`));
  return [...gaps, ...formGapsIn(run)].map((text) => ({
    level: 'note',
    message: { text },
    locations: [{ physicalLocation: { artifactLocation: { uri: encodeURI(source) } } }],
  }));
}

const ruleId = (finding: Finding) => claimCode(finding).replaceAll(' ', '-');

function resultOf(
  report: Report,
  finding: Finding,
  place: ReturnType<ReturnType<typeof findingPlaces>>,
  source: string,
) {
  const { remedy, why } = findingWords(finding);
  const decision = report.decisions.get(finding.id);
  return {
    ruleId: ruleId(finding),
    level: levels[finding.harm],
    message: { text: [findingTitle(finding), why, remedy].filter(Boolean).join(' ') },
    locations: [
      {
        physicalLocation: {
          artifactLocation: { uri: encodeURI(source) },
          ...(place && {
            region: { startLine: place.line, startColumn: place.column, snippet: { text: place.element } },
          }),
        },
        ...(place?.selector && { logicalLocations: [{ fullyQualifiedName: place.selector }] }),
      },
    ],
    // Of what the finding is about, so that it is the same one when lines move.
    partialFingerprints: { 'ukkoFinding/v1': bytesToHex(sha256(utf8ToBytes(finding.id))) },
    ...(decision?.kind === 'accept' && {
      suppressions: [{ kind: 'external', justification: decision.reason }],
    }),
  };
}

import Papa from 'papaparse';
import type { Sample } from '../guard/sample';
import type { Judged, Objection } from '../guard/verdict';
import { objectionsText, objectionText } from '../words/guard-words';
import { junitXml } from './junit';

/** One sample on one target. */
export interface SampleResult {
  readonly target: string;
  readonly sample: Sample;
  readonly verdict: Judged;
  /** The text in the end. */
  readonly text: string;
  readonly by: readonly Objection[];
}

export interface SampleReport {
  readonly form: string;
  readonly field: string;
  readonly results: readonly SampleResult[];
}

export function isUnexpected({ sample, verdict }: SampleResult): boolean {
  return sample.expected !== verdict;
}

/** A report as JSON, one object a result. */
export function sampleJson({ form, field, results }: SampleReport): string {
  const rows = results.map(({ target, sample, verdict, text, by }) => ({
    target,
    sample: sample.text,
    expected: sample.expected,
    verdict,
    text,
    by: by.map(objectionText),
  }));
  return `${JSON.stringify({ form, field, unexpected: results.filter(isUnexpected).length, results: rows }, null, 2)}\n`;
}

/** A report as CSV (RFC 4180). */
export function sampleCsv({ results }: SampleReport): string {
  const fields = ['target', 'sample', 'expected', 'verdict', 'text', 'by'];
  const data = results.map(({ target, sample, verdict, text, by }) => [
    target,
    sample.text,
    sample.expected,
    verdict,
    text,
    by.map(objectionText).join('; '),
  ]);
  return `${Papa.unparse({ fields, data }, { newline: '\n' })}\n`;
}

/** A report as JUnit XML: a suite for each target, a case for each sample. */
export function sampleJunit({ form, field, results }: SampleReport): string {
  return junitXml(
    [...new Set(results.map(({ target }) => target))].map((target) => ({
      name: `${form}, ${field}, ${target}`,
      cases: results
        .filter((result) => result.target === target)
        .map((result) => ({
          classname: `${field}.${target}`,
          name: result.sample.text === '' ? '(empty)' : result.sample.text,
          failure: isUnexpected(result)
            ? `${result.sample.expected} was expected, ${result.verdict} came${result.by.length > 0 ? `: ${objectionsText(result.by)}` : ''}`
            : null,
        })),
    })),
  );
}

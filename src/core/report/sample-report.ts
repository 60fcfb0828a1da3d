import { XMLBuilder } from 'fast-xml-parser';
import Papa from 'papaparse';
import type { Sample } from '../replay/sample';
import type { Verdict } from '../replay/verdict';

/** One sample on one target. */
export interface SampleResult {
  readonly target: string;
  readonly sample: Sample;
  readonly verdict: Verdict;
  /** The text in the end. */
  readonly text: string;
  /** Who does not accept it. */
  readonly by: readonly string[];
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
    by,
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
    by.join('; '),
  ]);
  return `${Papa.unparse({ fields, data }, { newline: '\n' })}\n`;
}

/** Characters that XML 1.0 cannot hold ("Characters", Char) as they are written in JavaScript. */
function readable(text: string): string {
  return Array.from(text, (one) =>
    /[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/u.test(one)
      ? `\\u${one.charCodeAt(0).toString(16).padStart(4, '0')}`
      : one,
  ).join('');
}

/** A report as JUnit XML: a suite for each target, a case for each sample. */
export function sampleJunit({ form, field, results }: SampleReport): string {
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true });
  const suites = [...new Set(results.map(({ target }) => target))].map((target) => {
    const own = results.filter((result) => result.target === target);
    return {
      '@name': readable(`${form}, ${field}, ${target}`),
      '@tests': own.length,
      '@failures': own.filter(isUnexpected).length,
      testcase: own.map((result) => ({
        '@classname': readable(`${field}.${target}`),
        '@name': readable(result.sample.text === '' ? '(empty)' : result.sample.text),
        ...(isUnexpected(result) && {
          failure: {
            '@message': readable(
              `${result.sample.expected} was expected, ${result.verdict} came${result.by.length > 0 ? `: ${result.by.join(', ')}` : ''}`,
            ),
          },
        }),
      })),
    };
  });
  return builder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    testsuites: { testsuite: suites },
  });
}

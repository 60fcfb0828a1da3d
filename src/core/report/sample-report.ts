import Papa from 'papaparse';
import type { Sample } from '../guard/sample';
import type { Judged, Objection } from '../guard/verdict';
import { objectionsText, objectionText } from '../words/guard-words';
import { junitCase, junitSuite } from './junit';

/** One sample on one target. */
export interface SampleResult {
  readonly target: string;
  readonly sample: Sample;
  readonly verdict: Judged;
  /** The text in the end. */
  readonly text: string;
  readonly by: readonly Objection[];
}

/** What samples were typed into. */
export interface SampledField {
  readonly form: string;
  readonly field: string;
}

export function isUnexpected({ sample, verdict }: SampleResult): boolean {
  return sample.expected !== verdict;
}

/** A report that is written while results come: what stands before them, each one, and what stands behind. */
export interface SampleReport {
  readonly head: string;
  result(one: SampleResult): string;
  end(): string;
}

/** JSON, one object a result, each in a line of its own. */
export function sampleJson({ form, field }: SampledField): SampleReport {
  let [written, unexpected] = [0, 0];
  return {
    head: `{"form": ${JSON.stringify(form)}, "field": ${JSON.stringify(field)}, "results": [\n`,
    result(one) {
      const { target, sample, verdict, text, by } = one;
      const row = {
        target,
        sample: sample.text,
        expected: sample.expected,
        verdict,
        text,
        by: by.map(objectionText),
      };
      if (isUnexpected(one)) unexpected++;
      return `${written++ === 0 ? '' : ',\n'}${JSON.stringify(row)}`;
    },
    end: () => `\n], "unexpected": ${unexpected}}\n`,
  };
}

/** CSV (RFC 4180). */
export function sampleCsv(): SampleReport {
  const line = (cells: readonly string[]) => `${Papa.unparse([cells], { newline: '\n' })}\n`;
  return {
    head: line(['target', 'sample', 'expected', 'verdict', 'text', 'by']),
    result: ({ target, sample, verdict, text, by }) =>
      line([target, sample.text, sample.expected, verdict, text, by.map(objectionText).join('; ')]),
    end: () => '',
  };
}

/** JUnit XML of what one target made of samples: a suite, whose counts stand before its cases. */
export function sampleSuite({ form, field }: SampledField, target: string) {
  let [tests, failures] = [0, 0];
  return {
    result(one: SampleResult): string {
      const failure = isUnexpected(one) ? failureText(one) : null;
      tests++;
      if (failure !== null) failures++;
      const { text } = one.sample;
      return junitCase({ classname: `${field}.${target}`, name: text === '' ? '(empty)' : text, failure });
    },
    /** What stands before and behind what was written so far. */
    around: () => junitSuite(`${form}, ${field}, ${target}`, { tests, failures, skipped: 0 }),
  };
}

function failureText({ sample, verdict, by }: SampleResult): string {
  const why = by.length > 0 ? `: ${objectionsText(by)}` : '';
  return `${sample.expected} was expected, ${verdict} came${why}`;
}

import { XMLParser } from 'fast-xml-parser';
import { describe, expect, it } from 'vitest';
import type { Guard } from '../guard/guard';
import { junitFrame } from './junit';
import {
  isUnexpected,
  type SampleReport,
  type SampleResult,
  sampleCsv,
  sampleJson,
  sampleSuite,
} from './sample-report';

const pattern: Guard = {
  kind: 'pattern',
  id: 'p',
  on: true,
  stage: 'on submission',
  source: 'a, b',
  match: 'whole',
};
const of = { form: 'Skerry & Co', field: 'Gauge <serial>' };
const results: readonly SampleResult[] = [
  {
    target: 'chromium',
    sample: { text: 'TG4', expected: 'accepted' },
    verdict: 'unfinished',
    text: 'TG4',
    by: [
      { code: 'own constraint', flag: 'patternMismatch' },
      { code: 'guard', guard: pattern },
    ],
  },
  {
    target: 'chromium',
    sample: { text: '"quoted",\u0000\ud800', expected: 'refused' },
    verdict: 'refused',
    text: '',
    by: [],
  },
  { target: 'firefox', sample: { text: '', expected: 'accepted' }, verdict: 'accepted', text: '', by: [] },
];

const whole = ({ head, result, end }: SampleReport) => [head, ...results.map(result), end()].join('');

function junit(): string {
  const suites = ['chromium', 'firefox'].map((target) => {
    const suite = sampleSuite(of, target);
    const cases = results.filter((one) => one.target === target).map(suite.result);
    const { begin, close } = suite.around();
    return [begin, ...cases, close].join('');
  });
  return `${junitFrame.head}${suites.join('')}${junitFrame.end}`;
}

describe('a report of samples', () => {
  it('is JUnit XML with a suite for each target, whatever the texts are', () => {
    const xml = junit();
    const { testsuites } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(xml);
    expect(
      testsuites.testsuite.map(({ name, tests, failures }: Record<string, string>) => [
        name,
        tests,
        failures,
      ]),
    ).toEqual([
      ['Skerry & Co, Gauge <serial>, chromium', '2', '1'],
      ['Skerry & Co, Gauge <serial>, firefox', '1', '0'],
    ]);
    expect(testsuites.testsuite[0].testcase[0].failure.message).toBe(
      'accepted was expected, unfinished came: patternMismatch, all of it matches a, b',
    );
    expect(testsuites.testsuite[0].testcase[1].name).toBe('"quoted",\\u0000\\ud800');
    expect(testsuites.testsuite[1].testcase.name).toBe('(empty)');
  });
  it('is CSV that keeps commas and quotes, and JSON that counts', () => {
    expect(whole(sampleCsv()).split('\n')[1]).toBe(
      'chromium,TG4,accepted,unfinished,TG4,"patternMismatch; all of it matches a, b"',
    );
    expect(JSON.parse(whole(sampleJson(of)))).toMatchObject({
      unexpected: 1,
      results: [{ by: ['patternMismatch', 'all of it matches a, b'] }, {}, {}],
    });
    expect(results.map(isUnexpected)).toEqual([true, false, false]);
  });
});

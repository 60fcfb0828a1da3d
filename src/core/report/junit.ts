import { XMLBuilder } from 'fast-xml-parser';
import { escaped } from './readable';

export interface JunitCase {
  readonly classname: string;
  readonly name: string;
  /** In one line; null: it passes. */
  readonly failure: string | null;
  /** Why it was not tried; nothing where it was. */
  readonly skipped?: string;
  /** What belongs to it, as lines. */
  readonly output?: string;
}

export interface JunitSuite {
  readonly name: string;
  readonly cases: readonly JunitCase[];
}

/** Suites as JUnit XML. What XML cannot hold is written as in JavaScript. */
export function junitXml(suites: readonly JunitSuite[]): string {
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true });
  return builder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    testsuites: {
      testsuite: suites.map(({ name, cases }) => ({
        '@name': storable(name),
        '@tests': cases.length,
        '@failures': cases.filter(({ failure }) => failure !== null).length,
        '@skipped': cases.filter(({ skipped }) => skipped !== undefined).length,
        testcase: cases.map(({ classname, name: title, failure, skipped, output }) => ({
          '@classname': storable(classname),
          '@name': storable(title),
          ...(failure !== null && { failure: { '@message': storable(failure) } }),
          ...(skipped !== undefined && { skipped: { '@message': storable(skipped) } }),
          ...(output && { 'system-out': storable(output) }),
        })),
      })),
    },
  });
}

/** Characters that XML 1.0 cannot hold ("Characters", Char) as they are written in JavaScript. */
function storable(text: string): string {
  return text.replace(/[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu, escaped);
}

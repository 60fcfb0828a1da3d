import { XMLBuilder } from 'fast-xml-parser';

export interface JunitCase {
  readonly classname: string;
  readonly name: string;
  /** In one line; null: it passes. */
  readonly failure: string | null;
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
        '@name': readable(name),
        '@tests': cases.length,
        '@failures': cases.filter(({ failure }) => failure !== null).length,
        testcase: cases.map(({ classname, name: title, failure, output }) => ({
          '@classname': readable(classname),
          '@name': readable(title),
          ...(failure !== null && { failure: { '@message': readable(failure) } }),
          ...(output && { 'system-out': readable(output) }),
        })),
      })),
    },
  });
}

/** Characters that XML 1.0 cannot hold ("Characters", Char) as they are written in JavaScript. */
function readable(text: string): string {
  return Array.from(text, (one) =>
    /[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/u.test(one)
      ? `\\u${one.charCodeAt(0).toString(16).padStart(4, '0')}`
      : one,
  ).join('');
}

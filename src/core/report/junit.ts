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

/** How many cases a suite has, and what came of them. */
export interface JunitCounts {
  readonly tests: number;
  readonly failures: number;
  readonly skipped: number;
}

const head = '<?xml version="1.0" encoding="UTF-8"?>\n<testsuites>\n';
const end = '</testsuites>\n';

/** Suites as JUnit XML. What XML cannot hold is written as in JavaScript. */
export function junitXml(suites: readonly JunitSuite[]): string {
  const told = suites.flatMap(({ name, cases }) => {
    const { begin, close } = junitSuite(name, {
      tests: cases.length,
      failures: cases.filter(({ failure }) => failure !== null).length,
      skipped: cases.filter(({ skipped }) => skipped !== undefined).length,
    });
    return [begin, ...cases.map(junitCase), close];
  });
  return `${head}${told.join('')}${end}`;
}

/** What stands before and behind all suites, for who writes them one by one. */
export const junitFrame = { head, end } as const;

/** What stands before and behind the cases of a suite. */
export function junitSuite(
  name: string,
  { tests, failures, skipped }: JunitCounts,
): { readonly begin: string; readonly close: string } {
  const close = '</testsuite>\n';
  const empty = {
    testsuite: { '@name': storable(name), '@tests': tests, '@failures': failures, '@skipped': skipped },
  };
  return { begin: builder.build(empty).replace(/<\/testsuite>\s*$/, '\n'), close };
}

/** One case of a suite, with what belongs to it. */
export function junitCase({ classname, name, failure, skipped, output }: JunitCase): string {
  return builder.build({
    testcase: {
      '@classname': storable(classname),
      '@name': storable(name),
      ...(failure !== null && { failure: { '@message': storable(failure) } }),
      ...(skipped !== undefined && { skipped: { '@message': storable(skipped) } }),
      ...(output && { 'system-out': storable(output) }),
    },
  });
}

const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true });

/** Characters that XML 1.0 cannot hold ("Characters", Char) as they are written in JavaScript. */
function storable(text: string): string {
  return text.replace(/[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu, escaped);
}

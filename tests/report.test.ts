import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import fc from 'fast-check';
import { XMLParser } from 'fast-xml-parser';
import Papa from 'papaparse';
import { parse } from 'parse5';
import { describe, expect, it } from 'vitest';
import { hurriedForm } from '@/core/demo/demo-forms';
import type { FormDocument } from '@/core/document/form-document';
import type { Finding } from '@/core/finding/finding';
import { textOf } from '@/core/html/parse-markup';
import { readForm } from '@/core/html/read-form';
import { csvReport } from '@/core/report/csv-report';
import { htmlReport } from '@/core/report/html-report';
import { jsonReport } from '@/core/report/json-report';
import { reportJsonSchema } from '@/core/report/json-report-schema';
import { junitReport } from '@/core/report/junit-report';
import { markdownReport } from '@/core/report/markdown-report';
import type { Report } from '@/core/report/report';
import { sarifReport } from '@/core/report/sarif-report';
import { findingTitle } from '@/core/words/finding-words';
import { reportOf, runOf } from './fixtures/reports';

const hostile: FormDocument = {
  ...hurriedForm,
  name: '=SUM(A1) <script>alert(1)</script> @crew | *bold* `x`',
  markup:
    '<form><label>=1+1 &lt;script&gt;"\'&amp; | @crew \u0001 &lt;img src=x&gt; <input value="Enter it here" title="]]>"></label></form>',
};

const report = reportOf(runOf(hurriedForm));
const since = reportOf(runOf(hurriedForm), runOf(hurriedForm, false));

/** The rows of findings, below their head. */
function rowsOf(of: Report): string[][] {
  return Papa.parse<string[]>(csvReport(of).trimEnd()).data.filter(([harm]) => harm !== 'not covered');
}

describe('a report', () => {
  it('in HTML has every finding, its pictures inside, and loads and runs nothing', () => {
    const text = htmlReport(report);
    const document = parse(text);
    const words = textOf(document);
    for (const finding of report.findings) expect(words).toContain(findingTitle(finding));
    expect(words).toContain('Decision: accept: in spring');
    expect(words).toContain('modelled: computed from Ukko’s own model');
    expect(text.match(/<img src="data:image\/png;base64,AAAA"/g)?.length).toBeGreaterThan(20);
    expect(text).not.toMatch(/<(script|link|iframe)\b|\b(src|href)="(?!data:)/);
  });

  it('in HTML takes what a form says for text, whatever it says', () => {
    const document = parse(htmlReport(reportOf(runOf(hostile))));
    expect(textOf(document)).toContain('=SUM(A1) <script>alert(1)</script> @crew | *bold* `x`');
    expect(textOf(document)).toContain('=1+1 <script>"\'& | @crew');
    const tags = JSON.stringify(document, (key, value) => (key === 'parentNode' ? undefined : value));
    expect(tags).not.toContain('"tagName":"script"');
    expect(tags.match(/"name":"src","value":"(?!data:)/g)).toBeNull();
  });

  it('says in every sort what was covered and what could not be', () => {
    const run = runOf(hurriedForm);
    const [first] = run.observations;
    if (!first) throw new Error('nothing was answered');
    const gone = { ...first, outcome: { status: 'inapplicable', reason: { code: 'no room' } } } as const;
    const gaps = reportOf({ ...run, observations: [...run.observations, gone as typeof first] });
    const says = 'No answer about look in Chromium: It takes no room in the page.';
    const { label } = readForm(hurriedForm.markup).fields.find(({ id }) => id === first.field) ?? {};
    expect(textOf(parse(htmlReport(gaps)))).toContain(says);
    expect(markdownReport(gaps)).toMatch(
      /### Covered: \d+ of \d+ fields\n- .*No answer about look in Chromium/,
    );
    const rows = Papa.parse<string[]>(csvReport(gaps)).data;
    expect(rows.filter(([harm]) => harm === 'not covered')).toEqual([
      expect.arrayContaining([label, says]),
      expect.arrayContaining([expect.stringContaining('No lang is stated')]),
    ]);
    const { coverage } = JSON.parse(jsonReport(gaps)) as { coverage: { gaps: string[] }[] };
    expect(coverage.flatMap((one) => one.gaps)).toEqual([says]);
    expect(junitReport(gaps, new Set())).toMatch(/<skipped message="No answer about look in Chromium/);
    expect(sarifReport(gaps, 'form.html')).toContain(says);
    const page = {
      address: 'http://localhost/',
      form: 0,
      steps: '',
      unread: [{ sort: 'frame', label: 'Card' }],
    } as const;
    const framed = reportOf({ ...run, form: { ...hurriedForm, page } });
    const unread = 'Card: a frame with a page of its own, which is not asked.';
    for (const text of [csvReport(framed), jsonReport(framed), sarifReport(framed, 'form.html')])
      expect(text).toContain(unread);
    for (const text of [markdownReport(framed), textOf(parse(htmlReport(framed)))])
      expect(text).toContain('Card: a frame');
    expect(junitReport(framed, new Set())).toContain(unread);
    // Nothing asked is nothing covered, and no list of gaps.
    const nothing = reportOf({ ...run, observations: [] });
    expect(csvReport(nothing)).not.toContain('not covered');
  });

  it('in JSON keeps to the published schema, with a baseline and without', () => {
    const published = JSON.parse(
      readFileSync(new URL('../docs/report.schema.json', import.meta.url), 'utf8'),
    );
    expect(published).toEqual(reportJsonSchema());
    const schema = new Ajv({ strict: false, validateFormats: false }).compile(published);
    for (const one of [report, since, reportOf(runOf(hostile))])
      expect([schema(JSON.parse(jsonReport(one))), schema.errors]).toEqual([true, null]);
    const { findings, drift } = JSON.parse(jsonReport(since));
    const fresh = findings.filter(({ standing }: { standing: string }) => standing === 'new');
    expect(fresh.length).toBeGreaterThan(0);
    expect(drift.new.map(({ finding }: { finding: string }) => finding)).toEqual(
      fresh.map(({ id }: { id: string }) => id),
    );
  });

  it('in SARIF has a result for each finding at its line, with a fingerprint that stays when lines move', () => {
    const results = (of: typeof report) => JSON.parse(sarifReport(of, 'forms/tide log.html')).runs[0].results;
    const all = results(report);
    expect(all).toHaveLength(report.findings.length);
    const lines = report.run.form.markup.split('\n');
    for (const { locations, ruleId, message, level, partialFingerprints } of all) {
      const [
        {
          physicalLocation: { artifactLocation, region },
        },
      ] = locations;
      expect(artifactLocation.uri).toBe('forms/tide%20log.html');
      if (region) expect(lines[region.startLine - 1]?.slice(region.startColumn - 1)).not.toBe('');
      expect(ruleId).toMatch(/^[a-zA-Z-]+$/);
      expect(message.text).toMatch(/[.!]$/);
      expect(['error', 'warning', 'note']).toContain(level);
      expect(partialFingerprints['ukkoFinding/v1']).toMatch(/^[0-9a-f]{64}$/);
    }
    expect(all.filter((one: { suppressions?: unknown }) => one.suppressions)).toHaveLength(1);
    const moved = { ...hurriedForm, markup: `\n\n${hurriedForm.markup}` };
    const prints = (of: typeof report) =>
      results(of)
        .map(
          (one: { partialFingerprints: Record<string, string> }) => one.partialFingerprints['ukkoFinding/v1'],
        )
        .sort();
    expect(prints(reportOf(runOf(moved)))).toEqual(prints(report));
    const { rules } = JSON.parse(sarifReport(report, 'x')).runs[0].tool.driver;
    expect(new Set(rules.map(({ id }: { id: string }) => id))).toEqual(
      new Set(all.map(({ ruleId }: { ruleId: string }) => ruleId)),
    );
  });

  it('in CSV has a row for each finding, and no cell that a spreadsheet would reckon', () => {
    const data = rowsOf(reportOf(runOf(hostile)));
    expect(data).toHaveLength(reportOf(runOf(hostile)).findings.length + 1);
    expect(data.flat().filter((cell) => /^[=+\-@]/.test(cell))).toEqual([]);
    expect(
      rowsOf(report)
        .slice(1)
        .map((row) => row[2]),
    ).toEqual(report.findings.map(findingTitle));
  });

  it('in Markdown tells what is new before what is known, and takes words for words', () => {
    const text = markdownReport(since);
    const [before, after] = text.split('<details>');
    const plainly = (finding: Finding | undefined) =>
      finding ? findingTitle(finding).slice(0, 12) : 'nothing';
    expect(before).toContain(plainly(since.drift?.fresh[0]?.finding));
    expect(after).toContain(plainly(since.drift?.same[0]));
    const own = markdownReport(reportOf(runOf(hostile)));
    expect(own).toContain('\\<script\\>alert\\(1\\)');
    expect(own).not.toMatch(/@crew|[^\\]<script/);
  });

  it('as JUnit fails just where it was told to, and is XML whatever a form says', () => {
    const fails = new Set(report.findings.slice(0, 3));
    const read = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '@',
      isArray: (name) => /test(suite|case)$/.test(name),
    });
    const suites = read.parse(junitReport(report, fails)).testsuites.testsuite as {
      '@failures': string;
      testcase: { failure?: unknown }[];
    }[];
    const cases = suites.flatMap(({ testcase }) => testcase);
    expect(cases.filter(({ failure }) => failure).length).toBe(3);
    expect(suites.reduce((sum, suite) => sum + Number(suite['@failures']), 0)).toBe(3);
    expect(cases.length).toBeGreaterThanOrEqual(report.findings.length);
    expect(() => read.parse(junitReport(reportOf(runOf(hostile)), new Set()), true)).not.toThrow();
  });

  it('is written of any label in every sort', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 12 }), (label) => {
        const markup = `<form><label>${label.replace(/[&<\0]/g, '')} <input value="Enter it here"></label></form>`;
        const one = reportOf(runOf({ ...hurriedForm, markup }));
        const document = parse(htmlReport(one));
        for (const says of one.findings.map(findingTitle))
          expect(textOf(document).replace(/\r\n?/g, '\n')).toContain(says.replace(/\r\n?/g, '\n'));
        expect(JSON.parse(jsonReport(one)).findings).toHaveLength(one.findings.length);
        expect(rowsOf(one)).toHaveLength(one.findings.length + 1);
        expect(
          markdownReport(one)
            .split('\n')
            .filter((line) => line.startsWith('- ') && !line.startsWith('- No lang')),
        ).toHaveLength(one.findings.length);
      }),
      { numRuns: 40 },
    );
  });
});

'use client';

import { App, Button } from 'antd';
import type { Drift } from '@/core/drift/drift';
import type { Decision, Finding, FindingId } from '@/core/finding/finding';
import { nameFromWords } from '@/core/html/name-from-words';
import type { Report } from '@/core/report/report';
import type { Run, RunId } from '@/core/run/run';
import { ukkoVersion } from '@/core/version';
import { openDatabase } from '@/store/database';
import { loadRun } from '@/store/runs';
import { download } from '../frame/download';
import { MenuButton } from '../frame/menu-button';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { useRun } from '../frame/use-run';

/** Writers are large and seldom needed: each is loaded when it is asked for. */
const sorts = {
  html: {
    label: 'HTML, with pictures',
    ending: 'html',
    type: 'text/html',
    write: async (report: Report) => (await import('@/core/report/html-report')).htmlReport(report),
  },
  markdown: {
    label: 'Markdown, for a pull request',
    ending: 'md',
    type: 'text/markdown',
    write: async (report: Report) => (await import('@/core/report/markdown-report')).markdownReport(report),
  },
  csv: {
    label: 'CSV',
    ending: 'csv',
    type: 'text/csv',
    write: async (report: Report) => (await import('@/core/report/csv-report')).csvReport(report),
  },
  json: {
    label: 'JSON',
    ending: 'report.json',
    type: 'application/json',
    write: async (report: Report) => (await import('@/core/report/json-report')).jsonReport(report),
  },
  junit: {
    label: 'JUnit XML',
    ending: 'xml',
    type: 'application/xml',
    // In a window no build fails; what is not accepted is what a build would fail on.
    write: async (report: Report) => {
      const accepted = ({ id }: Finding) => report.decisions.get(id)?.kind === 'accept';
      const fails = new Set(report.findings.filter((finding) => !accepted(finding)));
      return (await import('@/core/report/junit-report')).junitReport(report, fails);
    },
  },
  sarif: {
    label: 'SARIF, for a code host',
    ending: 'sarif',
    type: 'application/sarif+json',
    write: async (report: Report) => {
      const { form } = report.run;
      const source = form.page?.address ?? `${nameFromWords(form.name, 'form')}.html`;
      return (await import('@/core/report/sarif-report')).sarifReport(report, source);
    },
  },
} as const;

type Sort = keyof typeof sorts;

/** Gives the findings to the person as a file. */
export function ReportMenu({
  findings,
  decisions,
  drift,
}: {
  findings: readonly Finding[];
  decisions: ReadonlyMap<FindingId, Decision>;
  drift: Drift | null;
}) {
  const { message } = App.useApp();
  const { form } = useForm();
  const { run } = useRun();
  const { lineUp } = useLineUp();
  const write = async (sort: Sort) => {
    const loaded = run?.form.markup === form.markup ? await loadRun(openDatabase(), run.id) : null;
    const notSwept: Run = {
      id: 'not swept' as RunId,
      form,
      lineUp,
      ukko: ukkoVersion,
      startedAt: new Date().toISOString(),
      finishedAt: null,
      observations: [],
      pictures: [],
    };
    const report: Report = {
      run: loaded ?? notSwept,
      findings,
      decisions,
      drift,
      ukko: ukkoVersion,
      madeAt: new Date().toISOString(),
    };
    const { ending, type, write: writer } = sorts[sort];
    const name = `${nameFromWords(form.name, 'form')}-findings.${ending}`;
    download(await writer(report), name, type);
    message.success(`Exported ${name}.`);
  };
  return (
    <MenuButton
      items={(Object.keys(sorts) as Sort[]).map((key) => ({ key, label: sorts[key].label }))}
      onChoose={(key) => void write(key as Sort)}
    >
      <Button size="small">Report</Button>
    </MenuButton>
  );
}

/** npm run judge -- pages [NAME…]: sweeps pages with frameworks and libraries of fields over the engines here, and holds what is found against what was expected. */
import type { FormId } from '../src/core/document/form-document';
import { findingsOfRun } from '../src/core/finding/collect-findings';
import type { Finding } from '../src/core/finding/finding';
import { readForm } from '../src/core/html/read-form';
import { scriptsForPage } from '../src/core/page/usual-scripts';
import { askingOf, sendersOf, sweepQuestions } from '../src/core/questions/asking';
import type { Observation } from '../src/core/questions/observation';
import { restrictionByModel } from '../src/core/replay/restriction-by-model';
import type { RunId } from '../src/core/run/run';
import { targets } from '../src/core/target/line-up';
import { type EngineTarget, targetId } from '../src/core/target/target';
import { readOwnPage } from '../src/engines/own-page';
import { sweepEngines } from '../src/engines/sweep-engines';
import { builtPage } from '../tests/fixtures/built-page';
import { startPage } from '../tests/fixtures/served-page';
import { type JudgedPage, pages } from '../tests/judgement/pages';
import { judgementOf, type Said, saidBy } from '../tests/judgement/score';

const asked = targets.filter((one): one is EngineTarget => one.ask === 'engine' && one.withheld === null);
const at = new Date().toISOString();

interface Swept {
  readonly findings: readonly Finding[];
  readonly observations: readonly Observation[];
  readonly sent: readonly string[];
}

async function swept({ file }: JudgedPage): Promise<Swept> {
  const { address, stop } = await startPage(await builtPage(file));
  const signal = new AbortController().signal;
  try {
    const page = { address, form: 0, steps: '' };
    const { forms } = await readOwnPage(page, signal);
    const form = { id: 'judged' as FormId, name: file, markup: forms[0]?.markup ?? '', typing: {}, page };
    const { fields } = readForm(form.markup);
    const asking = askingOf(form.markup, sweepQuestions, scriptsForPage(form, fields), null, page);
    const observations: Observation[] = [];
    await sweepEngines(
      asked,
      asking,
      (message) => message.type === 'observation' && observations.push(message.observation),
      signal,
    );
    const lineUp = { targets: asked, reference: targetId('chromium') };
    const run = {
      id: 'r' as RunId,
      form,
      lineUp,
      ukko: null,
      startedAt: at,
      finishedAt: at,
      observations,
      pictures: [],
    };
    const [button] = sendersOf(asking);
    const sent = observations.flatMap(({ question, field, outcome }) =>
      question === 'submission' && field === button?.id && outcome.status === 'answered'
        ? [outcome.facts.filled.status]
        : [],
    );
    return {
      findings: findingsOfRun(run, { language: 'en-US', corrections: [] }, restrictionByModel(at)),
      observations,
      sent,
    };
  } finally {
    await stop();
  }
}

export async function judgePages(names: readonly string[]): Promise<void> {
  const sums = { right: 0, wrong: 0, missed: 0 };
  for (const judged of pages) {
    if (names.length > 0 && !names.some((name) => judged.file.includes(name))) continue;
    const { findings, observations, sent } = await swept(judged);
    const said = findings.map(saidBy);
    const { wrong: beside, missed } = judgementOf({ must: judged.must, arguable: [] }, said);
    const isWrong = ([harm]: Said) => judged.free.includes(harm);
    const wrong = beside.filter(isWrong);
    const failed = observations.filter(({ outcome }) => outcome.status === 'failed').length;
    const isSent = sent.length > 0 && sent.every((status) => status === judged.filled);
    console.log(
      `${judged.file}: ${observations.length} answers, ${failed} failed; filled in: ${sent.join(', ')}${isSent ? '' : ` (expected: ${judged.filled})`}`,
    );
    for (const one of wrong) console.log(`  wrong: ${one.join(' · ')}`);
    for (const one of missed) console.log(`  missed: ${one.join(' · ')}`);
    for (const one of beside) if (!isWrong(one)) console.log(`  said: ${one.join(' · ')}`);
    sums.right += said.length - beside.length + (isSent ? 1 : 0);
    sums.wrong += wrong.length + (isSent ? 0 : 1);
    sums.missed += missed.length;
  }
  console.log(`pages: ${sums.right} right, ${sums.wrong} wrong, ${sums.missed} missed`);
}

import type { ReadForm } from '@/core/document/edited-form';
import { typingTasks } from '@/core/document/form-document';
import type { TypingTasks } from '@/core/guard/typing-task';
import type { FieldId } from '@/core/html/field';
import { scriptsForPage } from '@/core/page/usual-scripts';
import { askingOf, sweepQuestions } from '@/core/questions/asking';
import type { Observation, PageQuestion } from '@/core/questions/observation';
import type { Answers } from '@/core/run/answers';
import type { RunId } from '@/core/run/run';
import { askingFault } from '@/core/sweep/sweep-request';
import type { LineUp } from '@/core/target/line-up';
import type { Target } from '@/core/target/target';
import { counted, figure } from '@/core/words/listed';
import { askingFaultText } from '@/core/words/request-fault-words';
import { openDatabase, type StoredRun } from '@/store/database';
import { beginRun, keep } from '@/store/runs';
import { sweepIntoRun, type TargetProgress } from '@/store/sweep-into-run';
import { untrustedFault } from '@/store/trusted-pages';
import { observersAfter } from './observers';

/** What a person asks to be asked. */
export interface SweepTask {
  /** All: those of a sweep. */
  readonly questions: readonly PageQuestion[] | 'all';
  readonly fields: readonly FieldId[] | null;
  readonly targets: readonly Target[];
  /** Null: those that are kept with the form, and those that are usual for a page of one's own. */
  readonly scripts: TypingTasks | null;
  readonly newRun: boolean;
  /** Also what an earlier sweep answered and no edit since then reaches. */
  readonly anew: boolean;
}

export interface SweptForm extends ReadForm {
  readonly run: StoredRun | null;
  readonly answers: Answers;
  readonly lineUp: LineUp;
}

/**
 * Asks, and keeps the answers in a new run or in the one that is there.
 * @param limit minutes after which it ends with what was answered
 * @returns why nothing was asked, in one sentence; null when all is well
 */
export async function runTask(
  { questions, fields, targets, scripts, newRun, anew }: SweepTask,
  { form, reading, run, answers, lineUp }: SweptForm,
  limit: number,
  began: (run: RunId) => void,
  report: (progress: readonly TargetProgress[]) => void,
  signal: AbortSignal,
): Promise<string | null> {
  const asking = askingOf(
    form.markup,
    questions === 'all' ? sweepQuestions : questions,
    scripts ?? scriptsOf({ form, reading }),
    fields,
    form.page ?? null,
    { language: form.language ?? null, reading },
  );
  const database = openDatabase();
  const fault = askingFault(asking);
  if (fault) return askingFaultText(fault);
  const untrusted = await untrustedFault(database, asking.page);
  if (untrusted) return untrusted;
  const into = newRun || !run ? await beginRun(database, form, lineUp) : run;
  if (into !== run && run?.form.markup === form.markup)
    await keep(database, into.id, notAskedBySweeps(answers, lineUp), []);
  began(into.id);
  const earlier = anew ? [] : [...answers.values()];
  const ending = new AbortController();
  const timer = setTimeout(() => ending.abort(), limit * 60_000);
  let last: readonly TargetProgress[] = [];
  const tell = (progress: readonly TargetProgress[]) => {
    last = progress;
    report(progress);
  };
  const until = AbortSignal.any([signal, ending.signal]);
  try {
    await sweepIntoRun(database, into.id, targets, asking, observersAfter(earlier), tell, until);
  } finally {
    clearTimeout(timer);
  }
  return ending.signal.aborted && !signal.aborted ? limitText(last, limit) : null;
}

/** How far a sweep came in its time, and how it goes on. */
function limitText(progress: readonly TargetProgress[], limit: number): string {
  const all = (count: 'done' | 'total') => figure(progress.reduce((sum, one) => sum + one[count], 0));
  return `The sweep ended at ${all('done')} of ${all('total')} answers, at its limit of ${counted(limit, 'minute')}. Sweep again to ask for the others; the limit is set under Line-up.`;
}

function scriptsOf({ form, reading }: ReadForm): TypingTasks {
  return form.page ? scriptsForPage(form, reading.fields) : typingTasks(form);
}

/** What devices and real keyboards answered stays with the same form, under its own time: no sweep asks them. */
function notAskedBySweeps(answers: Answers, { targets }: LineUp): Observation[] {
  const devices = new Set(targets.flatMap(({ id, ask }) => (ask === 'device' ? [id] : [])));
  return [...answers.values()].filter(
    ({ question, target }) => question === 'keyboard' || devices.has(target),
  );
}

'use client';

import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import type { FieldId } from '@/core/form/field';
import { typingTasks } from '@/core/form/form-document';
import { readForm } from '@/core/form/read-form';
import type { Answers } from '@/core/observation/answers';
import { askingOf, sweepQuestions, type TypingTasks } from '@/core/observation/asking';
import type { Observation, PageQuestion } from '@/core/observation/observation';
import { askingFault } from '@/core/observation/sweep-request';
import { scriptsForPage } from '@/core/page/usual-scripts';
import type { LineUp } from '@/core/target/line-up';
import type { Target } from '@/core/target/target';
import { openDatabase } from '@/store/database';
import { isOutOfRoom, outOfRoom } from '@/store/room';
import { beginRun, keep } from '@/store/runs';
import { sweepIntoRun, type TargetProgress } from '@/store/sweep-into-run';
import { observers } from './observers';
import { useForm } from './use-form';
import { useLineUp } from './use-line-up';
import { useRun } from './use-run';
import { useSelection } from './use-selection';

export interface SweepWorkspace {
  readonly running: boolean;
  /** Of the sweep that runs, or of the last one. */
  readonly progress: readonly TargetProgress[];
  /** Why the last sweep could not start or broke; null when all is well. */
  readonly fault: string | null;
  /** Asks everything of every target, into a new run. */
  sweep(): void;
  /** Asks one question about one field of some targets, into the run that is shown. */
  ask(question: PageQuestion, field: FieldId, targets: readonly Target[], scripts: TypingTasks): void;
  cancel(): void;
}

interface Task {
  readonly questions: readonly PageQuestion[];
  readonly fields: readonly FieldId[] | null;
  readonly targets: readonly Target[];
  readonly scripts: TypingTasks;
  readonly newRun: boolean;
}

const SweepContext = createContext<SweepWorkspace | null>(null);

export function SweepProvider({ children }: { children: ReactNode }) {
  const { form } = useForm();
  const { run, answers } = useRun();
  const { lineUp } = useLineUp();
  const [, select] = useSelection();
  const [progress, setProgress] = useState<readonly TargetProgress[]>([]);
  const [running, setRunning] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const abort = useRef<AbortController | null>(null);

  useEffect(() => () => abort.current?.abort(), []);

  const start = useCallback(
    async (task: Task) => {
      if (abort.current) return;
      const asking = askingOf(form.markup, task.questions, task.scripts, task.fields, form.page ?? null);
      const why = askingFault(asking);
      setFault(why);
      if (why) return;
      const controller = new AbortController();
      abort.current = controller;
      setRunning(true);
      setProgress([]);
      try {
        const database = openDatabase();
        const into = task.newRun || !run ? await beginRun(database, form, lineUp) : run;
        if (into !== run && run?.form.markup === form.markup)
          await keep(database, into.id, notAskedBySweeps(answers, lineUp), []);
        if (into.id !== run?.id) select({ run: into.id });
        await sweepIntoRun(
          database,
          into.id,
          task.targets,
          asking,
          observers,
          setProgress,
          controller.signal,
        );
      } catch (error) {
        setFault(
          isOutOfRoom(error)
            ? outOfRoom
            : `The sweep broke: ${error instanceof Error ? error.message : String(error)}. The answers so far are kept.`,
        );
      } finally {
        abort.current = null;
        setRunning(false);
      }
    },
    [form, run, answers, lineUp, select],
  );

  const workspace = useMemo(
    (): SweepWorkspace => ({
      running,
      progress,
      fault,
      sweep: () =>
        void start({
          questions: sweepQuestions,
          fields: null,
          targets: lineUp.targets,
          scripts: form.page ? scriptsForPage(form, readForm(form.markup).fields) : typingTasks(form),
          newRun: true,
        }),
      ask: (question, field, targets, scripts) =>
        void start({ questions: [question], fields: [field], targets, scripts, newRun: false }),
      cancel: () => abort.current?.abort(),
    }),
    [running, progress, fault, start, form, lineUp],
  );
  return <SweepContext value={workspace}>{children}</SweepContext>;
}

/** What devices and real keyboards answered stays with the same form, under its own time: no sweep asks them. */
function notAskedBySweeps(answers: Answers, { targets }: LineUp): Observation[] {
  const devices = new Set(targets.flatMap(({ id, ask }) => (ask === 'device' ? [id] : [])));
  return [...answers.values()].filter(
    ({ question, target }) => question === 'keyboard' || devices.has(target),
  );
}

export function useSweep(): SweepWorkspace {
  const workspace = useContext(SweepContext);
  if (!workspace) throw new Error('useSweep needs a SweepProvider around it.');
  return workspace;
}

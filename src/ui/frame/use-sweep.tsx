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
import type { TypingTasks } from '@/core/guard/typing-task';
import type { FieldId } from '@/core/html/field';
import type { PageQuestion } from '@/core/questions/observation';
import type { RunId } from '@/core/run/run';
import type { Target } from '@/core/target/target';
import { isOutOfRoom, outOfRoom } from '@/store/room';
import type { TargetProgress } from '@/store/sweep-into-run';
import { warmEngines } from '@/store/warm-engines';
import type { SweepTask } from './sweep-task';
import { useConfirmedForm } from './use-confirmed-form';
import { useForm } from './use-form';
import { useLineUp } from './use-line-up';
import { useRun } from './use-run';
import { useSelection } from './use-selection';
import { useSweepLimit } from './use-sweep-limit';

export interface SweepWorkspace {
  readonly running: boolean;
  /** Of the sweep that runs, or of the last one. */
  readonly progress: readonly TargetProgress[];
  /** The run of the last sweep of everything that came to its end here. */
  readonly ended: RunId | null;
  /** Why the last sweep could not start or broke; null when all is well. */
  readonly fault: string | null;
  /** Asks everything of every target, into a new run; what an earlier sweep answered and no edit since then reaches is kept. */
  sweep(): void;
  /** The same, and nothing is kept. */
  sweepAnew(): void;
  /** Asks one question about one field of some targets, into the run that is shown. */
  ask(question: PageQuestion, field: FieldId, targets: readonly Target[], scripts: TypingTasks): void;
  cancel(): void;
}

const SweepContext = createContext<SweepWorkspace | null>(null);

export function SweepProvider({ children }: { children: ReactNode }) {
  const { form, reading } = useForm();
  const confirmed = useConfirmedForm();
  const { run, answers } = useRun();
  const { lineUp } = useLineUp();
  const [limit] = useSweepLimit();
  const [, select] = useSelection();
  const [progress, setProgress] = useState<readonly TargetProgress[]>([]);
  const [running, setRunning] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const [ended, setEnded] = useState<RunId | null>(null);
  const abort = useRef<AbortController | null>(null);

  useEffect(() => () => abort.current?.abort(), []);
  const isOwnPage = form.page !== undefined;
  useEffect(() => {
    const gone = new AbortController();
    warmEngines(lineUp.targets, isOwnPage, gone.signal);
    return () => gone.abort();
  }, [isOwnPage, lineUp]);

  const start = useCallback(
    async (task: SweepTask) => {
      if (abort.current) return;
      const asked = await confirmed();
      // It may have begun while the person was asked.
      if (!asked || abort.current) return;
      const controller = new AbortController();
      abort.current = controller;
      setRunning(true);
      setProgress([]);
      setFault(null);
      try {
        // The model and what asks this browser are large, and nobody waits for them before the first sweep.
        const { runTask } = await import('./sweep-task');
        let into: RunId | null = null;
        const began = (id: RunId) => {
          into = id;
          if (id !== run?.id) select({ run: id });
        };
        setFault(
          await runTask(
            task,
            { form: asked, reading, run, answers, lineUp },
            limit,
            began,
            setProgress,
            controller.signal,
          ),
        );
        if (task.newRun && !controller.signal.aborted) setEnded(into);
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
    [confirmed, reading, run, answers, lineUp, limit, select],
  );

  const workspace = useMemo(
    (): SweepWorkspace => ({
      running,
      progress,
      ended,
      fault,
      sweep: () => void start({ ...everything, targets: lineUp.targets, anew: false }),
      sweepAnew: () => void start({ ...everything, targets: lineUp.targets, anew: true }),
      // A single question is asked because its answer is wanted anew.
      ask: (question, field, targets, scripts) =>
        void start({ questions: [question], fields: [field], targets, scripts, newRun: false, anew: true }),
      cancel: () => abort.current?.abort(),
    }),
    [running, progress, ended, fault, start, lineUp],
  );
  return <SweepContext value={workspace}>{children}</SweepContext>;
}

const everything = { questions: 'all', fields: null, scripts: null, newRun: true } as const;

export function useSweep(): SweepWorkspace {
  const workspace = useContext(SweepContext);
  if (!workspace) throw new Error('useSweep needs a SweepProvider around it.');
  return workspace;
}

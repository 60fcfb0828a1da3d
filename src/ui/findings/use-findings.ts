'use client';

import { proxy } from 'comlink';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useRef, useState } from 'react';
import { answerFindings } from '@/core/finding/answer-findings';
import type { Decision, Finding, FindingId } from '@/core/finding/finding';
import { collected } from '@/core/finding/finding';
import type { FormDocument } from '@/core/form/form-document';
import { type AskedKeyboard, askedKeyboards } from '@/core/keyboard/asked-keyboards';
import type { KeyboardSetup } from '@/core/keyboard/keyboard-setup';
import type { Answers } from '@/core/observation/answers';
import { openDatabase, type StoredRun } from '@/store/database';
import { useCorrections } from '../frame/use-corrections';
import { useForm } from '../frame/use-form';
import { useLongReplay } from '../frame/use-replay';
import { useRun } from '../frame/use-run';
import { useSelection } from '../frame/use-selection';

export interface FoundFindings {
  /** Null while they are reckoned for the first time. */
  readonly findings: readonly Finding[] | null;
  /** Why a part of them is missing. */
  readonly fault: string | null;
}

/** The person and the keyboards that findings are for. */
export function useKeyboardSetup(): KeyboardSetup {
  const [{ language }] = useSelection();
  const corrections = useCorrections();
  return useMemo(() => ({ language, corrections }), [language, corrections]);
}

/** Everything that the views mark about a form as it is now; what a sweep of another one told is not among it. */
export function useFindings(): FoundFindings {
  const { form } = useForm();
  const { run, answers } = useRun();
  const isOfForm = run?.form.markup === form.markup;
  const asked = useAskedKeyboards(isOfForm ? run : null, answers);
  const ofForm = useFormFindings(form, asked);
  const ofAnswers = useMemo(
    () => (run && isOfForm ? answerFindings(run, answers) : []),
    [run, answers, isOfForm],
  );
  return useMemo(
    () => ({ ...ofForm, findings: ofForm.findings && collected([...ofForm.findings, ...ofAnswers]) }),
    [ofForm, ofAnswers],
  );
}

const noKeyboards: readonly AskedKeyboard[] = [];

/** The keyboards that came up when a run was asked; one and the same until another one does. */
export function useAskedKeyboards(
  run: Pick<StoredRun, 'form' | 'lineUp'> | null,
  answers: Answers,
): readonly AskedKeyboard[] {
  const { fields } = useRun();
  const last = useRef(noKeyboards);
  return useMemo(() => {
    const asked = run ? askedKeyboards(run.lineUp, answers, fields) : noKeyboards;
    if (JSON.stringify(asked) !== JSON.stringify(last.current)) last.current = asked;
    return last.current;
  }, [run, answers, fields]);
}

/**
 * What is found about a form by itself. Null as long as nobody asks, and until it is reckoned for the first time.
 * @param asked keyboards that came up for its fields; one and the same until they change
 */
export function useFormFindings(
  form: Pick<FormDocument, 'markup' | 'typing'> | null,
  asked: readonly AskedKeyboard[],
): FoundFindings {
  const setup = useKeyboardSetup();
  const { state, start } = useLongReplay<readonly Finding[]>();
  const [last, setLast] = useState<readonly Finding[] | null>(null);
  const [markup, typing] = [form?.markup ?? null, form?.typing ?? null];
  useEffect(() => {
    if (markup !== null && typing !== null)
      start((work, progress) => work.findings({ markup, typing }, setup, asked, proxy(progress)));
  }, [markup, typing, setup, asked, start]);
  useEffect(() => {
    if (state.status === 'there') setLast(state.answer);
  }, [state]);
  return useMemo(
    () =>
      state.status === 'failed'
        ? {
            findings: last ?? [],
            fault: state.reason,
          }
        : { findings: state.status === 'there' ? state.answer : last, fault: null },
    [state, last],
  );
}

const none: ReadonlyMap<FindingId, Decision> = new Map();

/** What was decided about the form's findings. */
export function useDecisions(): ReadonlyMap<FindingId, Decision> {
  const { form } = useForm();
  const stored = useLiveQuery(() => openDatabase().decisions.where({ formId: form.id }).toArray(), [form.id]);
  return useMemo(() => (stored ? new Map(stored.map((one) => [one.finding, one])) : none), [stored]);
}

'use client';

import { proxy } from 'comlink';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { FormDocument } from '@/core/document/form-document';
import { decided } from '@/core/finding/decided';
import type { Decision, Finding, FindingId } from '@/core/finding/finding';
import { collected } from '@/core/finding/finding';
import { type AskedKeyboard, askedKeyboards } from '@/core/keyboard/asked-keyboards';
import type { KeyboardSetup } from '@/core/keyboard/keyboard-setup';
import { languagesAsked } from '@/core/keyboard/languages-asked';
import type { Answers } from '@/core/run/answers';
import type { RunId } from '@/core/run/run';
import { openDatabase, type StoredRun } from '@/store/database';
import { findingsOfAnswers } from '@/workers/findings';
import { useCorrections } from '../frame/use-corrections';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { useLongReplay } from '../frame/use-replay';
import { useRun } from '../frame/use-run';

export interface FoundFindings {
  /** Null while they are reckoned for the first time. */
  readonly findings: readonly Finding[] | null;
  /** Why a part of them is missing. */
  readonly fault: string | null;
}

/** The person and the keyboards that findings are for. */
export function useKeyboardSetup(): KeyboardSetup {
  const { lineUp } = useLineUp();
  const corrections = useCorrections();
  return useMemo(() => ({ ...languagesAsked(lineUp), corrections }), [lineUp, corrections]);
}

/** Everything that the views mark about a form as it is now; what a sweep of another one told is not among it. */
export function useFindings(): FoundFindings {
  const { form } = useForm();
  const { run, answers } = useRun();
  const isOfForm = run?.form.markup === form.markup;
  const asked = useAskedKeyboards(isOfForm ? run : null, answers);
  const ofForm = useFormFindings(form, asked);
  const ofAnswers = useAnswerFindings(isOfForm ? run : null, answers);
  return useMemo(
    () => ({
      findings:
        ofForm.findings && ofAnswers.findings && collected([...ofForm.findings, ...ofAnswers.findings]),
      fault: ofForm.fault ?? ofAnswers.fault,
    }),
    [ofForm, ofAnswers],
  );
}

const ofNoAnswers: FoundFindings = { findings: [], fault: null };
const reckoned: FoundFindings = { findings: null, fault: null };

/** By the answers from which it was read, so that every view that asks gets the same. */
const told = new WeakMap<Answers, Promise<FoundFindings>>();

function findingsOf(run: RunId, answers: Answers): Promise<FoundFindings> {
  const known = told.get(answers);
  if (known) return known;
  const asked = findingsOfAnswers(run).then(
    (findings): FoundFindings => ({ findings, fault: null }),
    (error): FoundFindings => ({ findings: [], fault: `What the answers tell is missing: ${String(error)}` }),
  );
  told.set(answers, asked);
  return asked;
}

/** What the answers of a run tell; what they told before stays until what more of them tell is known. None without a run. */
export function useAnswerFindings(run: Pick<StoredRun, 'id'> | null, answers: Answers): FoundFindings {
  const id = run?.id ?? null;
  const [known, setKnown] = useState<{ readonly run: RunId; readonly found: FoundFindings } | null>(null);
  const newest = useRef<{ readonly id: RunId; readonly answers: Answers } | null>(null);
  const isAsking = useRef(false);
  useEffect(() => {
    newest.current = id && { id, answers };
    if (isAsking.current) return;
    isAsking.current = true;
    void (async () => {
      // Answers come faster than they are looked through; those in between are left out.
      for (let next = newest.current; next; next = newest.current) {
        newest.current = null;
        setKnown({ run: next.id, found: await findingsOf(next.id, next.answers) });
      }
      isAsking.current = false;
    })();
  }, [id, answers]);
  if (!id) return ofNoAnswers;
  return known?.run === id ? known.found : reckoned;
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
  form: Pick<FormDocument, 'markup' | 'typing' | 'page' | 'language'> | null,
  asked: readonly AskedKeyboard[],
): FoundFindings {
  const setup = useKeyboardSetup();
  const { state, start } = useLongReplay<readonly Finding[]>();
  const [last, setLast] = useState<readonly Finding[] | null>(null);
  const [markup, typing, page] = [form?.markup ?? null, form?.typing ?? null, form?.page];
  const language = form?.language;
  useEffect(() => {
    if (markup !== null && typing !== null)
      start((work, progress) =>
        work.findings(
          { markup, typing, ...(page && { page }), ...(language && { language }) },
          setup,
          asked,
          proxy(progress),
        ),
      );
  }, [markup, typing, page, language, setup, asked, start]);
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

/** What was decided about these findings of the form. */
export function useDecisions(findings: readonly Finding[] | null): ReadonlyMap<FindingId, Decision> {
  const { form } = useForm();
  const stored = useLiveQuery(() => openDatabase().decisions.where({ formId: form.id }).toArray(), [form.id]);
  return useMemo(() => (stored ? decided(findings ?? [], stored) : none), [stored, findings]);
}

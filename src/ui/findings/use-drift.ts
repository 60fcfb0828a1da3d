'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { type Drift, driftBetween } from '@/core/drift/drift';
import type { Finding } from '@/core/finding/finding';
import { collected } from '@/core/finding/finding';
import { type Answers, answersOf } from '@/core/run/answers';
import { ukkoVersion } from '@/core/version';
import { baselineOf } from '@/store/baselines';
import { openDatabase, type StoredRun } from '@/store/database';
import { observationsOf } from '@/store/runs';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { useRun } from '../frame/use-run';
import { useAnswerFindings, useAskedKeyboards, useFormFindings } from './use-findings';

const noAnswers: Answers = new Map();

export interface DriftSince {
  readonly baseline: StoredRun | null;
  /** Null without a baseline, and while it is reckoned. */
  readonly drift: Drift | null;
}

/** What is another than in the form's baseline, in the form as it is now and in the sweep that is shown. */
export function useDrift(findings: readonly Finding[] | null): DriftSince {
  const { form } = useForm();
  const { run, answers } = useRun();
  const { lineUp } = useLineUp();
  const read = useLiveQuery(async () => {
    const database = openDatabase();
    const baseline = await baselineOf(database, form.id);
    return baseline && { baseline, answers: answersOf(await observationsOf(database, baseline.id)) };
  }, [form.id]);
  const baseline = read?.baseline ?? null;
  const known = read?.answers ?? noAnswers;
  const asked = useAskedKeyboards(baseline, known);
  const ofAnswers = useAnswerFindings(baseline, known);
  const ofForm = useFormFindings(baseline?.form ?? null, asked);
  const drift = useMemo(() => {
    if (!read || !findings || !ofForm.findings || !ofAnswers.findings) return null;
    const isOfForm = run?.form.markup === form.markup;
    const before = collected([...ofForm.findings, ...ofAnswers.findings]);
    return driftBetween(
      { run: read.baseline, answers: read.answers, findings: before },
      {
        run: {
          form,
          lineUp: run && isOfForm ? run.lineUp : lineUp,
          ukko: run && isOfForm ? run.ukko : ukkoVersion,
          startedAt: run?.startedAt ?? '',
        },
        answers: isOfForm ? answers : new Map(),
        findings,
      },
    );
  }, [read, findings, ofForm.findings, ofAnswers.findings, run, answers, form, lineUp]);
  return { baseline, drift };
}

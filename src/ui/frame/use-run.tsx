'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { createContext, type ReactNode, useContext, useEffect, useMemo } from 'react';
import type { Field } from '@/core/html/field';
import type { PictureId } from '@/core/observation/picture';
import type { Observation } from '@/core/questions/observation';
import { type Answers, answersOf } from '@/core/run/answers';
import type { RunId } from '@/core/run/run';
import { openDatabase, type StoredRun } from '@/store/database';
import { observationsOf, picturesIn, runsOf } from '@/store/runs';
import { useForm } from './use-form';
import { pictures } from './use-picture';
import { useReading } from './use-reading';
import { useSelection } from './use-selection';

export interface RunWorkspace {
  /** The runs of the form, the latest first. */
  readonly runs: readonly StoredRun[];
  readonly run: StoredRun | null;
  /** Of the form as it was when the run was made; without a run, as it is. */
  readonly fields: readonly Field[];
  /** False while the answers are being read; what is not there yet is then not missing. */
  readonly loaded: boolean;
  readonly answers: Answers;
  /** The sweep that this one is compared with, when one was chosen. */
  readonly against: ComparedRun | null;
}

export interface ComparedRun {
  readonly run: StoredRun;
  readonly answers: Answers;
}

const RunContext = createContext<RunWorkspace | null>(null);

/** Follows the run that the address names, or the latest one of the form. */
export function RunProvider({ children }: { children: ReactNode }) {
  const { form, reading } = useForm();
  const [selection] = useSelection();
  const runs = useLiveQuery(() => runsOf(openDatabase(), form.id), [form.id]);
  const run = runs?.find((one) => one.id === selection.run) ?? runs?.[0] ?? null;
  const runId = run?.id ?? null;
  const read = useLiveQuery(
    async () => ({ runId, observations: runId ? await observationsOf(openDatabase(), runId) : [] }),
    [runId],
  );
  // Until the answers of another run are read, those of the one before would still be here.
  const loaded = runs !== undefined && read?.runId === runId;
  const observations = loaded ? read.observations : undefined;
  const against = useComparedRun(runs, selection.against, runId);
  const shown = useMemo(
    () => [...(observations ?? []), ...(against?.answers.values() ?? [])],
    [observations, against],
  );
  const asked = run?.form.markup ?? form.markup;
  const other = useReading(asked === form.markup ? null : asked);
  const fields = asked === form.markup ? reading.fields : (other?.fields ?? noFields);
  const isRead = asked === form.markup || other !== null;
  const wanted = useMemo(() => picturesInOrder(shown, fields), [shown, fields]);
  useEffect(() => void pictures.keepOnly(wanted), [wanted]);
  const workspace = useMemo((): RunWorkspace => {
    const answers = answersOf(observations ?? []);
    return { runs: runs ?? [], run, fields, loaded: loaded && isRead, answers, against };
  }, [runs, run, fields, loaded, isRead, observations, against]);
  return <RunContext value={workspace}>{children}</RunContext>;
}

const noFields: readonly Field[] = [];

function useComparedRun(
  runs: readonly StoredRun[] | undefined,
  id: RunId | null,
  shown: RunId | null,
): ComparedRun | null {
  const run = id === shown ? null : (runs?.find((one) => one.id === id) ?? null);
  const runId = run?.id ?? null;
  const read = useLiveQuery(
    async () => ({ runId, observations: runId ? await observationsOf(openDatabase(), runId) : [] }),
    [runId],
  );
  return useMemo(
    () => (run && read?.runId === run.id ? { run, answers: answersOf(read.observations) } : null),
    [run, read],
  );
}

/** The pictures that the observations name: controls at rest first, from the top of the form, as the survey opens with them. */
function picturesInOrder(observations: readonly Observation[], fields: readonly Field[]): PictureId[] {
  const place = new Map(fields.map(({ id }, index) => [id, index]));
  const isAtRest = (one: Observation) => one.question === 'look' && one.state === 'closed';
  const atRest = observations
    .filter(isAtRest)
    .sort((a, b) => (place.get(a.field) ?? 0) - (place.get(b.field) ?? 0));
  return [...new Set([...atRest, ...observations].flatMap(picturesIn))];
}

export function useRun(): RunWorkspace {
  const workspace = useContext(RunContext);
  if (!workspace) throw new Error('useRun needs a RunProvider around it.');
  return workspace;
}

'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { createContext, type ReactNode, useContext, useEffect, useMemo, useRef, useState } from 'react';
import type { Field } from '@/core/form/field';
import { readForm } from '@/core/form/read-form';
import { type Answers, answersOf } from '@/core/observation/answers';
import type { Observation } from '@/core/observation/observation';
import type { PictureId } from '@/core/observation/picture';
import type { RunId } from '@/core/observation/run';
import { openDatabase, type StoredPicture, type StoredRun } from '@/store/database';
import { observationsOf, picturesIn, runsOf } from '@/store/runs';
import { useForm } from './use-form';
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
  readonly pictures: ReadonlyMap<PictureId, PictureFile>;
}

export interface ComparedRun {
  readonly run: StoredRun;
  readonly answers: Answers;
}

export interface PictureFile {
  readonly url: string;
  readonly blob: Blob;
  readonly width: number;
  readonly height: number;
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
  const pictures = usePictures(shown);
  const asked = run?.form.markup ?? form.markup;
  const fields = useMemo(
    () => (asked === form.markup ? reading.fields : readForm(asked).fields),
    [asked, form.markup, reading.fields],
  );
  const workspace = useMemo((): RunWorkspace => {
    const answers = answersOf(observations ?? []);
    return { runs: runs ?? [], run, fields, loaded, answers, against, pictures };
  }, [runs, run, fields, loaded, observations, against, pictures]);
  return <RunContext value={workspace}>{children}</RunContext>;
}

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

/** Object URLs of the pictures that the observations name; each is made once and given back when it is not shown any more. */
function usePictures(observations: readonly Observation[]): ReadonlyMap<PictureId, PictureFile> {
  const [files, setFiles] = useState<ReadonlyMap<PictureId, PictureFile>>(new Map());
  const made = useRef(new Map<PictureId, PictureFile>());
  useEffect(() => {
    let left = false;
    const wanted = new Set(observations.flatMap(picturesIn));
    const missing = [...wanted].filter((id) => !made.current.has(id));
    void openDatabase()
      .pictures.bulkGet(missing)
      .then((found) => {
        if (left) return;
        for (const picture of found) if (picture) made.current.set(picture.id, fileOf(picture));
        for (const [id, file] of made.current) {
          if (wanted.has(id)) continue;
          URL.revokeObjectURL(file.url);
          made.current.delete(id);
        }
        setFiles(new Map(made.current));
      });
    return () => {
      left = true;
    };
  }, [observations]);
  return files;
}

function fileOf({ blob, width, height }: StoredPicture): PictureFile {
  return { url: URL.createObjectURL(blob), blob, width, height };
}

export function useRun(): RunWorkspace {
  const workspace = useContext(RunContext);
  if (!workspace) throw new Error('useRun needs a RunProvider around it.');
  return workspace;
}

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

/** A picture out of the store. Its address is made when it is first drawn: a large survey has thousands that are out of sight. */
export class PictureFile {
  private made: string | null = null;

  constructor(
    readonly blob: Blob,
    readonly width: number,
    readonly height: number,
  ) {}

  get url(): string {
    this.made ??= URL.createObjectURL(this.blob);
    return this.made;
  }

  giveBack(): void {
    if (this.made !== null) URL.revokeObjectURL(this.made);
    this.made = null;
  }
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
  const fields = useMemo(
    () => (asked === form.markup ? reading.fields : readForm(asked).fields),
    [asked, form.markup, reading.fields],
  );
  const wanted = useMemo(() => picturesInOrder(shown, fields), [shown, fields]);
  const pictures = usePictures(wanted);
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

/** The pictures that the observations name: controls at rest first, from the top of the form, as the survey opens with them. */
function picturesInOrder(observations: readonly Observation[], fields: readonly Field[]): PictureId[] {
  const place = new Map(fields.map(({ id }, index) => [id, index]));
  const isAtRest = (one: Observation) => one.question === 'look' && one.state === 'closed';
  const atRest = observations
    .filter(isAtRest)
    .sort((a, b) => (place.get(a.field) ?? 0) - (place.get(b.field) ?? 0));
  return [...new Set([...atRest, ...observations].flatMap(picturesIn))];
}

/** Pictures that are read before the others, so that what is in sight need not wait for thousands that are not. */
const firstPictures = 300;

/** The pictures out of the store; each is read once and given back when it is not shown any more. */
function usePictures(wantedInOrder: readonly PictureId[]): ReadonlyMap<PictureId, PictureFile> {
  const [files, setFiles] = useState<ReadonlyMap<PictureId, PictureFile>>(new Map());
  const made = useRef(new Map<PictureId, PictureFile>());
  useEffect(() => {
    let left = false;
    const wanted = new Set(wantedInOrder);
    const missing = wantedInOrder.filter((id) => !made.current.has(id));
    const read = async (ids: readonly PictureId[]) => {
      const found = await openDatabase().pictures.bulkGet([...ids]);
      if (left) return;
      for (const picture of found) if (picture) made.current.set(picture.id, fileOf(picture));
    };
    void read(missing.slice(0, firstPictures))
      .then(() => {
        if (left || missing.length <= firstPictures) return;
        setFiles(new Map(made.current));
        return read(missing.slice(firstPictures));
      })
      .then(() => {
        if (left) return;
        for (const [id, file] of made.current) {
          if (wanted.has(id)) continue;
          file.giveBack();
          made.current.delete(id);
        }
        setFiles(new Map(made.current));
      });
    return () => {
      left = true;
    };
  }, [wantedInOrder]);
  return files;
}

function fileOf({ blob, width, height }: StoredPicture): PictureFile {
  return new PictureFile(blob, width, height);
}

export function useRun(): RunWorkspace {
  const workspace = useContext(RunContext);
  if (!workspace) throw new Error('useRun needs a RunProvider around it.');
  return workspace;
}

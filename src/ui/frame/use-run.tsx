'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { createContext, type ReactNode, useContext, useEffect, useMemo, useRef, useState } from 'react';
import type { Field, FieldId } from '@/core/form/field';
import { readForm } from '@/core/form/read-form';
import {
  type ControlState,
  type LookObservation,
  type MessageObservation,
  type Observation,
  type ObservationKey,
  observationKey,
  type TypingObservation,
} from '@/core/observation/observation';
import type { PictureId } from '@/core/observation/picture';
import type { TargetId } from '@/core/target/target';
import { openDatabase, type StoredPicture, type StoredRun } from '@/store/database';
import { observationsOf, pictureIn, runsOf } from '@/store/runs';
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
  readonly observations: ReadonlyMap<ObservationKey, Observation>;
  readonly pictures: ReadonlyMap<PictureId, PictureFile>;
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
  const pictures = usePictures(observations);
  const asked = run?.form.markup ?? form.markup;
  const fields = useMemo(
    () => (asked === form.markup ? reading.fields : readForm(asked).fields),
    [asked, form.markup, reading.fields],
  );
  const workspace = useMemo((): RunWorkspace => {
    const byKey = new Map((observations ?? []).map((one) => [observationKey(one), one]));
    return { runs: runs ?? [], run, fields, loaded, observations: byKey, pictures };
  }, [runs, run, fields, loaded, observations, pictures]);
  return <RunContext value={workspace}>{children}</RunContext>;
}

/** Object URLs of the pictures that the observations name; each is made once and given back when it is not shown any more. */
function usePictures(observations: readonly Observation[] | undefined): ReadonlyMap<PictureId, PictureFile> {
  const [files, setFiles] = useState<ReadonlyMap<PictureId, PictureFile>>(new Map());
  const made = useRef(new Map<PictureId, PictureFile>());
  useEffect(() => {
    let left = false;
    const wanted = new Set((observations ?? []).flatMap((one) => pictureIn(one) ?? []));
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

type Observations = RunWorkspace['observations'];

/** What a target answered, whoever spoke for it: measured before captured before modelled. */
function answerFor<Q extends Observation['question']>(
  observations: Observations,
  target: TargetId,
  field: FieldId,
  question: Q,
  state: ControlState | null,
): Extract<Observation, { question: Q }> | undefined {
  const end = `|${question}${state ? `/${state}` : ''}|${field}`;
  for (const mark of ['measured', 'captured', 'modelled'] as const) {
    const found = observations.get(`${target}|${mark}${end}` as ObservationKey);
    if (found) return found as Extract<Observation, { question: Q }>;
  }
  return undefined;
}

export function lookOf(
  all: Observations,
  target: TargetId,
  field: FieldId,
  state: ControlState,
): LookObservation | undefined {
  return answerFor(all, target, field, 'look', state);
}

export function messageOf(
  all: Observations,
  target: TargetId,
  field: FieldId,
): MessageObservation | undefined {
  return answerFor(all, target, field, 'message', null);
}

export function typingOf(all: Observations, target: TargetId, field: FieldId): TypingObservation | undefined {
  return answerFor(all, target, field, 'typing', null);
}

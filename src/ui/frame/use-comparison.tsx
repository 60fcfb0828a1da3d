'use client';

import { type Remote, wrap } from 'comlink';
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
import {
  allDifferences,
  type ComparedAnswers,
  differencesThrough,
  type Lens,
  type LensState,
} from '@/core/compare/lens';
import type { FieldId } from '@/core/html/field';
import { pictureBytes } from '@/core/observation/picture';
import type { CountPixels, Difference } from '@/core/questions/differences';
import { defaultLineUp, type LineUp, targetName } from '@/core/target/line-up';
import type { Target, TargetId } from '@/core/target/target';
import type { Compared } from '@/core/words/difference-words';
import type { PictureDifference } from '@/workers/picture-difference.worker';
import { sweepTime } from './sweep-time';
import { pictures } from './use-picture';
import { useRun } from './use-run';

/** How the answers of each target are compared: with those of the reference, or with its own in another sweep. */
export interface TargetComparison {
  readonly lineUp: LineUp;
  /** Null for the reference itself, which is compared with nothing. */
  against(target: TargetId): Compared | null;
  through(lens: Lens, state: LensState, target: Target, field: FieldId): readonly Difference[];
  all(target: Target, field: FieldId): readonly Difference[];
}

const ComparisonContext = createContext<TargetComparison | null>(null);

/** Compares for all views at once, so that pictures are counted once and in one worker. */
export function ComparisonProvider({ children }: { children: ReactNode }) {
  return <ComparisonContext value={useComparison()}>{children}</ComparisonContext>;
}

export function useTargetComparison(): TargetComparison {
  const comparison = useContext(ComparisonContext);
  if (!comparison) throw new Error('useTargetComparison needs a ComparisonProvider around it.');
  return comparison;
}

function useComparison(): TargetComparison {
  const { run, answers, against } = useRun();
  const lineUp = run?.lineUp ?? defaultLineUp;
  const pixels = usePixels();
  return useMemo(() => {
    const reference = lineUp.targets.find(({ id }) => id === lineUp.reference) ?? null;
    const sides = (
      target: Target,
    ): { reference: ComparedAnswers; other: ComparedAnswers; pixels: CountPixels | null } | null => {
      const other = { answers, target: target.id };
      if (against) return { reference: { answers: against.answers, target: target.id }, other, pixels };
      if (target.id === lineUp.reference) return null;
      // Every engine smooths in its own way; only pictures of one engine are compared dot by dot.
      const isAlike = reference && engineOf(reference) === engineOf(target);
      return { reference: { answers, target: lineUp.reference }, other, pixels: isAlike ? pixels : null };
    };
    const there = against
      ? `the sweep of ${sweepTime(against.run.startedAt)}`
      : targetName(lineUp, lineUp.reference);
    return {
      lineUp,
      against: (target) =>
        against || target !== lineUp.reference ? { here: [targetName(lineUp, target)], there } : null,
      through: (lens, state, target, field) => {
        const found = sides(target);
        return found
          ? differencesThrough(lens, state, found.reference, found.other, field, found.pixels)
          : [];
      },
      all: (target, field) => {
        const found = sides(target);
        return found ? allDifferences(found.reference, found.other, field, found.pixels) : [];
      },
    };
  }, [answers, against, lineUp, pixels]);
}

function engineOf(target: Target): string {
  return target.ask === 'engine' ? target.engine : target.id;
}

/** How long counts are gathered before the views that asked are drawn again, ms: two sweeps may differ in thousands of pictures. */
const gathering = 100;

/** Px in which two pictures differ, counted in a worker: null until it has counted, then the views that asked are drawn again. */
function usePixels(): CountPixels {
  const worker = useRef<{ own: Worker; counts: Remote<PictureDifference> } | null>(null);
  const asked = useRef(new Set<string>());
  const fresh = useRef(new Map<string, number | null>());
  const [counted, setCounted] = useState<ReadonlyMap<string, number | null>>(new Map());
  useEffect(
    () => () => {
      worker.current?.own.terminate();
      worker.current = null;
      asked.current.clear();
    },
    [],
  );
  const keep = useCallback((key: string, count: number | null) => {
    fresh.current.set(key, count);
    if (fresh.current.size > 1) return;
    setTimeout(() => {
      const gathered = fresh.current;
      fresh.current = new Map();
      setCounted((before) => new Map([...before, ...gathered]));
    }, gathering);
  }, []);
  return useCallback(
    (a, b) => {
      const key = `${a} ${b}`;
      if (!asked.current.has(key)) {
        asked.current.add(key);
        void Promise.all([pictures.read(a), pictures.read(b)]).then(async ([one, other]) => {
          if (!one || !other) return;
          worker.current ??= startWorker();
          keep(key, await worker.current.counts.pixels(pictureBytes(one), pictureBytes(other)));
        });
      }
      return counted.get(key) ?? null;
    },
    [counted, keep],
  );
}

/** Most sweeps need none: pictures are compared between sweeps, and between targets of one engine. */
function startWorker(): { own: Worker; counts: Remote<PictureDifference> } {
  const own = new Worker(new URL('../../workers/picture-difference.worker.ts', import.meta.url), {
    type: 'module',
  });
  return { own, counts: wrap<PictureDifference>(own) };
}

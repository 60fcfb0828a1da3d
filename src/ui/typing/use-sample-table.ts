'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import {
  type IndexedSamples,
  type IndexReading,
  indexSamples,
  withTable,
} from '@/core/guard/indexed-samples';
import type { TableFault } from '@/core/guard/sample-table';
import { useLongReplay } from '../frame/use-replay';

/** Tables up to this long are read where they are shown, UTF-16 code units; a longer one is read in a worker. */
const readAtOnce = 100_000;

/** The table of samples of a field, and what can be done with it. */
export interface SampleTable {
  readonly state:
    | IndexReading
    /** How much of it is read, 0 to 1. */
    | { readonly status: 'reading'; readonly done: number }
    | { readonly status: 'cancelled' }
    | { readonly status: 'failed'; readonly reason: string };
  /** How much of what is added is read, 0 to 1; null where nothing is. */
  readonly adding: number | null;
  /** Why the last ones could not be added; null where they could. */
  readonly unadded: string | null;
  /**
   * Puts the samples of another table behind those that are there.
   * @returns what is wrong in the other one; null where they were added
   */
  add(more: string | File, onlyNew?: boolean): Promise<TableFault | null>;
  /** Puts one in the place of what is there. */
  change(samples: IndexedSamples): void;
  /** Stops what is read; what was there stays. */
  cancel(): void;
}

/** @param onChange hears the whole table as it is now */
export function useSampleTable(table: string, onChange: (table: string) => void): SampleTable {
  const [known, setKnown] = useState<readonly (readonly [string, IndexReading])[]>([]);
  const [cancelled, setCancelled] = useState<string | null>(null);
  const { state: worker, start, cancel: end } = useLongReplay<null>();
  const reading = useMemo(
    () =>
      known.find(([text]) => text === table)?.[1] ??
      (table.length <= readAtOnce ? indexSamples(table) : null),
    [known, table],
  );
  // The one before stays known, so that what is undone is there at once.
  const keep = useCallback(
    (text: string, one: IndexReading) => setKnown((all) => [[text, one] as const, ...all.slice(0, 1)]),
    [],
  );
  const isUnread = reading === null && cancelled !== table;
  useEffect(() => {
    if (!isUnread) return;
    start(async (work, progress) => {
      const { proxy } = await import('comlink');
      keep(table, await work.indexedSamples(table, proxy(progress)));
      return null;
    });
  }, [isUnread, table, start, keep]);

  const change = (samples: IndexedSamples) => {
    keep(samples.table, { status: 'read', samples });
    onChange(samples.table);
  };
  const taken = (added: IndexReading): TableFault | null => {
    if (added.status === 'fault') return added;
    change(added.samples);
    return null;
  };
  const add = async (more: string | File, onlyNew = false): Promise<TableFault | null> => {
    if (reading?.status !== 'read') return null;
    if (table.length + lengthOf(more) <= readAtOnce)
      return taken(withTable(reading.samples, await textOf(more), onlyNew));
    return new Promise((resolve) => {
      start(async (work, progress) => {
        const { proxy } = await import('comlink');
        resolve(taken(await work.addedSamples(table, more, onlyNew, proxy(progress))));
        return null;
      });
    });
  };
  const done = worker.status === 'running' ? worker.done : 0;
  return {
    state: reading ?? unread(),
    adding: reading !== null && worker.status === 'running' ? done : null,
    unadded: reading !== null && worker.status === 'failed' ? worker.reason : null,
    add,
    change,
    cancel: () => {
      if (reading === null) setCancelled(table);
      end();
    },
  };

  function unread(): SampleTable['state'] {
    if (worker.status === 'failed') return worker;
    return cancelled === table ? { status: 'cancelled' } : { status: 'reading', done };
  }
}

const lengthOf = (more: string | File) => (typeof more === 'string' ? more.length : more.size);
const textOf = async (more: string | File) => (typeof more === 'string' ? more : more.text());

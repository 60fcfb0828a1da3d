import type { PictureId } from '@/core/observation/picture';
import { refusalText } from '@/core/words/refusal-words';
import type { UkkoDatabase } from './database';
import { observationsOf, picturesIn } from './runs';

/** How much this browser lets Ukko keep, bytes; null where it does not say. */
export interface Room {
  readonly used: number;
  readonly quota: number;
}

export async function room(): Promise<Room | null> {
  const estimate = await navigator.storage?.estimate?.().catch(() => null);
  return estimate?.quota ? { used: estimate.usage ?? 0, quota: estimate.quota } : null;
}

/** A sweep of a large form with its pictures, bytes: with less left, the next one may not be kept. */
const oneSweep = 50_000_000;

export function isNearlyFull({ used, quota }: Room): boolean {
  return quota - used < oneSweep || used / quota > 0.9;
}

/** What a browser throws when there is no room: its own error, or Dexie's around it. */
export function isOutOfRoom(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const inner = 'inner' in error ? error.inner : null;
  return [error, inner].some((one) => one instanceof Error && one.name === 'QuotaExceededError');
}

export const outOfRoom = refusalText({ code: 'no room' });

/**
 * Deletes the pictures of all sweeps but the latest one of each form and its baseline. Answers stay.
 * @returns how many pictures went, and the bytes that they took
 */
export async function thinPictures(
  database: UkkoDatabase,
): Promise<{ readonly pictures: number; readonly bytes: number }> {
  return database.transaction('rw', database.tables, async () => {
    const kept = new Set<PictureId>();
    const baselines = new Set((await database.baselines.toArray()).map(({ run }) => run));
    const latest = new Map<string, { readonly id: string; readonly startedAt: string }>();
    const runs = await database.runs.toArray();
    for (const run of runs)
      if ((latest.get(run.formId)?.startedAt ?? '') <= run.startedAt) latest.set(run.formId, run);
    for (const run of runs)
      if (baselines.has(run.id) || latest.get(run.formId)?.id === run.id)
        for (const observation of await observationsOf(database, run.id))
          for (const picture of picturesIn(observation)) kept.add(picture);
    const gone = await database.pictures.filter(({ id }) => !kept.has(id)).toArray();
    await database.pictures.bulkDelete(gone.map(({ id }) => id));
    return { pictures: gone.length, bytes: gone.reduce((sum, { data }) => sum + data.length, 0) };
  });
}

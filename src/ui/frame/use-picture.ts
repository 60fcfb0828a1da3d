'use client';

import { useCallback, useSyncExternalStore } from 'react';
import type { Picture, PictureId } from '@/core/observation/picture';
import { openDatabase } from '@/store/database';

/** Pictures that are read ahead at once: what is in sight need not wait for thousands that are not, nor scrolling for them. */
const readAhead = { first: 300, later: 60 } as const;

/**
 * The pictures of the sweeps that are shown, out of the store. Each is read once, and who shows it is told when it is
 * there: a survey of thousands is not drawn anew for one.
 */
export class Pictures {
  private readonly kept = new Map<PictureId, Picture>();
  private readonly shownBy = new Map<PictureId, Set<() => void>>();
  private wanted = new Set<PictureId>();
  private reading: Promise<void> | null = null;
  /** Counts the sweeps that were shown: reading ahead for an earlier one ends. */
  private turn = 0;

  get(id: PictureId): Picture | null {
    return this.kept.get(id) ?? null;
  }

  /** Resolves with null when the store has it not, or not any more. */
  async read(id: PictureId): Promise<Picture | null> {
    if (!this.kept.has(id)) {
      this.wanted.add(id);
      // Those that are wanted in one go are read in one go.
      this.reading ??= Promise.resolve().then(() => {
        const ids = [...this.wanted];
        this.wanted = new Set();
        this.reading = null;
        return this.readAll(ids);
      });
      await this.reading;
    }
    return this.get(id);
  }

  onChange(id: PictureId, changed: () => void): () => void {
    const all = this.shownBy.get(id) ?? new Set();
    this.shownBy.set(id, all.add(changed));
    return () => {
      all.delete(changed);
      if (all.size === 0) this.shownBy.delete(id);
    };
  }

  /** Keeps these and no others, and reads ahead those that are not there yet, in their order. */
  async keepOnly(inOrder: readonly PictureId[]): Promise<void> {
    const turn = ++this.turn;
    const stay = new Set(inOrder);
    for (const id of this.kept.keys()) if (!stay.has(id) && !this.shownBy.has(id)) this.kept.delete(id);
    const missing = inOrder.filter((id) => !this.kept.has(id));
    await this.readAll(missing.slice(0, readAhead.first));
    for (let at: number = readAhead.first; at < missing.length; at += readAhead.later) {
      await idle();
      if (turn !== this.turn) return;
      await this.readAll(missing.slice(at, at + readAhead.later));
    }
  }

  private async readAll(ids: readonly PictureId[]): Promise<void> {
    const found = await openDatabase().pictures.bulkGet([...ids]);
    for (const picture of found) {
      if (!picture) continue;
      this.kept.set(picture.id, picture);
      for (const changed of this.shownBy.get(picture.id) ?? []) changed();
    }
  }
}

/** Not every engine says when it has nothing to do. */
function idle(): Promise<void> {
  return new Promise((done) => {
    if (typeof requestIdleCallback === 'function') requestIdleCallback(() => done(), { timeout: 1000 });
    else setTimeout(done, 50);
  });
}

export const pictures = new Pictures();

/** A picture as soon as it is read; null until then, and for none. */
export function usePicture(id: PictureId | null): Picture | null {
  const subscribe = useCallback(
    (changed: () => void) => {
      if (!id) return () => undefined;
      void pictures.read(id);
      return pictures.onChange(id, changed);
    },
    [id],
  );
  const now = () => (id ? pictures.get(id) : null);
  return useSyncExternalStore(subscribe, now, () => null);
}

/** An address for an image. It holds the picture itself: one that only names it costs a call out of the page each. */
export function pictureAddress({ data }: Pick<Picture, 'data'>): string {
  return `data:image/png;base64,${data}`;
}

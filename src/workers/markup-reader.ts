import { type Remote, wrap } from 'comlink';
import type { FormReading } from '@/core/html/field';
import { gotInPieces } from './in-pieces';
import type { MarkupReading } from './read.worker';

/** Markup that is longer is read by a worker, UTF-16 code units: shorter markup takes a page less time than to draw what came of it. */
const longMarkup = 10_000;

export function isLongMarkup(...markups: readonly string[]): boolean {
  return markups.some((markup) => markup.length > longMarkup);
}

let reader: Remote<MarkupReading> | null = null;

/** The one worker of this window that reads markup; made on first use. What was asked for first is answered first. */
export function markupReader(): Remote<MarkupReading> {
  reader ??= wrap<MarkupReading>(
    new Worker(new URL('./read.worker.ts', import.meta.url), { type: 'module' }),
  );
  return reader;
}

/** What long markup is, read by the worker. */
export async function readLong(markup: string): Promise<FormReading> {
  const reader = markupReader();
  const reading = await reader.readForm(markup);
  return (await gotInPieces(() => reader.nextPiece(reading))) as FormReading;
}

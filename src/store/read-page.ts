import type { PagePlace } from '@/core/document/own-page';
import type { PageReading } from '@/core/page/page-sight';
import { refusalOf } from './read-lines';

/** Lets the server open a page of the developer's own, and say which forms are in it. */
export async function readPage(
  { address, steps, held = false }: PagePlace,
  signal: AbortSignal,
): Promise<PageReading> {
  try {
    const response = await fetch('/api/page', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ address, steps, held }),
      signal,
    });
    if (!response.ok)
      return { status: 'fault', failure: (await refusalOf(response)) ?? { code: 'page unread' } };
    return (await response.json()) as PageReading;
  } catch {
    return { status: 'fault', failure: { code: 'server away' } };
  }
}

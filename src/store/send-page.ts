import type { RealAnswer, RealQuestion } from '@/core/page/real-sending';
import { refusalOf } from './read-lines';

/** Lets the server's engine send a form of the developer's own page for real. */
export async function sendPage(question: RealQuestion, signal: AbortSignal): Promise<RealAnswer> {
  try {
    const response = await fetch('/api/page/send', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(question),
      signal,
    });
    if (response.ok) return (await response.json()) as RealAnswer;
    return { status: 'fault', failure: (await refusalOf(response)) ?? { code: 'nothing sent' } };
  } catch {
    return { status: 'fault', failure: { code: 'server away' } };
  }
}

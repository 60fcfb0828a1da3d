import { refusalText } from '@/core/words/refusal-words';
import { readLines, refusedText } from './read-lines';
import { isOutOfRoom, outOfRoom } from './room';

const serverGone = refusalText({ code: 'server gone' });

/**
 * Asks the server and hears what it says, one JSON object a line.
 * @param hear a reason that it gives ends the hearing
 * @returns why it did not come to its end, or null
 */
export async function hearNews<News>(
  path: string,
  question: unknown,
  signal: AbortSignal,
  hear: (news: News) => Promise<string | null> | string | null,
): Promise<string | null> {
  try {
    const response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(question),
      signal,
    });
    if (!response.ok || !response.body) return refusedText(response, serverGone);
    for await (const line of readLines(response.body)) {
      const reason = await hear(JSON.parse(line) as News);
      if (reason !== null) return reason;
    }
    return null;
  } catch (error) {
    return isOutOfRoom(error) ? outOfRoom : serverGone;
  }
}

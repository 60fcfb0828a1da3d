import type { Guard } from '@/core/guard/guard';
import { refusedText } from '@/store/read-lines';
import { download } from '../frame/download';

const noServer = 'The server does not answer. Start it again with “npm run demo”; the guards are kept.';

/** Saves the guards as a TypeScript module. @returns what went wrong, or null */
export async function exportGuards(guards: readonly Guard[], name: string): Promise<string | null> {
  try {
    const answer = await fetch('/api/guards', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(guards),
    });
    if (!answer.ok) return refusedText(answer, noServer);
    download(await answer.text(), `${name.replace(/[^\w-]+/g, '-')}-guards.ts`, 'text/typescript');
    return null;
  } catch {
    return noServer;
  }
}

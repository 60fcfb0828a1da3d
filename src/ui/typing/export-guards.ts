import type { Guard } from '@/core/guard/guard';
import { download } from '../frame/download';

/** Saves the guards as a TypeScript module. @returns what went wrong, or null */
export async function exportGuards(guards: readonly Guard[], name: string): Promise<string | null> {
  try {
    const answer = await fetch('/api/guards', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(guards),
    });
    const text = await answer.text();
    if (!answer.ok) return text;
    download(text, `${name.replace(/[^\w-]+/g, '-')}-guards.ts`, 'text/typescript');
    return null;
  } catch {
    return 'The server does not answer. Start it again with “npm run demo”; the guards are kept.';
  }
}

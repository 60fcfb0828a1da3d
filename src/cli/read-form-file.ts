import { readFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { text as readStream } from 'node:stream/consumers';
import type { FormDocument, FormId } from '@/core/document/form-document';

export function isAddress(text: string): boolean {
  return /^https?:\/\//i.test(text);
}

/** The form in a file of HTML, or in standard input for `-`; null when it cannot be read. */
export async function readFormFile(file: string): Promise<FormDocument | null> {
  try {
    const markup = file === '-' ? await readStream(process.stdin) : await readFile(file, 'utf8');
    const name = file === '-' ? 'Form' : basename(file);
    return { id: name as FormId, name, markup, typing: {} };
  } catch {
    return null;
  }
}

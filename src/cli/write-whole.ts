import { constants } from 'node:fs';
import { access, stat, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';
import writeFileAtomic from 'write-file-atomic';

/**
 * Writes a file as a whole or not at all: what was there before stays until all of the new content is on the disk. What is no
 * plain file, as /dev/stdout, is written to as it is. Throws what the system says.
 */
export async function writeWhole(path: string, content: string | Uint8Array): Promise<void> {
  const there = await stat(path).catch(() => null);
  if (there && !there.isFile()) return writeFile(path, content);
  await writeFileAtomic(path, typeof content === 'string' ? content : Buffer.from(content));
}

/** The first of the paths to which nothing can be written, asked before the work whose result goes there; null: to all. */
export async function unwritablePath(paths: readonly (string | undefined)[]): Promise<string | null> {
  for (const path of paths) if (path !== undefined && !(await isWritable(path))) return path;
  return null;
}

async function isWritable(path: string): Promise<boolean> {
  const there = await stat(path).catch(() => null);
  if (there?.isDirectory()) return false;
  try {
    await access(there ? path : dirname(path), constants.W_OK);
    // A file is put in place of the one before: its folder is written to as well.
    if (there?.isFile()) await access(dirname(path), constants.W_OK);
    return there !== null || (await stat(dirname(path))).isDirectory();
  } catch {
    return false;
  }
}

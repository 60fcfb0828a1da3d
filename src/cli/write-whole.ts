import { randomUUID } from 'node:crypto';
import { constants } from 'node:fs';
import { access, open, realpath, rename, rm, stat, writeFile } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';

/**
 * Writes a file as a whole or not at all: what was there before stays until all of the new content is on the disk. What is no
 * plain file, as /dev/stdout, is written to as it is. Throws what the system says.
 *
 * The usual package for this writes once, takes what the disk took for all of it, and puts a file that is cut off in the place of the
 * one before.
 */
export async function writeWhole(path: string, content: string | Uint8Array): Promise<void> {
  const there = await stat(path).catch(() => null);
  if (there && !there.isFile()) return writeFile(path, content);
  // A link stays one.
  const target = there ? await realpath(path) : path;
  const part = join(dirname(target), `.${basename(target)}.${randomUUID()}.part`);
  try {
    const file = await open(part, 'wx', there?.mode ?? 0o666);
    try {
      await file.writeFile(content);
      await file.sync();
    } finally {
      await file.close();
    }
    await rename(part, target);
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  }
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

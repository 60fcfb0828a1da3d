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
  const part = partOf(target);
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
    if (there) await access(path, constants.W_OK);
    // A file is put beside the one before, and in its place. Whether one can be made there, some file systems say only when it is.
    if (!there || there.isFile()) await triedBeside(there ? await realpath(path) : path);
    return true;
  } catch {
    return false;
  }
}

async function triedBeside(path: string): Promise<void> {
  const part = partOf(path);
  await (await open(part, 'wx')).close();
  await rm(part);
}

/** Where the new content of a file is until it is whole. */
function partOf(path: string): string {
  return join(dirname(path), `.${basename(path)}.${randomUUID()}.part`);
}

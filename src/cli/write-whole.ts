import { randomUUID } from 'node:crypto';
import { constants } from 'node:fs';
import { access, type FileHandle, open, realpath, rename, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';

/**
 * Writes a file as a whole or not at all: what was there before stays until all of the new content is on the disk. What is no
 * plain file, as /dev/stdout, is written to as it is. Throws what the system says.
 *
 * The usual package for this writes once, takes what the disk took for all of it, and puts a file that is cut off in the place of the
 * one before.
 */
export async function writeWhole(path: string, content: string | Uint8Array): Promise<void> {
  const part = await PartOfFile.of(path);
  try {
    await part.write(content);
    await part.become();
  } catch (error) {
    await part.drop();
    throw error;
  }
}

/** How much is gathered before it goes to the disk, UTF-16 code units. */
const gathered = 256 * 1024;

/** The new content of a file, written piece by piece beside it until it takes its place as a whole. */
export class PartOfFile {
  private text = '';

  private constructor(
    private readonly part: string,
    private readonly file: FileHandle,
    /** Where it comes to be, or what takes it as it is. */
    private readonly target: { readonly path: string; readonly isPlain: boolean },
  ) {}

  /** @param path of the file that it becomes a part of; throws what the system says */
  static async of(path: string): Promise<PartOfFile> {
    const there = await stat(path).catch(() => null);
    const isPlain = there === null || there.isFile();
    // A link stays one.
    const target = there && isPlain ? await realpath(path) : path;
    const part = isPlain ? partOf(target) : join(tmpdir(), `ukko-${randomUUID()}.part`);
    const file = await open(part, 'wx+', there?.isFile() ? there.mode : 0o666);
    return new PartOfFile(part, file, { path: target, isPlain });
  }

  async write(content: string | Uint8Array): Promise<void> {
    if (typeof content !== 'string') {
      await this.flush();
      return this.file.appendFile(content);
    }
    this.text += content;
    if (this.text.length > gathered) await this.flush();
  }

  /** Writes all of another part, which is gone then. */
  async take(other: PartOfFile): Promise<void> {
    await other.flush();
    await this.flush();
    const content = other.file.createReadStream({ start: 0, autoClose: false });
    for await (const piece of content) await this.file.appendFile(piece as Buffer);
    await other.drop();
  }

  /** Takes the place of the file. */
  async become(): Promise<void> {
    await this.flush();
    const { path, isPlain } = this.target;
    if (!isPlain) {
      const content = this.file.createReadStream({ start: 0, autoClose: false });
      await writeFile(path, content);
      return this.drop();
    }
    await this.file.sync();
    await this.file.close();
    await rename(this.part, path);
  }

  /** Leaves the file as it was; never throws. */
  async drop(): Promise<void> {
    await this.file.close().catch(() => undefined);
    await rm(this.part, { force: true });
  }

  private async flush(): Promise<void> {
    const { text } = this;
    this.text = '';
    if (text !== '') await this.file.appendFile(text);
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

import { execFile } from 'node:child_process';
import { access, constants, stat } from 'node:fs/promises';
import { delimiter, join } from 'node:path';
import { promisify } from 'node:util';

const run = promisify(execFile);

/** The first of the programs that may be run: an environment variable, then names on the path and whole paths. Null when there is none. */
export async function findProgram(variable: string, names: readonly string[]): Promise<string | null> {
  const own = process.env[variable];
  const directories = (process.env.PATH ?? '').split(delimiter).filter(Boolean);
  const placesOf = (name: string) =>
    name.includes('/') ? [name] : directories.map((dir) => join(dir, name));
  const candidates = own ? [own] : names.flatMap(placesOf);
  for (const candidate of candidates) {
    if (await isExecutable(candidate)) return candidate;
  }
  return null;
}

export async function isExecutable(path: string): Promise<boolean> {
  try {
    await access(path, constants.X_OK);
    return true;
  } catch {
    return false;
  }
}

const versions = new Map<string, Promise<string | null>>();

/** What a program says of its version, asked once for each state of its file; null when it says nothing. */
export async function programVersion(path: string): Promise<string | null> {
  const key = `${path} ${(await stat(path)).mtimeMs}`;
  const known = versions.get(key) ?? askVersion(path, ['--version']);
  versions.set(key, known);
  return known;
}

/** The version of an installed Debian package; null on other systems. */
export function packageVersion(name: string): Promise<string | null> {
  return askVersion('dpkg-query', ['--show', `--showformat=\${Version}`, name]);
}

async function askVersion(program: string, parameters: readonly string[]): Promise<string | null> {
  try {
    const { stdout } = await run(program, [...parameters], { timeout: 5000 });
    return /\d+(\.\d+)+/.exec(stdout)?.[0] ?? null;
  } catch {
    return null;
  }
}

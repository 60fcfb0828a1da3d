import { execFile } from 'node:child_process';
import { stat } from 'node:fs/promises';
import { promisify } from 'node:util';
import which from 'which';

const run = promisify(execFile);

/** The first of the programs that may be run: an environment variable, then names on the path and whole paths. Null when there is none. */
export async function findProgram(variable: string, names: readonly string[]): Promise<string | null> {
  const own = process.env[variable];
  for (const name of own ? [own] : names) {
    const path = await which(name, { nothrow: true });
    if (path !== null) return path;
  }
  return null;
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

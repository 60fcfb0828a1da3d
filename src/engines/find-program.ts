import { access, constants } from 'node:fs/promises';
import { delimiter, join } from 'node:path';

/** The first of the programs that may be run: an environment variable, then names on the path. Null when there is none. */
export async function findProgram(variable: string, names: readonly string[]): Promise<string | null> {
  const own = process.env[variable];
  const directories = (process.env.PATH ?? '').split(delimiter).filter(Boolean);
  const candidates = own ? [own] : names.flatMap((name) => directories.map((dir) => join(dir, name)));
  for (const candidate of candidates) {
    if (await isExecutable(candidate)) return candidate;
  }
  return null;
}

async function isExecutable(path: string): Promise<boolean> {
  try {
    await access(path, constants.X_OK);
    return true;
  } catch {
    return false;
  }
}

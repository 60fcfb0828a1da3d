import { cp, readdir } from 'node:fs/promises';
import { join } from 'node:path';

/**
 * Makes a locale of this name for a program that is to be started: most machines have none but that of the C library itself, and where
 * the one that is named is missing, words are not translated and names of files are read as ASCII. That one under the name of the other
 * is enough: words come from LANGUAGE, dates and numbers are the engine's own.
 *
 * @returns the folder to be named by LOCPATH
 */
export async function localeFolder(folder: string, name: string): Promise<string> {
  const installed = '/usr/lib/locale';
  const names = await readdir(installed).catch(() => []);
  const own = names.find((one) => /^C\.utf-?8$/i.test(one));
  if (own) await cp(join(installed, own), join(folder, 'locale', name), { recursive: true });
  return join(folder, 'locale');
}

import { mkdir, mkdtemp, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { ChosenFile } from '@/core/standard/entry-list';

/**
 * Writes files where a browser finds them as its file chooser does.
 * @param folder of the browser; the files go with it
 * @returns their paths
 */
export async function filesToChoose(folder: string, files: readonly ChosenFile[]): Promise<string[]> {
  await mkdir(folder, { recursive: true });
  // One name may be chosen in several fields.
  const own = await mkdtemp(join(folder, 'chosen-'));
  return Promise.all(
    files.map(async ({ name, content }) => {
      const path = join(own, name.replaceAll('/', '_'));
      await writeFile(path, Buffer.from(content, 'latin1'));
      return path;
    }),
  );
}

import { BaseSequencer, type TestSpecification } from 'vitest/node';

/** Files that ask engines for minutes, the longest first. All others are told by nothing but their folder. */
const long = [
  'own-page',
  'webkit',
  'after-an-edit',
  'keyboards',
  'firefox',
  'chromium',
  'chromium-over-cdp',
  'random-kills',
  'unruly-page',
  'endpoint',
  'cli',
];

/** Begins with what takes longest, so that no worker is left with it in the end while the others have nothing to do. */
export class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    return [...files].sort((a, b) => rank(a.moduleId) - rank(b.moduleId));
  }
}

function rank(file: string): number {
  const [, name = ''] = /\/tests\/(?:engines\/)?([\w-]+)\.test\.ts$/.exec(file) ?? [];
  const at = long.indexOf(name);
  if (at !== -1) return at;
  return file.includes('/tests/engines/') ? long.length : long.length + 1;
}

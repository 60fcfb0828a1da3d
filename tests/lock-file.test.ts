import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

interface LockedPackage {
  readonly optionalDependencies?: Readonly<Record<string, string>>;
}

const locked = new Map(
  Object.entries(
    (JSON.parse(readFileSync('package-lock.json', 'utf8')) as { packages: Record<string, LockedPackage> })
      .packages,
  ),
);

/** Node's own way to a package: the node_modules of each folder from the one that asks upwards. */
function isLockedFor(asker: string, name: string): boolean {
  for (let folder = asker; ; folder = folder.slice(0, Math.max(folder.lastIndexOf('/node_modules/'), 0))) {
    if (locked.has(`${folder ? `${folder}/` : ''}node_modules/${name}`)) return true;
    if (folder === '') return false;
  }
}

it('the lock file has the builds for other systems that a package names: without one of them npm ci stops', () => {
  const wanted = [...locked].flatMap(([asker, { optionalDependencies = {} }]) =>
    Object.keys(optionalDependencies).map((name) => [asker, name] as const),
  );
  expect(wanted.length).toBeGreaterThan(50);
  expect(wanted.filter(([asker, name]) => !isLockedFor(asker, name))).toEqual([]);
});

it('the lock file names no registry', () => {
  expect(readFileSync('package-lock.json', 'utf8')).not.toMatch(/"resolved"/);
});

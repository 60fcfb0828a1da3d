#!/usr/bin/env node
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

// Asked first: whoever started this may be gone by the time that all of it is read in.
globalThis.ukkoStarter = process.ppid;

const root = dirname(dirname(fileURLToPath(import.meta.url)));
process.env.UKKO_ROOT ??= root;

// A package has it bundled; a checkout runs its sources, unless a bundle of them is named.
const bundled = process.env.UKKO_CLI ?? join(root, 'dist/ukko.mjs');
if (existsSync(bundled)) await import(pathToFileURL(bundled).href);
else {
  process.env.TSX_TSCONFIG_PATH ??= join(root, 'tsconfig.json');
  const { register } = await import('tsx/esm/api');
  register();
  await import(pathToFileURL(join(root, 'src/cli/ukko.ts')).href);
}

#!/usr/bin/env node
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { register } from 'tsx/esm/api';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
process.env.UKKO_ROOT ??= root;
process.env.TSX_TSCONFIG_PATH ??= join(root, 'tsconfig.json');
register();
await import(pathToFileURL(join(root, 'src/cli/ukko.ts')).href);

/** The command line as a bundle, which starts in a fraction of the time that its sources take. */
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { build } from 'esbuild';
import { root } from './start-app.mjs';

/** Outside of a bundler, modules are named by whole paths where their package says no more of them. */
const wholePaths = {
  name: 'whole paths',
  setup({ onResolve }) {
    const require = createRequire(join(root, 'package.json'));
    onResolve({ filter: /^selenium-webdriver\/./ }, ({ path }) => {
      const [, within] = require.resolve(path).split('/node_modules/');
      return { path: within, external: true };
    });
  },
};

/** Data that is needed to build alone goes into the bundle: its package is large, and most of it is other data. */
const ownData = {
  name: 'own data',
  setup({ onResolve }) {
    const require = createRequire(join(root, 'package.json'));
    onResolve({ filter: /^cldr-misc-full\// }, ({ path }) => ({ path: require.resolve(path) }));
  },
};

/** Bundles the command line into a folder, as `ukko.mjs` and what that loads; packages stay outside of it. */
export async function bundleCli(folder) {
  await build({
    absWorkingDir: root,
    entryPoints: { ukko: 'src/cli/ukko.ts' },
    outdir: folder,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: { '@': join(root, 'src') },
    logLevel: 'error',
    plugins: [wholePaths, ownData],
  });
}

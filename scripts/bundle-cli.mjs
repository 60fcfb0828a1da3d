/** npm pack: the app is built, and the command line bundled into dist/, so that a package runs without a build. --clean takes dist/ away. */
import { existsSync, readdirSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join, relative } from 'node:path';
import { build as bundle } from 'esbuild';
import { build, buildIsCurrent } from './prepare.mjs';
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

/** The build names packages that stay outside of it by names of its own, as links that no package can hold. */
function externals() {
  const folder = join(root, '.next/node_modules');
  const entries = existsSync(folder) ? readdirSync(folder, { withFileTypes: true, recursive: true }) : [];
  // Those of a scope stand in a folder of its name.
  const links = entries
    .filter((entry) => entry.isSymbolicLink())
    .map((entry) => join(entry.parentPath, entry.name));
  return Object.fromEntries(links.map((link) => [relative(folder, link), packageOf(realpathSync(link))]));
}

/** The name of the package in a folder of node_modules. */
function packageOf(path) {
  return path.split('/node_modules/').at(-1);
}

const folder = join(root, 'dist');
rmSync(folder, { recursive: true, force: true });
if (!process.argv.includes('--clean')) {
  if (!buildIsCurrent() && !build(true)) throw new Error('The build failed; what it said stands above.');
  await bundle({
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
  writeFileSync(join(folder, 'externals.json'), JSON.stringify(externals()));
}

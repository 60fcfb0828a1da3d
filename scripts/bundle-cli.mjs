/** npm pack: the app is built, and the command line bundled into dist/, so that a package runs without a build. --clean takes dist/ away. */
import { existsSync, readdirSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { bundleCli } from './bundled-cli.mjs';
import { build, buildIsCurrent } from './prepare.mjs';
import { root } from './start-app.mjs';

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
  await bundleCli(folder);
  writeFileSync(join(folder, 'externals.json'), JSON.stringify(externals()));
}

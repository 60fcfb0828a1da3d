import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, symlinkSync } from 'node:fs';
import { createRequire } from 'node:module';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Of the checkout or the package; a bundle says where that is. */
export const root = process.env.UKKO_ROOT ?? dirname(dirname(fileURLToPath(import.meta.url)));

/** A port that is free now on 127.0.0.1. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

/** True when nobody listens on this port of 127.0.0.1. */
export function isFree(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });
}

/**
 * Starts the built app on 127.0.0.1 and waits until it answers.
 * @param {number} [port] a free one when it is left out
 * @param {NodeJS.ProcessEnv} [env] added to the environment
 */
export async function startApp(port, env = {}) {
  linkExternals();
  const chosen = port ?? (await freePort());
  // Wherever npm put it: beside a package, or in it.
  const next = createRequire(join(root, 'package.json')).resolve('next/dist/bin/next');
  const child = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', String(chosen)], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      UKKO_ROOT: root,
      UKKO_STARTER: String(process.pid),
      ...env,
    },
  });
  const exited = new Promise((resolve) => child.once('exit', resolve));
  const address = `http://127.0.0.1:${chosen}`;
  await answers(`${address}/icon.svg`, child);
  return {
    address,
    child,
    exited,
    async stop() {
      child.kill('SIGTERM');
      const timer = setTimeout(() => child.kill('SIGKILL'), 10_000);
      await exited;
      clearTimeout(timer);
    },
  };
}

/**
 * In a package: puts the links in place by which the build finds the packages that stay outside of it. Throws a sentence where the folder of
 * the package cannot be written to.
 */
function linkExternals() {
  const list = join(root, 'dist/externals.json');
  if (!existsSync(list)) return;
  const places = createRequire(join(root, 'package.json'));
  const folder = join(root, '.next/node_modules');
  try {
    for (const [alias, name] of Object.entries(JSON.parse(readFileSync(list, 'utf8')))) {
      const link = join(folder, alias);
      const target = places.resolve
        .paths(name)
        ?.map((path) => join(path, name))
        .find(existsSync);
      if (!target) throw new Error(`the package ${name} is missing`);
      mkdirSync(dirname(link), { recursive: true });
      rmSync(link, { force: true });
      symlinkSync(target, link, 'junction');
    }
  } catch (error) {
    throw new Error(
      `The app cannot be started from ${root}: ${error.message}. Install Ukko where you may write, and install it anew.`,
    );
  }
}

async function answers(address, child) {
  for (let attempt = 0; attempt < 300; attempt++) {
    if (child.exitCode !== null)
      throw new Error('The app stopped before it answered; what it said stands above.');
    const ok = await fetch(address).then(
      (response) => response.ok,
      () => false,
    );
    if (ok) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('The app did not answer within 30 s.');
}

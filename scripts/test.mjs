/**
 * npm test: installs what is missing, then lint, types, unit, build, end-to-end. Every step runs, whatever became of
 * the ones before; the last line counts them all: N passed, N failed, N skipped.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, ensurePackages, ensureSystemPackages, run } from './prepare.mjs';
import { root } from './start-app.mjs';
import { packageWorks } from './try-package.mjs';

const counts = { passed: 0, failed: 0, skipped: 0 };
/** What every step and every test took, ms. */
const times = { steps: [], tests: [] };
const directory = mkdtempSync(join(tmpdir(), 'ukko-test-'));
const bin = (name) => join('node_modules', '.bin', name);

/** Does the work of a step, and takes down how long it took. */
async function timed(name, work) {
  console.log(`\n— ${name}`);
  const begin = performance.now();
  const result = await work();
  times.steps.push({ name, ms: performance.now() - begin });
  return result;
}

/** A step that is one check. */
async function check(name, work) {
  const ok = await timed(name, work);
  counts[ok ? 'passed' : 'failed'] += 1;
  if (!ok) console.log(`${name}: failed`);
  return ok;
}

/** A step that counts its own tests into a file. One that does not end is ended after so many minutes, so that all that ran is counted. */
async function suite(name, program, parameters, minutes) {
  const file = join(directory, `${name}.json`);
  const env = { ...process.env, UKKO_COUNTS: file, NO_COLOR: '1', FORCE_COLOR: '0' };
  const ok = await timed(name, () =>
    endsWithin(spawn(program, parameters, { cwd: root, env, stdio: 'inherit', detached: true }), minutes),
  );
  if (ok === null) console.log(`${name}: did not end within ${minutes} minutes`);
  const { passed, failed, skipped, times: own } = read(file);
  times.tests.push(...own);
  counts.passed += passed;
  counts.skipped += skipped;
  // A runner that ends badly without a failed test has failed all the same.
  counts.failed += ok ? failed : Math.max(failed, 1);
}

/** Whether a program ended well; null when it had to be ended, with its family. */
function endsWithin(program, minutes) {
  const end = () => {
    try {
      process.kill(-program.pid, 'SIGKILL');
    } catch {
      // Nobody is in it any more.
    }
  };
  // It has a group of its own, which no key of a terminal reaches.
  const interrupted = () => {
    end();
    process.exit(130);
  };
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, interrupted);
  return new Promise((resolve) => {
    const late = setTimeout(() => {
      resolve(null);
      end();
    }, minutes * 60_000);
    const ended = (ok) => {
      clearTimeout(late);
      for (const signal of ['SIGINT', 'SIGTERM']) process.removeListener(signal, interrupted);
      resolve(ok);
    };
    program.once('error', () => ended(false));
    program.once('exit', (code) => ended(code === 0));
  });
}

function read(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return { passed: 0, failed: 1, skipped: 0, times: [] };
  }
}

const seconds = ({ name, ms }) => `${(ms / 1000).toFixed(1).padStart(8)} s  ${name}`;

/** What the time went to: it is where to look when the tests get slow. */
function tellTimes() {
  const slowest = times.tests.toSorted((a, b) => b.ms - a.ms).slice(0, 10);
  console.log(`\n— steps\n${times.steps.map(seconds).join('\n')}`);
  console.log(`\n— the ten slowest of ${times.tests.length} tests\n${slowest.map(seconds).join('\n')}`);
}

try {
  ensureSystemPackages(true);
  ensurePackages();
  await check('lint', () => run(bin('biome'), ['check', '--error-on-warnings', '.']));
  await check('types', () => run(bin('next'), ['typegen']) && run(bin('tsc'), ['--noEmit']));
  await suite(
    'unit',
    bin('vitest'),
    ['run', '--reporter=default', '--reporter=./scripts/count-unit.mjs'],
    55,
  );
  if (await check('build', build)) {
    await suite('end-to-end', bin('playwright'), ['test'], 40);
    await check('package, installed', packageWorks);
  }
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  counts.failed += 1;
} finally {
  rmSync(directory, { recursive: true, force: true });
}
tellTimes();
process.exitCode = counts.failed > 0 ? 1 : 0;
console.log(`\n${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped`);

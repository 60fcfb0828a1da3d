/**
 * npm test: installs what is missing, then lint, types, unit, build, end-to-end. Every step runs, whatever became of
 * the ones before; the last line counts them all: N passed, N failed, N skipped.
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, ensurePackages, ensureSystemPackages, run } from './prepare.mjs';
import { packageWorks } from './try-package.mjs';

const counts = { passed: 0, failed: 0, skipped: 0 };
const directory = mkdtempSync(join(tmpdir(), 'ukko-test-'));
const bin = (name) => join('node_modules', '.bin', name);

/** A step that is one check. */
function check(name, work) {
  console.log(`\n— ${name}`);
  const ok = work();
  counts[ok ? 'passed' : 'failed'] += 1;
  if (!ok) console.log(`${name}: failed`);
  return ok;
}

/** A step that counts its own tests into a file. */
function suite(name, program, parameters) {
  console.log(`\n— ${name}`);
  const file = join(directory, `${name}.json`);
  const ok = run(program, parameters, { UKKO_COUNTS: file, NO_COLOR: '1', FORCE_COLOR: '0' });
  const { passed, failed, skipped } = read(file);
  counts.passed += passed;
  counts.skipped += skipped;
  // A runner that ends badly without a failed test has failed all the same.
  counts.failed += ok ? failed : Math.max(failed, 1);
}

function read(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return { passed: 0, failed: 1, skipped: 0 };
  }
}

try {
  ensureSystemPackages(true);
  ensurePackages();
  check('lint', () => run(bin('biome'), ['check', '--error-on-warnings', '.']));
  check('types', () => run(bin('next'), ['typegen']) && run(bin('tsc'), ['--noEmit']));
  suite('unit', bin('vitest'), ['run', '--reporter=default', '--reporter=./scripts/count-unit.mjs']);
  if (check('build', build)) {
    suite('end-to-end', bin('playwright'), ['test']);
    console.log('\n— package, installed');
    const works = await packageWorks();
    counts[works ? 'passed' : 'failed'] += 1;
  }
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  counts.failed += 1;
} finally {
  rmSync(directory, { recursive: true, force: true });
}
process.exitCode = counts.failed > 0 ? 1 : 0;
console.log(`\n${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped`);

import { writeFileSync } from 'node:fs';

/** A Vitest reporter that writes how many tests passed, failed and were skipped, and how long each took, to the file that UKKO_COUNTS names. */
export default class CountUnit {
  onTestRunEnd(modules, errors) {
    const counts = { passed: 0, failed: errors.length, skipped: 0, times: [] };
    for (const module of modules) {
      counts.failed += module.errors().length;
      for (const test of module.children.allTests()) {
        const { state } = test.result();
        counts[state === 'pending' ? 'skipped' : state] += 1;
        const name = `${module.relativeModuleId}: ${test.fullName}`;
        counts.times.push({ name, ms: test.diagnostic()?.duration ?? 0 });
      }
    }
    if (process.env.UKKO_COUNTS) writeFileSync(process.env.UKKO_COUNTS, JSON.stringify(counts));
  }
}

import { writeFileSync } from 'node:fs';

/** A Playwright reporter that writes how many tests passed, failed and were skipped, and how long each took, to the file that UKKO_COUNTS names. */
export default class CountEndToEnd {
  onBegin(_config, suite) {
    this.suite = suite;
  }

  onError() {
    this.errors = (this.errors ?? 0) + 1;
  }

  onEnd() {
    const counts = { passed: 0, failed: this.errors ?? 0, skipped: 0, times: [] };
    for (const test of this.suite?.allTests() ?? []) {
      const outcome = test.outcome();
      counts[outcome === 'skipped' ? 'skipped' : outcome === 'unexpected' ? 'failed' : 'passed'] += 1;
      const ms = test.results.reduce((sum, { duration }) => sum + duration, 0);
      counts.times.push({ name: test.titlePath().filter(Boolean).join(': '), ms });
    }
    if (process.env.UKKO_COUNTS) writeFileSync(process.env.UKKO_COUNTS, JSON.stringify(counts));
  }
}

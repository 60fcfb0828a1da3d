import { defineConfig } from 'vitest/config';
import config from './vitest.config';

/** A folder's own tests: none of them waits for a browser. */
export default defineConfig({
  ...config,
  test: {
    ...config.test,
    projects: undefined,
    isolate: false,
    setupFiles: ['tests/fixtures/no-shrinking.ts'],
    include: [`src/core/${process.env.UKKO_MUTANTS ?? '*'}/**/*.test.ts`],
  },
});

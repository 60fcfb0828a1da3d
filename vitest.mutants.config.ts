import { defineConfig } from 'vitest/config';
import config from './vitest.config';

/** A folder's own tests, but for those that are long by intent: none of them waits for a browser. */
export default defineConfig({
  ...config,
  test: {
    ...config.test,
    projects: undefined,
    isolate: false,
    setupFiles: ['tests/fixtures/short-properties.ts'],
    include: [`src/core/${process.env.UKKO_MUTANTS ?? '*'}/**/*.test.ts`],
    exclude: ['**/*-against-engine.test.ts', '**/hostile-*.test.ts', '**/remedy-promises.test.ts'],
  },
});

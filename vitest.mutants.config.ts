import { defineConfig } from 'vitest/config';
import config from './vitest.config';

/** The tests of the core alone: none of them waits for a browser. */
export default defineConfig({
  ...config,
  test: { ...config.test, projects: undefined, include: ['src/core/**/*.test.ts'] },
});

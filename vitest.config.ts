import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { LongestFirst } from './scripts/longest-first';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    projects: [
      // Nothing in them outlives its test: they share what they import, which takes longer than they do.
      { extends: true, test: { name: 'unit', include: ['src/**/*.test.ts'], isolate: false } },
      { extends: true, test: { name: 'house', include: ['tests/**/*.test.ts'] } },
    ],
    // For what hangs. How long anything may take is a matter of the machine: beside other work a browser starts ten times as slowly.
    testTimeout: 240_000,
    hookTimeout: 180_000,
    // Engines and their driver take one core, the tests the other.
    maxWorkers: 2,
    sequence: { sequencer: LongestFirst },
    // Where so much is broken, the rest is not waited for.
    bail: process.env.CI ? 20 : 0,
  },
});

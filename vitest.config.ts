import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Some properties are tried over many random cases, and whole benches are planned before others; a slow machine
    // must not fail them.
    testTimeout: 240_000,
    hookTimeout: 240_000,
    include: [
      'src/**/*.test.{ts,tsx}',
      'demo/**/*.test.ts',
      'tests/bench/**/*.test.ts',
      'tests/faults/**/*.test.ts',
    ],
    environment: 'node',
    // Left to itself, one core of two would stand idle.
    maxWorkers: '100%',
  },
});

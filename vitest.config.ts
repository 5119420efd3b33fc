import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Some properties are tried over many random cases; a slow machine must not fail them.
    testTimeout: 30_000,
    include: ['src/**/*.test.{ts,tsx}', 'demo/**/*.test.ts', 'tests/bench/**/*.test.ts'],
    environment: 'node',
  },
});

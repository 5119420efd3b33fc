import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['tests/e2e/**/*.test.ts'],
    globalSetup: 'tests/e2e/sampleFile.ts',
    testTimeout: 400_000,
    hookTimeout: 240_000,
    expect: { poll: { timeout: 90_000 } },
    // Two files at a time: each has a server, a browser and a search for plans of its own, and waits for one of them half
    // of its time.
    maxWorkers: 2,
  },
});

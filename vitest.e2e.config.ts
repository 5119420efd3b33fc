import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['tests/e2e/**/*.test.ts'],
    globalSetup: 'tests/e2e/sampleFile.ts',
    testTimeout: 400_000,
    hookTimeout: 240_000,
    expect: { poll: { timeout: 90_000 } },
    // One file at a time: each has a server, a browser and a search for plans of its own, enough for two cores.
    fileParallelism: false,
  },
});

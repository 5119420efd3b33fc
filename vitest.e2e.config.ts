import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['tests/e2e/**/*.test.ts'],
    globalSetup: 'tests/e2e/sampleFile.ts',
    testTimeout: 400_000,
    hookTimeout: 240_000,
    expect: { poll: { timeout: 90_000 } },
    // As many files at once as there are cores: each has a server and a browser of its own.
    maxWorkers: '100%',
  },
});

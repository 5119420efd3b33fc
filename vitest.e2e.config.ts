import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['tests/e2e/**/*.test.ts'],
    testTimeout: 400_000,
    hookTimeout: 240_000,
    expect: { poll: { timeout: 90_000 } },
    fileParallelism: false,
  },
});

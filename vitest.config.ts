import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', root: 'core', include: ['src/**/*.test.ts'], testTimeout: 60_000 } },
      { test: { name: 'contract', root: 'contract', include: ['src/**/*.test.ts'], testTimeout: 60_000 } },
      './web/vitest.config.ts',
      {
        test: {
          name: 'server',
          root: 'server',
          include: ['src/**/*.test.ts'],
          globalSetup: ['./src/testing/database.ts'],
          testTimeout: 60_000,
          hookTimeout: 60_000,
          maxWorkers: 2,
        },
      },
    ],
  },
});

import { defineConfig } from 'vitest/config';
import { workers } from './tests/support/workers.ts';

export default defineConfig({
  test: {
    minWorkers: workers,
    maxWorkers: workers,
    projects: [
      {
        test: {
          name: 'unit',
          include: [
            'src/**/*.test.ts',
            'demo/**/*.test.ts',
            'tests/published/**/*.test.ts',
            'tests/properties/**/*.test.ts',
          ],
          setupFiles: ['tests/support/take-a-breath.ts'],
          // Far more than any takes: machines that others keep busy are many times slower at times.
          testTimeout: 300_000,
        },
      },
      {
        test: {
          name: 'server',
          include: ['tests/server/**/*.test.ts'],
          globalSetup: ['tests/server/start-application.ts'],
          // What is waited for has an end; it is one that a machine busy with something else does not come near.
          expect: { poll: { timeout: 90_000 } },
          testTimeout: 600_000,
          hookTimeout: 300_000,
        },
      },
      {
        test: {
          name: 'cluster',
          include: ['tests/cluster/**/*.test.ts'],
          expect: { poll: { timeout: 90_000 } },
          testTimeout: 1_800_000,
          hookTimeout: 600_000,
        },
      },
      {
        test: {
          name: 'browser',
          include: ['tests/browser/**/*.test.ts'],
          globalSetup: ['tests/browser/start-application.ts'],
          // Savings are waited for, also on a machine that is busy with something else.
          expect: { poll: { timeout: 90_000 } },
          testTimeout: 600_000,
          hookTimeout: 300_000,
        },
      },
    ],
  },
});

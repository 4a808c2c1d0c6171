import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = { '@': fileURLToPath(new URL('src', import.meta.url)) };

export default defineConfig({
  resolve: { alias },
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'core',
          include: ['src/{core,ui,features,workers}/**/*.test.ts', 'cli/**/*.test.ts'],
          testTimeout: 240_000,
          // Every processor, and modules loaded once per worker: nothing in the core keeps a state between tests.
          maxWorkers: '100%',
          isolate: false,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'screens',
          include: ['src/{ui,features}/**/*.test.tsx'],
          environment: 'happy-dom',
          setupFiles: ['src/ui/testing/setUp.ts'],
          testTimeout: 60_000,
          maxWorkers: '100%',
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'database',
          include: ['src/server/**/*.test.ts'],
          testTimeout: 240_000,
          fileParallelism: false,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'browser',
          include: ['e2e/**/*.test.ts'],
          testTimeout: 300_000,
          hookTimeout: 300_000,
          fileParallelism: false,
        },
      },
    ],
  },
});

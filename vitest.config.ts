import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

const alias = { '@': fileURLToPath(new URL('src', import.meta.url)) };

const APART = '**/*.apart.test.ts';

/** Files that take long for their size: begun first, so that nothing waits for them at the end. */
const LONG = [
  'e2e/reminders.test.ts',
  'e2e/upgrade.test.ts',
  'core/weld/weld.test.ts',
  'formats/replay.test.ts',
  'order/orderScreens.test.tsx',
  'calendar/calendarScreens.test.tsx',
];

class LongFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const sorted = await super.sort(files);
    const isLong = ({ moduleId }: TestSpecification) => LONG.some((name) => moduleId.endsWith(name));
    return [...sorted.filter(isLong), ...sorted.filter((file) => !isLong(file))];
  }
}

export default defineConfig({
  resolve: { alias },
  test: {
    sequence: { sequencer: LongFirst },
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'core',
          include: ['src/{core,ui,features,workers}/**/*.test.ts', 'cli/**/*.test.ts'],
          exclude: ['**/node_modules/**', APART],
          testTimeout: 240_000,
          // Every processor, and modules loaded once per worker: nothing in the core keeps a state between tests.
          maxWorkers: '100%',
          isolate: false,
        },
      },
      {
        resolve: { alias },
        test: {
          // Times of single frames, in workers of their own: code that a hundred other files have run before is compiled for all
          // of them, and takes twice as long as in a browser.
          name: 'core-apart',
          include: [`src/core/${APART}`],
          // After all others, so that nothing else runs meanwhile.
          sequence: { groupOrder: 1 },
          maxWorkers: 1,
          testTimeout: 240_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'screens',
          include: ['src/{ui,features}/**/*.test.tsx'],
          environment: 'happy-dom',
          // Modules are loaded once per worker: what they keep between tests is put back before each (setUp).
          isolate: false,
          restoreMocks: true,
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
          exclude: ['**/node_modules/**', APART],
          testTimeout: 240_000,
          // A fresh database is made and migrated before each file: two at a time do not meet.
          hookTimeout: 240_000,
          maxWorkers: 2,
          isolate: false,
        },
      },
      {
        resolve: { alias },
        test: {
          // Parts of the server are stood in for: modules of their own.
          name: 'database-apart',
          include: [`src/server/${APART}`],
          sequence: { groupOrder: 1 },
          maxWorkers: 1,
          testTimeout: 240_000,
          hookTimeout: 240_000,
        },
      },
      {
        resolve: { alias },
        test: {
          // Each file has a browser of its own, two at a time; those that leave the server alone share one for each worker.
          name: 'browser',
          include: ['e2e/**/*.test.ts'],
          exclude: [APART],
          globalSetup: ['e2e/shared.ts'],
          isolate: false,
          testTimeout: 300_000,
          hookTimeout: 300_000,
          maxWorkers: 2,
        },
      },
      {
        resolve: { alias },
        test: {
          // What measures how long something takes: after all others, and nothing beside it.
          name: 'browser-apart',
          include: [`e2e/${APART}`],
          testTimeout: 300_000,
          hookTimeout: 300_000,
          sequence: { groupOrder: 1 },
          maxWorkers: 1,
        },
      },
    ],
  },
});

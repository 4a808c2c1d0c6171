import path from 'node:path';
import { defineConfig, type UserWorkspaceConfig } from 'vitest/config';
import usual from '../../vitest.config';
import { ROOT } from '../places';
import { switches } from './switches';

const plugins = [switches(process.env.KEVLO_SLIPS_LIST as string)];
const runner = path.join(ROOT, 'cli/mutate/runner.ts');

/** The tests of the project as they are, with switches in the sources and a runner that turns them (`mutate`). */
export default defineConfig({
  ...usual,
  test: {
    ...usual.test,
    projects: (usual.test?.projects as UserWorkspaceConfig[]).map(({ test, ...rest }) => ({
      ...rest,
      root: ROOT,
      plugins,
      // A slip may wait for what never comes.
      test: { ...test, runner, testTimeout: 30_000, env: { KEVLO_TEST_WAIT_MS: '4000' } },
    })),
  },
});

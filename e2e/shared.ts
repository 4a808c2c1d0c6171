import type { TestProject } from 'vitest/node';
import { Application } from './application';

/** An application that files use one after another: where it answers, and its database. */
export interface Shared {
  readonly addresses: readonly string[];
  readonly url: string;
}

declare module 'vitest' {
  interface ProvidedContext {
    readonly shared: readonly Shared[];
  }
}

/**
 * Starts an application of two processes for each worker, for all files that do not end or cut off its processes. With one
 * for each file a sixth of the time went by while it loaded, and planned its first blocks with code that was not warm.
 */
export default async function start(project: TestProject): Promise<() => Promise<void>> {
  const workers = Array.from({ length: Number(project.config.maxWorkers) });
  const applications = await Promise.all(workers.map(() => Application.start(2)));
  const shared = applications.map(({ addresses, url }) => ({ addresses, url }));
  project.provide('shared', shared);
  return async () => {
    await Promise.all(applications.map((one) => one.stop()));
  };
}

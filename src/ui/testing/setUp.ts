import { cleanup, configure } from '@testing-library/react';
import { mutate } from 'swr';
import { afterEach, beforeEach, vi } from 'vitest';
import { navigation } from './navigation';
import { FakeStream } from './fakeStream';
import { FakeWorker, comlink } from './fakeWorker';

vi.mock('next/navigation', () => navigation);
vi.mock('comlink', () => comlink);

// On a busy machine an answer takes as long as it takes.
configure({ asyncUtilTimeout: 20_000 });

beforeEach(() => {
  for (const way of Object.values(navigation.router)) way.mockClear();
  vi.stubGlobal('EventSource', FakeStream);
  vi.stubGlobal('Worker', FakeWorker);
  FakeWorker.reset();
  localStorage.clear();
  sessionStorage.clear();
});

afterEach(async () => {
  cleanup();
  // What one test's server answered is nothing to the next.
  await mutate(() => true, undefined, { revalidate: false });
  FakeStream.closeAll();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

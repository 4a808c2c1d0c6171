import { cleanup } from '@testing-library/react';
import { mutate } from 'swr';
import { afterEach, beforeEach, expect, vi } from 'vitest';
import { navigation } from './navigation';
import { FakeStream } from './fakeStream';
import { FakeWorker, comlink } from './fakeWorker';
import './waits';

vi.mock('next/navigation', () => navigation);
vi.mock('comlink', () => comlink);

/** What the page told the console, where nobody who sews looks: each such word is a fault. */
let complaints: string[] = [];

beforeEach(() => {
  complaints = [];
  vi.spyOn(console, 'error').mockImplementation((...said) => void complaints.push(said.join(' ')));
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
  expect(complaints).toEqual([]);
});

import { cleanup } from '@testing-library/react';
import { afterEach, beforeEach, vi } from 'vitest';
import { navigation } from './navigation';
import { FakeStream } from './fakeStream';

vi.mock('next/navigation', () => navigation);

beforeEach(() => {
  navigation.router.push.mockClear();
  navigation.router.refresh.mockClear();
  vi.stubGlobal('EventSource', FakeStream);
  localStorage.clear();
  sessionStorage.clear();
});

afterEach(() => {
  cleanup();
  FakeStream.closeAll();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

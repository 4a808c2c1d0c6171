import { renderHook } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { useCoalesced } from './useCoalesced';

test('asked once it is done at once; asked often it is done again once after a rest, and then as before', () => {
  vi.useFakeTimers();
  const work = vi.fn();
  const { result, unmount } = renderHook(() => useCoalesced(work, 1000));
  result.current();
  vi.advanceTimersByTime(5000);
  expect(work).toHaveBeenCalledTimes(1);
  work.mockClear();
  result.current();
  for (let i = 0; i < 50; i++) result.current();
  expect(work).toHaveBeenCalledTimes(1);
  vi.advanceTimersByTime(1000);
  expect(work).toHaveBeenCalledTimes(2);
  vi.advanceTimersByTime(5000);
  expect(work).toHaveBeenCalledTimes(2);
  result.current();
  expect(work).toHaveBeenCalledTimes(3);
  result.current();
  unmount();
  vi.advanceTimersByTime(5000);
  expect(work).toHaveBeenCalledTimes(3);
});

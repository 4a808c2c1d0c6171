import { expect, test, vi } from 'vitest';
import { isUnsafe, keep, kept, keptList, onDevice } from './device';

test('what is kept is read again, told to whoever listens, and forgotten', () => {
  const heard = vi.fn();
  const stop = onDevice(heard);
  expect(keep('k', 'word')).toBe(true);
  expect([kept('k'), heard.mock.calls.length]).toEqual(['word', 1]);
  keep('k', undefined);
  expect([kept('k'), heard.mock.calls.length]).toEqual([undefined, 2]);
  stop();
  keep('k', 'again');
  expect(heard).toHaveBeenCalledTimes(2);
});

test('a full device: what does not fit holds until the page is left, and is said to be unsafe until there is room', () => {
  const full = vi.spyOn(window.localStorage, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  expect(keep('k', 'word')).toBe(false);
  expect([kept('k'), isUnsafe('k')]).toEqual(['word', true]);
  full.mockRestore();
  expect(keep('k', 'word')).toBe(true);
  expect([kept('k'), isUnsafe('k')]).toEqual(['word', false]);
});

test('a list that cannot be read is empty', () => {
  for (const text of ['{', '7', '{"a":1}']) {
    keep('l', text);
    expect(keptList('l')).toEqual([]);
  }
  keep('l', '[1,2]');
  expect(keptList('l')).toEqual([1, 2]);
});

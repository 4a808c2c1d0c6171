import { act, render, screen, waitFor } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { answering, unreachable } from '@/ui/testing';

const STEP = { id: 's1', kind: 'join', units: [] as string[][] } as const;

/** The page as a phone finds it that opens it anew, its local storage full. */
async function opened() {
  vi.resetModules();
  const [{ useTicks }, { WaitingNote }, device] = await Promise.all([
    import('./useTicks'),
    import('./MakerNotes'),
    import('@/ui/device'),
  ]);
  await new Promise<void>((resolve) => device.whenRead(resolve));
  let record: (() => void) | undefined;
  function Page() {
    const ticks = useTicks('token', 'maker', 0);
    record = () => ticks.record('b1', STEP, 'done');
    return <WaitingNote ticks={ticks} />;
  }
  const { unmount } = render(<Page />);
  return { tick: () => act(() => record?.()), unmount };
}
const note = () => screen.queryByRole('alert')?.textContent ?? '';
const NO_ROOM = 'no room left to keep them';

const fill = () =>
  vi.spyOn(window.localStorage, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
let full: ReturnType<typeof fill>;

beforeEach(() => {
  localStorage.clear();
  answering({ 'POST .*': unreachable });
  full = fill();
});
afterEach(() => {
  full.mockRestore();
  vi.unstubAllGlobals();
});

test('on a full phone a tick is safe as soon as the browser’s database has it, and there when the page is opened again; nobody is alarmed', async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  const first = await opened();
  first.tick();
  expect(note()).toContain('1 tick waits');
  expect(note()).not.toContain(NO_ROOM);
  const { readLarge } = await import('@/ui/largeStore');
  await waitFor(async () => expect(JSON.stringify(await readLarge())).toContain('s1'));
  expect(note()).not.toContain(NO_ROOM);
  first.unmount();
  const second = await opened();
  expect(note()).toContain('1 tick waits');
  expect(note()).not.toContain(NO_ROOM);
  second.unmount();
});

test('where there is no database either, the maker is told to leave the page open', async () => {
  vi.stubGlobal('indexedDB', undefined);
  const { tick, unmount } = await opened();
  tick();
  await waitFor(() => expect(note()).toContain(NO_ROOM));
  unmount();
});

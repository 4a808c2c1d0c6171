import { expect, test, vi } from 'vitest';
import { keepPage } from './keepPage';

/** A browser that runs service workers: what the page sends to one, and a way to answer. */
function withWorker() {
  const listeners = new Set<(event: MessageEvent) => void>();
  const sent: { kind: string; page: string; parts: string[] }[] = [];
  const active = { postMessage: (one: (typeof sent)[number]) => sent.push(one) };
  const register = vi.fn(() => Promise.resolve());
  vi.stubGlobal('navigator', {
    serviceWorker: {
      register,
      ready: Promise.resolve({ active }),
      addEventListener: (_: string, one: (event: MessageEvent) => void) => listeners.add(one),
      removeEventListener: (_: string, one: (event: MessageEvent) => void) => listeners.delete(one),
    },
  });
  const answer = (data: unknown) => listeners.forEach((one) => one({ data } as MessageEvent));
  return { sent, register, answer, listeners };
}

test('what belongs to the page is named once the rest is loaded: its own lasting parts, each once; the answer is for this page', async () => {
  vi.useFakeTimers();
  const { sent, register, answer, listeners } = withWorker();
  const own = (path: string) => new URL(path, window.location.href).href;
  const names = ['/_next/static/a.js', '/_next/static/a.js', '/api/m/x/photos/p', '/api/m/x/events', '/icons/i.png'].map(own);
  vi.spyOn(performance, 'getEntriesByType').mockReturnValue([...names, 'https://elsewhere.example/_next/static/b.js'].map((name) => ({ name })) as never);
  const order: string[] = [];
  const onKept = vi.fn();
  window.location.hash = '#then';
  const end = keepPage(async () => void order.push(`rest after ${sent.length} sent`), onKept);
  await vi.advanceTimersByTimeAsync(5000);
  expect(register).toHaveBeenCalledWith('/sw.js', { scope: '/m/' });
  expect(order).toEqual(['rest after 0 sent']);
  expect(sent).toEqual([{ kind: 'keep', page: window.location.href.split('#')[0], parts: [own('/_next/static/a.js'), own('/api/m/x/photos/p'), own('/icons/i.png')] }]);
  answer({ kind: 'kept', page: 'another' });
  answer(undefined);
  expect(onKept).not.toHaveBeenCalled();
  answer({ kind: 'kept', page: window.location.href.split('#')[0] });
  expect(onKept).toHaveBeenCalledTimes(1);
  end();
  expect(listeners.size).toBe(0);
}); // prettier-ignore

test('a browser that keeps nothing, or refuses to, and a page that is left are no trouble', async () => {
  vi.useFakeTimers();
  vi.stubGlobal('navigator', {});
  expect(keepPage(() => Promise.resolve(), vi.fn())()).toBeUndefined();
  const refusing = withWorker();
  refusing.register.mockRejectedValue(new Error('no'));
  keepPage(() => Promise.resolve(), vi.fn());
  const left = withWorker();
  keepPage(() => Promise.resolve(), vi.fn())();
  await vi.advanceTimersByTimeAsync(5000);
  expect([refusing.sent, left.sent]).toEqual([[], []]);
});

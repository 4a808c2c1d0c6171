import { act, fireEvent, render, renderHook, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { expect, test, vi } from 'vitest';
import { startHistory, type History } from '@/core/workshop';
import { Bench } from './Bench';
import { Notices, useNotice, useWorking } from './Notices';
import { StepDrawing } from './StepDrawing';
import { mapShapes } from './mapShapes';
import { TopMap } from './TopMap';
import { RefusedError, asRefusal, send } from './api';
import { BlockDrawing } from './drawing/BlockDrawing';
import { panZoom } from './drawing/panZoom';
import { Tape } from './Tape';
import { OTHER_PLACES, STATIONS, placeOf } from './stations';
import { FakeStream, answering, navigation, refused, sheetOf, unreachable } from './testing';
import { useKeptHistory } from './useKeptHistory';
import { useLive } from './useLive';
import { mayLeave, useUnsaved } from './useUnsaved';

const SHEET = sheetOf('star');

test('the server’s answer, its refusal with all that it says, no server, and an answer that is no JSON', async () => {
  const asked = answering({
    'GET /good': () => ({ a: 1 }),
    'PUT /bad': () => refused(409, 'changed', { where: 'name', current: { revision: 3 } }),
    'GET /odd': () => new Response('<html>', { status: 502 }),
    'GET /away': unreachable,
  });
  expect(await send('GET', '/good')).toEqual({ a: 1 });
  await expect(send('PUT', '/bad', { b: 2 })).rejects.toMatchObject({ status: 409, code: 'changed', where: 'name', current: { revision: 3 }, message: 'Refused: changed. Mend it.' });
  expect(asked[1]?.body).toEqual({ b: 2 });
  await expect(send('GET', '/odd')).rejects.toMatchObject({ status: 502, code: 'unknown' });
  await expect(send('GET', '/away')).rejects.toMatchObject({ status: 0, code: 'offline' });
  expect(asRefusal(new Error('x'))).toBeInstanceOf(RefusedError);
  expect(asRefusal(new Error('x')).code).toBe('unknown');
}); // prettier-ignore

test('one stream for all parts of a page; each hears its own kinds, all hear what touches everything, none after it is gone', () => {
  vi.useFakeTimers();
  const [kits, blocks] = [vi.fn(), vi.fn()];
  const first = renderHook(() => useLive('p1', ['kits'], kits));
  const second = renderHook(() => useLive('p1', ['blocks'], blocks));
  expect(FakeStream.addresses).toEqual(['/api/projects/p1/live']);
  kits.mockClear();
  blocks.mockClear();
  FakeStream.tell('kits');
  FakeStream.tell('everything');
  expect([kits.mock.calls.length, blocks.mock.calls.length]).toEqual([2, 1]);
  // A server that is just starting refuses: the page asks again, and not at once.
  FakeStream.refuse();
  vi.advanceTimersByTime(4900);
  const before = FakeStream.addresses.length;
  vi.advanceTimersByTime(200);
  expect(FakeStream.addresses.length).toBe(before + 1);
  first.unmount();
  FakeStream.tell('kits');
  expect(kits).toHaveBeenCalledTimes(2);
  second.unmount();
  vi.advanceTimersByTime(20_000);
  renderHook(() => useLive('p2', ['kits'], kits));
  expect(FakeStream.addresses.at(-1)).toBe('/api/projects/p2/live');
});

test('of many changes at once a part of a page reads the first and, when that is there, the last: never two at a time', async () => {
  vi.useRealTimers();
  const ends: (() => void)[] = [];
  const read = vi.fn((_makerId?: string) => new Promise<void>((_, refuse) => ends.push(() => refuse(new Error('no line')))));
  const own = renderHook(() => useLive('p3', ['kits'], read));
  FakeStream.tell('kits m1');
  for (let i = 0; i < 50; i++) FakeStream.tell('kits m2');
  expect(read.mock.calls).toEqual([['m1']]);
  // What is read anew then is of everybody, and a reading that failed holds up nothing.
  ends[0]?.();
  await expect.poll(() => read.mock.calls.slice(1)).toEqual([[undefined]]);
  ends[1]?.();
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(read).toHaveBeenCalledTimes(2);
  // After a lost line a reading may never end: what is read anew does not wait for it, and nothing waits for it later.
  FakeStream.tell('kits');
  FakeStream.tell('everything');
  expect(read).toHaveBeenCalledTimes(4);
  FakeStream.tell('kits');
  ends[2]?.();
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(read).toHaveBeenCalledTimes(4);
  own.unmount();
  ends[3]?.();
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(read).toHaveBeenCalledTimes(4);
}); // prettier-ignore

function Telling({ undo }: { undo?: () => unknown }) {
  const [notice, begin] = [useNotice(), useWorking()];
  const [end, setEnd] = useState<() => void>();
  return (
    <>
      <button onClick={() => notice({ text: 'Done so.', ...(undo ? { undo } : {}) })}>tell</button>
      <button onClick={() => setEnd(() => begin('Working'))}>begin</button>
      <button onClick={() => end?.()}>end</button>
    </>
  );
}

test('what was done is told with its undo; an undo that fails says why; what is being worked out is shown till its end', async () => {
  const undo = vi.fn(() => Promise.reject(new RefusedError(409, 'x', 'Too late.', 'Leave it.')));
  render(<Notices><Telling undo={undo} /></Notices>); // prettier-ignore
  fireEvent.click(screen.getByText('tell'));
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await screen.findByText('Too late. Leave it.');
  expect(undo).toHaveBeenCalledOnce();
  expect(screen.queryByRole('button', { name: 'Undo' })).toBeNull();
  fireEvent.click(screen.getByText('begin'));
  expect(screen.getByRole('progressbar', { name: 'Working' })).toBeTruthy();
  fireEvent.click(screen.getByText('end'));
  expect(screen.queryByRole('progressbar')).toBeNull();
});

test('what can be taken back stays for twenty seconds, longer than a notice that is only read, or till it is sent away', async () => {
  const stillThere = async (undo: (() => unknown) | undefined, ms: number) => {
    const own = render(<Notices><Telling {...(undo ? { undo } : {})} /></Notices>); // prettier-ignore
    fireEvent.click(screen.getByText('tell'));
    await act(() => vi.advanceTimersByTimeAsync(ms));
    // It fades.
    await act(() => vi.advanceTimersByTimeAsync(1000));
    const isThere = screen.queryByText('Done so.') !== null;
    own.unmount();
    return isThere;
  };
  // What shows a notice is loaded when it is first needed: before the clock stands.
  await import('./NoticeBar');
  vi.useFakeTimers();
  expect(await stillThere(undefined, 6500)).toBe(true);
  expect(await stillThere(undefined, 8500)).toBe(false);
  expect(await stillThere(vi.fn(), 18_500)).toBe(true);
  expect(await stillThere(vi.fn(), 20_500)).toBe(false);
  vi.useRealTimers();
  render(<Notices><Telling undo={vi.fn()} /></Notices>); // prettier-ignore
  fireEvent.click(screen.getByText('tell'));
  fireEvent.click(await screen.findByRole('button', { name: 'Dismiss this notice' }));
  await waitFor(() => expect(screen.queryByText('Done so.')).toBeNull());
});

test('what is typed and not saved is asked for before a link is followed, but not for parts of the page, downloads and new tabs', () => {
  const confirm = vi.fn(() => false);
  vi.stubGlobal('confirm', confirm);
  const follow = (attributes: Record<string, string>) => {
    const link = document.body.appendChild(document.createElement('a'));
    for (const [name, value] of Object.entries(attributes)) link.setAttribute(name, value);
    let isFollowed = false;
    link.addEventListener('click', (event) => {
      isFollowed = true;
      event.preventDefault();
    });
    link.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
    link.remove();
    return isFollowed;
  };
  const { rerender, unmount } = renderHook(({ is }) => useUnsaved(is), { initialProps: { is: false } });
  expect([follow({ href: '/x' }), mayLeave(), confirm.mock.calls.length]).toEqual([true, true, 0]);
  rerender({ is: true });
  expect([follow({ href: '/x' }), mayLeave(), confirm.mock.calls.length]).toEqual([false, false, 2]);
  for (const more of [{ href: '#part' }, { href: '/x', download: '' }, { href: '/x', target: '_blank' }] as Record<string, string>[]) follow(more);
  expect(confirm).toHaveBeenCalledTimes(2);
  confirm.mockReturnValue(true);
  expect([follow({ href: '/x' }), mayLeave()]).toEqual([true, true]);
  unmount();
  confirm.mockReturnValue(false);
  expect(mayLeave()).toBe(true);
}); // prettier-ignore

test('steps that can be undone survive a reload, where the page shows what they led to, and not otherwise', () => {
  const kept = (present: object, past: readonly object[] = []) => {
    let now: History<object> = { ...startHistory(present), past };
    const hook = renderHook(() => useKeptHistory('k', now, (change) => (now = change(now))));
    hook.unmount();
    return now;
  };
  kept({ a: 2, b: 1 }, [{ a: 1 }]);
  expect(kept({ b: 1, a: 2 }).past).toEqual([{ a: 1 }]);
  kept({ a: 3 }, [{ a: 2 }]);
  expect(kept({ a: 9 }).past).toEqual([]);
  sessionStorage.setItem('k', '{broken');
  expect(kept({ a: 3 }).past).toEqual([]);
});

test('g and a letter go to a station within a moment, not while typing; ? and a button open the help of the place', async () => {
  const badges = Object.fromEntries(STATIONS.map(({ key }) => [key, { calls: key === 'bags' ? '3 to pack' : '', isReached: true }]));
  answering({ 'GET /api/projects/p1/badges': () => badges });
  render(
    <Bench project={{ id: 'p1', name: 'Coast', shop: '' }} accountName="Ada" badges={badges as never} firstBlock="b1">
      <input aria-label="field" />
    </Bench>,
  );
  expect(screen.getByRole('link', { name: /^Bags/ }).textContent).toBe('Bags3 to pack');
  expect(screen.getByRole('link', { name: /^Order of work/ }).getAttribute('href')).toBe('/p/p1/order/b1');
  const at = (key: string, time: number, target: Element = document.body) => {
    const event = new KeyboardEvent('keydown', { key, bubbles: true });
    Object.defineProperty(event, 'timeStamp', { value: time });
    act(() => void target.dispatchEvent(event));
  };
  at('g', 5000, screen.getByLabelText('field'));
  at('m', 5100);
  at('g', 6000);
  at('m', 7300);
  expect(navigation.router.push).not.toHaveBeenCalled();
  at('g', 8000);
  at('m', 9100);
  expect(navigation.router.push).toHaveBeenCalledWith('/p/p1/makers');
  at('?', 9500);
  expect(screen.getByRole('dialog').textContent).toContain(OTHER_PLACES['']!.purpose);
  fireEvent.click(screen.getByRole('button', { name: 'Close' }));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  fireEvent.click(screen.getByRole('button', { name: 'Help' }));
  expect(screen.getByRole('dialog').textContent).toContain(OTHER_PLACES['']!.purpose);
}); // prettier-ignore

test('the tape says at which station one is, wherever within it', () => {
  const badges = Object.fromEntries(STATIONS.map(({ key }) => [key, { calls: '', isReached: false }]));
  const here = (path: string) => {
    vi.spyOn(navigation, 'usePathname').mockReturnValue(path);
    const { container, unmount } = render(<Tape badges={badges as never} hrefOf={({ path: own }) => `/p/p1/${own}`} />);
    const names = [...container.querySelectorAll('[aria-current]')].map(({ textContent }) => textContent);
    unmount();
    return names;
  };
  for (const { path, name } of STATIONS) expect(here(`/p/p1/${path}/x/y`)).toEqual([name]);
  expect(here('/p/p1')).toEqual([]);
  expect(here('/p/p1/settings')).toEqual([]);
}); // prettier-ignore

test('every station and place has help, a letter and an address of its own; unknown addresses are helped as Today', () => {
  for (const of of ['key', 'letter', 'path'] as const) expect(new Set(STATIONS.map((one) => one[of])).size).toBe(STATIONS.length);
  for (const { path, ways } of STATIONS) {
    expect(placeOf(`/p/p1/${path}/x`).ways).toBe(ways);
    expect(ways.length).toBeGreaterThan(1);
  }
  expect(placeOf('/p/p1/settings').name).toBe('Settings');
  expect(placeOf('/p/p1/nowhere').name).toBe('Today');
}); // prettier-ignore

test('the drawing: up and down go from patch to patch and are said with cloth and hand; back and front are said too', () => {
  const flip = vi.fn();
  const page = (isFlipped: boolean) => (
    <BlockDrawing label="Star" patches={SHEET.patches} kindNames={SHEET.kinds.map(({ name }) => name)} widthMm={SHEET.widthMm} heightMm={SHEET.heightMm} fabrics={['Ink']} system="inch" isFlipped={isFlipped} onFlip={flip} marks={[{ at: { x: 1, y: 2 }, label: 'gap' }]} />
  );
  const { rerender } = render(page(false));
  const drawing = screen.getByRole('img', { name: /^Star/ });
  fireEvent.keyDown(drawing, { key: 'ArrowDown' });
  expect(screen.getByText(/^Patch 1 \(/).textContent).toContain(SHEET.patches[0]!.fabric);
  fireEvent.keyDown(drawing, { key: 'ArrowUp' });
  expect(screen.getByText(new RegExp(`^Patch ${SHEET.patches.length} \\(`))).toBeTruthy();
  fireEvent.keyDown(drawing, { key: 'ArrowDown', altKey: true });
  expect(screen.getByText(new RegExp(`^Patch ${SHEET.patches.length} \\(`))).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: /flip/ }));
  expect(flip).toHaveBeenCalledOnce();
  rerender(page(true));
  expect(drawing.getAttribute('aria-label')).toContain('seen from the back');
  expect(drawing.innerHTML).toContain(`matrix(-1 0 0 1 ${SHEET.widthMm} 0)`);
  expect(drawing.querySelector('title')?.textContent).toBe('gap');
}); // prettier-ignore

test('a step on the drawing: what is in the hand stands strong and apart, what waits is faint, papers that came out are dashed', () => {
  const joins = SHEET.steps.flatMap((step, index) => (step.kind === 'join' ? [index] : []));
  const shapes = (current: number, showReleased = true) => {
    const { container, unmount } = render(<StepDrawing label="S" sheet={SHEET} current={current} fabrics={[]} system="inch" isFlipped={false} onFlip={() => undefined} showReleased={showReleased} />);
    const told = SHEET.patches.map(({ id }) => {
      const own = container.querySelector(`[data-patch="${id}"]`)!;
      return { opacity: own.getAttribute('opacity'), dash: own.querySelector('path')!.getAttribute('stroke-dasharray'), isApart: own.parentElement!.hasAttribute('transform') };
    });
    unmount();
    return told;
  };
  const first = SHEET.steps[joins[0]!]!;
  if (first.kind !== 'join') throw new Error('no join');
  const held = new Set([...first.left, ...first.right]);
  shapes(joins[0]!).forEach(({ opacity, isApart }, patch) => {
    expect(opacity).toBe(held.has(patch) ? '1' : '0.28');
    expect(isApart).toBe(held.has(patch));
  });
  const released = (upTo: number) => new Set(SHEET.steps.slice(0, upTo).flatMap((step) => (step.kind === 'join' ? step.releases : [])));
  const last = SHEET.steps.length;
  const out = released(last);
  shapes(last).forEach(({ dash }, patch) => expect(dash === '2 3').toBe(out.has(patch)));
  expect(shapes(last, false).every(({ dash }) => dash === null)).toBe(true);
}); // prettier-ignore

test('the map of the top keeps each block in its place, all to one scale, with the share of its work', () => {
  const block = (id: string) => ({ id, name: id, place: 0, shapes: mapShapes(SHEET.patches), widthMm: SHEET.widthMm, heightMm: SHEET.heightMm, href: `/b/${id}`, text: '12 papers', share: 0.5 });
  render(<TopMap blocks={['a', 'b', 'c'].map(block)} fabrics={[]} columns={2} current="b" title="Blocks" />);
  expect(screen.getAllByRole('link').map((one) => [one.getAttribute('href'), one.getAttribute('aria-current')])).toEqual([['/b/a', null], ['/b/b', 'true'], ['/b/c', null]]);
  const grid = screen.getByRole('navigation', { name: 'The top: Blocks' }).querySelector('a')!.parentElement!;
  expect(grid.children).toHaveLength(4);
  // A path for each cloth, with the outline of each patch in it, the upper layer last.
  const outlines = [...grid.querySelector('svg')!.querySelectorAll('path')].map((path) => path.getAttribute('d')!.match(/M/g)!.length);
  expect(outlines).toHaveLength(new Set(SHEET.patches.map(({ fabric }) => fabric)).size);
  expect(outlines.reduce((sum, one) => sum + one, 0)).toBe(SHEET.patches.length);
  const [patch] = SHEET.patches;
  const stacked = [{ ...patch!, layer: 1, fabric: 'Upper' }, { ...patch!, layer: 0, fabric: 'Lower' }, { ...patch!, layer: 1, fabric: 'Lower' }];
  expect(mapShapes(stacked).map(({ fabric }) => fabric)).toEqual(['Lower', 'Upper', 'Lower']);
}); // prettier-ignore

test('a drawing moves as a picture while it is moved, and is drawn at its new place once it rests', () => {
  vi.useFakeTimers();
  const [frame, svg, group] = [document.createElement('div'), document.createElementNS('http://www.w3.org/2000/svg', 'svg'), document.createElementNS('http://www.w3.org/2000/svg', 'g')];
  Object.defineProperty(frame, 'clientWidth', { value: 400 });
  Object.defineProperty(frame, 'clientHeight', { value: 400 });
  frame.append(svg);
  const own = panZoom({ frame, svg, group: () => group, width: 200, height: 200, margin: 10 });
  own.zoomBy(2);
  expect(svg.style.transform).toContain('scale(2)');
  expect(group.getAttribute('transform')).toBeNull();
  vi.advanceTimersByTime(130);
  expect(svg.style.transform).toBe('');
  const [x, y, k] = group.getAttribute('transform')!.match(/-?[\d.]+/g)!.map(Number);
  // Twice as large about the middle of the frame: the middle of the drawing, at 90 mm, stays where it was.
  expect(k).toBe(2);
  expect(x! + 2 * 90).toBeCloseTo(90, 6);
  expect(y! + 2 * 90).toBeCloseTo(90, 6);
  own.zoomBy('fit');
  vi.advanceTimersByTime(130);
  expect(group.getAttribute('transform')).toMatch(/^translate\(0 0\) scale\(1\)$/);
  own.end();
}); // prettier-ignore

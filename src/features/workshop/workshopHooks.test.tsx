import { act, fireEvent, render, renderHook, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { BLOCK_FORMAT, type BlockDocument } from '@/core/block';
import { makePaper } from '@/core/catalogue';
import { cutGrid, hexagonMosaic } from '@/core/testing';
import { liveReport } from '@/core/workshop';
import { Notices } from '@/ui/Notices';
import { FakeStream, FakeWorker, answering, refused } from '@/ui/testing';
import { WorkshopPage } from './WorkshopPage';
import { centredAt, middleOf, widthOf } from './boardMiddle';
import { useBoardGhost } from './useBoardGhost';
import { useBoardWalk } from './useBoardWalk';
import { useReport } from './useReport';
import { useWorkshop } from './useWorkshop';
import { useWorkshopBlock } from './useWorkshopBlock';

const SQUARES: BlockDocument = { format: BLOCK_FORMAT, patches: cutGrid(3, 1, [0]) };
const INCH = makePaper({ family: 'regular', sides: 4, edgeMm: 25.4 });

const asked = () => FakeWorker.asked.map(({ name }) => name);

beforeEach(async () => {
  await import('@/workers/workshopWorker');
});

/** The block with its last paper slipped to the right. */
function slipped(by: number): BlockDocument {
  return { ...SQUARES, patches: SQUARES.patches.map((one, i) => (i < 2 ? one : { ...one, outline: { ...one.outline, corners: one.outline.corners.map(({ x, y }) => ({ x: x + by, y })) } })) };
} // prettier-ignore

test('a small block is reported at once, its mends a moment later; a mend of another state is not shown', async () => {
  const { result, rerender, unmount } = renderHook((document: BlockDocument) => useReport(document, 'inch'), { initialProps: slipped(0.8) });
  expect(result.current.report?.problems.length).toBeGreaterThan(0);
  expect([result.current.isFresh, result.current.mends]).toEqual([true, []]);
  await waitFor(() => expect(result.current.mends.some(Boolean)).toBe(true));
  expect(asked()).not.toContain('report');
  rerender(SQUARES);
  expect([result.current.report?.problems, result.current.mends]).toEqual([[], []]);
  unmount();
  expect(FakeWorker.ended).toBe(1);
}); // prettier-ignore

test('a large block is reported by the worker; until then the report is said to be of before', async () => {
  const large = { format: BLOCK_FORMAT, patches: hexagonMosaic(225) } satisfies BlockDocument;
  const { result, rerender } = renderHook((document: BlockDocument) => useReport(document, 'inch'), { initialProps: large as BlockDocument }); // prettier-ignore
  expect([result.current.report, result.current.isFresh]).toEqual([undefined, false]);
  await waitFor(() => expect(result.current.isFresh).toBe(true));
  expect(asked()[0]).toBe('report');
  expect(result.current.report?.kindOf).toHaveLength(large.patches.length);
  rerender({ ...large, patches: large.patches.slice(1) });
  expect(result.current.isFresh).toBe(false);
  expect(result.current.report?.kindOf).toHaveLength(large.patches.length);
  await waitFor(() => expect(result.current.report?.kindOf).toHaveLength(large.patches.length - 1));
});

test('an empty board asks the worker nothing', async () => {
  renderHook(() => useReport({ format: BLOCK_FORMAT, patches: [] }, 'inch'));
  await new Promise((resolve) => setTimeout(resolve, 500));
  expect(FakeWorker.asked).toEqual([]);
});

test('by keys: plus, minus and nought zoom and fit; Ctrl leaves them to the browser; other keys mean nothing here', () => {
  const board = { goToEdge: vi.fn(), placeShown: vi.fn(), zoomBy: vi.fn(), fit: vi.fn() };
  const { result } = renderHook(() => {
    const shop = useWorkshop(SQUARES, 'Beacon', undefined);
    return useBoardWalk(shop, liveReport(shop.document, 'metric'), 'metric', board);
  });
  const press = (key: string, more: object = {}) => {
    const event = { key, altKey: false, ctrlKey: false, metaKey: false, shiftKey: false, preventDefault: vi.fn(), ...more };
    act(() => result.current.onKeyDown(event as never));
    return event.preventDefault.mock.calls.length;
  };
  expect([press('+'), press('='), press('-'), press('0')]).toEqual([1, 1, 1, 1]);
  expect(board.zoomBy.mock.calls.map(([by]) => by > 1)).toEqual([true, true, false]);
  expect(board.fit).toHaveBeenCalledOnce();
  expect([press('+', { ctrlKey: true }), press('q'), press(' ', { metaKey: true })]).toEqual([0, 0, 0]);
  expect(board.zoomBy).toHaveBeenCalledTimes(3);
}); // prettier-ignore

test('the paper in the hand lies at the edge under the pointer, and away from every edge where the pointer is', () => {
  const { result } = renderHook(() => {
    const shop = useWorkshop(SQUARES, 'Beacon', undefined);
    return { shop, ghost: useBoardGhost(shop, (points) => points / 4) };
  });
  expect(result.current.ghost.shown).toBeUndefined();
  act(() => result.current.shop.hold({ name: 'square', outline: INCH }));
  expect(result.current.ghost.shown).toBeUndefined();
  const [first] = SQUARES.patches;
  const xs = first!.outline.corners.map(({ x }) => x);
  const ys = first!.outline.corners.map(({ y }) => y);
  act(() => result.current.ghost.pointAt({ x: Math.min(...xs) - 6, y: (Math.min(...ys) + Math.max(...ys)) / 2 }));
  expect(result.current.ghost.shown?.stretch?.patch).toBe(0);
  expect(result.current.ghost.shown?.ghost).toMatchObject({ kind: 'fits', covers: [] });
  const far = { x: Math.min(...xs) - 300, y: -300 };
  act(() => result.current.ghost.pointAt(far));
  const { ghost } = result.current.ghost.shown!;
  if (ghost.kind !== 'fits') throw new Error('no ghost');
  expect(middleOf([{ id: 'g', outline: ghost.outline, fabric: '', layer: 0 }], [0])).toEqual({ x: expect.closeTo(far.x, 6), y: expect.closeTo(far.y, 6) });
  act(() => result.current.ghost.pointAt(undefined));
  expect(result.current.ghost.shown).toBeUndefined();
}); // prettier-ignore

test('what would lie on another paper is not placed, and is said to lie on which', () => {
  const { result } = renderHook(() => {
    const shop = useWorkshop(SQUARES, 'Beacon', undefined);
    return { shop, ghost: useBoardGhost(shop, () => 0.001) };
  });
  act(() => result.current.shop.hold({ name: 'square', outline: INCH }));
  const { x, y } = middleOf(SQUARES.patches, [1]);
  act(() => result.current.ghost.pointAt({ x: x + 1, y }));
  act(() => result.current.ghost.placeShown());
  expect(result.current.shop.said).toMatch(/^It would lie on 2/);
  expect(result.current.shop.patches).toHaveLength(3);
});

test('filling without picking takes all; the middle and the width of nothing are the origin', () => {
  const { result } = renderHook(() => useWorkshop(SQUARES, 'Beacon', undefined));
  act(() => result.current.setCentre({ x: 500, y: 500 }));
  act(() => result.current.fill(2));
  expect(result.current.patches).toHaveLength(6);
  expect([middleOf([], []), widthOf([], [])]).toEqual([{ x: 0, y: 0 }, 0]);
  const placed = centredAt(INCH, { x: 7, y: -3 });
  expect(middleOf([{ id: 'a', outline: placed, fabric: '', layer: 0 }], [0])).toEqual({ x: expect.closeTo(7, 9), y: expect.closeTo(-3, 9) });
}); // prettier-ignore

test('the workshop’s page: a block opens with its name, saves itself, and takes in what someone else saved', async () => {
  let revision = 1;
  let document = SQUARES;
  const asked = answering({
    'GET .*/document': () => ({ revision, document }),
    'PUT .*/document': ({ body }) => ((body as { revision: number }).revision === revision ? { revision: (revision += 1) } : refused(409, 'changed', { current: { revision, document } })),
  });
  render(
    <Notices>
      <WorkshopPage projectId="p1" block={{ id: 'b1', name: 'Star', revision: 1, document: SQUARES }} knownFabrics={['Ink']} system="inch" touched={{ makers: ['Ada', 'Bo', 'Cy', 'Di'], bags: 1 }} />
    </Notices>,
  );
  expect(screen.getByRole('heading', { name: 'Star: workshop' })).toBeTruthy();
  expect(screen.getByRole('note').textContent).toMatch(/^Ada, Bo, Cy and 1 more have begun it, and 1 bag of it is packed\./);
  fireEvent.keyDown(window.document.body, { key: 'a', ctrlKey: true });
  fireEvent.click(screen.getByRole('button', { name: 'Turn (R)' }));
  await waitFor(() => expect(asked.some(({ method }) => method === 'PUT')).toBe(true));
  await waitFor(() => expect(screen.getByText('Saved')).toBeTruthy());
  const put = asked.find(({ method }) => method === 'PUT')!.body as { document: BlockDocument };
  document = { ...put.document, patches: put.document.patches.map((one, i) => (i === 0 ? { ...one, fabric: 'Theirs' } : one)) };
  revision += 1;
  act(() => FakeStream.tell('blocks'));
  expect(await screen.findByText(/Someone else changed 1 paper: taken in/)).toBeTruthy();
  fireEvent.click(screen.getByRole('tab', { name: 'Cloth' }));
  expect(screen.getByRole('radio', { name: /Theirs/ })).toBeTruthy();
}); // prettier-ignore

test('a page that was left before it was saved is taken in again with the steps that led there, not as one', async () => {
  answering({ 'PUT .*/document': () => ({ revision: 2 }) });
  const opened = () => renderHook(() => useWorkshopBlock('p1', { id: 'b1', name: 'Star', revision: 1, document: SQUARES }, 'Ink')); // prettier-ignore
  const first = opened();
  for (const by of [3, 9]) act(() => first.result.current.shop.edit(() => slipped(by), 'Move'));
  // The window is closed: nothing is sent any more, what is not saved stays on the device.
  act(() => void window.dispatchEvent(new Event('beforeunload')));
  act(() => void window.dispatchEvent(new Event('pagehide')));
  const [draft, steps] = [
    localStorage.getItem('kevlo-workshop-b1')!,
    sessionStorage.getItem('kevlo-undo-block-b1')!,
  ];
  first.unmount();
  await waitFor(() => expect(localStorage.getItem('kevlo-workshop-b1')).toBeNull());
  localStorage.setItem('kevlo-workshop-b1', draft);
  sessionStorage.setItem('kevlo-undo-block-b1', steps);
  const again = opened();
  await waitFor(() => expect(again.result.current.shop.document).toEqual(slipped(9)));
  for (const before of [slipped(3), SQUARES]) {
    act(() => again.result.current.shop.undo());
    expect(again.result.current.shop.document).toEqual(before);
  }
  expect(again.result.current.shop.canUndo).toBe(false);
});

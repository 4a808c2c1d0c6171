import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { BLOCK_FORMAT } from '@/core/block';
import { makePaper } from '@/core/catalogue';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import type { Point } from '@/core/geometry';
import { cutGrid } from '@/core/testing';
import { SQUARES, atWorkshop, board, key, lefts, press } from './testing/atWorkshop';

const grid = (columns: number, rows: number) => ({
  format: BLOCK_FORMAT,
  patches: cutGrid(columns, rows, [0]),
});

test('a copy stands beside what is picked, or beyond its neighbour, and is picked itself; what is in the way is said', () => {
  const { shop } = atWorkshop(grid(3, 1));
  const side = lefts(shop())[1]! - lefts(shop())[0]!;
  act(() => shop().pick([2]));
  act(() => shop().copy());
  expect([shop().picked, shop().said]).toEqual([[3], '1 paper added.']);
  expect(lefts(shop())[3]! - lefts(shop())[2]!).toBeCloseTo(side, 6);
  // Its place to the right is taken: it goes below, by twice its width.
  act(() => shop().pick([0]));
  act(() => shop().copy());
  const [first, copy] = [shop().patches[0]!, shop().patches[4]!];
  copy.outline.corners.forEach(({ x, y }, i) => {
    expect(x - first.outline.corners[i]!.x).toBeCloseTo(0, 6);
    expect(y - first.outline.corners[i]!.y).toBeCloseTo(2 * side, 6);
  });
  act(() => shop().pick([0]));
  act(() => shop().copy());
  expect([shop().patches.length, shop().said]).toEqual([5, '0 papers added; 1 was there already.']);
}); // prettier-ignore

test('filling round copies what is picked, or all, about the middle or the centre that is set', () => {
  const { shop } = atWorkshop(grid(2, 2));
  act(() => shop().fill(4));
  expect([shop().patches.length, shop().said]).toEqual([4, '0 papers added; 12 were there already.']);
  const corner = shop().patches[0]!.outline.corners[0]!;
  act(() => shop().setCentre(corner));
  act(() => shop().pick([0]));
  act(() => shop().fill(4));
  expect([shop().patches.length, shop().said]).toEqual([7, '3 papers added.']);
  act(() => shop().undo());
  expect(shop().patches).toHaveLength(4);
  act(() => shop().setCentre(undefined));
  act(() => shop().pick([0]));
  act(() => shop().fill(8));
  // Half of the turns fall on itself; the others lie across it.
  expect(shop().said).toBe(
    '0 papers added; 3 were there already; 4 would lie on other patches and were left out.',
  );
});

test('a ring lays the paper in the hand on every edge that it fits; with an empty hand that is said', () => {
  const { shop } = atWorkshop(grid(1, 1));
  act(() => shop().ring());
  expect([shop().patches.length, shop().said]).toEqual([1, 'Take a paper from the tray first.']);
  const [from, to] = shop().patches[0]!.outline.corners as [Point, Point];
  const side = Math.abs(to.x - from.x);
  act(() => shop().hold({ name: 'square', outline: makePaper({ family: 'regular', sides: 4, edgeMm: side }) }));
  act(() => shop().ring());
  expect([shop().patches.length, shop().said]).toEqual([5, '4 papers added.']);
  expect(shop().patches.slice(1).every(({ fabric }) => fabric === 'Beacon')).toBe(true);
}); // prettier-ignore

test('what is locked is neither painted nor taken out, and it is said; of several only the others go', () => {
  const { shop } = atWorkshop();
  act(() => shop().remove());
  expect(shop().said).toBe('Nothing is picked.');
  act(() => shop().pick([0]));
  act(() => shop().lock(true));
  expect(shop().history.past.at(-1)).toBeTruthy();
  act(() => shop().paintOne(0));
  expect(shop().said).toBe('Paper 1 is locked: unlock it first.');
  act(() => shop().remove());
  expect([shop().said, shop().patches.length]).toEqual(['What is picked is locked: unlock it first.', 3]);
  act(() => shop().pick([0, 1]));
  act(() => shop().remove());
  expect([shop().said, shop().patches.length]).toEqual(['1 paper taken out; undo puts them back.', 2]);
  act(() => shop().pick([0]));
  act(() => shop().lock(false));
  act(() => shop().paintOne(0));
  expect([shop().said, shop().patches[0]?.fabric]).toEqual(['Paper 1 is in Beacon now.', 'Beacon']);
});

test('in turn: neighbours never share where they can be told apart; else round the middle', async () => {
  const { shop, fabrics } = atWorkshop(grid(3, 1));
  act(() => shop().addFabric('Straw'));
  act(() => shop().setFabric('Beacon'));
  act(() => shop().pick([0, 1, 2]));
  const choose = (name: string) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'second' }));
    fireEvent.click(screen.getByRole('option', { name }));
  };
  choose('Straw');
  fireEvent.click(press('In turn with'));
  expect(fabrics()).toEqual(['Beacon', 'Straw', 'Beacon']);
  expect(shop().said).toBe('3 papers painted in turn; no two neighbours share a cloth.');
  await waitFor(() => expect(screen.getByRole('radio', { name: 'Beacon' }).getAttribute('aria-checked')).toBe('true'));
  fireEvent.click(screen.getByRole('radio', { name: 'Straw' }));
  act(() => shop().pick([1]));
  expect(press('In turn with').hasAttribute('disabled')).toBe(true);
  fireEvent.click(press('Paint the 1 picked'));
  expect([fabrics(), shop().said]).toEqual([['Beacon', 'Straw', 'Beacon'], '1 paper painted.']);
}); // prettier-ignore

test('three round one point cannot be told apart by two cloths: they go in turn round the middle', () => {
  const { shop, fabrics } = atWorkshop(documentOfRecipe({ ...defaultRecipe('rosette'), rings: 1 } as never));
  act(() => shop().addFabric('Straw'));
  act(() => shop().setFabric('Beacon'));
  act(() => shop().pick(shop().patches.map((_, index) => index)));
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'second' }));
  fireEvent.click(screen.getByRole('option', { name: 'Straw' }));
  fireEvent.click(press('In turn with'));
  const count = shop().patches.length;
  expect(shop().said).toBe(`${count} papers painted.`);
  expect(fabrics().filter((one) => one === 'Beacon')).toHaveLength(Math.ceil(count / 2));
  const mean = (of: 'x' | 'y', corners: readonly Point[]) => corners.reduce((sum, corner) => sum + corner[of], 0) / corners.length;
  const ring = shop().patches.map(({ outline: { corners }, fabric }) => ({ x: mean('x', corners), y: mean('y', corners), fabric }));
  const [cx, cy] = [mean('x', ring), mean('y', ring)];
  const round = ring.filter(({ x, y }) => Math.hypot(x - cx, y - cy) > 1).sort((a, b) => Math.atan2(a.y - cy, a.x - cx) - Math.atan2(b.y - cy, b.x - cx));
  // Six round one in the middle, which takes no turn among them: no two beside each other share a cloth.
  const same = round.filter(({ fabric }, i) => fabric === round[(i + 1) % round.length]?.fabric);
  expect([round.length, same.length]).toEqual([6, 0]);
}); // prettier-ignore

test('cloth rules: what the picked mean is said, seen to be broken, and dropped; numbers of rules are never given twice', () => {
  const { shop, look } = atWorkshop();
  expect(press('The picked share a cloth').hasAttribute('disabled')).toBe(true);
  fireEvent.click(press('No neighbours share'));
  expect(shop().document.rules).toEqual([{ id: 'rule-1', kind: 'differ' }]);
  act(() => shop().pick([0, 1]));
  fireEvent.click(press('The picked alternate'));
  fireEvent.click(press('The picked share a cloth'));
  fireEvent.click(press('No neighbours share, among the picked'));
  fireEvent.click(press('Beacon never faces itself'));
  const ids = shop().patches.slice(0, 2).map(({ id }) => id);
  expect(shop().document.rules?.slice(1)).toEqual([
    { id: 'rule-2', kind: 'alternate', patches: ids },
    { id: 'rule-3', kind: 'same', patches: ids },
    { id: 'rule-4', kind: 'differ', patches: ids },
    { id: 'rule-5', kind: 'not-facing', fabric: 'Beacon' },
  ]);
  fireEvent.click(screen.getAllByRole('button', { name: 'Look' })[0]!);
  expect(look).toHaveBeenCalledOnce();
  fireEvent.click(screen.getAllByRole('button', { name: /^Drop the rule/ })[0]!);
  expect(shop().document.rules?.map(({ id }) => id)).toEqual(['rule-2', 'rule-3', 'rule-4', 'rule-5']);
  fireEvent.click(press('The picked alternate'));
  expect(shop().document.rules?.at(-1)?.id).toBe('rule-6');
}); // prettier-ignore

/** The board as if it were so large on the screen. */
function drawnBoard(document = SQUARES) {
  vi.spyOn(HTMLElement.prototype, 'clientWidth', 'get').mockReturnValue(800);
  vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockReturnValue(600);
  const own = atWorkshop(document);
  const view = () => {
    const [x = 0, y = 0, k = 1] = board().querySelector('svg > g')!.getAttribute('transform')!.match(/-?[\d.]+/g)!.map(Number); // prettier-ignore
    return { x, y, k };
  };
  return { ...own, view };
}

test('the board shows all of it at first, an empty one its hint; its buttons and keys go nearer, farther and back', () => {
  const { view } = drawnBoard();
  const start = view();
  // Three squares of an inch in a row fit 800 by 600 at the largest scale that is shown of itself.
  expect(start.k).toBeCloseTo(8 * 0.88, 3);
  key('+');
  const nearer = view().k;
  expect(nearer).toBeGreaterThan(start.k);
  key('-');
  expect(view().k).toBeCloseTo(start.k, 6);
  fireEvent.click(screen.getByRole('button', { name: 'Zoom in' }));
  expect(view().k).toBeGreaterThan(start.k);
  fireEvent.click(screen.getByRole('button', { name: 'Fit the block into the board' }));
  expect(view()).toEqual(start);
  expect(screen.queryByText(/Take a paper from the tray, then press here/)).toBeNull();
});

test('an empty board says what to do first', () => {
  const { view } = drawnBoard({ format: BLOCK_FORMAT, patches: [] });
  expect(screen.getByText(/Take a paper from the tray, then press here/)).toBeTruthy();
  // 160 mm of bare board, as high as the window.
  expect(view().k).toBeCloseTo((600 / 160) * 0.88, 3);
});

test('a wheel moves the drawn picture at once, and draws it sharp when it rests', async () => {
  const { view } = drawnBoard();
  const start = view();
  const wheel = new WheelEvent('wheel', { deltaY: -100, bubbles: true });
  act(
    () =>
      void board().dispatchEvent(
        Object.defineProperties(wheel, { clientX: { value: 10 }, clientY: { value: 10 } }),
      ),
  );
  const svg = board().querySelector('svg')!;
  expect(svg.style.transform).toMatch(/scale\(1\.\d+\)$/);
  expect(view()).toEqual(start);
  await waitFor(() => expect(svg.style.transform).toBe(''));
  expect(view().k).toBeGreaterThan(start.k);
});

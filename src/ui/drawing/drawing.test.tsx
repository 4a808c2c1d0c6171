import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import type { Pleat } from '@/core/basting';
import type { SewnChain, SheetPatch } from '@/core/sheet';
import {
  BendLayer,
  BlockDrawing,
  FoldLayer,
  PatchLayer,
  PatchMark,
  PleatLayer,
  Silhouette,
  ThreadLayer,
} from '.';

/** Squares of 40 mm in a row; the second is a left-handed paper, the third lies a layer higher. */
const square = (x: number, more: Partial<SheetPatch> = {}): SheetPatch => ({
  id: `p${x / 40}`,
  outline: { corners: [{ x, y: 0 }, { x: x + 40, y: 0 }, { x: x + 40, y: 40 }, { x, y: 40 }], bulges: [0, 0, 0, 0] },
  fabric: 'Fog', layer: 0, kind: 0, hand: 'none', foldOrder: [0, 1, 2, 3], tails: [], ...more,
}); // prettier-ignore
const patches = [square(0), square(40, { hand: 'L', fabric: 'Tar' }), square(80, { layer: 1, kind: -1 })];
const show = (more: Partial<Parameters<typeof BlockDrawing>[0]> = {}) =>
  render(<BlockDrawing label="Star" patches={patches} kindNames={['square']} widthMm={120} heightMm={40} fabrics={['Fog', 'Tar']} system="metric" {...more} />); // prettier-ignore
const svg = (children: React.ReactNode) => render(<svg>{children}</svg>).container;
const all = (inside: Element, css: string) => [...inside.querySelectorAll(css)];
const paths = (inside: Element, css = 'path') => all(inside, css).map((path) => path.getAttribute('d'));
const texts = (inside: Element) => all(inside, 'text').map(({ textContent }) => textContent);

test('arrow keys go from patch to patch and round; each is said with its number, paper, hand, cloth and side', () => {
  const { rerender } = show();
  const picture = () => screen.getByRole('img', { name: /^Star, seen from the (front|back), 3 patches/ });
  const spoken = () => document.querySelector('[aria-live=polite]')?.textContent;
  expect(spoken()).toBe('');
  fireEvent.keyDown(picture(), { key: 'ArrowDown' });
  expect(spoken()).toBe('Patch 1 (p0): square, Fog');
  fireEvent.keyDown(picture(), { key: 'ArrowDown' });
  expect(spoken()).toBe('Patch 2 (p1): square, left hand, Tar');
  fireEvent.keyDown(picture(), { key: 'ArrowUp' });
  fireEvent.keyDown(picture(), { key: 'ArrowUp' });
  // What has no paper is a background; before the first comes the last.
  expect(spoken()).toBe('Patch 3 (p2): background, Fog');
  fireEvent.keyDown(picture(), { key: 'ArrowDown', ctrlKey: true });
  expect(spoken()).toContain('Patch 3');
  rerender(<BlockDrawing label="Star" patches={patches} kindNames={['square']} widthMm={120} heightMm={40} fabrics={['Fog']} system="metric" isFlipped />); // prettier-ignore
  expect(picture().getAttribute('aria-label')).toContain('from the back');
  expect(spoken()).toContain('seen from the back');
});

test('the drawing is turned over by its button, mirrored about its middle, and its marks say what they are', () => {
  const onFlip = vi.fn();
  const { container } = show({ onFlip, isFlipped: true, marks: [{ at: { x: 10, y: 20 }, label: 'A gap' }] });
  fireEvent.click(screen.getByRole('button', { name: /^Back · flip/ }));
  expect(onFlip).toHaveBeenCalledOnce();
  expect(all(container, 'g[transform="matrix(-1 0 0 1 120 0)"]')).toHaveLength(1);
  expect(container.querySelector('g > title')?.textContent).toBe('A gap');
  expect(screen.getByRole('button', { name: /flip/ }).getAttribute('aria-pressed')).toBe('true');
});

test('a ruler lies below: centimetres or inches, numbered so that they can be read', () => {
  const metric = show();
  expect(texts(metric.container).slice(-13)).toEqual(Array.from({ length: 13 }, (_, cm) => `${cm} cm`));
  metric.unmount();
  const inch = show({ system: 'inch', widthMm: 25.4 * 30 });
  // Thirty inches: every third has its number.
  expect(texts(inch.container).slice(-11)).toEqual([0, 3, 6, 9, 12, 15, 18, 21, 24, 27, 30].map((n) => (n === 0 ? '0″' : `${n}″`))); // prettier-ignore
});

test('buttons and keys zoom, and “Fit” brings all of it back', async () => {
  const { container } = show();
  const frame = container.querySelector('svg[role=img]')!.parentElement!;
  for (const side of ['clientWidth', 'clientHeight']) Object.defineProperty(frame, side, { value: 400, configurable: true }); // prettier-ignore
  const moved = () => container.querySelector('svg[role=img] > g')?.getAttribute('transform');
  const scale = async (expected: number) =>
    waitFor(() => expect(Number(/scale\(([\d.]+)\)/.exec(moved() ?? '')?.[1])).toBeCloseTo(expected, 6));
  fireEvent.click(screen.getByRole('button', { name: 'Zoom in' }));
  await scale(1.25);
  fireEvent.keyDown(screen.getByRole('img', { name: /^Star/ }), { key: '+' });
  await scale(1.5625);
  fireEvent.click(screen.getByRole('button', { name: 'Zoom out' }));
  await scale(1.25);
  fireEvent.click(screen.getByRole('button', { name: 'Fit' }));
  await waitFor(() => expect(moved()).toBe('translate(0 0) scale(1)'));
});

test('lower layers are drawn first; what waits is faint, what is held is framed, numbers stay upright from behind', () => {
  const layer = (isFlipped: boolean) =>
    svg(<PatchLayer patches={[patches[2]!, patches[0]!, patches[1]!]} fabrics={['Fog', 'Tar']} prefix="x" ink={(patch) => (patch === 1 ? 'waiting' : 'held')} shift={(patch) => (patch === 2 ? { x: 3, y: 4 } : undefined)} isFlipped={isFlipped} showTails={false} />); // prettier-ignore
  const drawn = layer(false);
  expect(all(drawn, '[data-patch]').map((patch) => patch.getAttribute('data-patch'))).toEqual([
    'p0',
    'p1',
    'p2',
  ]);
  expect(all(drawn, '[data-patch]').map((patch) => patch.getAttribute('opacity'))).toEqual([
    '0.28',
    '1',
    '1',
  ]);
  expect(texts(drawn)).toEqual(['2', '3L', '1']);
  expect(all(drawn, 'g[transform="translate(3 4)"]')).toHaveLength(1);
  expect(all(drawn, '[data-patch] > path').map((path) => path.getAttribute('fill'))).toEqual(['url(#x-0)', 'url(#x-1)', 'url(#x-0)']); // prettier-ignore
  expect(all(drawn, 'g[transform$="scale(-1 1)"]')).toHaveLength(0);
  expect(all(layer(true), 'g[transform$="scale(-1 1)"]')).toHaveLength(3);
});

test('a tail lies along the side that is folded over, as long as it is, from its corner', () => {
  const tailed = square(0, { tails: [{ corner: 1, overEdge: 1, lengthMm: 6 }] as never });
  const drawn = svg(<PatchLayer patches={[tailed]} fabrics={['Fog']} prefix="x" ink={() => 'normal'} isFlipped={false} showTails />); // prettier-ignore
  const [tail] = paths(drawn, 'path[opacity="0.85"]');
  expect(tail?.startsWith('M40 0L46 0L')).toBe(true);
});

test('raw sides are dotted over the outline, fold numbers stand on the sides that are folded, curves alone have none', () => {
  const raw = svg(<PatchMark outline={square(0).outline} fill="none" rawSides={[1, 3]} />);
  expect(paths(raw, 'path[stroke-dasharray]')).toHaveLength(2);
  expect(texts(svg(<FoldLayer patches={[square(0, { foldOrder: [2, 3, 0] })]} isFlipped={false} />))).toEqual(['3', '1', '2']); // prettier-ignore
  // Within the sides in a block, round a paper that is shown by itself.
  const placesOf = (layer: React.ReactNode) => all(svg(layer), 'g[transform^="translate"]').map((one) => /\((\S+) (\S+)\)/.exec(one.getAttribute('transform')!)!.slice(1).map(Number)); // prettier-ignore
  const isIn = (place: number[]) => place.every((one) => one > 0 && one < 40);
  const [within, around] = [undefined, 4].map((aroundMm) => placesOf(<FoldLayer patches={[square(0, { foldOrder: [0, 1, 2, 3] })]} isFlipped={false} {...(aroundMm ? { aroundMm } : {})} />)); // prettier-ignore
  expect([within!.map(isIn), around!.map(isIn)]).toEqual([[true, true, true, true], [false, false, false, false]]); // prettier-ignore
  expect(around).toEqual([
    [20, -3.4],
    [43.4, 20],
    [20, 43.4],
    [-3.4, 20],
  ]);
  const round = { id: 'r', outline: { corners: [{ x: 0, y: 0 }, { x: 10, y: 0 }], bulges: [1, 1] }, foldOrder: [0, 1] }; // prettier-ignore
  expect(texts(svg(<FoldLayer patches={[round]} isFlipped={false} />))).toEqual([]);
});

const chain = (more: Partial<SewnChain> = {}): SewnChain =>
  ({ path: [{ x: 0, y: 0 }, { x: 30, y: 0 }, { x: 30, y: 40 }], knots: [{ x: 0, y: 0 }, { x: 30, y: 40 }], locks: [], bends: [], carriesOn: false, slides: [], ...more }) as unknown as SewnChain; // prettier-ignore

test('a thread begins with a dot, or a ring where it carries on, ends with an arrow, and shows knots, locks, bends, X and slides', () => {
  const plain = svg(<ThreadLayer chains={[chain()]} scaleMm={110} />);
  // A white bed, the stitches, the arrow; a knot at the end and the dot at the begin, which needs no knot.
  expect(paths(plain)).toHaveLength(3);
  expect(all(plain, 'circle').map((dot) => [dot.getAttribute('cx'), dot.getAttribute('cy'), dot.getAttribute('fill')])).toEqual([['30', '40', '#fffdf7'], ['0', '0', 'var(--mui-palette-error-main)']]); // prettier-ignore
  // The arrow points down: its tip is the end, both wings above it.
  const [wing, tip, other] = (paths(plain).at(-1) ?? '').slice(1, -1).split('L').map((pair) => pair.split(' ').map(Number)); // prettier-ignore
  expect([tip, wing?.[1], other?.[1], (wing?.[0] ?? 0) + (other?.[0] ?? 0)]).toEqual([[30, 40], 37, 37, 60]);
  const full = svg(<ThreadLayer chains={[chain({ carriesOn: true, locks: [{ x: 15, y: 0 }], bends: [{ x: 30, y: 0 }], crossing: { x: 5, y: 5 }, slides: [{ from: { x: -9, y: 0 }, to: { x: 0, y: 0 } }] as never })]} scaleMm={110} />); // prettier-ignore
  expect(paths(full, '[data-slide]')).toEqual(['M-9 0L0 0']);
  expect(paths(full)).toHaveLength(6);
  expect(all(full, 'circle')).toHaveLength(3);
  expect(all(full, 'circle').at(-1)?.getAttribute('fill')).toBe('#fffdf7');
  // Of one place there is nothing to point at.
  expect(paths(svg(<ThreadLayer chains={[chain({ path: [{ x: 0, y: 0 }] })]} scaleMm={110} />))).toHaveLength(
    2,
  );
});

test('a paper is folded from its bend through its middle, where it stands apart as well', () => {
  const folds = [{ at: { x: 40, y: 0 }, patches: [0, 7] }] as never;
  const drawn = svg(<BendLayer folds={folds} patches={patches} shift={() => ({ x: 1, y: 2 })} />);
  // From the corner through the middle of the square, and three quarters beyond.
  expect(paths(drawn)).toEqual(['M41 2L6 37']);
});

test('pleats are lines out across the allowance, clips are wedges', () => {
  const pleats: Pleat[] = [{ kind: 'pleat', at: { x: 0, y: 0 }, outward: { x: 0, y: -1 } }, { kind: 'clip', at: { x: 9, y: 0 }, outward: { x: 0, y: -1 } }] as never; // prettier-ignore
  const [pleat, clip] = paths(svg(<PleatLayer pleats={pleats} allowanceMm={10} />));
  expect(pleat).toBe('M0 0L0 -7');
  expect(clip?.match(/-?\d+(\.\d+)?/g)?.map(Number)).toEqual([9, 0, 9.9, -7, 8.1, -7]);
});

test('a silhouette has the room that its outline needs, and is silent without a label', () => {
  const { container, rerender } = render(
    <Silhouette outline={square(0).outline} label="Outline of square" />,
  );
  expect(screen.getByRole('img', { name: 'Outline of square' }).getAttribute('viewBox')).toBe(
    '-2.4 -2.4 44.8 44.8',
  );
  // Where it lies in its block does not matter: the same room.
  rerender(<Silhouette outline={square(500).outline} label="Outline of square" />);
  const [left, , width] = screen.getByRole('img').getAttribute('viewBox')!.split(' ').map(Number);
  expect([left, width]).toEqual([expect.closeTo(497.6, 6), expect.closeTo(44.8, 6)]);
  rerender(<Silhouette outline={square(0).outline} label="" />);
  expect(container.querySelector('svg')?.getAttribute('aria-hidden')).toBe('true');
});

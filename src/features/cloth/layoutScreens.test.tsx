import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { USUAL_CLOTH } from '@/core/cloth';
import type { NestCloth, PieceKind } from '@/core/nesting';
import { polygonArea } from '@/core/nesting';
import { USUAL_ORDER, type ClothBolt } from '@/core/order';
import { Notices } from '@/ui/Notices';
import { FakeWorker } from '@/ui/testing';
import { BoltPanel } from './BoltPanel';
import type { FussyPaper } from './fussyRequest';
import { FussySheet } from './FussySheet';
import { LayoutPanel } from './LayoutPanel';
import { picturesOf } from './pictureOf';
import { ShelfTable } from './ShelfTable';

const laid: { kinds: readonly PieceKind[]; cloth: NestCloth; own?: readonly unknown[] }[] = [];
const NESTED = { placed: [{ kind: 0, turnDeg: 90, x: 50, y: 60 }], left: [0], lengthMm: 200, density: 0.8, boundLengthMm: 40, stripsLengthMm: 300 }; // prettier-ignore
beforeEach(() => {
  laid.length = 0;
  FakeWorker.answers({
    lay: (kinds: readonly PieceKind[], cloth: NestCloth) => (laid.push({ kinds, cloth }), NESTED),
    smallest: (_kinds: unknown, _width: number, _turns: string, _system: string, own: readonly unknown[]) => void laid.push({ kinds: [], cloth: {} as NestCloth, own }),
  }); // prettier-ignore
});

const strip = [{ x: 0, y: 0 }, { x: 80, y: 0 }, { x: 80, y: 30 }, { x: 0, y: 30 }]; // prettier-ignore
const cloth = { ...USUAL_CLOTH, name: 'Tar', revision: 0, repeatWidthMm: 60, repeatHeightMm: 80 };
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const type = (name: string, value: string) => fireEvent.change(screen.getByRole('textbox', { name, hidden: true }), { target: { value } }); // prettier-ignore

const layout = (more: Partial<Parameters<typeof LayoutPanel>[0]> = {}) =>
  render(
    <LayoutPanel
      bags={[{ blockId: 'b', block: 'Star', fabric: 'Tar', kinds: [{ id: 'strip', polygon: strip, count: 5 }], bags: 3 }]}
      shelf={[cloth]}
      system="metric"
      given={[]}
      onGive={() => undefined}
      ownCuts={[{ name: 'own cut', widthMm: 300, lengthMm: 300 }]}
      onOwnCuts={() => undefined}
      handMmPerMinute={300}
      allowanceMm={6}
      {...more}
    />,
  ); // prettier-ignore
const choose = async (school: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Cut' }));
  fireEvent.click(await screen.findByRole('option', { name: school }));
};

test('pieces are laid as the chosen school cuts them, round what is not to be used, and tried on own cuts; more layers take less time', async () => {
  layout();
  await act(async () => press('Lay it out'));
  expect(polygonArea(laid[0]?.kinds[0]?.polygon ?? [])).toBeCloseTo(80 * 30, 6);
  expect(laid.at(-1)?.own).toEqual([{ name: 'own cut', widthMm: 300, lengthMm: 300 }]);
  // Five strips of 220 mm of line each: 1.1 m at 300 mm a minute.
  expect(screen.getByText(/of cutting line for one bag, about 4 min/)).toBeTruthy();
  type('Layers cut at once by hand', '5');
  expect(screen.getByText(/of cutting line for one bag, about 1 min/)).toBeTruthy();
  await choose('rough squares, or scraps as large');
  // What was laid for another school is gone.
  expect(screen.queryByRole('img', { name: /laid on/ })).toBeNull();
  ['0', '20 cm', '10 cm', '5 cm'].forEach((value, index) => type(['From the left rim', 'From the cut edge', 'Wide', 'Long'][index]!, value));
  fireEvent.click(screen.getByRole('button', { name: 'Not to be used', hidden: true }));
  await act(async () => press('Lay it out'));
  const again = laid.find(({ cloth: ground }, index) => index > 1 && ground.used?.length === 1);
  expect(polygonArea(again?.kinds[0]?.polygon ?? [])).toBeCloseTo(80 * 80, 6);
  expect(again?.cloth.used).toEqual([[{ x: 0, y: 200 }, { x: 100, y: 200 }, { x: 100, y: 250 }, { x: 0, y: 250 }]]);
}); // prettier-ignore

test('the gaps between sets take other papers: they are laid round the cuts and said', async () => {
  const paper = (id: string, count: number): FussyPaper => ({ id, block: 'Star', fabric: 'Tar', count, bags: 2, paper: strip, cut: strip, tighter: strip }); // prettier-ignore
  const [set, other] = [paper('blade', 2), paper('kite', 9)];
  const answer = { cloth, lengthMm: 400, points: [{ paper: set, motif: { about: { x: 10, y: 10 }, turnDeg: 0 }, setOf: 4 }], found: { placed: [{ point: 0, x: 100, y: 100 }], points: [{ sets: 1, most: 1 }], isProven: true }, more: [] }; // prettier-ignore
  render(<FussySheet answer={answer} papers={[set, other]} fabrics={['Tar']} system="metric" />);
  expect(screen.getByText(/nor the paper a little aside gives another set/)).toBeTruthy();
  await act(async () => press('What else goes into the gaps'));
  expect(laid[0]?.cloth).toMatchObject({
    length: 400,
    used: [strip.map(({ x, y }) => ({ x: x + 90, y: y + 90 }))],
  });
  expect(laid[0]?.kinds.map(({ id, count }) => [id, count])).toEqual([['Star: blade', 3], ['Star: kite', 18]]); // prettier-ignore
  expect(screen.getByRole('status').textContent).toBe('In the gaps: 1 × Star: blade.');
  // Turned by a quarter about its corner, and moved.
  const dashed = document.querySelector('polygon[stroke-dasharray]')?.getAttribute('points')?.split(' ').map((pair) => pair.split(',').map(Number)); // prettier-ignore
  expect(dashed?.map(([x = 0, y = 0]) => [Math.round(x), Math.round(y)])).toEqual([[50, 60], [50, 140], [20, 140], [20, 60]]); // prettier-ignore
});

test('a shelf says what frays, how many pieces lie besides the bolt, and which cloth is pale; photos have addresses of their own', async () => {
  const onPale = vi.fn();
  const shelf = [{ ...cloth, frays: true, pieces: [{ widthMm: 100, lengthMm: 100 }] }, { ...cloth, name: 'Fog & Co', pictureAt: 7 }]; // prettier-ignore
  const nothing = () => undefined;
  render(
    <Notices>
      <ShelfTable shelf={shelf} lines={[]} bolts={[]} fabrics={['Tar', 'Fog & Co']} system="metric" pale={['Tar']} onPale={onPale} onEdit={nothing} onOther={nothing} onPhoto={nothing} />
    </Notices>,
  ); // prettier-ignore
  const rows = screen.getAllByRole('row').map(({ textContent }) => textContent);
  expect(rows[1]).toContain('Tar frays: cut it last, handle it little.');
  expect(rows[1]).toContain('0.00 m with 1 piece');
  expect(rows[2]).not.toContain('frays');
  expect(screen.getByRole('button', { name: 'Tar is very pale' }).getAttribute('aria-pressed')).toBe('true');
  press('Tar is very pale');
  press('Fog & Co is very pale');
  expect(onPale.mock.calls).toEqual([['Tar', false], ['Fog & Co', true]]); // prettier-ignore
  expect(picturesOf('p', shelf)).toEqual({
    'Fog & Co': '/api/projects/p/cloths/picture?cloth=Fog+%26+Co&at=7',
  });
});

test.each([
  [{ left: 0, over: 0, ordered: 0, packs: 0 }, 'enough'],
  [{ left: 0, over: 2, ordered: 0, packs: 0 }, 'nothing; 2.00 m too much on its way'],
  [{ left: 0, over: 0, ordered: 3, packs: 0 }, 'on its way'],
  [{ left: 800, over: 0, ordered: 0, packs: 1, buy: [{ pack: 1000, packs: 1 }] }, '1.00 m'],
])('of a cloth it is said what is to buy: %o', (figures, says) => {
  const line = { group: 'cloth', thing: 'Tar', unit: 'mm', sizes: [{ pack: 1000 }], needed: 900, stock: 0, cost: 0, buy: [], ...figures };
  const nothing = () => undefined;
  render(<Notices><ShelfTable shelf={[cloth]} lines={[line as never]} bolts={[]} fabrics={['Tar']} system="metric" pale={[]} onPale={nothing} onEdit={nothing} onOther={nothing} onPhoto={nothing} /></Notices>);
  expect(screen.getAllByRole('row')[1]?.textContent).toContain(`${says}no price`);
}); // prettier-ignore

test('a bolt says first what is cut from pieces on the shelf, also where nothing comes off the bolt', async () => {
  const sizes = [{ what: '', widthMm: 100, lengthMm: 100, total: 4 }, { what: '', widthMm: 50, lengthMm: 200, total: 1 }]; // prettier-ignore
  const bolt: ClothBolt = { fabric: 'Tar', sizes, usableMm: 1070, plan: { strips: [], lengthMm: 0, boundMm: 0, tooWide: [] }, pieces: [{ widthMm: 300, lengthMm: 250, counts: [4, 1] }] }; // prettier-ignore
  render(<BoltPanel bolts={[bolt]} figures={USUAL_ORDER.figures} system="metric" />);
  await waitFor(() => expect(screen.getByRole('list', { name: 'From pieces on the shelf' }).textContent).toBe('First, from the piece of 300 mm × 250 mm: 4 of 100 mm × 100 mm; 1 of 50 mm × 200 mm')); // prettier-ignore
  expect(screen.getByText('100 %; the rest is offcuts')).toBeTruthy();
});

test('a layout says what it saves for all bags, what the smallest cut costs, and that a piece may be given whole', async () => {
  const onGive = vi.fn();
  const cut = { name: 'fat quarter', widthMm: 500, lengthMm: 250 };
  FakeWorker.answers({ lay: () => NESTED, smallest: () => cut });
  const priced = { ...cloth, widthMm: 1000, selvedgeMm: 0, pricePerMetre: 10 };
  const given = [{ blockId: 'other', fabric: 'Tar', ...cut }];
  layout({ shelf: [priced], given, onGive });
  await act(async () => press('Lay it out'));
  // A tenth of a metre less for each of three bags.
  expect(screen.getByText(/for 3 bags, worth 3\.00$/)).toBeTruthy();
  // Half the width, a quarter of a metre long.
  expect(await screen.findByText('fat quarter, 1.25 by its share of the bolt')).toBeTruthy();
  press('Give each bag of Star this fat quarter');
  expect(onGive).toHaveBeenLastCalledWith([given[0], { blockId: 'b', fabric: 'Tar', ...cut }]);
});

test('a bag that is given a cut says so, and has its pieces cut again; what saves nothing says nothing of it', async () => {
  const onGive = vi.fn();
  FakeWorker.answers({ lay: () => ({ ...NESTED, stripsLengthMm: 200 }), smallest: () => null });
  const own = { blockId: 'b', fabric: 'Tar', name: 'fat quarter', widthMm: 500, lengthMm: 250 };
  layout({ given: [own, { ...own, blockId: 'other' }], onGive });
  expect(
    screen.getByText(/^Each bag of Star is given a fat quarter of Tar, not its pieces cut\./),
  ).toBeTruthy();
  press('Cut its pieces instead');
  expect(onGive).toHaveBeenLastCalledWith([{ ...own, blockId: 'other' }]);
  await act(async () => press('Lay it out'));
  expect(await screen.findByText('none was found that holds all')).toBeTruthy();
  expect(screen.queryByText('saved')).toBeNull();
});

test('pieces that do not go across have no strips; the fullest bag is laid out first', async () => {
  FakeWorker.answers({ lay: () => ({ ...NESTED, stripsLengthMm: undefined }), smallest: () => null });
  const bag = (block: string, count: number) => ({ blockId: block, block, fabric: 'Tar', kinds: [{ id: 'strip', polygon: strip, count }], bags: 1 }); // prettier-ignore
  layout({ bags: [bag('Few', 3), bag('Most', 9), bag('More', 5)] });
  expect(screen.getByRole('combobox', { name: 'Bag and cloth' }).textContent).toBe('Most, Tar');
  await act(async () => press('Lay it out'));
  expect(screen.getByText('some pieces do not go across')).toBeTruthy();
  expect(screen.getByText('9 × strip')).toBeTruthy();
});

test('a layout is of the cloth as it was: where that is said to be narrower it is gone, where a price is said it stays', async () => {
  FakeWorker.answers({ lay: () => NESTED, smallest: () => null });
  const page = (own: object) => (
    <LayoutPanel bags={[{ blockId: 'b', block: 'Star', fabric: 'Tar', kinds: [{ id: 'strip', polygon: strip, count: 5 }], bags: 3 }]} shelf={[{ ...cloth, ...own }]} system="metric" given={[]} onGive={() => undefined} ownCuts={[]} onOwnCuts={() => undefined} handMmPerMinute={300} allowanceMm={6} />
  ); // prettier-ignore
  const { rerender } = render(page({}));
  await act(async () => press('Lay it out'));
  expect(screen.getByText('by strips')).toBeTruthy();
  rerender(page({ pricePerMetre: 9 }));
  expect(screen.getByText(/worth 2\.70$/)).toBeTruthy();
  rerender(page({ widthMm: 700 }));
  expect(screen.queryByText('by strips')).toBeNull();
});

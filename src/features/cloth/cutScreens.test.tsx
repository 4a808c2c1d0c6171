import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { expect, test } from 'vitest';
import type { StandardCut } from '@/core/cutting';
import { USUAL_ORDER, type OrderFigures } from '@/core/order';
import { USUAL_CLOTH } from '@/core/cloth';
import { answering } from '@/ui/testing';
import { FussyPanel } from './FussyPanel';
import type { FussyPaper } from './fussyRequest';
import { wantedIn } from './useGaps';
import { OrderFields } from './OrderFields';
import { OwnCuts } from './OwnCuts';
import { UsedAreas } from './UsedAreas';
import type { UsedArea } from './useLayout';

const type = (name: string, value: string) => fireEvent.change(screen.getByRole('textbox', { name, hidden: true }), { target: { value } }); // prettier-ignore
const button = (name: string | RegExp) => screen.getByRole('button', { name, hidden: true });
const items = () => screen.queryAllByRole('listitem', { hidden: true }).map(({ textContent }) => textContent);

test('what of a cloth is not to be used is listed with its place, on the cloth alone, and taken out again', () => {
  let known: readonly UsedArea[] = [];
  function Page() {
    const [areas, setAreas] = useState<readonly UsedArea[]>([]);
    known = areas;
    return <UsedAreas areas={areas} widthMm={1100} system="metric" onChange={setAreas} />;
  }
  render(<Page />);
  const fill = (...values: string[]) => ['From the left rim', 'From the cut edge', 'Wide', 'Long'].forEach((name, index) => type(name, values[index] ?? ''));
  fill('0', '20 cm', '10 cm', '');
  expect(button('Not to be used').hasAttribute('disabled')).toBe(true);
  fill('120 cm', '20 cm', '10 cm', '5 cm');
  expect(button('Not to be used').hasAttribute('disabled')).toBe(true);
  fill('0', 'there', '10 cm', '5 cm');
  expect(screen.getByRole('alert', { hidden: true }).textContent).toContain('there');
  fill('0', '20 cm', '10 cm', '5 cm');
  fireEvent.click(button('Not to be used'));
  expect(known).toEqual([{ x: 0, y: 200, widthMm: 100, lengthMm: 50 }]);
  expect(items()[0]).toContain('100 mm × 50 mm, 0 from the left rim, 200 mm from the cut edge');
  fireEvent.click(button(/^It can be used/));
  expect(known).toEqual([]);
}); // prettier-ignore

test('own cuts are added once each, within what a cut can be, and taken out', () => {
  let known: readonly StandardCut[] = [];
  function Page() {
    const [cuts, setCuts] = useState<readonly StandardCut[]>([]);
    known = cuts;
    return <OwnCuts cuts={cuts} system="inch" onChange={setCuts} />;
  }
  render(<Page />);
  const add = (width: string, length: string) => {
    type('Own cut: width', width);
    type('Own cut: length', length);
    return button('Add this cut');
  };
  expect(add('14', '200').hasAttribute('disabled')).toBe(true);
  fireEvent.click(add('14', '20'));
  expect(known).toEqual([{ name: 'own cut, 14″ × 20″', widthMm: 355.6, lengthMm: 508 }]);
  expect(add('14', '20').hasAttribute('disabled')).toBe(true);
  fireEvent.click(button('Take out own cut, 14″ × 20″'));
  expect(known).toEqual([]);
});

test('allowances at the rim and the pace of scissors are typed in the project’s own unit', () => {
  let known: OrderFigures = USUAL_ORDER.figures;
  const show = (system: 'inch' | 'metric') => render(<OrderFields figures={known} system={system} onChange={(figures) => (known = figures)} onCurrency={() => undefined} />); // prettier-ignore
  const { unmount } = show('inch');
  type('More at the rim of blocks, ″', '0,25');
  expect(known.outerMoreMm).toBeCloseTo(6.35, 9);
  type('More at the rim of blocks, ″', '2');
  expect(screen.getByText('0 to 1.96')).toBeTruthy();
  type('Cut by hand in a minute, ″', '12');
  expect(known.handMmPerMinute).toBeCloseTo(304.8, 9);
  unmount();
  show('metric');
  type('Less at raw sides, mm', '3');
  expect(known.rawLessMm).toBe(3);
  expect((screen.getByRole('textbox', { name: 'Cut by hand in a minute, cm' }) as HTMLInputElement).value).toBe('30.48'); // prettier-ignore
});

const side = (mm: number) => [{ x: 0, y: 0 }, { x: mm, y: 0 }, { x: mm, y: mm }, { x: 0, y: mm }]; // prettier-ignore
const paperOf = (id: string, count: number): FussyPaper => ({ id, block: 'Star', fabric: 'Madder', count, bags: 2, paper: side(30), cut: side(40), tighter: side(38) }); // prettier-ignore
const cloth = { ...USUAL_CLOTH, name: 'Madder', revision: 0, repeatWidthMm: 60, repeatHeightMm: 80 };

test('sets of one point come first, then of another in what is left; each has its cuts and its window; a point is taken out', async () => {
  const asked = answering({
    'POST /api/projects/p/fussy': ({ body }) => {
      const { anchors } = body as { anchors: { id: string; setOf: number }[] };
      const placed = anchors.flatMap(({ id, setOf }, point) => Array.from({ length: setOf }, (_, index) => ({ anchor: id, x: 60 * index + 30, y: 80 * point + 40 })));
      return { placed, anchors: anchors.map(({ id }, point) => ({ id, sets: 1, most: 1 + point })), isProven: false };
    },
  });
  render(<FussyPanel projectId="p" papers={[paperOf('square', 4), paperOf('kite', 6)]} shelf={[cloth]} fabrics={['Madder']} system="metric" />);
  type('Papers in a set', '4');
  fireEvent.click(button('Sets of this point first, then of another'));
  expect(items()).toEqual(['Star: kite, sets of 4 Take out']);
  type('Papers in a set', '2');
  fireEvent.click(button('Find the most sets'));
  expect(await screen.findByText(/^1\. Star, kite:/)).toBeTruthy();
  expect((asked[0]?.body as { anchors: object[] }).anchors).toMatchObject([{ id: 'a', setOf: 4 }, { id: 'b', setOf: 2 }]);
  expect(screen.getByText(/^2\. Star, kite:/).textContent).toContain('No choice gives more than 2.');
  const rows = screen.getAllByRole('row').slice(1).map(({ textContent }) => textContent);
  // Cut, point, set, place.
  expect(rows).toEqual(['11130 mm40 mm', '21190 mm40 mm', '311150 mm40 mm', '411210 mm40 mm', '52130 mm120 mm', '62190 mm120 mm']);
  expect(screen.getAllByRole('img', { name: /^Window template [12]: kite/ })).toHaveLength(2);
  // What would give more is asked for the first point alone.
  await waitFor(() => expect(asked).toHaveLength(7));
  expect(asked.slice(1).every(({ body }) => (body as { anchors: object[] }).anchors.length === 1)).toBe(true);
  // A longer piece, a narrower allowance, and the paper laid 2 mm to either side, up and down.
  const cornerOf = ({ body }: (typeof asked)[number]) => (body as { anchors: { outline: number[][] }[] }).anchors[0]!.outline[0]!;
  const [first, , , ...laid] = asked.map(cornerOf);
  expect(laid.map((corner) => corner.map((at, i) => at - first![i]!))).toEqual([[-2, 0], [2, 0], [0, -2], [0, 2]]);
  fireEvent.click(button('Take out point 1'));
  expect(items()).toEqual([]);
}); // prettier-ignore

test('what bags take besides the sets goes into the gaps: of each paper what the sets do not hold', () => {
  const [square, kite] = [paperOf('square', 4), paperOf('kite', 200)];
  const placed = Array.from({ length: 6 }, (_, x) => ({ point: 0, x, y: 0 }));
  const answer = { cloth, lengthMm: 500, points: [{ paper: square, motif: { about: { x: 0, y: 0 }, turnDeg: 0 }, setOf: 6 }], found: { placed, points: [{ sets: 1, most: 1 }], isProven: true } };
  expect(wantedIn(answer, [square, kite]).map(({ id, count }) => [id, count])).toEqual([['Star: square', 2], ['Star: kite', 300]]);
  expect(wantedIn({ ...answer, found: { ...answer.found, placed: [...placed, ...placed] } }, [square])).toEqual([]);
}); // prettier-ignore

test('papers that close round no corner are shown as they lie in the block, and all that a bag takes make a set', () => {
  const motions = [0, 90].map((degrees) => ({ isReflection: false, cos: Math.cos((degrees * Math.PI) / 180), sin: Math.sin((degrees * Math.PI) / 180), x: 40, y: 0 }));
  const laid = { widthMm: 200, heightMm: 100, around: 'M0 0L200 0L200 100Z', motions };
  const kite = { ...paperOf('kite', 6), laid, paper: [{ x: 0, y: 0 }, { x: 30, y: 0 }, { x: 15, y: 31 }] };
  const names = () => screen.getAllByRole('img').map((one) => one.getAttribute('aria-label'));
  const show = (paper: FussyPaper) => render(<FussyPanel projectId="p" papers={[paper]} shelf={[cloth]} fabrics={['Madder']} system="metric" />);
  const set = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Papers in a set' }).value;
  const { unmount } = show(kite);
  expect(names()).toEqual(['2 copies of kite in Star', '2 copies of kite in Star, mirrored']);
  const [front, back] = screen.getAllByRole('img').map((one) => [...one.children].find(({ tagName }) => tagName === 'g')!);
  expect([...front!.querySelectorAll('polygon')].map((one) => one.getAttribute('transform'))[0]).toBe('matrix(1 0 0 1 40 0)');
  // Mirrored about the middle of the block, 2 mm of rim on each side.
  expect([front!.getAttribute('transform'), back!.getAttribute('transform')]).toEqual([null, 'translate(200 0) scale(-1 1)']);
  expect(set()).toBe('6');
  // The paper lies left of the middle: what pointed left points up.
  const turned = () => Number(screen.getByRole<HTMLInputElement>('spinbutton', { name: 'Turned by, °' }).value);
  fireEvent.click(button('Turn the motif outwards in the block'));
  expect(turned()).toBe(65);
  expect(button('Turn the motif outwards in the block').hasAttribute('disabled')).toBe(true);
  unmount();
  // Squares close: their wheel comes first, four of them make a set.
  show({ ...paperOf('square', 6), laid });
  expect(names()).toEqual(['4 copies of square round a corner', '4 copies of square round a corner, mirrored', '2 copies of square in Star']);
  expect(set()).toBe('4');
}); // prettier-ignore

test.each([
  ['inch', 0, '18″'],
  ['metric', 0, '500 mm'],
  ['inch', 254, '10″'],
] as const)('a piece (%s, %d mm in stock) is taken to be %s long: what is in stock, else half a yard or half a metre', (system, stockMm, length) => {
  render(<FussyPanel projectId="p" papers={[paperOf('square', 4)]} shelf={[{ ...cloth, stockMm }]} fabrics={['Madder']} system={system} />);
  expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Length of the piece' }).value).toBe(length);
}); // prettier-ignore

import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { USUAL_CLOTH } from '@/core/cloth';
import { USUAL_ORDER, type ClothBolt } from '@/core/order';
import { FakeWorker } from '@/ui/testing';
import { BoltPanel } from './BoltPanel';
import { YieldPanel } from './YieldPanel';

const FIGURES = { ...USUAL_ORDER.figures, throughMinutes: 1, crossMinutes: 0.5, layers: 2, boltMetres: 10 };
const run = (size: number, more: object) => ({ size, fromMm: 0, acrossMm: 50, alongMm: 60, columns: 4, rows: 1, count: 4, ...more }); // prettier-ignore
const strip = (times: number, fromMm: number, heightMm: number, runs: object[]) => ({ times, fromMm, heightMm, runs }); // prettier-ignore
const bolt = (fabric: string, more: object = {}, plan: object = {}): ClothBolt => ({
  fabric,
  usableMm: 1000,
  sizes: [{ what: 'for the bags', widthMm: 50, lengthMm: 60, count: 20 }, { what: 'for the tops', widthMm: 70, lengthMm: 40, count: 3 }],
  pieces: [],
  plan: { strips: [], lengthMm: 0, boundMm: 0, tooWide: [], ...plan },
  ...more,
} as unknown as ClothBolt); // prettier-ignore
const CUT = bolt('Madder', {}, {
  strips: [strip(3, 0, 120, [run(0, { rows: 2, count: 7 })]), strip(1, 360, 40, [run(1, { acrossMm: 70, alongMm: 40, columns: 3, count: 3 })])],
  lengthMm: 400, boundMm: 300,
}); // prettier-ignore
const PIECES = bolt('Calico', { pieces: [{ widthMm: 300, lengthMm: 200, counts: [4, 0] }, { widthMm: 100, lengthMm: 90, counts: [1, 2] }] }); // prettier-ignore

const show = (bolts: readonly ClothBolt[], figures = FIGURES) => render(<BoltPanel bolts={bolts} figures={figures} system="metric" />); // prettier-ignore
const items = (name: string) => within(screen.getByRole('list', { name })).getAllByRole('listitem').map(({ textContent }) => textContent); // prettier-ignore
const fact = (name: string) => screen.getByText(name).nextElementSibling?.textContent ?? screen.getByText(name).parentElement?.textContent; // prettier-ignore

test('a bolt is cut in strips, then across them: in words and in figures, by the shop’s own minutes', () => {
  show([bolt('Nothing'), CUT]);
  expect(items('Cuts in their order')).toEqual([
    '3 strips of 120 mm: from each 7 × 50 mm by 60 mm, 2 one under the other',
    '1 strip of 40 mm: from it 3 × 70 mm by 40 mm for the tops',
  ]);
  // Across: two goes of two layers, 4 columns and 4 more cuts between the rows; then 3.
  expect(fact('cuts')).toContain('4 right across, 19 across strips, 2 at once');
  expect(fact('by your minutes')).toContain('14 min');
  expect(fact('used')).toContain('75 %; the rest is offcuts');
  expect(fact('bolts')).toContain('1 of 10');
  expect(screen.queryByRole('list', { name: 'From pieces on the shelf' })).toBeNull();
});

test('a strip that is longer than a bolt is said; the cloth is chosen, and one that is only cut from pieces has its list', async () => {
  show([CUT, PIECES], { ...FIGURES, boltMetres: 0.1 });
  expect(fact('bolts')).toContain('a strip is longer than a bolt');
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Cloth' }));
  fireEvent.click(screen.getByRole('option', { name: 'Calico' }));
  expect(items('From pieces on the shelf')).toEqual([
    'First, from the piece of 300 mm × 200 mm: 4 of 50 mm × 60 mm',
    'Then, from the piece of 100 mm × 90 mm: 1 of 50 mm × 60 mm; 2 of 70 mm × 40 mm',
  ]);
  expect(fact('used')).toContain('100 %');
  await waitFor(() => expect(screen.queryByRole('option')).toBeNull());
});

test('where nothing is cut from a bolt or a piece there is no panel', () => {
  const { container } = show([bolt('Nothing')]);
  expect(container.textContent).toBe('');
});

const SQUARE = [{ x: 0, y: 0 }, { x: 50, y: 0 }, { x: 50, y: 50 }, { x: 0, y: 50 }]; // prettier-ignore
const papers = ['square', 'kite'].map((id) => ({ id, block: 'Star', fabric: 'Madder', count: 4, bags: 3, paper: SQUARE, cut: SQUARE, tighter: SQUARE })); // prettier-ignore
const shelf = [
  { ...USUAL_CLOTH, name: 'Madder', revision: 0, pricePerMetre: 12, widthMm: 1000, selvedgeMm: 0 },
];

test('yields: another paper or remnant ends what is counted; a remnant that is none is said, half of one too', async () => {
  const waiting: ((found: unknown) => void)[] = [];
  const asked: unknown[][] = [];
  FakeWorker.answers({ yields: (...own: unknown[]) => (asked.push(own), new Promise((resolve) => waiting.push(resolve))) });
  render(<YieldPanel papers={papers} shelf={shelf} system="metric" ownCuts={[]} />);
  const press = () => fireEvent.click(screen.getByRole('button', { name: 'Count them' }));
  const button = () => screen.getByRole<HTMLButtonElement>('button', { name: /^Count/ });
  const type = (name: string, text: string) => fireEvent.change(screen.getByRole('textbox', { name }), { target: { value: text } });
  press();
  expect([button().disabled, button().textContent]).toEqual([true, 'Counting …']);
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Paper' }));
  fireEvent.click(screen.getByRole('option', { name: 'Star, Madder: kite' }));
  await waitFor(() => expect(button().textContent).toBe('Count them'));
  await act(async () => waiting[0]!([{ cut: { name: 'too late', widthMm: 1, lengthMm: 1 }, strips: 1, close: 1 }]));
  expect(screen.queryByText('too late')).toBeNull();
  type('Remnant: width', '30 cm');
  expect([button().disabled, screen.getByRole('alert').textContent !== '']).toEqual([true, true]);
  type('Remnant: length', '200');
  expect(button().disabled).toBe(false);
  press();
  expect([(asked[1]?.[0] as { id: string }).id, asked[1]?.[4]]).toEqual(['kite', { name: 'this remnant, 300 mm × 200 mm', widthMm: 300, lengthMm: 200 }]);
  await act(async () => waiting[1]!([{ cut: { name: 'half metre', widthMm: 1000, lengthMm: 500 }, strips: 100, close: 125 }, { cut: { name: 'scrap', widthMm: 10, lengthMm: 10 }, strips: 0, close: 0 }]));
  const rows = within(screen.getByRole('table', { name: 'Yields' })).getAllByRole('row').slice(1).map((row) => within(row).getAllByRole('cell').map(({ textContent }) => textContent));
  // Half a metre of it costs 6; one of 125 laid close 0.048.
  expect(rows).toEqual([['half metre', '100', '125', '0.048'], ['scrap', '0', '0', '']]);
  type('Remnant: width', '');
  expect(screen.queryByRole('table', { name: 'Yields' })).toBeNull();
}); // prettier-ignore

test('what was counted is of the cloth as it was: narrower, it is gone; at another price it stays', async () => {
  FakeWorker.answers({ yields: () => [{ cut: { name: 'half metre', widthMm: 1000, lengthMm: 500 }, strips: 100, close: 125 }] }); // prettier-ignore
  const page = (own: object) => <YieldPanel papers={papers} shelf={[{ ...shelf[0]!, ...own }]} system="metric" ownCuts={[]} />; // prettier-ignore
  const { rerender } = render(page({}));
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Count them' })));
  const table = () => screen.queryByRole('table', { name: 'Yields' })?.textContent ?? '';
  expect(table()).toContain('0.048');
  rerender(page({ pricePerMetre: 24 }));
  expect(table()).toContain('0.096');
  for (const change of [{ widthMm: 900 }, { selvedgeMm: 20 }, { turns: 'none' }]) {
    rerender(page(change));
    expect(table()).toBe('');
  }
});

test('a paper whose cloth is not on the shelf has no yields', () => {
  const { container } = render(<YieldPanel papers={papers} shelf={[]} system="metric" ownCuts={[]} />);
  expect(container.textContent).toBe('');
});

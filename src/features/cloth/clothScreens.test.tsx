import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, expect, test } from 'vitest';
import { USUAL_CLOTH } from '@/core/cloth';
import type { Nested } from '@/core/nesting';
import { USUAL_ORDER, type PlacedOrder } from '@/core/order';
import type { OrderFacts } from '@/server/orders';
import type { Project } from '@/server/projects';
import { FakeWorker, answering, refused } from '@/ui/testing';
import { ClothStation } from './ClothStation';

const worker = {
  tell: undefined as ((nested: unknown, spent: number) => void) | undefined,
  finish: undefined as ((nested: unknown) => void) | undefined,
  asked: [] as unknown[],
};

beforeEach(() => {
  Object.assign(worker, { tell: undefined, finish: undefined });
  FakeWorker.answers({
    lay: (_kinds: unknown, _cloth: unknown, _system: unknown, _seconds: number, tell: typeof worker.tell) => {
      worker.tell = tell;
      return new Promise((resolve) => (worker.finish = resolve));
    },
    yields: (...asked: unknown[]) => ((worker.asked = asked), [{ cut: { name: 'half metre', widthMm: 1000, lengthMm: 500 }, strips: 100, close: 125 }]),
    smallest: () => ({ name: 'fat quarter, 18 × 22″' }),
  }); // prettier-ignore
});

const SQUARE = [{ x: 0, y: 0 }, { x: 50, y: 0 }, { x: 50, y: 50 }, { x: 0, y: 50 }]; // prettier-ignore
const shelf = ['Calico', 'Madder'].map((name) => ({ ...USUAL_CLOTH, name, revision: 0 }));
const bags = [
  { blockId: 'b', block: 'Star', fabric: 'Calico', bags: 2, kinds: [{ id: 'square', polygon: SQUARE, count: 21 }] },
]; // prettier-ignore
const ordered = [{ id: 'b', block: 'Star', bags: 2, left: 2, packedAt: [], threadMetres: 12, edgeMetres: 10, contents: { extras: [], papers: [{ name: 'square', count: 21, spares: 1 }], fabrics: [{ fabric: 'Calico', cuts: [{ kindName: 'square', widthMm: 50, lengthMm: 50, count: 21 }] }] } }] as never; // prettier-ignore
// Of one top: six strips of 60 by 300, four corners, no border.
const top = { squares: [], strips: [{ widthMm: 60, lengthMm: 300, count: 6 }], cornerstones: [{ widthMm: 60, lengthMm: 60, count: 4 }], border: [] }; // prettier-ignore
const grown = (by: number) =>
  SQUARE.map(({ x, y }) => ({ x: x < 25 ? -by : 50 + by, y: y < 25 ? -by : 50 + by }));
const papers = [{ id: 'square', block: 'Star', fabric: 'Madder', count: 4, bags: 3, paper: SQUARE, cut: grown(6), tighter: grown(4) }]; // prettier-ignore
const nested = (lengthMm: number): Nested => ({ placed: [{ kind: 0, turnDeg: 0, x: 0, y: 0 }], left: [0], lengthMm, density: 0.8, boundLengthMm: 40, stripsLengthMm: 100 }); // prettier-ignore
const facts = (own = shelf, more: Partial<OrderFacts> = {}): OrderFacts => ({ wanted: { blocks: ordered, makers: 2, shelf: own, system: 'metric' }, top, kept: { order: { ...USUAL_ORDER, notions: [] }, revision: 3 }, placed: [], ...more }); // prettier-ignore
const show = (unitSystem: 'metric' | 'inch' = 'metric', own = shelf, more: Partial<OrderFacts> = {}) =>
  render(<ClothStation project={{ id: 'p', unitSystem, basting: {} } as Project} bags={bags} papers={papers} makers={[]} facts={facts(own, more)} />); // prettier-ignore
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const row = (name: string) => within(screen.getByText(name, { selector: 'td *' }).closest('tr')!);

test('prices are told in the currency that is chosen, and asked for in it; until then in none', async () => {
  const asked = answering({ 'PUT /api/projects/p/order': ({ body }) => ({ revision: (body as { revision: number }).revision + 1 }) }); // prettier-ignore
  show('metric', [{ ...shelf[0]!, pricePerMetre: 12.5 }, shelf[1]!]);
  expect(row('Calico').getByText('1.25')).toBeTruthy();
  const field = screen.getByRole<HTMLInputElement>('combobox', { name: 'Prices in' });
  expect(field.value).toBe('not said');
  act(() => field.focus());
  fireEvent.change(field, { target: { value: 'gbp' } });
  fireEvent.click(await screen.findByRole('option', { name: /^GBP, / }));
  expect(row('Calico').getByText('£1.25')).toBeTruthy();
  for (const name of ['Price of a pack, £', 'Price of a spool, £', 'A price that is fixed, tax in it, £'])
    expect(screen.getByLabelText(name)).toBeTruthy();
  press('Change Calico');
  expect(screen.getByLabelText('Price of a metre, £')).toBeTruthy();
  await waitFor(() => expect(asked.at(-1)?.body).toMatchObject({ order: { currency: 'GBP' } }));
});

test('what all bags take is reckoned and rounded up; a price and a stock change it, and can be taken back', async () => {
  const asked = answering({
    'PUT /api/projects/p/cloths': ({ body }) => ({ ...(body as object), revision: (body as { revision: number }).revision + 1 }), // prettier-ignore
    'POST /api/projects/p/cloths': ({ body }) => (body as { cloths: typeof shelf }).cloths.map((cloth) => ({ ...cloth, revision: cloth.revision + 1 })), // prettier-ignore
  });
  show();
  // 42 squares of 5 cm, 21 to a strip of 107 cm: two strips.
  expect(row('Calico').getByText('0.10 m', { selector: 'td:nth-of-type(3)' })).toBeTruthy();
  expect(row('Madder').getByText('enough')).toBeTruthy();
  press('Change Calico');
  fireEvent.change(screen.getByLabelText(/Price of a metre/), { target: { value: '12,50' } });
  press('Save');
  expect(await screen.findByRole('button', { name: 'Undo the change of Calico' })).toBeTruthy();
  expect(row('Calico').getByText('1.25')).toBeTruthy();
  press('Undo the change of Calico');
  expect(await row('Calico').findByText('no price')).toBeTruthy();
  expect(JSON.stringify(asked)).toContain('"pricePerMetre":12.5');
});

test('another cloth is put in place of one in the blocks that take it, and in no others', () => {
  show();
  press('Another cloth in place of Calico');
  fireEvent.change(screen.getByLabelText('In place of it'), { target: { value: 'blocks' } });
  expect(screen.getAllByRole('checkbox').map((one) => one.closest('label')?.textContent)).toEqual(['Star']);
  press('Leave it');
  press('Another cloth in place of Madder');
  fireEvent.change(screen.getByLabelText('In place of it'), { target: { value: 'blocks' } });
  expect(screen.queryAllByRole('checkbox')).toEqual([]);
});

test('where lengths are in inches a file’s price is that of a yard, in the shop’s money', async () => {
  answering({});
  show('inch', shelf, { kept: { order: { ...USUAL_ORDER, currency: 'USD', notions: [] }, revision: 3 } });
  fireEvent.change(document.querySelector('input[type=file]')!, { target: { files: [new File(['cloth;price\nCalico;11'], 'cloths.csv')] } }); // prettier-ignore
  const line = await screen.findByText('Calico', { selector: 'li *' });
  expect(line.parentElement?.textContent).toBe('Calico: price of a yard $0.00 → $11.00');
});

test('a shelf is read from a file: what it changes is shown first, what cannot be read is named by its place, and all is undone at once', async () => {
  const asked = answering({
    'POST /api/projects/p/cloths': ({ body }) => (body as { cloths: typeof shelf }).cloths.map((cloth) => ({ ...cloth, revision: cloth.revision + 1 })),
  });
  show();
  const read = (text: string) => fireEvent.change(document.querySelector('input[type=file]')!, { target: { files: [new File([text], 'cloths.csv')] } });
  read('name,price');
  expect(await screen.findByText(/The file has no column “cloth”/)).toBeTruthy();
  read('cloth;in stock;price\nCalico;3;12,5\nMadder;1;\nMadder;;dear\nLost;1;1');
  expect(await screen.findByText('Row 4, price: “dear” is no figure that can stand here.')).toBeTruthy();
  expect(screen.getByText('Calico', { selector: 'li *' }).parentElement?.textContent).toBe('Calico: in stock 0.00 m → 3.00 m; price of a metre 0.00 → 12.50');
  expect(screen.getByText(/No block has a cloth of these names: Lost/)).toBeTruthy();
  expect(screen.queryByText(/^Nothing: every cloth is as the file says/)).toBeNull();
  read('cloth;price\nCalico;0,5\nLost;1');
  expect(await screen.findByRole('button', { name: 'Change 1 cloth' })).toBeTruthy();
  expect(screen.queryByText(/^Nothing: every cloth is as the file says/)).toBeNull();
  expect(screen.queryByRole('heading', { name: /^Cannot be read/ })).toBeNull();
  read('cloth;price\nCalico;\n');
  expect(await screen.findByText(/^Nothing: every cloth is as the file says/)).toBeTruthy();
  expect(screen.queryByText(/No block has a cloth of these names/)).toBeNull();
  read('cloth;in stock;price\nCalico;3;12,5\nMadder;1;');
  await screen.findByRole('button', { name: 'Change 2 cloths' });
  press('Change 2 cloths');
  expect(await screen.findByRole('button', { name: 'Undo the change of 2 cloths' })).toBeTruthy();
  expect(row('Calico').getByText('3.00 m')).toBeTruthy();
  press('Undo the change of 2 cloths');
  await waitFor(() => expect(row('Calico').queryByText('3.00 m')).toBeNull());
  expect(asked.map(({ body }) => (body as { cloths: typeof shelf }).cloths.map(({ name, stockMm, revision }) => [name, stockMm, revision]))).toEqual([[['Calico', 3000, 0], ['Madder', 1000, 0]], [['Calico', 0, 1], ['Madder', 0, 1]]]);
}); // prettier-ignore

test('what cannot be read, and what the server refuses, is said beside the fields and stays typed', async () => {
  answering({
    'PUT /api/projects/p/cloths': () => refused(409, 'Someone else changed this cloth meanwhile.'),
  });
  show();
  press('Change Calico');
  fireEvent.change(screen.getByLabelText(/^In stock, metres/), { target: { value: '-3' } });
  press('Save');
  expect(await screen.findByText(/“-3” is no number/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText(/^In stock, metres/), { target: { value: '3' } });
  press('Save');
  expect(await screen.findByText(/Someone else changed this cloth/)).toBeTruthy();
  expect((screen.getByLabelText(/^In stock, metres/) as HTMLInputElement).value).toBe('3');
});

test('a layout is shown as it gets better; stopping keeps the best, finishing names the smallest cut', async () => {
  show();
  press('Lay it out');
  await act(async () => worker.tell?.(nested(90), 0.3));
  expect(screen.getByRole('img', { name: /^1 piece laid on/ })).toBeTruthy();
  expect(screen.getByText(/is looked for/)).toBeTruthy();
  await act(async () => worker.tell?.(nested(80), 0.5));
  expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('50');
  press('Stop and keep this');
  expect(FakeWorker.ended).toBe(1);
  expect(screen.getByText(/^80 mm for one bag; 80 % of it is used/)).toBeTruthy();
  // What a stopped worker says late is not shown.
  await act(async () => worker.tell?.(nested(10), 0.9));
  expect(screen.getByText(/^80 mm for one bag/)).toBeTruthy();
  press('Lay it out');
  await act(async () => worker.finish?.(nested(70)));
  expect(await screen.findByText('fat quarter, 18 × 22″')).toBeTruthy();
  expect(screen.getByText('0.06 m for 2 bags')).toBeTruthy();
});

interface Asked {
  readonly body: { cloth: { lengthMm: number }; anchors: { setOf: number; outline: number[][] }[] };
}

test('a paper is laid on the print by keys and by name; sets are found, with what would give more, a sheet and a window', async () => {
  const asked = answering({
    'POST /api/projects/p/fussy': ({ body }) => {
      const { cloth, anchors } = body as Asked['body'];
      const sets = cloth.lengthMm > 500 ? 4 : 2;
      const placed = Array.from({ length: sets * anchors[0]!.setOf }, (_, i) => ({ anchor: 'a', x: 300 - 60 * (i % 4), y: 60 * Math.floor(i / 4) + 30 }));
      return { placed, anchors: [{ id: 'a', sets, most: sets }], isProven: true };
    },
  });
  const printed = shelf.map((cloth) => ({ ...cloth, repeatWidthMm: 60, repeatHeightMm: 80, isHalfDrop: true }));
  show('metric', printed);
  const picture = screen.getByRole('application');
  fireEvent.keyDown(picture, { key: 'ArrowRight', shiftKey: true });
  fireEvent.keyDown(picture, { key: ']' });
  expect(screen.getByRole('combobox', { name: 'On the motif lies' }).textContent).toBe('a point of your own');
  expect(screen.getByLabelText<HTMLInputElement>('Turned by, °').value).toBe('5');
  fireEvent.change(screen.getByLabelText('Turned by, °'), { target: { value: '0' } });
  fireEvent.change(screen.getByLabelText('Papers in a set'), { target: { value: 'four' } });
  expect(screen.getByRole('button', { name: 'Find the most sets' }).hasAttribute('disabled')).toBe(true);
  fireEvent.change(screen.getByLabelText('Papers in a set'), { target: { value: '4' } });
  press('Find the most sets');
  expect(screen.queryByText(/No choice of motifs gives more/)).toBeNull();
  // Twelve squares for three bags: three sets of four.
  expect(await screen.findByText(/want 3 sets: 1 is missing/)).toBeTruthy();
  expect(await screen.findByText('A piece longer by one repeat (80 mm) gives 2 sets more.')).toBeTruthy();
  const bodies = asked.map(({ body }) => body as Asked['body']);
  await waitFor(() => expect(asked).toHaveLength(7));
  expect(asked.map(({ body }) => (body as Asked['body']).cloth.lengthMm)).toEqual([500, 580, 500, 500, 500, 500, 500]);
  // The paper pushed 5 mm to the right: its middle lies there, the motif at the origin.
  const xs = bodies[0]!.anchors[0]!.outline.map(([x = 0]) => x);
  expect([Math.min(...xs), Math.max(...xs)].map(Math.round)).toEqual([-26, 36]);
  const rows = within(screen.getByRole('table', { name: 'Cutting sheet' })).getAllByRole('row').slice(1);
  expect(rows.map((row) => row.textContent)).toEqual(['11120 mm30 mm', '21180 mm30 mm', '31240 mm30 mm', '41300 mm30 mm', '52120 mm90 mm', '62180 mm90 mm', '72240 mm90 mm', '82300 mm90 mm']);
  expect(screen.getByRole('img', { name: 'Window template at its true size' }).getAttribute('width')).toBe('66mm');
  expect(screen.getAllByRole('img', { name: /^4 copies of square round a corner/ })).toHaveLength(2);
  // Whatever is changed, what was found for something else is gone.
  fireEvent.keyDown(picture, { key: 'ArrowUp' });
  expect(screen.queryByText(/No choice of motifs gives more/)).toBeNull();
}); // prettier-ignore

test('without a repeat it is said where to give one', () => {
  show();
  expect(screen.getByText(/^Say under “Change” how far apart the motifs/)).toBeTruthy();
});

const table = () => within(screen.getByRole('table', { name: 'The order' })).getAllByRole('row').map((one) => one.textContent); // prettier-ignore
const figure = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } }); // prettier-ignore

test('the order: whole packs, what is there counted off, what a maker costs; it saves itself, and can be taken back', async () => {
  const asked = answering({ 'PUT /api/projects/p/order': () => ({ revision: 4 }) });
  show('metric', shelf.map((cloth) => ({ ...cloth, pricePerMetre: 20 })));
  expect(table()).toEqual(['WhatAll bagsStill to packIn stockOn its wayTo buyCostFrom', 'Calico0.10 m0.10 m0.00 m0.10 m2.00', 'Papers: square44441 × pack of 100', 'Sewing thread24 m24 m1 × spool of 200 m', 'Together2.00']);
  figure('Price of a pack', '3,50');
  figure('Papers in a pack', '0');
  expect(screen.getByText('A whole number, 1 to 10000')).toBeTruthy();
  figure('Papers in a pack', '40');
  expect(table()).toContain('Papers: square44442 × pack of 407.00');
  figure('In stock: Papers: square, papers', '4');
  expect(table()).toContain('Papers: square44441 × pack of 403.50');
  // What is there was paid as well: 7 for papers, 2 for cloth, for two makers.
  expect(screen.getByText('7.50: 7.50 and 0.00 tax, for a margin of 40 %')).toBeTruthy();
  expect(screen.getByText('a bag of Star').parentElement?.textContent).toContain('4.50');
  figure('A price that is fixed, tax in it', '9');
  expect(screen.getByText('Leaves a margin of 50.0 %.')).toBeTruthy();
  const csv = decodeURIComponent(screen.getByRole('link', { name: 'Order as CSV' }).getAttribute('href')!);
  expect(csv).toContain('papers,square,papers,44,44,4,0,1 × 40 papers,3.50,3.50,');
  await waitFor(() => expect(asked).toHaveLength(1), { timeout: 4000 });
  expect(asked[0]?.body).toMatchObject({ revision: 3, order: { figures: { papersInPack: 40, packPrice: 3.5 }, stock: { 'papers:square': 4 } } });
  fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
  expect(table()).toContain('Papers: square44442 × pack of 407.00');
}); // prettier-ignore

test('where lengths are in inches thread is counted in yards, and kept in metres', async () => {
  const asked = answering({ 'PUT /api/projects/p/order': () => ({ revision: 4 }) });
  show('inch', shelf);
  expect(table()).toContain('Sewing thread26.2 yd26.2 yd1 × spool of 218.7 yd');
  figure('In stock: Sewing thread, yd', '10');
  await waitFor(() => expect(asked).toHaveLength(1), { timeout: 4000 });
  expect(asked[0]?.body).toMatchObject({ order: { stock: { 'thread:sewing thread': 9.144 } } });
  figure('Yards on a spool', '20');
  expect(table()).toContain('Sewing thread26.2 yd26.2 yd1 × spool of 20 yd');
});

test('papers are sold in further packs: the cheapest are ordered; a pack that was added is taken out again', async () => {
  const asked = answering({ 'PUT /api/projects/p/order': () => ({ revision: 4 }) });
  show('metric', shelf);
  figure('Price of a pack', '5');
  fireEvent.click(screen.getByRole('button', { name: 'Add a size of pack' }));
  figure('Its price', '1');
  expect(table()).toContain('Papers: square44442 × pack of 252.00');
  figure('Papers in it', '50');
  expect(table()).toContain('Papers: square44441 × pack of 501.00');
  await waitFor(() => expect(asked.at(-1)?.body).toMatchObject({ order: { paperPacks: [{ pack: 50, price: 1 }] } }), { timeout: 4000 });
  fireEvent.click(screen.getByRole('button', { name: 'Take out the pack of 50' }));
  expect(table()).toContain('Papers: square44441 × pack of 1005.00');
}); // prettier-ignore

test('an order is noted as ordered and stays so; what changed since is said; what came is stock', async () => {
  const lines = [{ key: 'papers:square', group: 'papers', thing: 'square', unit: 'papers', pack: 100, packs: 3, price: 2, supplier: 'Mill' }] as const;
  const first: PlacedOrder = { id: 'o1', name: 'First', placedAt: '2026-03-02T10:00:00Z', arrivedAt: null, lines };
  const kept = { order: { ...USUAL_ORDER, notions: [], stock: { 'papers:square': 300 } }, revision: 5 };
  const asked = answering({
    'POST /api/projects/p/orders': () => refused(409, 'Someone changed the order meanwhile.'),
    'PATCH /api/projects/p/orders': () => ({ kept, placed: [{ ...first, arrivedAt: '2026-03-09T10:00:00Z' }], shelf }),
  });
  show('metric', shelf, { placed: [first] });
  expect(table()).toContain('Papers: square4444300nothing; 2 × pack of 100 too much on its way');
  expect(screen.getByText(/1 line would be ordered otherwise today/)).toBeTruthy();
  expect(screen.getByText(/3 × pack of 100, Mill/).textContent).toContain('→ 1 × pack of 100 today');
  press('Note 2 lines as ordered');
  expect(await screen.findByText(/Someone changed the order meanwhile/)).toBeTruthy();
  press('It came');
  await screen.findByText(/came 9 March 2026, now in stock/);
  expect(asked.map(({ body }) => body)).toEqual([{ name: 'Order 2', revision: 3 }, { id: 'o1', turn: 'arrived' }]);
  expect(screen.getByLabelText<HTMLInputElement>('In stock: Papers: square, papers').value).toBe('300');
  expect(table()).toContain('Papers: square4444enough in stock');
}); // prettier-ignore

test('strips of the top are ordered with the bags once their cloth is chosen; a part that is not there is not asked for', () => {
  answering({});
  show('metric', [{ ...shelf[0]!, widthMm: 1000, selvedgeMm: 0 }, shelf[1]!]);
  const calico = () => table()[1];
  // 42 squares of 5 cm: three strips of the cloth.
  expect(calico()).toMatch(/^Calico0\.15 m0\.15 m0\.00 m0\.20 m/);
  expect(screen.queryByLabelText('Border of')).toBeNull();
  expect(screen.getByText('6 for each top')).toBeTruthy();
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Strips between blocks of' }));
  fireEvent.click(screen.getByRole('option', { name: 'Calico' }));
  // Twelve strips of 6 by 30 cm, three to a strip of the bolt: four of 6 cm, two squares beside each; two strips of squares.
  expect(calico()).toMatch(/^Calico0\.34 m0\.34 m0\.00 m0\.40 m/);
  expect(screen.getByRole('list', { name: 'Cuts in their order' }).textContent).toContain('4 strips of 60 mm: from each 3 × 300 mm by 60 mm for the tops; 2 × 50 mm by 50 mm');
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Strips between blocks of' }));
  fireEvent.click(screen.getByRole('option', { name: 'not ordered here' }));
  expect(calico()).toMatch(/^Calico0\.15 m/);
}); // prettier-ignore

test('yields are counted for a paper, with a remnant where one is given; half a remnant is said', async () => {
  show('metric', shelf.map((cloth) => ({ ...cloth, widthMm: 1030, pricePerMetre: 20 })));
  fireEvent.change(screen.getByLabelText('Remnant: width'), { target: { value: '30 cm' } });
  expect(screen.getByRole('button', { name: 'Count them' }).hasAttribute('disabled')).toBe(true);
  fireEvent.change(screen.getByLabelText('Remnant: length'), { target: { value: '45 cm' } });
  press('Count them');
  const rows = await within(await screen.findByRole('table', { name: 'Yields' })).findAllByRole('row');
  // Half a metre of the bolt for 10.00 gives 125: 0.08 each.
  expect(rows.map((one) => one.textContent)).toEqual(['Piece of clothIn stripsLaid closeCloth for one, laid close', 'half metre1001250.080']);
  expect(worker.asked.slice(1)).toEqual([1000, 'any', 'metric', { name: 'this remnant, 300 mm × 450 mm', widthMm: 300, lengthMm: 450 }, []]);
  fireEvent.change(screen.getByLabelText('Remnant: length'), { target: { value: '' } });
  expect(screen.queryByRole('table', { name: 'Yields' })).toBeNull();
}); // prettier-ignore

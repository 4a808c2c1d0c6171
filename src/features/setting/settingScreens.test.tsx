import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { defaultRecipe, generate } from '@/core/generate';
import { defaultSetting, layOutTop, type Setting } from '@/core/setting';
import { answering, drawn, outOfFrame, refused, type Asked } from '@/ui/testing';
import { SettingView } from './SettingView';
import { StripSizes } from './StripSizes';
import { TopDrawing } from './TopDrawing';
import { fitNotes } from './fitNotes';

const patches = generate(defaultRecipe('grid'));
const blocks = ['Star', 'Plate', 'Rose', 'Fan'].map((name, i) => ({
  id: `b${i}`,
  name,
  patches,
  widthMm: 152.4,
  heightMm: 152.4,
}));
const START = defaultSetting(blocks, 2, 25.4);
const PUT = 'PUT /api/projects/p1/setting'; // prettier-ignore

function atSetting(answer: (asked: Asked) => unknown = ({ body }) => ({ revision: (body as { revision: number }).revision + 1 })) {
  const asked = answering({ [PUT]: answer });
  render(<SettingView projectId="p1" initial={START} revision={3} blocks={blocks as never} fabrics={['Ink']} system="inch" />);
  return { asked, last: () => asked.at(-1)?.body as { setting: Setting; revision: number } };
} // prettier-ignore

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const type = (name: string | RegExp, text: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value: text } });
const after = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms)); // prettier-ignore

beforeEach(() => void vi.useFakeTimers());

test('a figure is saved once the hands rest, on its revision; one that cannot be read holds the save and is said at its field', async () => {
  const { asked, last } = atSetting();
  type('Sashing width, finished', '2');
  await after(500);
  type('Sashing width, finished', '1 1/2');
  await after(700);
  expect(asked).toEqual([]);
  await after(200);
  expect(last()).toMatchObject({ revision: 3, setting: { sashMm: expect.closeTo(38.1, 6) } });
  expect(screen.getByRole('button', { name: 'Saved' }).hasAttribute('disabled')).toBe(true);
  type('Border', 'wide');
  await after(2000);
  expect(asked).toHaveLength(1);
  expect(screen.getByRole('textbox', { name: 'Border' }).getAttribute('aria-invalid')).toBe('true');
  type('Border', '1');
  await after(1000);
  expect(last()).toMatchObject({ revision: 4, setting: { borderMm: expect.closeTo(25.4, 6) } });
});

test('a figure typed letter by letter is one step to undo, another figure is another', () => {
  atSetting();
  const field = (name: string) => screen.getByRole<HTMLInputElement>('textbox', { name });
  const [sash, border] = ['Sashing width, finished', 'Border'].map((name) => field(name).value);
  for (const text of ['2', '2 1', '2 1/2']) type('Sashing width, finished', text);
  for (const text of ['3', '3 1/4']) type('Border', text);
  press('Undo');
  expect([field('Border').value, field('Sashing width, finished').value]).toEqual([border, '2½″']);
  press('Undo');
  expect(field('Sashing width, finished').value).toBe(sash);
  expect(screen.getByRole('button', { name: 'Undo' }).hasAttribute('disabled')).toBe(true);
});

test('two places are exchanged by two presses or by keys, undone and done again; the same place puts it down', async () => {
  const { last } = atSetting();
  const [a, b] = START.places;
  const place = (number: number) => screen.getByRole('button', { name: new RegExp(`^Place ${number}:`) });
  fireEvent.click(place(1));
  expect(place(1).getAttribute('aria-pressed')).toBe('true');
  fireEvent.click(place(1));
  expect(place(1).getAttribute('aria-pressed')).toBe('false');
  fireEvent.keyDown(place(1), { key: 'Enter' });
  fireEvent.keyDown(place(2), { key: 'x' });
  fireEvent.keyDown(place(2), { key: ' ' });
  await after(1000);
  expect(last().setting.places.slice(0, 2)).toEqual([b, a]);
  press('Undo');
  await after(1000);
  expect(last().setting.places.slice(0, 2)).toEqual([a, b]);
  press('Redo');
  await after(1000);
  expect(last().setting.places.slice(0, 2)).toEqual([b, a]);
});

test('a block is put into a place, or none', async () => {
  const { last } = atSetting();
  fireEvent.click(screen.getByRole('button', { name: /^Place 1:/ }));
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Block in place 1' }));
  fireEvent.click(screen.getByRole('option', { name: 'none' }));
  await after(1000);
  expect(last().setting.places[0]).toBeNull();
  // What is picked is named by its block, an empty place by its number.
  expect(screen.getByText(/^Place 1 is picked\./)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: /^Place 1:/ }));
  fireEvent.click(screen.getByRole('button', { name: /^Place 2:/ }));
  expect(screen.getByText(/^Plate is picked\./)).toBeTruthy();
});

test('each block is told its strips; made earlier or later, strips go with it; the ends cannot go further', async () => {
  const { last } = atSetting();
  const rows = within(screen.getByRole('table')).getAllByRole('row').slice(1);
  const sums = rows.map((row) => within(row).getAllByRole('cell').slice(1, 4).reduce((sum, cell) => sum + Number(cell.textContent), 0));
  const layout = layOutTop(START);
  expect(sums.reduce((sum, one) => sum + one, 0)).toBe(layout.strips.length);
  expect(screen.getByRole('button', { name: /^Make Star earlier/ }).hasAttribute('disabled')).toBe(true);
  press('Make Star later');
  await after(1000);
  expect(last().setting.making.slice(0, 2)).toEqual([START.places[1], START.places[0]]);
}); // prettier-ignore

test('someone saved meanwhile: theirs can be shown, mine comes back by undo and is saved over theirs', async () => {
  const theirs = { ...START, sashMm: 50.8 };
  let isTaken = false;
  const { last, asked } = atSetting(({ body }) =>
    isTaken ? { revision: 12 } : (body as { revision: number }).revision === 3 ? refused(409, 'changed', { current: { setting: theirs, revision: 11 } }) : { revision: 12 },
  );
  type('Border', '3');
  await after(1000);
  expect(asked).toHaveLength(1);
  await after(9000);
  expect(asked).toHaveLength(1);
  isTaken = true;
  press(/^Show theirs/);
  await after(1000);
  press('Undo');
  await after(1000);
  expect(last()).toMatchObject({ revision: expect.any(Number), setting: { borderMm: expect.closeTo(76.2, 6) } });
  expect(last().revision).toBeGreaterThanOrEqual(11);
}); // prettier-ignore

test('edge to edge has neither sashing nor cornerstones; set off rows need two columns and have no cornerstones', async () => {
  const { last } = atSetting();
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'How the rows lie' }));
  fireEvent.click(screen.getByRole('option', { name: /set off by half/ }));
  expect((screen.getByRole('switch', { name: 'Cornerstones' }) as HTMLInputElement).disabled).toBe(true);
  await after(1000);
  expect(last().setting.places).toHaveLength(layOutTop(last().setting).cells.length);
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Between the blocks' }));
  fireEvent.click(screen.getByRole('option', { name: /edge to edge/ }));
  expect(screen.queryByRole('textbox', { name: /Sashing/ })).toBeNull();
  await after(1000);
  expect(last().setting.joint).toBe('edge-to-edge');
});

test('what does not fill its place is told with what to do', () => {
  const placed = (spareWidthMm: number, spareHeightMm: number) => [{ block: { name: 'Star' }, cell: 0, spareWidthMm, spareHeightMm }] as never;
  const notes = (w: number, h: number, layout: Setting['layout'] = 'grid') => fitNotes(placed(w, h), { ...START, layout }, 'metric');
  expect(notes(0.4, 0.4)).toEqual([]);
  expect(notes(0.6, 0)[0]).toMatch(/^Star leaves .* appliqué it/);
  expect(notes(-0.4, 0)).toEqual([]);
  expect(notes(0, -2)[0]).toMatch(/^Star is 4 mm larger than its place/);
  expect(notes(-40, 0, 'offset')[0]).toMatch(/^Star in place 1: half of it shows/);
}); // prettier-ignore

test('the top is drawn with everything in its place: an empty cell by its number, strips by whom they go with', () => {
  const layout = layOutTop(START);
  const onCell = vi.fn();
  const [first] = layout.strips;
  const stripOf = new Map([[first!.id, 'Star'], [layout.strips[1]!.id, 'Plate']]); // prettier-ignore
  const placed = [
    { cell: 0, blockId: 'b0', patches: patches.map((patch) => ({ ...patch, outline: patch.outline })) },
  ] as never;
  render(<TopDrawing layout={layout} placed={placed} fabrics={['Ink']} stripOf={stripOf} shownCell={0} pickedCell={1} nameOf={(cell) => (cell === 0 ? 'Star' : '')} onCell={onCell} />); // prettier-ignore
  const top = screen.getByRole('group', { name: 'The top in its setting' });
  expect(outOfFrame(top)).toEqual([]);
  const cell = (name: string) => screen.getByRole('button', { name });
  expect(cell('Place 1: Star').querySelector('text')).toBeNull();
  const empty = cell('Place 2: empty');
  expect([empty.getAttribute('aria-pressed'), empty.textContent]).toEqual(['true', '2']);
  const [box, number] = drawn(empty);
  // Drawn by themselves they stand as in the top: no part of it is moved.
  expect(number!.minX).toBeCloseTo((box!.minX + box!.maxX) / 2, 6);
  expect(number!.minY).toBeCloseTo((box!.minY + box!.maxY) / 2, 6);
  expect([box!.minX, box!.maxX]).toEqual([layout.cells[1]!.x, layout.cells[1]!.x + layout.cells[1]!.width]);
  const strips = [...top.querySelectorAll('rect > title')].map(({ textContent, parentElement }) => [textContent, parentElement!.getAttribute('fill')!.includes('primary')]); // prettier-ignore
  expect(strips.slice(0, 3)).toEqual([['goes with Star', true], ['goes with Plate', false], ['left over', false]]); // prettier-ignore
  fireEvent.keyDown(empty, { key: 'x' });
  fireEvent.keyDown(empty, { key: ' ' });
  fireEvent.click(cell('Place 1: Star'));
  expect(onCell.mock.calls).toEqual([[1], [0]]);
});

test('strips are counted by their sizes, whichever way they lie; a border is told where there is one', () => {
  const strip = (kind: string, width: number, height: number) => ({ kind, width, height });
  const counts = [strip('sash', 20, 100), strip('sash', 100, 20), strip('sash', 20, 80), strip('cornerstone', 20, 20)];
  const show = (borderMm: number) => <StripSizes setting={{ ...START, borderMm }} counts={counts} system="metric" />;
  const { container, rerender } = render(show(0));
  expect(container.textContent).toBe('In all, finished: 2 strips 20 mm × 100 mm; 1 strip 20 mm × 80 mm; 1 cornerstone 20 mm × 20 mm.');
  rerender(show(50));
  expect(container.textContent).toContain('; border 50 mm all round.');
}); // prettier-ignore

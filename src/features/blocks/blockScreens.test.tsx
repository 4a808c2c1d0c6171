import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, expect, test } from 'vitest';
import { defaultRecipe, generate } from '@/core/generate';
import { writeSvg } from '@/core/formats';
import { PAPER_MARKS } from '@/core/shapes';
import { makePaper } from '@/core/catalogue';
import { Notices } from '@/ui/Notices';
import {
  FakeWorker,
  SETTINGS,
  answering,
  markedFields,
  navigation,
  refused,
  sheetOf,
  type Asked,
} from '@/ui/testing';
import { BlockView } from './BlockView';
import { ClothList } from './ClothList';
import { ContactSheet } from './ContactSheet';
import { ImportDrawing } from './ImportDrawing';
import { LookAlikes } from './LookAlikes';
import { ProblemList } from './ProblemList';
import { weldSentence } from './WeldNote';

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const field = (name: string | RegExp) => screen.getByRole('textbox', { name }) as HTMLInputElement;
const bodies = (asked: readonly Asked[]) => asked.map(({ method, body }) => [method, body]);

// The worker's own code, run in this thread: what it says is what it would say.
beforeEach(async () => {
  await import('@/workers/importWorker');
});

test('a block shows its papers with hands and its seams; F and T turn and show tails, not while a name is typed', async () => {
  const sheet = sheetOf('plate');
  render(
    <Notices>
      <BlockView projectId="p1" block={{ id: 'b1', name: 'Plate', revision: 1 }} isGenerated made={['plate']} sheet={sheet} fabrics={['Ink']} system="inch" />
    </Notices>,
  ); // prettier-ignore
  const rows = within(screen.getByRole('table', { name: 'Paper kinds' })).getAllByRole('row').slice(1);
  expect(rows.map((row) => Number(within(row).getAllByRole('cell')[2]?.textContent))).toEqual(sheet.kinds.map(({ count }) => count));
  const tails = () => screen.getByRole('button', { name: /tails \(T\)/ }).getAttribute('aria-pressed');
  fireEvent.keyDown(document.body, { key: 't' });
  expect(tails()).toBe('true');
  press('Rename');
  fireEvent.keyDown(field('Name of the block'), { key: 't' });
  fireEvent.keyDown(document.body, { key: 't', metaKey: true });
  expect(tails()).toBe('true');
  press('Print at true size');
  const items = screen.getAllByRole('menuitem').map(({ textContent }) => textContent);
  expect(items).toContain('Angle check for the plate');
  expect(items).not.toContain('Row guide for the clamshells');
  expect(items.filter((one) => one?.startsWith('Window for'))).toHaveLength(sheet.kinds.length);
}); // prettier-ignore

test('a block is renamed with what it was called before, the name stays typed when it is refused, and both are taken back', async () => {
  const user = userEvent.setup();
  let isTaken = true;
  const asked = answering({
    'PATCH /api/projects/p1/blocks/b1': () => (isTaken ? refused(409, 'name-taken', { where: 'name' }) : {}),
  });
  render(
    <Notices>
      <BlockView projectId="p1" block={{ id: 'b1', name: 'Star', revision: 1 }} isGenerated={false} made={[]} sheet={sheetOf('star')} fabrics={[]} system="inch" />
    </Notices>,
  ); // prettier-ignore
  press('Rename');
  await user.clear(field('Name of the block'));
  await user.type(field('Name of the block'), 'Rose');
  press('Rename');
  await screen.findByText(/Refused: name-taken/);
  expect([field('Name of the block').value, field('Name of the block').getAttribute('aria-invalid')]).toEqual(
    ['Rose', 'true'],
  );
  isTaken = false;
  press('Rename');
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(asked).toHaveLength(3));
  expect(bodies(asked).slice(1)).toEqual([
    ['PATCH', { name: 'Rose', before: 'Star' }],
    ['PATCH', { name: 'Star', before: 'Rose' }],
  ]);
  press('Take out of the project');
  await screen.findByText('Star is taken out.');
  expect(navigation.router.push).toHaveBeenCalledWith('/p/p1/blocks');
  press('Undo');
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ isRemoved: false }));
  await waitFor(() => expect(navigation.router.push).toHaveBeenLastCalledWith('/p/p1/blocks/b1'));
});

test('a cloth is renamed everywhere and back; onto another it is merged only when that is said, and taken back too', async () => {
  const user = userEvent.setup();
  const asked = answering({
    'PATCH /api/projects/p1/cloths': ({ body }) => {
      const { to, mayMerge } = body as { to?: string; mayMerge?: boolean };
      if (to === 'Straw' && !mayMerge) return refused(409, 'would-merge');
      return { id: `c-${to}`, isMerged: mayMerge ?? false };
    },
  });
  render(
    <Notices>
      <ClothList projectId="p1" fabrics={['Ink', 'Straw']} />
    </Notices>,
  );
  const rename = async (to: string) => {
    press('Rename Ink');
    const name = field('New name of Ink');
    expect(screen.getByRole('button', { name: 'Rename' }).hasAttribute('disabled')).toBe(true);
    await user.clear(name);
    await user.type(name, to);
    press('Rename');
  };
  await rename('Night');
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() =>
    expect(asked.map(({ body }) => body)).toEqual([{ from: 'Ink', to: 'Night' }, { takeBack: 'c-Night' }]),
  );
  await rename('Straw');
  fireEvent.click(await screen.findByRole('button', { name: 'Make Ink and Straw one cloth' }));
  await screen.findByText('Ink and Straw are one cloth now.');
  fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
  await waitFor(() =>
    expect(asked.slice(2).map(({ body }) => body)).toEqual([
      { from: 'Ink', to: 'Straw' },
      { from: 'Ink', to: 'Straw', mayMerge: true },
      { takeBack: 'c-Straw' },
    ]),
  );
});

test('all blocks side by side: to one scale, each with its size, papers, and what is wrong with it', () => {
  const [large, small] = [sheetOf('rosette'), sheetOf('star')];
  const wrong = { ...small, problems: [{ message: 'gap', at: { x: 0, y: 0 }, patches: [] }, { message: 'gap', at: { x: 0, y: 0 }, patches: [] }] };
  const blocks = [{ id: 'a', name: 'A', sheet: large }, { id: 'b', name: 'B', sheet: wrong }];
  render(<ContactSheet projectId="p1" blocks={blocks as never} fabrics={[]} system="metric" />);
  const widths = screen.getAllByRole('img').map((one) => one.getAttribute('viewBox')!.split(' ')[2]);
  expect(new Set(widths).size).toBe(1);
  expect(Number(widths[0])).toBeGreaterThanOrEqual(Math.max(large.widthMm, large.heightMm, small.widthMm));
  const [first, second] = screen.getAllByRole('listitem').map(({ textContent }) => textContent);
  expect(first).toContain(`${large.patches.length} papers of ${large.kinds.length}`);
  expect(first).toContain('All edges fit');
  expect(second).toContain('2 problems in the drawing');
}); // prettier-ignore

test('no more than thirty problems are listed, the rest is counted', () => {
  const problems = Array.from({ length: 33 }, (_, i) => ({ message: `Gap ${i}.`, at: { x: 0, y: 0 }, patches: ['s1'] }));
  render(<ProblemList problems={problems as never} patches={[{ id: 's0' }, { id: 's1' }] as never} />);
  const items = screen.getAllByRole('listitem').map(({ textContent }) => textContent);
  expect(items).toHaveLength(31);
  expect(items[0]).toMatch(/^Gap 0\..*2/);
  expect(items[30]).toBe('… and 3 more, ringed on the drawing.');
}); // prettier-ignore

test('what the weld did is said in whole sentences', () => {
  const said = (moved: number, dropped: number, farthestMm = 0.1234, reachMm = 0.5) =>
    weldSentence({ reachMm, moved, dropped, farthestMm } as never);
  expect(said(4, 1, 0.3, 0)).toBe('The drawing is taken as it is drawn.');
  expect(said(0, 0)).toBe('Nothing had to be moved.');
  expect(said(1, 0)).toBe('1 corner was moved by 0.1 mm.');
  expect(said(7, 0, 0.26)).toBe('7 corners were moved, the farthest 0.3 mm.');
  expect(said(2, 1, 0.01)).toBe('2 corners were moved, the farthest 0.1 mm. 1 corner on straight sides was left out.');
  expect(said(0, 2)).toBe('2 corners on straight sides were left out.');
}); // prettier-ignore

function atImport() {
  render(
    <Notices>
      <ImportDrawing projectId="p1" knownFabrics={['Ink']} settings={SETTINGS} />
    </Notices>,
  );
  const input = document.querySelector('input[type=file]') as HTMLInputElement;
  return {
    user: userEvent.setup(),
    bring: (text: string, name = 'my_first-star.svg') =>
      act(async () => void fireEvent.change(input, { target: { files: [new File([text], name)] } })),
  };
}

test('a drawing is brought in: named after its file, shown with its papers, and saved with what was chosen for it', async () => {
  let isTaken = true;
  const asked = answering({ 'POST /api/projects/p1/blocks': () => (isTaken ? refused(409, 'name-taken', { where: 'name' }) : { id: 'b7' }) });
  const { bring } = atImport();
  const svg = writeSvg(generate(defaultRecipe('star')), 'Star');
  await bring(svg);
  expect((await screen.findByRole('textbox', { name: 'Name of the block' }) as HTMLInputElement).value).toBe('My First Star');
  expect(screen.getByText('All edges fit.')).toBeTruthy();
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Put right up to' }));
  fireEvent.click(screen.getByRole('option', { name: 'nothing: as drawn' }));
  await screen.findByText(/The drawing is taken as it is drawn/);
  expect(markedFields()).toEqual([]);
  press('Save the block');
  await screen.findByText(/Refused: name-taken/);
  expect(markedFields()).toEqual([field('Name of the block')]);
  isTaken = false;
  press('Save the block');
  await waitFor(() => expect(navigation.router.push).toHaveBeenCalledWith('/p/p1/blocks/b7'));
  expect(asked[1]?.body).toEqual({ name: 'My First Star', svg, weldMm: 0, isSnapped: false });
}); // prettier-ignore

test('a drawing without a size asks for its width, in any unit, and takes nothing else', async () => {
  const { bring, user } = atImport();
  await bring('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><path d="M0 0H50V50H0Z"/><path d="M50 0H100V50H50Z"/></svg>');
  const width = await screen.findByRole('textbox', { name: 'Finished width of the drawing' });
  const use = () => screen.getByRole('button', { name: 'Use this width' });
  await user.type(width, 'wide');
  expect([use().hasAttribute('disabled'), width.getAttribute('aria-invalid')]).toEqual([true, 'true']);
  await user.clear(width);
  await user.type(width, '4');
  fireEvent.click(use());
  expect(await screen.findByText(/2 papers/)).toBeTruthy();
  expect(screen.getByText(/2″ square/)).toBeTruthy();
}); // prettier-ignore

test('papers that are nearly those of the catalogue are offered, used by a press, and left by another', async () => {
  const { bring } = atImport();
  const square = (x: number) => `<rect x="${x}" y="0" width="38.35" height="38.35"/>`;
  await bring(`<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="60mm" viewBox="0 0 200 60">${square(0)}${square(38.35)}</svg>`);
  await screen.findByText(/nearly, but not exactly, papers/);
  press('Snap them to the exact papers');
  await screen.findByText(/Exact papers of the catalogue are used/);
  press('Leave them as drawn');
  await screen.findByText(/nearly, but not exactly, papers/);
}); // prettier-ignore

test('files that are too large, no drawings, or of a fault are refused with how to mend; a long one can be cancelled', async () => {
  const { bring } = atImport();
  await bring('no drawing');
  expect(await screen.findByRole('alert')).toBeTruthy();
  await bring('<svg xmlns="http://www.w3.org/2000/svg" width="90mm" height="90mm" viewBox="0 0 90 90"><path d="M0 0L80 80L80 0L0 80Z"/></svg>');
  await screen.findByText('The drawing cannot be used yet.');
  expect(screen.queryByRole('button', { name: 'Save the block' })).toBeNull();
  FakeWorker.isSilent = true;
  await bring('<svg/>');
  expect(screen.getByRole('progressbar', { name: 'Working out the drawing' })).toBeTruthy();
  const before = FakeWorker.ended;
  press('Cancel');
  expect(FakeWorker.ended).toBe(before + 1);
  expect(screen.queryByRole('progressbar')).toBeNull();
  const file = new File(['x'], 'big.svg');
  Object.defineProperty(file, 'size', { value: 40e6 });
  await act(async () => void fireEvent.change(document.querySelector('input[type=file]')!, { target: { files: [file] } }));
  expect(screen.getByText(/big.svg is 40 MB; the most is/)).toBeTruthy();
}); // prettier-ignore

test('papers that are easily swapped are laid over each other, with what tells them apart; a mark is chosen and taken back', async () => {
  const asked = answering({ 'PATCH /api/projects/p1/marks': () => ({}) });
  const diamond = (angleDeg: number) => makePaper({ family: 'diamond', edgeMm: 25.4, angleDeg });
  const [a, b] = [diamond(60), diamond(58.5)];
  const papers = [
    { name: 'Wide diamond', outline: a, blocks: ['Star'], isHanded: false, mark: PAPER_MARKS[0] },
    { name: 'Narrow diamond', outline: b, blocks: ['Plate'], isHanded: false },
  ] as const;
  render(
    <Notices>
      <LookAlikes projectId="p1" papers={papers} system="inch" />
    </Notices>,
  );
  expect(await screen.findByText(/Laid on each other they differ by/)).toBeTruthy();
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Mark of Wide diamond' }));
  fireEvent.click(screen.getByRole('option', { name: 'plain' }));
  await waitFor(() => expect(asked[0]?.body).toMatchObject({ mark: 'none', outline: a }));
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(asked[1]?.body).toMatchObject({ mark: 'proposed' }));
});

test('papers that nobody swaps are said to be none; the worker ends with the page', async () => {
  const { unmount } = render(<LookAlikes projectId="p1" papers={[]} system="inch" />);
  await screen.findByText(/No two papers/);
  unmount();
  expect(FakeWorker.ended).toBe(1);
});

test('a paper that comes left and right is shown over its mirror image, with its letter', async () => {
  const kite = makePaper({ family: 'diamond', edgeMm: 25.4, angleDeg: 45 });
  const skew = { corners: kite.corners.map(({ x, y }) => ({ x: x + y * 0.4, y })), bulges: kite.bulges };
  const papers = [{ name: 'Slip', outline: skew, blocks: ['Star', 'Plate'], isHanded: true }];
  render(<LookAlikes projectId="p1" papers={papers} system="metric" />);
  expect(await screen.findByText(/^One is the mirror image of the other/)).toBeTruthy();
  expect(screen.getByText('Slip').parentElement?.textContent).toContain(
    'Slip (Star, Plate) comes left and right',
  );
});

test('a mark that could not be chosen is said', async () => {
  answering({ 'PATCH /api/projects/p1/marks': () => refused(503, 'away') });
  const diamond = (angleDeg: number) => makePaper({ family: 'diamond', edgeMm: 25.4, angleDeg });
  const papers = [60, 58.5].map((angle) => ({ name: `D${angle}`, outline: diamond(angle), blocks: ['Star'], isHanded: false, chosen: 'none' as const })); // prettier-ignore
  render(<Notices><LookAlikes projectId="p1" papers={papers} system="metric" /></Notices>); // prettier-ignore
  fireEvent.mouseDown(await screen.findByRole('combobox', { name: 'Mark of D60' }));
  fireEvent.click(screen.getByRole('option', { name: 'as proposed' }));
  expect(await screen.findByText(/Refused: away/)).toBeTruthy();
});

test('a drawing is dropped as well; the place says that it is taken', async () => {
  render(<ImportDrawing projectId="p1" knownFabrics={[]} settings={SETTINGS} />);
  const place = screen.getByText(/^or drop an SVG file/).parentElement!;
  const rim = () => getComputedStyle(place).borderColor;
  const still = rim();
  fireEvent.dragOver(place);
  expect(rim()).not.toBe(still);
  fireEvent.dragLeave(place);
  expect(rim()).toBe(still);
  const file = new File([writeSvg(generate(defaultRecipe('grid')), 'Grid')], 'dropped one.svg');
  await act(async () => void fireEvent.drop(place, { dataTransfer: { files: [file] } }));
  expect((await screen.findByRole<HTMLInputElement>('textbox', { name: 'Name of the block' })).value).toMatch(/dropped one/i); // prettier-ignore
});

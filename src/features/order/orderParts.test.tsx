import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, expect, test, vi } from 'vitest';
import type { BlockDocument } from '@/core/block';
import { papersOverTime, takingOut } from '@/core/papers';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { blockSheet, type JoinStep } from '@/core/sheet';
import { rosette, patch } from '@/core/testing';
import { Notices } from '@/ui/Notices';
import {
  FakeWorker,
  SETTINGS,
  answering,
  drawn,
  navigation,
  outOfFrame,
  refused,
  sheetOf,
} from '@/ui/testing';
import { BastingSheet } from './BastingSheet';
import { FoldException } from './FoldException';
import { HandList } from './HandList';
import { OrderPanel } from './OrderPanel';
import { PapersChart } from './PapersChart';
import { StepPhotos } from './StepPhotos';
import { shortText } from './shortText';
import { withBasting } from './withBasting';

const joinsOf = (sheet: ReturnType<typeof sheetOf>) => sheet.steps.filter((step): step is JoinStep => step.kind === 'join'); // prettier-ignore
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

beforeEach(async () => {
  await import('@/workers/orderWorker');
});

test('papers over the time of sewing: the heaviest moment is told in words, the usual policy is not drawn twice', () => {
  const sheet = blockSheet(rosette(3), SETTINGS);
  const moments = papersOverTime(joinsOf(sheet), sheet.patches.length);
  const most = Math.max(...moments.map(({ inHand }) => inHand));
  const { rerender } = render(<PapersChart moments={moments} policy="all-first" />);
  const chart = screen.getByRole('img');
  expect(chart.getAttribute('aria-label')).toContain(`At most ${most} in the hand`);
  const names = () => [...chart.querySelectorAll('text')].map(({ textContent }) => textContent).filter((text) => text?.startsWith('in ')); // prettier-ignore
  expect(names()).toEqual(['in the hand', 'in the hand, all left in', 'in use']);
  rerender(<PapersChart moments={moments} policy="just-in-time" />);
  expect(names()).toHaveLength(4);
  // Every line is a step line from the beginning of the work to its end, left of its names, and never beyond the frame.
  expect(outOfFrame(chart)).toEqual([]);
  const shapes = drawn(chart);
  const lines = shapes.filter(({ element }) => element.getAttribute('fill') === 'none');
  expect(lines.map(({ minX, maxX }) => [Math.round(minX), Math.round(maxX)])).toEqual(lines.map(() => [40, 590])); // prettier-ignore
  // As high above the lowest grid line as there are papers.
  const grid = shapes.filter(({ element }) => /^M40 [\d.]+H590$/.test(element.getAttribute('d') ?? ''));
  const numbers = [...chart.querySelectorAll('g > text')].map(({ textContent }) => Number(textContent)).filter(Number.isFinite); // prettier-ignore
  const perPaper = (grid[0]!.minY - grid.at(-1)!.minY) / numbers[grid.length - 1]!;
  expect((grid[0]!.minY - lines[0]!.minY) / perPaper).toBeCloseTo(most, 6);
  expect((grid[0]!.minY - lines[3]!.minY) / perPaper).toBeCloseTo(sheet.patches.length, 6);
});

test('the schools are compared off this thread, one is used, and a comparison can be cancelled', async () => {
  const document = documentOfRecipe(defaultRecipe('star'));
  const asked = answering({ 'GET .*/document': () => ({ document, revision: 1 }), 'PUT .*/document': () => ({ revision: 2 }) });
  render(<Notices><OrderPanel projectId="p1" blockId="b1" sheet={sheetOf('star')} /></Notices>);
  press('Compare the schools');
  const table = await screen.findByRole('table', { name: 'Schools compared' });
  const rows = within(table).getAllByRole('row').slice(1);
  expect(rows.length).toBeGreaterThan(3);
  expect(rows.filter((row) => within(row).queryByText('in use'))).toHaveLength(1);
  // The first is the order of the sheet: of its joins so many are those of a unit that is made again.
  const joins = joinsOf(sheetOf('star'));
  const alike = Math.round((100 * joins.filter(({ repeat }) => repeat).length) / joins.length);
  expect(within(rows[0]!).getAllByRole('cell').at(-2)?.textContent).toBe(`${alike} %`);
  expect(alike).toBeGreaterThan(0);
  fireEvent.click(within(table).getByRole('button', { name: 'Use Centre out' }));
  await waitFor(() => expect(asked.at(-1)?.body).toMatchObject({ document: { order: { school: 'rings' } } }));
  FakeWorker.isSilent = true;
  press('Compare the schools');
  const before = FakeWorker.ended;
  fireEvent.click(await screen.findByRole('button', { name: 'Cancel' }));
  expect(FakeWorker.ended).toBe(before + 1);
  expect(screen.queryByRole('table', { name: 'Schools compared' })).toBeNull();
}); // prettier-ignore

test('appliqué: each way of sewing on is written into the order, and the usual one leaves nothing behind', async () => {
  const server = { document: documentOfRecipe(defaultRecipe('plate')), revision: 1 };
  answering({ 'GET .*/document': () => server, 'PUT .*/document': ({ body }) => ((server.document = (body as typeof server).document), { revision: (server.revision += 1) }) });
  const page = () => <Notices><OrderPanel projectId="p1" blockId="b1" sheet={sheetOf(server.document)} /></Notices>;
  const { rerender } = render(page());
  const choose = async (name: RegExp, wanted: object | undefined) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Appliqué' }));
    fireEvent.click(screen.getByRole('option', { name }));
    await waitFor(() => expect(server.document.order?.applique).toEqual(wanted));
    await waitFor(() => expect(screen.queryByText('Being worked out …')).toBeNull());
    rerender(page());
  };
  await choose(/out through a slit/, { papersOut: 'after', isCutAway: false });
  await choose(/^papers out first, background cut away/, { papersOut: 'before', isCutAway: true });
  await choose(/^papers out first, background stays/, undefined);
}); // prettier-ignore

test('of a kind with two hands it is said how many there are of each, even of one alone', () => {
  const slanted = patch(0, [[0, 0], [30, 0], [50, 20]]);
  const square = patch(1, [[80, 0], [100, 0], [100, 20], [80, 20]]);
  const sheet = blockSheet([slanted, square], SETTINGS);
  answering({});
  render(<Notices><BastingSheet projectId="p1" blockId="b1" sheet={sheet} allowanceMm={6.35} system="inch" /></Notices>);
  const [handed, plain] = sheet.kinds.map(({ name }) => screen.getAllByText(name).map((one) => one.parentElement?.textContent ?? '').find((text) => text.includes(', ')));
  expect(handed).toMatch(/, 1 \((0 L, 1 R|1 L, 0 R): .+\)$/);
  expect(plain).toMatch(/, 1$/);
}); // prettier-ignore

test('clashes are told with their places and mended by one press', async () => {
  const start = documentOfRecipe(defaultRecipe('star'));
  const ids = start.patches.map(({ id }) => id);
  const document = withBasting(start, () => ({ patches: Object.fromEntries(ids.slice(0, 6).map((id, i) => [id, i % 2 ? 'clockwise' : 'counter-clockwise'])) }));
  const sheet = sheetOf(document);
  expect(sheet.basting.clashes.length).toBeGreaterThan(0);
  const asked = answering({ 'GET .*/document': () => ({ document, revision: 1 }), 'PUT .*/document': () => ({ revision: 2 }) });
  render(<Notices><BastingSheet projectId="p1" blockId="b1" sheet={sheet} allowanceMm={6.35} system="inch" /></Notices>);
  expect(screen.getByText(/where two tails lie over one seam/)).toBeTruthy();
  expect(screen.getByText(/Folding 3 patches anticlockwise instead, all round \(paper side towards you\), mends them all; fewer would not do/)).toBeTruthy();
  press(/^Fold 3 anew$/);
  await waitFor(() => expect(asked.at(-1)?.method).toBe('PUT'));
  const mended = (asked.at(-1)!.body as { document: typeof document }).document;
  expect(sheetOf(mended).basting.clashes).toEqual([]);
  expect(withBasting(start, (choices) => choices)).not.toHaveProperty('basting');
}); // prettier-ignore

test('a picture is sent with what it shows, and stays to be sent again when it is refused', async () => {
  let isTaken = false;
  const asked = answering({ 'POST .*/photos': () => (isTaken ? {} : refused(422, 'no-picture')) });
  const { container } = render(<Notices><StepPhotos projectId="p1" blockId="b1" stepId="join-1" photos={[]} /></Notices>);
  const file = new File([new Uint8Array([1, 2, 255])], 'seam.jpg');
  await act(async () => void fireEvent.change(container.querySelector('input[type=file]')!, { target: { files: [file] } }));
  const send = () => screen.getByRole('button', { name: /Put it to this step/ });
  expect(send().hasAttribute('disabled')).toBe(true);
  await userEvent.type(screen.getByRole('textbox', { name: 'What it shows' }), ' A crisp tip ');
  fireEvent.click(send());
  await screen.findByText(/Refused: no-picture/);
  isTaken = true;
  fireEvent.click(send());
  await waitFor(() => expect(navigation.router.refresh).toHaveBeenCalledOnce());
  // A browser that cannot read it sends it as it is.
  expect(asked[1]?.body).toEqual({ stepId: 'join-1', says: 'A crisp tip', image: btoa('\u0001\u0002\u00ff') });
}); // prettier-ignore

test('steps in a few words: no numbers of units, bends counted, and what is always made is marked', () => {
  const steps = joinsOf(sheetOf('rosette'));
  for (const step of steps) {
    expect(shortText(step)).not.toMatch(/\(\d+ patches\)|Right sides together/);
    expect(shortText(step).includes('bend')).toBe(step.bends > 0);
  }
  expect(shortText({ ...steps[0]!, pin: {} })).toMatch(/always made$/);
});

test('papers are taken out at sittings where a block grows heavy, and nothing is said of them where it stays light', () => {
  const heavy = blockSheet(rosette(3), SETTINGS);
  const { sittings, mostInHand } = takingOut(joinsOf(heavy), heavy.sewing);
  answering({});
  const { unmount } = render(<OrderPanel projectId="p1" blockId="b1" sheet={heavy} />);
  const items = screen.queryAllByText(/^Before step \d+: take out/);
  expect(items).toHaveLength(Math.min(12, sittings.length));
  if (sittings.length > 0) expect(document.body.textContent).toContain(`${mostInHand.kept} papers would lie in the hand`);
  unmount();
  render(<OrderPanel projectId="p1" blockId="b1" sheet={blockSheet(rosette(1), SETTINGS)} />);
  expect(document.body.textContent).toContain('This block stays light');
}); // prettier-ignore

test('patches of one paper that were folded otherwise are folded as its others again; those of other papers stay as they are', () => {
  const { basting } = sheetOf('rosette');
  const onChange = vi.fn<(text: string, change: (document: BlockDocument) => BlockDocument) => Promise<boolean>>(() => Promise.resolve(true));
  const own = { ...basting.kinds[0]!, exceptions: [1, 2] };
  render(<FoldException kindName="hexagon" basting={own as never} patches={[{ id: 'a', number: 1 }, { id: 'b', number: 2 }]} onChange={onChange} />);
  press('Fold them as the others');
  const before = withBasting(documentOfRecipe(defaultRecipe('rosette')), () => ({ patches: { a: 'side-by-side', b: 'side-by-side', c: 'side-by-side' } as never }));
  expect(onChange.mock.calls[0]?.[1](before).basting?.patches).toEqual({ c: 'side-by-side' });
}); // prettier-ignore

test('of a teacher’s wishes each is told; only one that the order does not follow is said not to be, with the reason', () => {
  const wishes = [
    { wish: 'pins', index: 0, text: 'Made as one: 1, 2' },
    { wish: 'apart', index: 0, text: 'Never together: 3 and 4', idle: 'No other order joins these patches.' },
  ] as const;
  render(<Notices><HandList projectId="p1" blockId="b1" hand={{ says: 'Your order takes 2 min more.', wishes }} /></Notices>);
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
    'Made as one: 1, 2Take back',
    'Never together: 3 and 4Not followed. No other order joins these patches.Take back',
  ]);
}); // prettier-ignore

test('one patch is folded otherwise; what is chosen stays open until it is saved, and the proposed comes first', async () => {
  const answers = [false, true];
  const made: BlockDocument[] = [];
  const onChange = (_text: string, change: (document: BlockDocument) => BlockDocument) => {
    made.push(change(documentOfRecipe(defaultRecipe('star'))));
    return Promise.resolve(answers.shift() ?? true);
  };
  const basting = { convention: 'clockwise', conventions: ['clockwise', 'counter-clockwise', 'opposite-sides'], exceptions: [], methods: [], method: 'thread', saidBy: 'block' } as never; // prettier-ignore
  render(<FoldException kindName="diamond" basting={basting} patches={[{ id: 'a', number: 4 }, { id: 'b', number: 9 }]} onChange={onChange} />); // prettier-ignore
  press('One patch otherwise …');
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Patch' }));
  fireEvent.click(screen.getByRole('option', { name: '9' }));
  press('Fold patch 9 so');
  await waitFor(() => expect(made).toHaveLength(1));
  expect(made[0]?.basting?.patches).toEqual({ b: 'counter-clockwise' });
  expect(screen.getByRole('button', { name: 'Fold patch 9 so' })).toBeTruthy();
  press('Fold patch 9 so');
  await screen.findByRole('button', { name: 'One patch otherwise …' });
  press('One patch otherwise …');
  press('Leave it');
  expect(screen.getByRole('button', { name: 'One patch otherwise …' })).toBeTruthy();
  expect(made).toHaveLength(2);
});

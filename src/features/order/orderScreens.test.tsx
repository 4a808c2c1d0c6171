import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, expect, test, vi } from 'vitest';
import type { BlockDocument } from '@/core/block';
import { defaultRecipe, documentOfRecipe, type Recipe, type RecipeKind } from '@/core/generate';
import { batchesOf } from '@/core/sheet';
import { Notices } from '@/ui/Notices';
import { answering, navigation, refused, sheetOf, unreachable, type Asked } from '@/ui/testing';
import { ProjectPapersView } from './ProjectPapersView';
import { StepPlayer } from './StepPlayer';

const DOCUMENT = '/api/projects/p1/blocks/b1/document';

/** A block on a server that keeps what is put, and its player; `shown` draws what the server has now, as a refresh would. */
function atPlayer(kind: RecipeKind | Recipe, more: Partial<Parameters<typeof StepPlayer>[0]> = {}) {
  const recipe = typeof kind === 'string' ? defaultRecipe(kind) : kind;
  const server = { document: documentOfRecipe(recipe), revision: 1 };
  const asked = answering({
    [`GET ${DOCUMENT}`]: () => server,
    [`PUT ${DOCUMENT}`]: ({ body }) => {
      const put = body as { document: BlockDocument; revision: number };
      if (put.revision !== server.revision) return refused(409, 'changed');
      server.document = put.document;
      server.revision += 1;
      return { revision: server.revision };
    },
    'PATCH /api/projects/p1/basting': () => ({ kinds: [], pale: [] }),
    'PATCH /api/projects/p1/photos/.*': () => ({}),
  });
  const sheet = () => sheetOf(server.document);
  const page = () => (
    <Notices>
      <StepPlayer projectId="p1" blockId="b1" name="Star" sheet={sheet()} fabrics={['Ink', 'Straw']} system="inch" allowanceMm={6.35} photos={[]} begun={[]} {...more} />
    </Notices>
  ); // prettier-ignore
  const { rerender } = render(page());
  return { server, asked, sheet, show: () => rerender(page()), user: userEvent.setup() };
}

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const stepNow = () => Number(/^Step (\d+) of/.exec(screen.getByText(/^Step \d+ of/).textContent)?.[1]);
const puts = (asked: readonly Asked[]) => asked.filter(({ method }) => method === 'PUT');
const pick = (label: string | RegExp, choice: string | RegExp) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
  fireEvent.click(screen.getByRole('option', { name: choice }));
};

beforeEach(() => void (Element.prototype.scrollTo = () => undefined));

test('steps: buttons and arrows go through them and stop at both ends, the list jumps, playing goes on by itself', () => {
  vi.useFakeTimers();
  const { sheet } = atPlayer('star');
  const count = sheet().steps.length;
  expect(screen.getByRole('button', { name: '← Back' }).hasAttribute('disabled')).toBe(true);
  press('Next →');
  fireEvent.keyDown(document.body, { key: 'ArrowRight' });
  expect(stepNow()).toBe(3);
  fireEvent.keyDown(document.body, { key: 'ArrowLeft' });
  press('← Back');
  fireEvent.keyDown(document.body, { key: 'ArrowLeft' });
  expect(stepNow()).toBe(1);
  const items = within(screen.getByRole('list', { name: 'Steps' })).getAllByRole('button');
  expect(items).toHaveLength(count);
  fireEvent.click(items[count - 2]!);
  expect(items[count - 2]!.getAttribute('aria-current')).toBe('step');
  press('Play');
  act(() => void vi.advanceTimersByTime(1500));
  expect(stepNow()).toBe(count - 1);
  act(() => void vi.advanceTimersByTime(200));
  expect(stepNow()).toBe(count);
  expect(screen.getByRole('button', { name: 'Next →' }).hasAttribute('disabled')).toBe(true);
  act(() => void vi.advanceTimersByTime(9000));
  expect(stepNow()).toBe(count);
});

test('keys show tails and papers out, flip and print; not while something is typed, nor with Ctrl', () => {
  const print = vi.fn();
  vi.stubGlobal('print', print);
  atPlayer('star');
  const pressed = (name: RegExp) => screen.getByRole('button', { name }).getAttribute('aria-pressed');
  const before = [pressed(/^Tails/), pressed(/^Papers out/)];
  fireEvent.keyDown(document.body, { key: 't' });
  fireEvent.keyDown(document.body, { key: 'o' });
  expect([pressed(/^Tails/), pressed(/^Papers out/)]).toEqual(before.map((one) => String(one !== 'true')));
  fireEvent.keyDown(document.body, { key: 't', ctrlKey: true });
  expect(pressed(/^Tails/)).toBe('true');
  fireEvent.keyDown(document.body, { key: 'l' });
  expect(print).toHaveBeenCalledOnce();
  press('Add a note for makers');
  fireEvent.keyDown(screen.getByLabelText(/^Note for makers/), { key: 't' });
  expect(pressed(/^Tails/)).toBe('true');
});

test('a list of choices is opened by the space bar without playing, and its arrows are its own', async () => {
  atPlayer('star');
  fireEvent.keyDown(screen.getAllByRole('combobox')[0]!, { key: ' ' });
  const list = screen.getByRole('listbox');
  for (const key of ['ArrowRight', 'Escape']) fireEvent.keyDown(list, { key });
  await waitFor(() => expect(screen.queryByRole('listbox')).toBeNull());
  expect([screen.queryByRole('button', { name: 'Pause' }), stepNow()]).toEqual([null, 1]);
  fireEvent.keyDown(document.body, { key: ' ' });
  expect(screen.getByRole('button', { name: 'Pause' })).toBeTruthy();
});

test('a note is put to its step on the newest document, told, and taken back; what could not be saved stays typed', async () => {
  const { server, asked, sheet, show, user } = atPlayer('star');
  press('Add a note for makers');
  await user.type(screen.getByLabelText(/^Note for makers/), '  Mind the tips  ');
  press('Save the note');
  await waitFor(() => expect(server.document.notes).toEqual({ [sheet().steps[0]!.id]: 'Mind the tips' }));
  expect(puts(asked)[0]?.body).toMatchObject({ revision: 1 });
  expect(navigation.router.refresh).toHaveBeenCalledOnce();
  show();
  expect(await screen.findByText('The note is on the makers’ pages now.')).toBeTruthy();
  press('Undo');
  await waitFor(() => expect(server.document.notes ?? {}).toEqual({}));
  answering({ [`GET ${DOCUMENT}`]: unreachable });
  show();
  press('Add a note for makers');
  await user.type(screen.getByLabelText(/^Note for makers/), 'Lost?');
  press('Save the note');
  await screen.findByText(/The server cannot be reached/);
  expect((screen.getByLabelText(/^Note for makers/) as HTMLTextAreaElement).value).toBe('Lost?');
});

test('someone quicker: the change is made anew on theirs; after four times it is refused', async () => {
  const { server, show } = atPlayer('star');
  let quicker = 2;
  const asked = answering({
    [`GET ${DOCUMENT}`]: () => server,
    [`PUT ${DOCUMENT}`]: ({ body }) => {
      if ((quicker -= 1) >= 0) return refused(409, 'changed');
      server.document = (body as { document: BlockDocument }).document;
      return { revision: 9 };
    },
  });
  pick('When to baste', /unit by unit/);
  await waitFor(() => expect(server.document.order?.policy).toBe('per-unit'));
  expect(puts(asked)).toHaveLength(3);
  show();
  quicker = 99;
  pick('When to baste', /just before/);
  await screen.findByText(/Refused: changed/);
  expect(puts(asked)).toHaveLength(7);
  expect(server.document.order?.policy).toBe('per-unit');
});

test('while a change is worked out another press is no other wish', async () => {
  const { server } = atPlayer('star');
  let answer: (value: unknown) => void = () => undefined;
  const asked = answering({ [`GET ${DOCUMENT}`]: () => new Promise((resolve) => (answer = resolve)) });
  pick('When to baste', /unit by unit/);
  expect(await screen.findByText('Being worked out …')).toBeTruthy();
  pick('When to baste', /just before/);
  expect(await screen.findByText(/still being worked out/)).toBeTruthy();
  expect(asked).toHaveLength(1);
  await act(async () => answer(server));
  await waitFor(() => expect(screen.queryByText('Being worked out …')).toBeNull());
});

test('the teacher’s hand in a join: later, always made, not made; each is listed with its cost and can be taken back', async () => {
  const { server, sheet, show } = atPlayer('rosette');
  const first = sheet().steps.findIndex(({ kind }) => kind === 'join');
  const items = () => within(screen.getByRole('list', { name: 'Steps' })).getAllByRole('button');
  fireEvent.click(items()[first]!);
  const id = sheet().steps[first]!.id;
  press('Always make this unit');
  await waitFor(() => expect(server.document.order?.pins).toHaveLength(1));
  show();
  expect(sheet().steps[stepNow() - 1]?.id).toBe(id);
  expect(screen.getByRole('button', { name: 'Always made ✓' }).getAttribute('aria-pressed')).toBe('true');
  const changes = screen.getByRole('region', { name: 'Your changes to the order' });
  expect(within(changes).getAllByRole('listitem')).toHaveLength(1);
  fireEvent.click(within(changes).getByRole('button', { name: /^Take back/ }));
  await waitFor(() => expect(server.document.order?.pins ?? []).toHaveLength(0));
  show();
  fireEvent.keyDown(document.body, { key: 'ArrowDown', altKey: true });
  await waitFor(() => expect(screen.queryByText('Being worked out …')).toBeNull());
  show();
  expect(sheet().steps[first]?.id).not.toBe(id);
});

test('a join that cannot go earlier says why and changes nothing', async () => {
  const { asked, sheet } = atPlayer('rosette');
  const first = sheet().steps.findIndex(({ kind }) => kind === 'join');
  fireEvent.click(within(screen.getByRole('list', { name: 'Steps' })).getAllByRole('button')[first]!);
  press('Earlier');
  await screen.findByText('It is the first join already.');
  expect(puts(asked)).toEqual([]);
});

test('how a paper is folded and held is chosen for the block, for the project, and for one patch alone', async () => {
  const { server, asked, sheet, show } = atPlayer('star');
  const name = sheet().kinds[0]!.name;
  const folds = screen.getAllByRole('combobox', { name: `Folds of ${name}` })[0]!;
  fireEvent.mouseDown(folds);
  const other = screen.getAllByRole('option').find((one) => one.getAttribute('aria-selected') !== 'true')!;
  fireEvent.click(other);
  await waitFor(() => expect(server.document.basting?.kinds).toHaveLength(1));
  show();
  expect(sheet().basting.kinds[0]?.saidBy).toBe('block');
  press('So in the whole project');
  await waitFor(() =>
    expect(asked.at(-1)).toMatchObject({ method: 'PATCH', path: '/api/projects/p1/basting' }),
  );
  expect(asked.at(-1)?.body).toMatchObject({ convention: sheet().basting.kinds[0]!.convention });
  press('Not only here');
  await waitFor(() => expect(server.document.basting).toBeUndefined());
  show();
  fireEvent.click(screen.getAllByRole('button', { name: 'One patch otherwise …' })[0]!);
  press('Fold patch 1 so');
  await waitFor(() =>
    expect(Object.keys(server.document.basting?.patches ?? {})).toEqual([sheet().patches[0]!.id]),
  );
  show();
  press('Fold them as the others');
  await waitFor(() => expect(server.document.basting).toBeUndefined());
});

test('very pale cloth is told to the project and back', async () => {
  const { asked, sheet } = atPlayer('star');
  const [cloth] = [...new Set(sheet().patches.map(({ fabric }) => fabric))].sort();
  press(cloth!);
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ fabric: cloth, isPale: true }));
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ fabric: cloth, isPale: false }));
});

test('pictures of a step are shown with what they show, taken off and put back', async () => {
  const [{ id: stepId } = { id: '' }] = sheetOf('star').steps;
  const photo = { id: 'f1', stepId, says: 'A folded tip', width: 4, height: 3 };
  const { asked } = atPlayer('star', { photos: [photo, { ...photo, id: 'f2', stepId: 'elsewhere', says: 'Other' }] as never });
  expect(screen.getByRole('img', { name: 'A folded tip' }).getAttribute('src')).toBe('/api/projects/p1/photos/f1');
  expect(screen.queryByRole('img', { name: 'Other' })).toBeNull();
  press('Take off the picture: A folded tip');
  await waitFor(() => expect(asked.at(-1)).toMatchObject({ path: '/api/projects/p1/photos/f1', body: { isRemoved: true } }));
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ isRemoved: false }));
}); // prettier-ignore

test('who has begun the block is told, and whose work was sewn in another way', () => {
  const one = { name: 'Ada', done: 3, total: 9, covered: 0, isOwnOrder: false };
  atPlayer('star', { begun: [one, { ...one, name: 'Bo', covered: 2, isOwnOrder: true }] });
  const region = screen.getByRole('region', { name: 'Makers who have begun' });
  expect(region.textContent).toContain('2 makers have begun');
  expect(within(region).getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
    'Bo: 3 of 9 steps, 2 of them sewn in another way; the steps on their page go round it',
  ]);
}); // prettier-ignore

test('like units stand under one heading with how many, in the list of steps, and can be passed over at once', async () => {
  const { server, sheet, show } = atPlayer('beams');
  pick('Units that are alike', /always/);
  await waitFor(() => expect(server.document.order?.isBatched).toBe(true));
  show();
  const batches = batchesOf(sheet().steps);
  const headings = screen.queryAllByText(/^\d+ to make: /).map(({ textContent }) => textContent);
  expect(headings).toEqual(batches.map(({ count, name, size }) => `${count} to make: ${name}${size > 1 ? `, ${size} steps each` : ''}`));
  expect(headings.length).toBeGreaterThan(0);
}); // prettier-ignore

test('papers of the project: sums of needed papers and packs, each block with what stays in and what to save', () => {
  const { outline } = documentOfRecipe(defaultRecipe('rosette')).patches[0]!;
  const kinds = [
    { outline, uses: 40, usesPerPaper: 4, inBags: 42, policies: { 'all-first': { peak: 19, needed: 21 }, 'per-unit': { peak: 9, needed: 12 }, 'just-in-time': { peak: 7, needed: 11 } } },
  ];
  const papers = {
    kinds,
    names: ['1″ hexagon'],
    isSet: true,
    clashes: [{ patches: [{ block: 'Star', number: 3 }, { block: 'Plate', number: 8 }] }],
    blocks: [
      { id: 'a', block: 'Rosette a', isAppliqued: false, held: [{ kind: 0, count: 12, until: 'Rosette b' }], keep: [{ kind: 0, count: 7 }] },
      { id: 'b', block: 'Rosette b', isAppliqued: true, held: [{ kind: 0, count: 2, until: null }], keep: [] },
    ],
  };
  render(<ProjectPapersView projectId="p1" papers={papers as never} makers={20} sparesPercent={5} />);
  expect(document.body.textContent).toContain('21 papers, for 20 makers');
  expect(document.body.textContent).toContain('If every bag brings its own it is 42 papers');
  const cells = () => within(screen.getAllByRole('row')[1]!).getAllByRole('cell').map(({ textContent }) => textContent);
  expect(cells().slice(1, 7)).toEqual(['1″ hexagon', '40', '4', '42', '19', '21']);
  pick('When makers baste', /unit by unit/);
  expect(cells().slice(5, 7)).toEqual(['9', '12']);
  expect(screen.getByText(/3 of Star against 8 of Plate/)).toBeTruthy();
  const first = screen.getByRole('region', { name: 'Papers after Rosette a' }).textContent;
  expect(first).toContain('Stay in until Rosette b is joined: 12 × 1″ hexagon.');
  expect(first).toContain('Save for later blocks: 7 × 1″ hexagon.');
  const second = screen.getByRole('region', { name: 'Papers after Rosette b' }).textContent;
  expect(second).toContain('Sewn onto a square');
  expect(second).toContain('Stay in until the top is finished: 2 × 1″ hexagon.');
  expect(second).toContain('Nothing to save');
}); // prettier-ignore

test('an order that is often taught and costs more is offered with what it costs, and taken at a press', async () => {
  const { server, show } = atPlayer({
    ...defaultRecipe('star'),
    kind: 'star',
    points: 8,
    edgeMm: 76.2,
    surround: 'set-in',
  });
  const note = screen.getByText(/^Often taught “Star first”: .*more minutes than this order\.$/);
  expect(note).toBeTruthy();
  press('Use Star first');
  await waitFor(() => expect(server.document.order?.school).toBe('star-first'));
  show();
  expect(screen.queryByText(/^Often taught/)).toBeNull();
});

test('where another order is quicker than the one that is taught, it is said by how much, and taken at a press', async () => {
  const { server } = atPlayer('clamshell');
  expect(screen.getByText('Quicker “Least minutes”: 2 fewer threads, 2 fewer minutes than this order.')).toBeTruthy(); // prettier-ignore
  press('Use Least minutes');
  await waitFor(() => expect(server.document.order?.school).toBe('quickest'));
});

test('stitches and thread of one block are its own once they are used, wrong ones are said, and the project’s come back', async () => {
  const { server, show, sheet } = atPlayer('star');
  const form = screen.getByRole('form', { name: 'Thread of this block' });
  const type = (label: RegExp, value: string) => fireEvent.change(within(form).getByRole('textbox', { name: label }), { target: { value } }); // prettier-ignore
  const before = sheet().thread.metres;
  expect(within(form).getByRole('button', { name: 'Use for this block' }).hasAttribute('disabled')).toBe(
    true,
  );
  type(/^Whip stitches/, '900');
  press('Use for this block');
  expect((await within(form).findByRole('alert')).textContent).toBeTruthy();
  expect(server.document.order?.sewing).toBeUndefined();
  type(/^Whip stitches/, '20');
  type(/^Weight of the thread/, '80');
  press('Use for this block');
  await waitFor(() => expect(server.document.order?.sewing).toEqual({ stitchesPerMm: expect.closeTo(20 / 25.4, 9), threadWeight: 80 })); // prettier-ignore
  show();
  expect(sheet().thread.metres).toBeGreaterThan(1.3 * before);
  expect(sheet().steps.some((step) => step.kind === 'join' && step.notes.some((note) => note.startsWith('Thread of weight 80:')))).toBe(true); // prettier-ignore
  press('As the project');
  await waitFor(() => expect(server.document.order?.sewing).toBeUndefined());
});

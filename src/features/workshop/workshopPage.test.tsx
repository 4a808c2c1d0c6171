import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, expect, test } from 'vitest';
import { BLOCK_FORMAT, type BlockDocument } from '@/core/block';
import { makePaper } from '@/core/catalogue';
import { moveOutline, turnAbout } from '@/core/geometry';
import { cutGrid } from '@/core/testing';
import { Notices } from '@/ui/Notices';
import { answering, navigation, refused } from '@/ui/testing';
import { WorkshopPage } from './WorkshopPage';

const SQUARES: BlockDocument = { format: BLOCK_FORMAT, patches: cutGrid(3, 1, [0]) };
const DOCUMENT = '/api/projects/p1/blocks/b1/document';
type Put = {
  readonly document: BlockDocument;
  readonly revision: number;
  readonly mayTouch?: readonly string[];
};

beforeEach(async () => {
  await import('@/workers/workshopWorker');
});

/** The page of a block on a server that says whose work a change touches, once for each of them. */
function atPage(more: Partial<Parameters<typeof WorkshopPage>[0]> = {}, touched?: object) {
  const server = { revision: 1, document: SQUARES, version: {} as object };
  const asked = answering({
    [`GET ${DOCUMENT}`]: () => server,
    [`PUT ${DOCUMENT}`]: ({ body }) => {
      const { document, revision, mayTouch } = body as Put;
      if (touched && !mayTouch) return refused(409, 'touches-work', { current: touched });
      if (revision !== server.revision) return refused(409, 'changed', { current: server });
      Object.assign(server, { document, revision: revision + 1 });
      return { revision: server.revision };
    },
    'POST /api/projects/p1/blocks/b1/version': () => server.version,
    'POST /api/projects/p1/blocks': () => ({ id: 'b9' }),
  });
  render(
    <Notices>
      <WorkshopPage projectId="p1" block={{ id: 'b1', name: 'Star', revision: 1, document: SQUARES }} knownFabrics={['Ink']} system="inch" {...more} />
    </Notices>,
  );
  const sent = (method: string) => asked.filter((one) => one.method === method);
  return { server, puts: () => sent('PUT').map(({ body }) => body as Put), posts: () => sent('POST') };
} // prettier-ignore
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
/** Takes the last paper out. */
const change = () => {
  fireEvent.keyDown(screen.getByRole('application'), { key: 'ArrowLeft' });
  fireEvent.keyDown(screen.getByRole('application'), { key: ' ' });
  fireEvent.keyDown(document.body, { key: 'Delete' });
};
const dialog = () => screen.queryByRole('dialog', { name: 'Others have sewn by this block as it was' });

const TOUCHED = { makers: [{ id: 'm1', name: 'Ann', steps: 2 }], bags: [{ id: 'm2', name: 'Bea' }] };

test('whose work and bags a change touches is said before it is saved; taken back, all stays as it was', async () => {
  const { puts } = atPage({}, TOUCHED);
  change();
  await waitFor(() => expect(dialog()).toBeTruthy());
  const said = within(dialog()!);
  expect(said.getByRole('listitem').textContent).toBe('Ann: 2 steps');
  expect(said.getByText('This bag no longer holds what the block takes: Bea.')).toBeTruthy();
  fireEvent.click(said.getByRole('button', { name: 'Take the change back' }));
  await waitFor(() => expect(dialog()).toBeNull());
  expect(screen.getByRole('application').getAttribute('aria-label')).toMatch(/^Board, 3 papers/);
  expect(puts()).toHaveLength(1);
});

test('a change for all is saved, and those whom it touches are not asked about again', async () => {
  const { server, puts } = atPage({}, { makers: [], bags: [{ id: 'm2', name: 'Bea' }, { id: 'm3', name: 'Cy' }] }); // prettier-ignore
  change();
  await waitFor(() => expect(dialog()).toBeTruthy());
  expect(within(dialog()!).queryByRole('listitem')).toBeNull();
  expect(screen.getByText('These bags no longer hold what the block takes: Bea, Cy.')).toBeTruthy();
  press('Change it for all');
  await waitFor(() => expect(server.document.patches).toHaveLength(2));
  expect(puts()[1]?.mayTouch).toEqual(['m2', 'm3']);
  await waitFor(() => expect(dialog()).toBeNull());
});

test('a new version is made for those who have not begun, and opened; the block stays as it is', async () => {
  const { server, puts, posts } = atPage({}, TOUCHED);
  server.version = { id: 'b2', name: 'Star, version 2', stay: 2, go: 1 };
  change();
  await waitFor(() => expect(dialog()).toBeTruthy());
  press('A new version for the others');
  await screen.findByText('Star, version 2 is made: 1 maker will sew it, 2 go on with the old one. Give it a place in the setting.'); // prettier-ignore
  expect(navigation.router.push).toHaveBeenCalledWith('/p/p1/blocks/b2/workshop');
  expect((posts()[0]?.body as Put).document.patches).toHaveLength(2);
  expect([server.document.patches.length, puts().length]).toEqual([3, 1]);
});

test.each([
  [['Ada'], 0, 'Ada has begun it. Another'],
  [['Ada', 'Bo', 'Cy'], 2, 'Ada, Bo, Cy have begun it, and 2 bags of it are packed. Another'],
  [['Ada', 'Bo', 'Cy', 'Di', 'Ed'], 0, 'Ada, Bo, Cy and 2 more have begun it. Another'],
  [[], 1, '1 bag of it is packed. Another'],
])('said first: %j have begun, %d bags', (makers, bags, says) => {
  atPage({ touched: { makers, bags } });
  expect(screen.getByRole('note').textContent).toContain(says);
});

test('where nobody has begun and nothing is packed there is nothing to say', () => {
  atPage({ touched: { makers: [], bags: 0 } });
  expect(screen.queryByRole('note')).toBeNull();
});

test('someone changed the same paper: asked whose stays; theirs is taken as one step that can be undone', async () => {
  const { server } = atPage();
  const painted = (fabric: string) => ({ ...SQUARES, patches: SQUARES.patches.map((one, i) => (i === 0 ? { ...one, fabric } : one)) }); // prettier-ignore
  fireEvent.click(screen.getByRole('tab', { name: 'Cloth' }));
  fireEvent.keyDown(screen.getByRole('application'), { key: 'ArrowRight' });
  fireEvent.keyDown(screen.getByRole('application'), { key: ' ' });
  Object.assign(server, { document: painted('Theirs'), revision: 2 });
  press('Paint the 1 picked');
  const asked = await screen.findByRole('dialog');
  fireEvent.click(within(asked).getByRole('button', { name: 'Take theirs' }));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  await waitFor(() => expect(server.document.patches[0]?.fabric).toBe('Theirs'));
  press('Undo');
  await waitFor(() => expect(server.document.patches[0]?.fabric).toBe('Ink'));
});

test('a new block has no page of its own until its first paper; then it is made and has its address', async () => {
  const replaced = history.replaceState.bind(history);
  const addresses: string[] = [];
  history.replaceState = (_state, _unused, url) => void addresses.push(String(url));
  const { posts } = atPage({ block: undefined as never });
  expect(screen.getByRole('heading', { name: 'A new block: workshop' })).toBeTruthy();
  expect(screen.queryByRole('link', { name: 'To the block' })).toBeNull();
  fireEvent.click(screen.getByRole('tab', { name: 'Figures' }));
  press('Add');
  await waitFor(() => expect(posts()).toHaveLength(1));
  expect((await screen.findByRole('link', { name: 'To the block' })).getAttribute('href')).toBe('/p/p1/blocks/b9'); // prettier-ignore
  expect([screen.getByRole('heading', { level: 2 }).textContent, addresses]).toEqual(['New block: workshop', ['/p/p1/blocks/b9/workshop']]); // prettier-ignore
  history.replaceState = replaced;
});

test('a mend of the seams is one step, said when it is done', async () => {
  const slipped = { ...SQUARES, patches: SQUARES.patches.map((one, i) => (i < 2 ? one : { ...one, outline: { ...one.outline, corners: one.outline.corners.map(({ x, y }) => ({ x: x + 0.8, y })) } })) }; // prettier-ignore
  const { server } = atPage({ block: { id: 'b1', name: 'Star', revision: 1, document: slipped } });
  server.document = slipped;
  const mends = await screen.findAllByRole('button', { name: /mm/ });
  const [mend] = mends.filter((one) => one.closest('[role=tabpanel]'));
  fireEvent.click(mend!);
  expect(screen.getByText(`${mend!.textContent}: done.`)).toBeTruthy();
  await waitFor(() => expect(screen.getByText('All edges fit.')).toBeTruthy());
  press('Undo');
  await waitFor(() => expect(screen.queryByText('All edges fit.')).toBeNull());
});

test.each([
  [6, 58.5, '9.0° missing'],
  [8, 45.5, '4.0° too much'],
])('%d diamonds of %s° round a point do not lie flat: where and by how much is marked', async (count, angleDeg, says) => {
  const diamond = makePaper({ family: 'diamond', edgeMm: 40, angleDeg });
  const patches = Array.from({ length: count }, (_, i) => ({ id: `d${i}`, fabric: 'Ink', layer: 0, outline: moveOutline(turnAbout(diamond.corners[0]!, angleDeg * i), diamond) }));
  const document: BlockDocument = { format: BLOCK_FORMAT, patches };
  atPage({ block: { id: 'b1', name: 'Star', revision: 1, document } });
  await waitFor(() => expect([...screen.getByRole('application').querySelectorAll('title')].map(({ textContent }) => textContent)).toContain(says));
}); // prettier-ignore

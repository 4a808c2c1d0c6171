import { act, renderHook } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { BLOCK_FORMAT, type BlockDocument } from '@/core/block';
import { cutGrid } from '@/core/testing';
import { FakeStream, answering, refused, unreachable, type Asked } from '@/ui/testing';
import { takeDraft, useSaving, type SavedBlock } from './useSaving';

const START: BlockDocument = { format: BLOCK_FORMAT, patches: cutGrid(3, 1, [0]) };
const BLOCK: SavedBlock = { id: 'b1', name: 'Star', revision: 4, document: START };
const PUT = 'PUT /api/projects/p1/blocks/b1/document';

/** The block with one paper in another cloth. */
function painted(index: number, fabric: string, from = START): BlockDocument {
  return { ...from, patches: from.patches.map((one, i) => (i === index ? { ...one, fabric } : one)) };
}

function saving(initial: SavedBlock | undefined, document: BlockDocument) {
  const told = { merged: vi.fn(), created: vi.fn() };
  const hook = renderHook(
    (now: BlockDocument) =>
      useSaving({ projectId: 'p1', initial, document: now, onMerged: told.merged, onCreated: told.created }),
    { initialProps: document },
  );
  return { ...hook, told };
}

const after = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));
const puts = (asked: readonly Asked[]) => asked.filter(({ method }) => method === 'PUT');

beforeEach(() => void vi.useFakeTimers());

test('an edit is saved once the hands rest, on the revision it was made from, and what is unchanged is never sent', async () => {
  let revision = 4;
  const asked = answering({ [PUT]: () => ({ revision: (revision += 1) }) });
  const { result, rerender } = saving(BLOCK, START);
  await after(5000);
  expect(asked).toEqual([]);
  expect(result.current.state).toEqual({ kind: 'saved' });
  rerender(painted(0, 'Madder'));
  // What waits for the hands to rest is not said to be saved; taken back it is what was saved.
  expect(result.current.state).toEqual({ kind: 'saving' });
  rerender(START);
  expect(result.current.state).toEqual({ kind: 'saved' });
  rerender(painted(0, 'Madder'));
  await after(500);
  rerender(painted(0, 'Beacon'));
  await after(600);
  expect(asked).toEqual([]);
  expect(result.current.state).toEqual({ kind: 'saving' });
  await after(200);
  rerender(painted(0, 'Calico'));
  await after(1000);
  expect(puts(asked).map(({ body }) => body)).toEqual([
    { document: painted(0, 'Beacon'), revision: 4 },
    { document: painted(0, 'Calico'), revision: 5 },
  ]);
  expect(result.current.state).toEqual({ kind: 'saved' });
});

test('what someone else saved meanwhile is merged and then saved on top; a change of the same paper is a conflict', async () => {
  const theirs = painted(2, 'Slate');
  const answers = [refused(409, 'changed', { current: { revision: 9, document: theirs } })];
  const asked = answering({ [PUT]: () => answers.shift() ?? { revision: 10 } });
  const { rerender, told } = saving(BLOCK, START);
  rerender(painted(0, 'Madder'));
  await after(800);
  const [merged, rebase] = told.merged.mock.calls[0]!;
  expect(merged.conflicts).toEqual([]);
  expect(merged.document.patches.map(({ fabric }: { fabric: string }) => fabric)).toEqual(
    painted(0, 'Madder', theirs).patches.map(({ fabric }) => fabric),
  );
  expect(rebase(START)).toEqual(theirs);
  rerender(merged.document);
  await after(6000);
  expect(puts(asked).at(-1)?.body).toEqual({ document: merged.document, revision: 9 });
});

test('while it is asked whose change stays, theirs is not saved over; the answer is', async () => {
  const theirs = painted(1, 'Moss');
  let revision = 6;
  const asked = answering({
    [PUT]: ({ body }) =>
      (body as { revision: number }).revision < 6
        ? refused(409, 'changed-elsewhere', { current: { revision: 6, document: theirs } })
        : { revision: (revision += 1) },
  });
  const told = { merged: vi.fn(), created: vi.fn() };
  const { result, rerender } = renderHook(
    ({ document, isAsking }: { document: BlockDocument; isAsking: boolean }) =>
      useSaving({ projectId: 'p1', initial: BLOCK, document, isAsking, onMerged: told.merged, onCreated: told.created }),
    { initialProps: { document: START, isAsking: false } },
  );
  const mine = painted(1, 'Rust');
  rerender({ document: mine, isAsking: false });
  await after(800);
  expect(told.merged.mock.calls[0]![0].conflicts).toHaveLength(1);
  rerender({ document: mine, isAsking: true });
  await after(20_000);
  expect(puts(asked)).toHaveLength(1);
  expect(result.current.state.kind).not.toBe('saved');
  rerender({ document: theirs, isAsking: false });
  await after(800);
  expect(puts(asked).at(-1)?.body).toEqual({ document: theirs, revision: 6 });
  expect(result.current.state).toEqual({ kind: 'saved' });
}); // prettier-ignore

test('without a connection the block stays on the device, is tried again after five seconds, and is given up only when sent', async () => {
  let isThere = false;
  const asked = answering({ [PUT]: () => (isThere ? { revision: 5 } : unreachable()) });
  const { result, rerender } = saving(BLOCK, START);
  rerender(painted(1, 'Tar'));
  await after(800);
  expect(result.current.state).toMatchObject({ kind: 'failed', error: { status: 0, code: 'offline' } });
  // The server has moved on: what the device held is merged with it, once.
  const newer = { ...BLOCK, revision: 5, document: painted(0, 'Linen') };
  const kept = localStorage.getItem('kevlo-workshop-b1');
  expect(
    takeDraft(newer)
      ?.document.patches.map(({ fabric }) => fabric)
      .slice(0, 2),
  ).toEqual(['Linen', 'Tar']);
  expect(takeDraft(newer)).toBeUndefined();
  localStorage.setItem('kevlo-workshop-b1', kept!);
  await after(3000);
  expect(puts(asked)).toHaveLength(1);
  isThere = true;
  await after(2500);
  expect(puts(asked)).toHaveLength(2);
  expect(result.current.state).toEqual({ kind: 'saved' });
  expect(localStorage.getItem('kevlo-workshop-b1')).toBeNull();
});

test('a draft that cannot be read is none', () => {
  localStorage.setItem('kevlo-workshop-b1', '{"base":');
  expect(takeDraft(BLOCK)).toBeUndefined();
});

test('a new block is made with its first paper, under the first free name; an empty board makes none', async () => {
  const empty: BlockDocument = { format: BLOCK_FORMAT, patches: [] };
  const asked = answering({
    'POST /api/projects/p1/blocks': ({ body }) =>
      (body as { name: string }).name === 'New block 3' ? { id: 'b9' } : refused(409, 'name-taken'),
    'PUT .*/b9/document': () => ({ revision: 2 }),
  });
  const { result, rerender, told } = saving(undefined, empty);
  await after(2000);
  expect(result.current.state).toEqual({ kind: 'empty' });
  expect(asked).toEqual([]);
  rerender(START);
  expect(result.current.state).toEqual({ kind: 'saving' });
  await after(800);
  expect(result.current.state).toEqual({ kind: 'saved' });
  expect(told.created).toHaveBeenCalledWith({ id: 'b9', name: 'New block 3', revision: 1, document: START });
  rerender(painted(0, 'Rust'));
  await after(800);
  expect(puts(asked)[0]?.body).toMatchObject({ revision: 1 });
});

test('what others save is read when the page is told, and only if it is newer; leaving sends what is not saved', async () => {
  let newest = { revision: 4, document: painted(2, 'Moss') };
  const asked = answering({
    'GET .*/b1/document': () => newest,
    [PUT]: () => ({ revision: 8 }),
  });
  const { told, rerender, unmount } = saving(BLOCK, START);
  FakeStream.tell('kits');
  FakeStream.tell('blocks');
  await after(10);
  expect(asked.map(({ method }) => method)).toEqual(['GET']);
  expect(told.merged).not.toHaveBeenCalled();
  newest = { ...newest, revision: 6 };
  FakeStream.tell('blocks');
  await after(10);
  expect(told.merged).toHaveBeenCalledOnce();
  rerender(painted(0, 'Rust'));
  unmount();
  expect(JSON.parse(localStorage.getItem('kevlo-workshop-b1')!).document).toEqual(painted(0, 'Rust'));
  await after(10);
  expect(puts(asked)).toHaveLength(1);
});

test('closing the window asks first while something is not saved', async () => {
  answering({ [PUT]: () => ({ revision: 5 }) });
  const { rerender } = saving(BLOCK, START);
  const leave = () => {
    const event = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(event);
    return event.defaultPrevented;
  };
  expect(leave()).toBe(false);
  rerender(painted(0, 'Rust'));
  expect(leave()).toBe(true);
  await after(800);
  expect(leave()).toBe(false);
});

test('where others have sewn by it nothing is saved until the host has said what becomes of that; each is asked about once', async () => {
  const touched = { makers: [{ id: 'm1', name: 'Ann', steps: 2 }], bags: [{ id: 'm2', name: 'Bea' }] };
  const answers = [refused(409, 'touches-work', { current: touched })];
  const asked = answering({ [PUT]: () => answers.shift() ?? { revision: 9 }, 'POST /api/projects/p1/blocks/b1/version': () => ({ id: 'b2', name: 'Star, version 2', stay: 2, go: 1 }) }); // prettier-ignore
  const { result, rerender } = saving(BLOCK, START);
  rerender(painted(0, 'Madder'));
  await after(800);
  expect(result.current.state).toMatchObject({ kind: 'touches', touched });
  await after(20_000);
  expect(puts(asked)).toHaveLength(1);
  act(() => result.current.allow());
  await after(100);
  expect(puts(asked)[1]?.body).toMatchObject({ mayTouch: ['m1', 'm2'] });
  expect(result.current.state).toEqual({ kind: 'saved' });
  rerender(painted(1, 'Madder'));
  await after(800);
  expect(puts(asked)[2]?.body).toMatchObject({ mayTouch: ['m1', 'm2'] });
  answers.push(
    refused(409, 'touches-work', { current: { makers: [{ id: 'm3', name: 'Cy', steps: 1 }], bags: [] } }),
  );
  rerender(painted(2, 'Madder'));
  await after(800);
  const made = await act(() => result.current.asVersion());
  expect(made).toMatchObject({ id: 'b2', go: 1 });
  expect(asked.at(-1)?.body).toEqual({ document: painted(2, 'Madder') });
});

test('a change that touches others is taken back: nothing is asked or saved any more', async () => {
  const asked = answering({ [PUT]: () => refused(409, 'touches-work', { current: { makers: [], bags: [{ id: 'm2', name: 'Bea' }] } }) });
  const { result, rerender } = saving(BLOCK, START);
  rerender(painted(0, 'Madder'));
  await after(800);
  expect(result.current.state.kind).toBe('touches');
  rerender(START);
  await after(2000);
  expect(result.current.state).toEqual({ kind: 'saved' });
  expect(puts(asked)).toHaveLength(1);
}); // prettier-ignore

test('a refusal that brings nothing newer is a failure, and the block stays on the device', async () => {
  const newer = { revision: 9, document: painted(1, 'Theirs') };
  for (const [status, current] of [
    [409, undefined],
    [422, newer],
  ] as const) {
    answering({ [PUT]: () => refused(status, 'odd', current ? { current } : {}) });
    const { result, rerender, told, unmount } = saving(BLOCK, START);
    rerender(painted(0, 'Madder'));
    await after(800);
    expect([result.current.state.kind, told.merged.mock.calls.length]).toEqual(['failed', 0]);
    expect(takeDraft(BLOCK)?.document).toEqual(painted(0, 'Madder'));
    unmount();
  }
});

import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { projectBadges } from '../badges';
import { listBlocks, makeBlock } from '../blocks';
import { addSample } from '../demo';
import { JOB_KINDS } from '../jobKinds';
import { runJobNow } from '../jobs';
import { packFromStock } from './fromStock';
import { listKits, setKitStatus, setKitStatuses } from './kits';
import { addMakers, listMakers, setSkip } from '../makers';
import { makerPage, projectProgress, recordEvents } from '../progress';
import { createProject, setProjectState, listProjects, openProject } from '../projects';
import { testProject, type TestProject } from '../testing';

/** Bags of makers who sew what they choose, marked one by one and many at once. */
let { sql, drop, host, access, project, open } = {} as TestProject;
let blocks: string[];
let makers: { id: string; name: string; token: string }[];

beforeAll(async () => {
  ({ sql, drop, host, access, project, open } = await testProject('Bags'));
  for (const kind of ['plate', 'disc'] as const)
    await makeBlock(sql, access, { name: kind, recipe: defaultRecipe(kind) });
  blocks = (await listBlocks(sql, project)).map(({ id }) => id);
  makers = await addMakers(sql, access, ['Ann', 'Bea', 'Cy']);
});

afterAll(() => drop());

const wish = (maker: number, block: number, status: 'to-pack' | 'packed' | 'handed-over', revision = 0) => ({
  makerId: makers[maker]?.id ?? '',
  blockId: blocks[block] ?? '',
  status,
  revision,
});

test('many bags are marked at once; one that someone else changed meanwhile stays as it is', async () => {
  await setKitStatus(sql, access, wish(1, 0, 'handed-over'));
  const { changed, refused } = await setKitStatuses(
    sql,
    access,
    [0, 1, 2].map((maker) => wish(maker, 0, 'packed')),
  );
  expect(changed.map(({ makerId }) => makerId).sort()).toEqual([makers[0]?.id, makers[2]?.id].sort());
  expect(refused).toMatchObject([wish(1, 0, 'handed-over', 1)]);
  // Sending it again, as after a lost answer, changes nothing.
  const again = await setKitStatuses(sql, access, [wish(0, 0, 'packed')]);
  expect(again).toMatchObject({ changed: [wish(0, 0, 'packed', 1)], refused: [] });
  // A bag that is none refuses all of them.
  const none = { ...wish(0, 1, 'packed'), blockId: makers[0]?.id ?? '' };
  await expect(setKitStatuses(sql, access, [wish(2, 1, 'packed'), none])).rejects.toMatchObject({ status: 404 }); // prettier-ignore
  expect(await listKits(sql, project)).toHaveLength(3);
});

test('two who mark the same bags in opposite orders both get through, and each bag changes once', async () => {
  const all = [0, 1, 2].map((maker) => wish(maker, 1, 'packed'));
  const both = await Promise.all([
    setKitStatuses(sql, access, all),
    setKitStatuses(sql, access, [...all].reverse()),
  ]);
  for (const { changed, refused } of both) expect([changed.length, refused.length]).toEqual([3, 0]);
  const kits = (await listKits(sql, project)).filter(({ blockId }) => blockId === blocks[1]);
  expect(kits.map(({ revision }) => revision)).toEqual([1, 1, 1]);
});

test('a block that a maker skips is on no page, bag or count of theirs; what they sewed is there again when they take it up', async () => {
  const [ann] = makers as [(typeof makers)[number]];
  const [, disc = ''] = blocks;
  const step = (await listBlocks(sql, project))[1]?.sheet.steps[0]?.id ?? '';
  const event = {
    clientId: '00000000-0000-4000-8000-00000000000a',
    blockId: disc,
    stepId: step,
    kind: 'done',
    at: '2026-11-20T10:00:00Z',
  };
  await recordEvents(sql, ann.token, [event as never]);
  const shown = async () => (await makerPage(sql, ann.token)).blocks.map(({ id }) => id);
  const counted = async () =>
    (await projectProgress(sql, project)).filter(({ makerId }) => makerId === ann.id).map(({ done }) => done);
  expect([await shown(), await counted()]).toEqual([blocks, [0, 1]]);
  expect((await projectBadges(sql, project)).bags.calls).toBe('');
  await setKitStatus(sql, access, wish(0, 1, 'to-pack', 1));
  expect((await projectBadges(sql, project)).bags.calls).toBe('1 to pack');
  await setSkip(sql, access, ann.id, { blockId: disc, isSkipped: true });
  await setSkip(sql, access, ann.id, { blockId: disc, isSkipped: true });
  expect((await listMakers(sql, project)).map(({ skips }) => skips)).toEqual([[disc], [], []]);
  expect([await shown(), await counted()]).toEqual([[blocks[0]], [0]]);
  expect((await projectBadges(sql, project)).bags.calls).toBe('');
  await setSkip(sql, access, ann.id, { blockId: disc, isSkipped: false });
  expect([await shown(), await counted()]).toEqual([blocks, [0, 1]]);
  const elsewhere = { blockId: project.id, isSkipped: true };
  await expect(setSkip(sql, access, ann.id, elsewhere)).rejects.toMatchObject({ status: 404 });
});

test('a sample is made once, is whole, and is thrown away without a trace', async () => {
  const { id, job } = await addSample(sql, host);
  expect(await addSample(sql, host)).toEqual({ id, job });
  expect(await runJobNow(sql, JOB_KINDS, job!)).toEqual({ state: 'done', says: '' });
  expect((await listBlocks(sql, (await open(host, id, 'read')).project)).length).toBe(9);
  const samples = async () => (await listProjects(sql, host)).filter(({ isSample }) => isSample);
  expect(await samples()).toMatchObject([{ id, role: 'host', state: 'in-use' }]);
  await setProjectState(sql, await open(host, id, 'own'), 'binned');
  await setProjectState(sql, await openProject(sql, host, id, 'own', 'binned too'), 'deleted');
  expect(await samples()).toEqual([]);
  expect(await sql`select 1 from maker where project_id = ${id}`).toHaveLength(0);
});

test('papers that are there go to as many whole bags as they can, earlier drops first; packed bags ask for none', async () => {
  const own = await open(host, (await createProject(sql, host, { name: 'Stock' })).project.id, 'own');
  const { id: disc } = await makeBlock(sql, own, { name: 'Disc', recipe: defaultRecipe('disc') });
  const { id: star } = await makeBlock(sql, own, { name: 'Star', recipe: defaultRecipe('star') });
  const people = await addMakers(sql, own, ['Ann', 'Bea', 'Cy']);
  await setSkip(sql, own, people[2]!.id, { blockId: star, isSkipped: true });
  const [{ sheet }] = (await listBlocks(sql, own.project)).filter(({ id }) => id === disc) as [Awaited<ReturnType<typeof listBlocks>>[number]];
  const needs = Object.fromEntries(sheet.bag.papers.map(({ name, count, spares }) => [name, count + spares]));
  const times = (by: number, less = 0) => Object.fromEntries(Object.entries(needs).map(([name, count]) => [name, by * count - less]));
  const none = await packFromStock(sql, own.project, {});
  expect([none.ready, none.wanting]).toEqual([[], 5]);
  const two = await packFromStock(sql, own.project, times(3, 1));
  expect(two).toMatchObject({ wanting: 5, isProven: true, ready: [{ block: 'Disc' }, { block: 'Disc' }] });
  for (const paper of Object.keys(needs)) expect(two.missing.find((one) => one.paper === paper)?.count).toBe(1);
  expect(count(none.missing, needs)).toBe(3);
  // One is packed: its papers are not asked for any more.
  await setKitStatuses(sql, own, [{ blockId: disc, makerId: people[0]!.id, status: 'packed', revision: 0 }]);
  const after = await packFromStock(sql, own.project, times(2));
  expect([after.wanting, after.ready.map(({ maker }) => maker).sort()]).toEqual([4, ['Bea', 'Cy']]);
  // The star comes in an earlier drop: with papers for one bag of either its bag is packed, as many as may be.
  const [first] = (await listBlocks(sql, own.project)).filter(({ id }) => id === star);
  const stars = Object.fromEntries(first!.sheet.bag.papers.map(({ name, count: own_, spares }) => [name, own_ + spares]));
  const both = await packFromStock(sql, own.project, { ...stars, ...times(1) });
  expect(both.ready).toHaveLength(2);
  expect(new Set(both.ready.map(({ block }) => block))).toEqual(new Set(['Star', 'Disc']));
}); // prettier-ignore

/** How many bags of some papers are missing. */
function count(
  missing: readonly { paper: string; count: number }[],
  needs: Readonly<Record<string, number>>,
): number {
  const [paper = '', own = 1] = Object.entries(needs)[0] ?? [];
  return (missing.find((one) => one.paper === paper)?.count ?? 0) / own;
}

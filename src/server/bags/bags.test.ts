import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { projectBadges } from '../badges';
import { listBlocks, makeBlock } from '../blocks';
import { addSample } from '../demo';
import { JOB_KINDS } from '../jobKinds';
import { runJobNow } from '../jobs';
import { listKits, setKitStatus, setKitStatuses } from './kits';
import { addMakers, listMakers, setSkip } from '../makers';
import { makerPage, projectProgress, recordEvents } from '../progress';
import { setProjectState, listProjects, openProject } from '../projects';
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
  expect(refused).toEqual([wish(1, 0, 'handed-over', 1)]);
  // Sending it again, as after a lost answer, changes nothing.
  const again = await setKitStatuses(sql, access, [wish(0, 0, 'packed')]);
  expect(again).toEqual({ changed: [wish(0, 0, 'packed', 1)], refused: [] });
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

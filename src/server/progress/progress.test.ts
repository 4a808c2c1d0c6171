import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { withUnits } from '@/core/sheet';
import { makerPage, projectProgress, recordEvents } from '.';
import { setKitStatuses } from '../bags';
import { renameCloth } from '../cloth';
import { importBlock, listSummaries, makeBlock, openBlock, readRevision, saveBlock } from '../blocks';
import { addMakers } from '../makers';
import { createProject } from '../projects';
import { progressEvent as event, testProject, type TestProject, refusal } from '../testing';

let { sql, drop, host, access, project, open } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, host, access, project, open } = await testProject('Test project'));
});

afterAll(() => drop());

const SQUARES = `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="30mm" viewBox="0 0 60 30">
  <rect id="a" width="30" height="30"/><rect id="b" x="30" width="30" height="30"/></svg>`;

test('crossed batches of events, sent by many at once, are all kept, each once', async () => {
  const { id } = (await createProject(sql, host, { name: 'Crossed' })).project;
  const [maker] = await addMakers(sql, await open(host, id, 'edit'), ['Ida']);
  const { id: block } = await makeBlock(sql, await open(host, id, 'edit'), { name: 'B', recipe: defaultRecipe('rosette') });
  const events = Array.from({ length: 60 }, () => ({ clientId: randomUUID(), blockId: block, stepId: 'baste-1', kind: 'done' as const, at: new Date().toISOString() }));
  const shuffled = (seed: number) => [...events].sort((a, b) => (a.clientId.charCodeAt(seed) - b.clientId.charCodeAt(seed)) || (a.clientId < b.clientId ? 1 : -1));
  await Promise.all(Array.from({ length: 12 }, (_, i) => recordEvents(sql, maker!.token, shuffled(i))));
  const [row] = await sql`select count(*)::int as n from progress_event where maker_id = ${maker!.id}`;
  expect(row?.n).toBe(60);
  await expect(recordEvents(sql, maker!.token, [{ ...events[0]!, clientId: randomUUID(), at: '0000-01-01T00:00:00Z' }])).rejects.toEqual(refusal(422));
}); // prettier-ignore

test('events sent again, also at the same time, count once and cannot be changed', async () => {
  const { id: blockId } = await importBlock(sql, access, { name: 'Counted', svg: SQUARES });
  const [maker] = await addMakers(sql, access, ['Counted Maker']);
  const steps = (await openBlock(sql, project, blockId)).sheet.steps.map(({ id }) => id);
  const events = steps.map((id) => event(blockId, id));
  await Promise.all(Array.from({ length: 6 }, () => recordEvents(sql, maker?.token ?? '', events)));
  const [row] = await sql`select count(*)::int as n from progress_event where block_id = ${blockId}`;
  expect(row?.n).toBe(steps.length);
  const progress = await projectProgress(sql, project);
  expect(progress.find((entry) => entry.makerId === maker?.id && entry.blockId === blockId)).toMatchObject({
    done: steps.length,
    total: steps.length,
  });
  await expect(sql`update progress_event set kind = 'undone'`).rejects.toThrow('append only');
});

test('work counts only for the papers and cloth it was done with; a packed bag remembers what lay in it', async () => {
  const { id } = (await createProject(sql, host, { name: 'Changed' })).project;
  const own = await open(host, id, 'own');
  const [maker] = await addMakers(sql, own, ['Cy']);
  const { id: blockId } = await makeBlock(sql, own, { name: 'B', recipe: defaultRecipe('star') });
  const { sheet } = await openBlock(sql, own.project, blockId);
  const steps = sheet.steps.map((step) => ({ ...event(blockId, step.id), made: step.made, units: withUnits(step, sheet.patches).units }));
  await recordEvents(sql, maker!.token, steps as never);
  const [kit] = (await setKitStatuses(sql, own, [{ blockId, makerId: maker!.id, status: 'packed', revision: 0 }])).changed;
  const [before] = await projectProgress(sql, own.project);
  expect(before?.done).toBe(steps.length);
  // A cloth that is only called otherwise, and then as before, is the same cloth.
  const cloth = sheet.patches[0]!.fabric;
  for (const [from, to] of [[cloth, 'Dusk'], ['Dusk', 'Dawn'], ['Dawn', cloth]] as const) {
    await renameCloth(sql, own, { from, to });
    const fresh = await open(host, id, 'own');
    expect((await projectProgress(sql, fresh.project))[0]?.done).toBe(steps.length);
    expect((await listSummaries(sql, fresh.project)).blocks[0]?.summary.bag).toBe(kit?.packedMark);
  }
  // Another cloth at one patch: basting and joins that it is in are to be done again, the others stay done.
  const { document, revision } = await readRevision(sql, own.project, blockId);
  const patches = document.patches.map((one, i) => (i === 0 ? { ...one, fabric: 'Other cloth' } : one));
  await saveBlock(sql, own, blockId, { document: { ...document, patches }, revision });
  const later = await open(host, id, 'own');
  const [after] = await projectProgress(sql, later.project);
  const touched = sheet.steps.filter((step) => (step.kind === 'join' ? [...step.left, ...step.right] : step.patches).includes(0)).length;
  expect(touched).toBeGreaterThan(2);
  expect(after!.done).toBeLessThanOrEqual(steps.length - touched + 1);
  expect(after!.done).toBeGreaterThan(0);
  const { blocks } = await makerPage(sql, maker!.token);
  expect(blocks[0]?.changed.length).toBeGreaterThan(0);
  const { blocks: summaries } = await listSummaries(sql, later.project);
  expect([kit?.packedMark === null, kit?.packedMark === summaries[0]?.summary.bag]).toEqual([false, false]);
  // The old cloth again, and all of it counts again.
  const now = await readRevision(sql, later.project, blockId);
  await saveBlock(sql, own, blockId, { document, revision: now.revision });
  const [again] = await projectProgress(sql, later.project);
  expect(again?.done).toBe(steps.length);
  expect((await listSummaries(sql, later.project)).blocks[0]?.summary.bag).toBe(kit?.packedMark);
}); // prettier-ignore

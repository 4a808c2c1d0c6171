import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { projectProgress, recordEvents } from '.';
import { importBlock, makeBlock, openBlock } from '../blocks';
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

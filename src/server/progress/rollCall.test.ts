import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { callRoll, projectProgress, readRoll, recordEvents, tellStuck, type RollEntry } from '.';
import { makeBlock, openBlock } from '../blocks';
import { addMakers } from '../makers';
import { progressEvent as event, refusal, testProject, type TestProject } from '../testing';

const DAY = '2026-11-27';
let { sql, drop, access, project } = {} as TestProject;
let [blockId, makerId, token] = ['', '', ''];

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Called'));
  ({ id: blockId } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') }));
  const [maker] = await addMakers(sql, access, ['Ann']);
  ({ id: makerId = '', token = '' } = maker ?? {});
});

afterAll(() => drop());

const now = async () => (await readRoll(sql, project, DAY)).find((line) => line.makerId === makerId);
const call = (said: object) => callRoll(sql, access, [{ id: randomUUID(), makerId, at: new Date().toISOString(), ...said } as RollEntry]); // prettier-ignore
const doneSteps = async () =>
  (await projectProgress(sql, project)).find((one) => one.makerId === makerId)?.done;

test('before anybody has begun nothing is sewn and nobody is stuck', async () => {
  expect(await tellStuck(sql, project)).toEqual({ stuck: 0, isBegun: false });
});

test('a count makes so many units done and no more; less takes back; what the maker ticked counts with it', async () => {
  const { sheet } = await openBlock(sql, project, blockId);
  const first = (await now())?.now?.units[0];
  expect(first).toMatchObject({ name: 'kinds wrapped', done: 0, key: sheet.steps[0]?.id });
  await recordEvents(sql, token, [event(blockId, sheet.steps[2]?.id ?? '')]);
  const said = { kind: 'count', blockId, key: first?.key, count: 2 };
  const entry = { id: randomUUID(), makerId, at: new Date().toISOString(), ...said } as RollEntry;
  await callRoll(sql, access, [entry]);
  await callRoll(sql, access, [entry]);
  expect([(await now())?.now?.units[0]?.done, await doneSteps()]).toEqual([2, 2]);
  await call({ ...said, count: 1 });
  expect(await doneSteps()).toBe(1);
  await call({ ...said, count: 100_000 });
  expect((await now())?.now?.units[0]).toMatchObject({ done: first?.count });
  await expect(call({ ...said, key: 'nothing' })).rejects.toEqual(refusal(404));
  await expect(call({ ...said, makerId: randomUUID() })).rejects.toEqual(refusal(404));
});

test('stuck, and not; away today, and there after all', async () => {
  expect(await tellStuck(sql, project)).toEqual({ stuck: 0, isBegun: true });
  await call({ kind: 'stuck', blockId });
  expect((await now())?.now?.isStuck).toBe(true);
  expect(await tellStuck(sql, project)).toEqual({ stuck: 1, isBegun: true });
  await call({ kind: 'unstuck', blockId });
  // Who asked once and was helped is looked at, and not counted.
  expect(await tellStuck(sql, project)).toEqual({ stuck: 0, isBegun: true });
  expect((await now())?.now?.isStuck).toBe(false);
  await call({ kind: 'absent', day: DAY });
  expect((await now())?.isAbsent).toBe(true);
  expect((await readRoll(sql, project, '2026-11-28'))[0]?.isAbsent).toBe(false);
  await call({ kind: 'present', day: DAY });
  expect((await now())?.isAbsent).toBe(false);
});

import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { blockUnits, makerHistories, makerPage, progressOfMaker, recordEvents, standingsOf } from '.';
import { makeBlock, openBlock } from '../blocks';
import { addMakers, setSkip } from '../makers';
import { progressEvent as event, refusal, testProject, type TestProject } from '../testing';

let { sql, drop, access, project } = {} as TestProject;
let blockId = '';
let makers: readonly { readonly id: string; readonly token: string }[] = [];

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Units'));
  ({ id: blockId } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') }));
  makers = await addMakers(sql, access, ['Ann', 'Bea', 'Cyd']);
});

afterAll(() => drop());

const steps = async () => (await openBlock(sql, project, blockId)).sheet.steps;
const sends = (maker: number, ...events: readonly object[]) =>
  recordEvents(sql, makers[maker]!.token, events as never);

test('unit by unit: how many did each step, how much of each unit every maker has, and who is stuck where', async () => {
  const before = await blockUnits(sql, project, blockId);
  expect(before).toMatchObject({ name: 'Star', inOrder: 3, slow: [] });
  expect(before.makers).toEqual(makers.map(({ id }) => ({ makerId: id, done: before.units.map(() => 0), stuckAt: null })));
  const flat = before.units.flatMap((unit) => unit.steps);
  const all = await steps();
  expect(flat.map(({ id }) => id).sort()).toEqual(all.map(({ id }) => id).sort());
  for (const { id, number, text } of flat) expect(all[number - 1]).toMatchObject({ id, text });
  const minutes = before.units.reduce((sum, unit) => sum + unit.minutes, 0);
  expect(minutes).toBeCloseTo(all.reduce((sum, step) => sum + step.minutes, 0), 6);
  // Ann does the first unit, Bea its first step and is stuck on the last step of all.
  const [first] = before.units;
  await sends(0, ...first!.steps.map(({ id }) => event(blockId, id)));
  await sends(1, event(blockId, first!.steps[0]!.id), event(blockId, flat.at(-1)!.id, 'stuck'));
  const { units, makers: lines } = await blockUnits(sql, project, blockId);
  expect(units[0]!.steps.map(({ done }) => done)).toEqual(first!.steps.map((_, i) => (i === 0 ? 2 : 1)));
  expect(units.slice(1).flatMap((unit) => unit.steps).every(({ done }) => done === 0)).toBe(true);
  expect(units.at(-1)!.steps.at(-1)!.stuck).toEqual([makers[1]!.id]);
  expect(lines.map(({ stuckAt }) => stuckAt)).toEqual([null, units.length - 1, null]);
  expect(lines[0]!.done).toEqual(units.map((unit, i) => (i === 0 ? unit.count : 0)));
  expect(lines[1]!.done![0]).toBe(first!.count > 1 ? 1 : first!.steps.length > 1 ? 0 : 1);
  await expect(blockUnits(sql, project, randomUUID())).rejects.toEqual(refusal(404));
}); // prettier-ignore

test('a step is slow where two timed it and their middle is half as long again; the latest time of each counts', async () => {
  const [, , step, other] = await steps();
  const timed = (minutes: number, id = step!.id, ago = 0) => ({ ...event(blockId, id), minutes, at: new Date(Date.now() - ago).toISOString() });
  await sends(0, timed(step!.minutes * 9, step!.id, 60_000), timed(step!.minutes * 1.2));
  expect((await blockUnits(sql, project, blockId)).slow).toEqual([]);
  await sends(1, timed(step!.minutes * 1.7), timed(other!.minutes * 9, other!.id));
  // Of 1.2 and 1.7 the middle is 1.45: not yet.
  expect((await blockUnits(sql, project, blockId)).slow).toEqual([]);
  await sends(2, timed(step!.minutes * 1.6));
  const { slow } = await blockUnits(sql, project, blockId);
  expect(slow).toMatchObject([{ stepId: step!.id, number: 3, text: step!.text, timed: 3 }]);
  expect(slow[0]!.medianMinutes).toBeCloseTo(1.6 * slow[0]!.standardMinutes, 6);
}); // prettier-ignore

test('a clock that runs ahead is set right; patches are believed only where the step is named by them', async () => {
  const [step] = await steps();
  const ahead = { ...event(blockId, step!.id), at: new Date(Date.now() + 3_600_000).toISOString(), units: [[0], [1]] };
  const long = { ...event(blockId, step!.id), at: '2001-05-05T10:00:00Z' };
  const { upTo, recorded } = await sends(2, ahead, long);
  expect(recorded).toHaveLength(2);
  const rows = await sql<{ id: string; at: string; units: unknown }[]>`
    select id, at, units from progress_event where maker_id = ${makers[2]!.id} order by id desc limit 2`;
  expect(Number(rows[0]!.id)).toBe(upTo);
  const late = rows.map(({ at }) => Date.parse(at)).sort((a, b) => b - a)[0]!;
  expect(late - Date.now()).toBeLessThan(6 * 60_000);
  expect(late - Date.now()).toBeGreaterThan(0);
  expect(rows.map(({ units }) => units)).toEqual([null, null]);
  // Sent again, they are where they were.
  expect((await sends(2, long, ahead)).upTo).toBe(upTo);
  await expect(sends(2, { ...event(blockId, step!.id), at: 'yesterday' })).rejects.toEqual(refusal(422));
  await expect(sends(2, event(randomUUID(), step!.id))).rejects.toEqual(refusal(404));
}); // prettier-ignore

test('a maker’s page has their blocks alone, what they did, and their last entry; a history begins with the first', async () => {
  const { id: other } = await makeBlock(sql, access, { name: 'Disc', recipe: defaultRecipe('disc') });
  await setSkip(sql, access, makers[2]!.id, { blockId: other, isSkipped: true });
  const page = await makerPage(sql, makers[2]!.token);
  expect(page.blocks.map(({ name }) => name)).toEqual(['Star']);
  expect(page.blocks[0]!.done).toHaveLength(2);
  expect((await makerPage(sql, makers[0]!.token)).blocks.map(({ name }) => name)).toEqual(['Star', 'Disc']);
  const own = await progressOfMaker(sql, project, makers[2]!.id);
  expect(own).toMatchObject([{ done: 2, covered: 0, isOwnOrder: false, orphaned: 0 }]);
  expect(own[0]!.doneMinutes).toBeGreaterThan(0);
  expect(own[0]!.doneMinutes).toBeLessThan(own[0]!.totalMinutes);
  expect(Date.parse(own[0]!.lastAt!)).toBeGreaterThan(Date.now());
  expect(await progressOfMaker(sql, project, randomUUID())).toEqual([]);
  expect(await standingsOf(sql, project, [makers[2]!.id])).toHaveLength(1);
  const history = (await makerHistories(sql, project)).find(({ id }) => id === makers[2]!.id)!;
  expect(new Date(history.since).toISOString()).toBe('2001-05-05T10:00:00.000Z');
  expect(history.work).toHaveLength(2);
  expect(history.left[0]!.minutes).toBeCloseTo(own[0]!.totalMinutes - own[0]!.doneMinutes, 6);
}); // prettier-ignore

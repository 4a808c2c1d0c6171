import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { DEFAULT_SEWING } from '@/core/assembly';
import { blockSheet, withPolicy } from '@/core/sheet';
import { exportProject } from '../files';
import { addDocument, listBlocks, sheetFor } from '../blocks';
import { sheetSettings } from '../blocks/sheets';

import { contentHash, derived, derivedAll, dropOldResults } from './derived';
import { openProject, changeProject } from '../projects';
import { testProject, type TestProject } from '../testing';

let { sql, drop, host, access, project } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, host, access, project } = await testProject('Kept results'));
});

afterAll(() => drop());

const kept = async (kind: string) =>
  (await sql<{ key: string }[]>`select key from derived where key like ${`${kind}/%`} order by key`).map(
    ({ key }) => key,
  );

test('another allowance dresses the blocks anew but orders none anew, and the sheets are those of a fresh plan', async () => {
  const [star, plate] = [documentOfRecipe(defaultRecipe('star')), documentOfRecipe(defaultRecipe('plate'))];
  await addDocument(sql, access, { name: 'Star', document: star });
  await addDocument(sql, access, { name: 'Plate', document: plate });
  await listBlocks(sql, project);
  const [orders, sheets] = [await kept('order'), await kept('sheet')];
  expect(orders).toHaveLength(2);
  await changeProject(sql, access, { allowanceMm: 10 });
  ({ project } = await openProject(sql, host, project.id, 'read'));
  const blocks = await listBlocks(sql, project);
  expect(await kept('order')).toEqual(orders);
  expect((await kept('sheet')).length).toBeGreaterThan(sheets.length);
  const fresh = blockSheet(
    star.patches,
    { allowanceMm: 10, sparesPercent: project.sparesPercent, system: project.unitSystem, marks: [], basting: project.basting }, // prettier-ignore
    undefined,
    star,
  );
  expect(blocks[0]?.sheet.steps).toEqual(JSON.parse(JSON.stringify(fresh.steps)));
  expect(blocks[0]?.sheet.plan).toEqual(JSON.parse(JSON.stringify(fresh.plan)));
});

test('when patches are basted changes no order of sewing', async () => {
  const orders = await kept('order');
  const star = withPolicy(documentOfRecipe(defaultRecipe('star')), 'just-in-time');
  const late = await sheetFor(
    sql,
    { contentHash: contentHash(star), document: () => star },
    sheetSettings(project),
  );
  expect(late.steps.findIndex(({ kind }) => kind === 'join')).toBe(2);
  expect(await kept('order')).toEqual(orders);
});

test('other figures of sewing order the blocks anew; two hosts who change different ones both keep theirs', async () => {
  const [before] = await listBlocks(sql, project);
  const orders = await kept('order');
  // One figure is enough.
  await changeProject(sql, access, { sewing: { bendMinutes: 3 } });
  ({ project } = await openProject(sql, host, project.id, 'read'));
  await listBlocks(sql, project);
  expect((await kept('order')).length).toBe(orders.length * 2);
  await Promise.all([
    changeProject(sql, access, { sewing: { bendMinutes: 5 } }),
    changeProject(sql, access, { sewing: { stitchesPerMinute: 6 } }),
  ]);
  ({ project } = await openProject(sql, host, project.id, 'read'));
  expect(project.sewing).toEqual({ bendMinutes: 5, stitchesPerMinute: 6 });
  const [after] = await listBlocks(sql, project);
  expect((await kept('order')).length).toBe(orders.length * 3);
  expect(after!.sheet.plan.joinMinutes).toBeGreaterThan(1.5 * before!.sheet.plan.joinMinutes);
  const file = await exportProject(sql, project);
  expect(file.sewing).toEqual({ bendMinutes: 5, stitchesPerMinute: 6 });
  // Back to what the craft has: nothing is left to tell, and the first orders are there still.
  await changeProject(sql, access, { sewing: { bendMinutes: DEFAULT_SEWING.bendMinutes, stitchesPerMinute: DEFAULT_SEWING.stitchesPerMinute } });
  ({ project } = await openProject(sql, host, project.id, 'read'));
  expect(await listBlocks(sql, project)).toMatchObject([{ sheet: before!.sheet }, {}]);
  expect((await kept('order')).length).toBe(orders.length * 3);
  expect(await exportProject(sql, project)).not.toHaveProperty('sewing');
}); // prettier-ignore

test('a result asked for by many at once is computed once; a failure is not kept', async () => {
  let times = 0;
  const compute = async () => {
    times += 1;
    await new Promise((resolve) => setTimeout(resolve, 30));
    return { answer: 42, gone: undefined };
  };
  const many = await Promise.all(
    Array.from({ length: 8 }, () => derivedAll(sql, [{ key: 'test/many', compute }])),
  );
  expect(times).toBe(1);
  expect(new Set(many.map((one) => JSON.stringify(one)))).toEqual(new Set(['[{"answer":42}]']));
  await expect(derived(sql, 'test/fails', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(await derived(sql, 'test/fails', () => 'yes')).toBe('yes');
});

test('results that nothing asked for in 30 days are dropped, and reading one counts as asking', async () => {
  await sql`
    insert into derived (key, result, used_on) values
      ('test/old', '1', current_date - 31), ('test/read', '2', current_date - 31), ('test/fresh', '3', current_date - 30)`;
  expect(await derived(sql, 'test/read', () => 0)).toBe(2);
  expect(await dropOldResults(sql)).toBe(1);
  expect(await kept('test')).toEqual(['test/fails', 'test/fresh', 'test/many', 'test/read']);
});

import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe, type Recipe } from '@/core/generate';
import {
  importBlock,
  makeBlock,
  openBlock,
  recipeSchema,
  renameBlock,
  setBlockRemoved,
  remakeBlock,
} from '.';
import { testProject, type TestProject, refusal } from '../testing';

let { sql, drop, access, project } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Test project'));
});

afterAll(() => drop());

const SQUARES = `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="30mm" viewBox="0 0 60 30">
  <rect id="a" width="30" height="30"/><rect id="b" x="30" width="30" height="30"/></svg>`;

test('a faulty drawing leaves nothing behind', async () => {
  const count = async () => (await sql`select count(*)::int as n from block`)[0]?.n as number;
  const before = await count();
  const bad = SQUARES.replace('<rect id="b"', '<path id="c" d="M0 0L9 9L9 0L0 9Z"/><rect id="b"');
  await expect(importBlock(sql, access, { name: 'Bad', svg: bad })).rejects.toMatchObject({
    status: 422,
    body: { where: 'c', what: expect.stringContaining('crosses'), mend: expect.any(String) },
  });
  expect(await count()).toBe(before);
});

test('of two people who rename a block at once one is told, and nothing is lost', async () => {
  const { id } = await importBlock(sql, access, { name: 'Renamed', svg: SQUARES });
  const [{ name: before } = { name: '' }] = await sql<
    { name: string }[]
  >`select name from block where id = ${id}`;
  const rename = (name: string) => renameBlock(sql, access, id, { name, before });
  const results = await Promise.allSettled([rename('First'), rename('Second')]);
  expect(results.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  const lost = results.find(({ status }) => status === 'rejected') as PromiseRejectedResult;
  expect(lost.reason).toMatchObject({ status: 409, body: { current: { name: expect.any(String) } } });
});

test('a block taken out comes back as it was, unless its name was given away', async () => {
  const { id } = await importBlock(sql, access, { name: 'Gone', svg: SQUARES });
  await setBlockRemoved(sql, access, id, true);
  await expect(openBlock(sql, project, id)).rejects.toEqual(refusal(404));
  await setBlockRemoved(sql, access, id, false);
  expect((await openBlock(sql, project, id)).sheet.patches).toHaveLength(2);
  await setBlockRemoved(sql, access, id, true);
  await importBlock(sql, access, { name: 'gone', svg: SQUARES });
  await expect(setBlockRemoved(sql, access, id, false)).rejects.toEqual(refusal(409));
});

test('what is counted in a recipe is a whole number, what is measured need not be', () => {
  const faultOf = (change: object) => recipeSchema.validate({ ...defaultRecipe('plate'), ...change }).error?.details[0]?.path;
  expect([faultOf({}), faultOf({ outerMm: 120.25 }), faultOf({ blades: 12.5 }), faultOf({ blades: 16 })]).toEqual([undefined, undefined, ['blades'], undefined]);
}); // prettier-ignore

test('a generated block is made again with other figures, and of two who do so at once one is told', async () => {
  const recipe = defaultRecipe('rosette');
  const { id } = await makeBlock(sql, access, { name: 'Made', recipe });
  const remake = (rings: number) =>
    remakeBlock(sql, access, id, { recipe: { ...recipe, rings } as Recipe, revision: 1 });
  const results = await Promise.allSettled([remake(1), remake(3)]);
  expect(results.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  const block = await openBlock(sql, project, id);
  expect([7, 37]).toContain(block.sheet.patches.length);
  expect(block.recipe).toMatchObject({ kind: 'rosette' });
  const bad = { ...defaultRecipe('plate'), outerMm: 1 } as Recipe;
  await expect(makeBlock(sql, access, { name: 'No', recipe: bad })).rejects.toMatchObject({
    status: 422,
    body: { where: 'outerMm' },
  });
});

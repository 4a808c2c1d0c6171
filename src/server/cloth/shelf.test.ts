import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { projectBadges } from '../badges';
import { makeBlock, listBlocks } from '../blocks';
import { testProject, refusal, type TestProject } from '../testing';
import { clothLooks, clothShelf, renameCloth, setShelf, setShelves } from '.';

let { sql, drop, host, open, project, access } = {} as TestProject;
let fabrics: string[];

beforeAll(async () => {
  ({ sql, drop, host, open, project, access } = await testProject('Shelf'));
  await makeBlock(sql, access, { name: 'Plate', recipe: defaultRecipe('plate') });
  fabrics = [
    ...new Set(
      (await listBlocks(sql, project)).flatMap(({ sheet }) => sheet.patches.map(({ fabric }) => fabric)),
    ),
  ].sort();
  await clothLooks(sql, project, fabrics);
});

afterAll(() => drop());

test('a cloth is as usual until someone says; what is said is kept, counted on the tape, and not overwritten by an older view', async () => {
  const [first] = await clothShelf(sql, project);
  expect(first).toMatchObject({ widthMm: 1100, selvedgeMm: 15, turns: 'any', stockMm: 0, pricePerMetre: 0, revision: 0 }); // prettier-ignore
  const before = (await projectBadges(sql, project)).cloth;
  expect(before).toEqual({ calls: `${fabrics.length} new cloths`, isReached: false });
  const said = { ...first!, turns: 'none' as const, stockMm: 2500, pricePerMetre: 12.4 };
  const kept = await setShelf(sql, access, said);
  // Counted now, and not when the project was made.
  expect(kept).toEqual({ ...said, revision: 1, stockAt: kept.stockAt });
  expect(kept.stockAt).toBeGreaterThan(first!.stockAt ?? Infinity);
  expect((await setShelf(sql, access, { ...kept, pricePerMetre: 12.5 })).stockAt).toBe(kept.stockAt);
  await setShelf(sql, access, { ...kept, revision: 2 });
  const now = { ...kept, revision: 3 };
  expect((await clothShelf(sql, project))[0]).toEqual(now);
  expect((await projectBadges(sql, project)).cloth.isReached).toBe(true);
  await expect(setShelf(sql, access, { ...said, stockMm: 1 })).rejects.toMatchObject({ status: 409, body: { current: now } }); // prettier-ignore
  expect((await clothShelf(sql, project))[0]).toEqual(now);
});

test('a cloth that is not there is not found, and one of another project stays as it is', async () => {
  const [first] = await clothShelf(sql, project);
  await expect(setShelf(sql, access, { ...first!, name: 'None' })).rejects.toEqual(refusal(404));
  const other = await testProject('Other shelf');
  await expect(setShelf(other.sql, other.access, first!)).rejects.toEqual(refusal(404));
  await other.drop();
  expect((await clothShelf(sql, project))[0]).toEqual(first);
});

test('several cloths are changed together, or none of them', async () => {
  const [first, second] = await clothShelf(sql, project);
  const said = [first!, second!].map((cloth) => ({ ...cloth, stockMm: 4321 }));
  const late = [said[0]!, { ...said[1]!, revision: said[1]!.revision + 1 }];
  await expect(setShelves(sql, access, late)).rejects.toEqual(refusal(409));
  expect((await clothShelf(sql, project)).slice(0, 2)).toEqual([first, second]);
  expect((await setShelves(sql, access, said)).map(({ stockMm }) => stockMm)).toEqual([4321, 4321]);
  expect((await clothShelf(sql, project)).slice(0, 2).map(({ stockMm }) => stockMm)).toEqual([4321, 4321]);
});

test('a renamed cloth keeps what was said of it', async () => {
  const [first] = await clothShelf(sql, project);
  const said = await setShelf(sql, access, { ...first!, stockMm: 777 });
  await renameCloth(sql, await open(host, project.id, 'edit'), { from: said.name, to: 'Renamed' });
  const renamed = (await clothShelf(sql, project)).find(({ name }) => name === 'Renamed');
  expect(renamed).toMatchObject({ stockMm: 777, turns: said.turns });
});

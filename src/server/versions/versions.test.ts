import { afterAll, beforeAll, expect, test } from 'vitest';
import { BLOCK_FORMAT, type BlockDocument } from '@/core/block';
import { EMPTY_CALENDAR, dropsOf } from '@/core/calendar';
import { defaultRecipe, type Recipe } from '@/core/generate';
import { withUnits } from '@/core/sheet';
import { addVersion, remakeBlockTold, saveBlockTold } from '.';
import { setKitStatuses } from '../bags';
import { addDocument, makeBlock, openBlock, readRevision } from '../blocks';
import { readKeptCalendar, saveCalendar } from '../calendar';
import { addGroup, addMakers, listMakers } from '../makers';
import { recordEvents } from '../progress';
import { progressEvent as event, testProject, type TestProject } from '../testing';

let { sql, drop, access, project } = {} as TestProject;
let blockId = '';
const makers = {} as Record<'ann' | 'bea' | 'cy', { id: string; token: string }>;

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Versions'));
  ({ id: blockId } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') }));
  const [ann, bea, cy] = await addMakers(sql, access, ['Ann', 'Bea', 'Cy']);
  Object.assign(makers, { ann, bea, cy });
  await sewFirst();
  await setKitStatuses(sql, access, [{ blockId, makerId: makers.bea.id, status: 'packed', revision: 0 }]);
});

afterAll(() => drop());

/** Ann sews the first step with the papers that it takes now. */
async function sewFirst() {
  const { sheet } = await openBlock(sql, project, blockId);
  const first = sheet.steps[0]!;
  const { units } = withUnits(first, sheet.patches);
  await recordEvents(sql, makers.ann.token, [{ ...event(blockId, first.id), units, ...(first.made ? { made: first.made } : {}) }]); // prettier-ignore
}

/** The block with one cloth in place of another, everywhere. */
async function recoloured(to: string) {
  const { document, revision } = await readRevision(sql, project, blockId);
  const from = document.patches[0]?.fabric;
  const patches = document.patches.map((patch) => (patch.fabric === from ? { ...patch, fabric: to } : patch));
  return { document: { ...document, patches }, revision };
}

test('a change that undoes work or makes a packed bag wrong is told before it is saved, and saved once that is said', async () => {
  const change = await recoloured('Slate');
  const refusal = await saveBlockTold(sql, access, blockId, change).catch((error: unknown) => error);
  expect(refusal).toMatchObject({ status: 409, body: { code: 'touches-work', current: { makers: [{ name: 'Ann', steps: 1 }], bags: [{ name: 'Bea' }] } } }); // prettier-ignore
  expect((await readRevision(sql, project, blockId)).revision).toBe(change.revision);
  // Of one of the two nobody was told.
  await expect(saveBlockTold(sql, access, blockId, { ...change, mayTouch: [makers.ann.id] })).rejects.toMatchObject({ status: 409 }); // prettier-ignore
  const told = { ...change, mayTouch: [makers.ann.id, makers.bea.id] };
  expect(await saveBlockTold(sql, access, blockId, told)).toEqual({ revision: change.revision + 1 });
  // Once it is saved that work counts no more: there is nothing left to tell of it. The bag is wrong already.
  await saveBlockTold(sql, access, blockId, await recoloured('Fog'));
});

test('what touches nobody is saved without a word: another order, a note, cloth that nobody has sewn yet', async () => {
  const { document, revision } = await readRevision(sql, project, blockId);
  const noted = { ...document, notes: { 'join-1': 'Mind the tips.' } };
  await saveBlockTold(sql, access, blockId, { document: noted, revision });
});

test('work that is undone is told, though the bag holds the same as before', async () => {
  const squares = ['a', 'b', 'c'].map((id, i) => ({ id, outline: { corners: [[0, 0], [30, 0], [30, 30], [0, 30]].map(([x = 0, y = 0]) => ({ x: x + 30 * i, y })), bulges: [0, 0, 0, 0] }, fabric: i === 2 ? 'Fog' : 'Ink', layer: 0 })); // prettier-ignore
  const document: BlockDocument = { format: BLOCK_FORMAT, patches: squares };
  const { id } = await addDocument(sql, access, { name: 'Row', document });
  const { sheet } = await openBlock(sql, project, id);
  const joins = sheet.steps.filter(({ kind }) => kind === 'join');
  const { cy } = makers;
  for (const join of joins) {
    const { units } = withUnits(join, sheet.patches);
    await recordEvents(sql, cy.token, [
      { ...event(id, join.id), units, ...(join.made ? { made: join.made } : {}) },
    ]);
  }
  // The middle and the last change places: the same cloths and papers, sewn otherwise.
  const swapped = {
    ...document,
    patches: squares.map((one, i) => ({ ...one, fabric: ['Ink', 'Fog', 'Ink'][i] ?? '' })),
  };
  const { revision } = await readRevision(sql, project, id);
  const refusal = await saveBlockTold(sql, access, id, { document: swapped, revision }).catch(
    (error: unknown) => error,
  );
  expect(refusal).toMatchObject({
    body: { code: 'touches-work', current: { makers: [{ name: 'Cy' }], bags: [] } },
  });
});

test('made again from other figures, it is told as well', async () => {
  await sewFirst();
  const { revision } = await readRevision(sql, project, blockId);
  const recipe = { ...defaultRecipe('star'), edgeMm: 61 } as Recipe;
  await expect(remakeBlockTold(sql, access, blockId, { recipe, revision })).rejects.toMatchObject({ body: { code: 'touches-work' } }); // prettier-ignore
  await remakeBlockTold(sql, access, blockId, { recipe, revision, mayTouch: [makers.ann.id] });
});

test('a new version: who has begun or has a bag stays with the old one, the others sew the new one in the same drop', async () => {
  const { revision } = await readKeptCalendar(sql, project);
  const [evening, morning] = [await addGroup(sql, access, 'Evening'), await addGroup(sql, access, 'Morning')];
  const entry = (id: string, group: string) => ({ kind: 'drop' as const, id, title: id, day: '2026-12-05', blocks: [blockId], isFixed: false, group }); // prettier-ignore
  await saveCalendar(sql, access, { calendar: { ...EMPTY_CALENDAR, entries: [entry('d1', evening.id), entry('d2', morning.id)] }, revision }); // prettier-ignore
  const { document } = await recoloured('Tar');
  const made = await addVersion(sql, access, blockId, document);
  expect(made).toMatchObject({ name: 'Star, version 2', stay: 2, go: 1 });
  const skips = Object.fromEntries(
    (await listMakers(sql, project)).map((maker) => [maker.name, maker.skips]),
  );
  expect(skips).toEqual({ Ann: [made.id], Bea: [made.id], Cy: [blockId] });
  const drops = dropsOf((await readKeptCalendar(sql, project)).calendar);
  expect(drops.map(({ blocks }) => blocks)).toEqual([[blockId, made.id], [blockId, made.id]]); // prettier-ignore
  expect((await addVersion(sql, access, made.id, document)).name).toBe('Star, version 3');
});

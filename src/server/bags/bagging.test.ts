import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { orderOf } from '@/core/order';
import { NO_EXTRAS, bagCode, readBagCode, type BaggingChoices } from '@/core/packing';
import { listBlocks, makeBlock } from '../blocks';
import { readKeptCalendar, saveCalendar } from '../calendar';
import { addMakers, changeMaker, listMakers, setSkip, type Maker } from '../makers';
import { orderFacts, wantedOf } from '../orders';
import { readProject } from '../projects';
import { testProject, type TestProject } from '../testing';
import {
  bagLabels,
  bagMarks,
  cardsPdf,
  extrasSchema,
  listKits,
  outerLabels,
  packFromStock,
  projectBags,
  readKeptExtras,
  saveExtras,
  setKitStatus,
} from '.';

/** How bags are made: kept with the extras, and what it makes of bags and labels. */
let { sql, drop, access, project } = {} as TestProject;
let blocks: { id: string; name: string }[];

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Bagging'));
  for (const kind of ['plate', 'disc', 'star'] as const) await makeBlock(sql, access, { name: kind, recipe: defaultRecipe(kind) });
  blocks = await listBlocks(sql, project);
  const { calendar, revision } = await readKeptCalendar(sql, project);
  const [a, b] = blocks.map(({ id }) => id) as [string, string];
  const entry = { id: 'd1', kind: 'drop' as const, title: 'Drop 1', day: '2026-12-05', isFixed: false, note: '', blocks: [b, a] };
  await saveCalendar(sql, access, { calendar: { ...calendar, entries: [entry as never] }, revision });
  const [ann] = await addMakers(sql, access, ['Ann', 'Bea']);
  await setSkip(sql, access, ann?.id ?? '', { blockId: a, isSkipped: true });
}); // prettier-ignore

afterAll(() => drop());

test('a drop is one bag where the host says so; its label, where the maker sews more than one block of it, names them and opens the first bag within', async () => {
  expect((await projectBags(sql, project, blocks)).map((bag) => bag.blocks.length)).toEqual([1, 1, 1]);
  expect(await outerLabels(sql, project)).toEqual([]);
  const bagging: BaggingChoices = { usual: { per: 'drop', isInner: true }, drops: {} };
  await saveExtras(sql, access, { extras: { ...NO_EXTRAS, bagging }, revision: (await readKeptExtras(sql, project)).revision });
  const [plate, disc, star] = blocks as [(typeof blocks)[0], (typeof blocks)[0], (typeof blocks)[0]];
  expect(await projectBags(sql, project, blocks)).toEqual([
    { key: 'd1', drop: 'Drop 1', blocks: [disc.id, plate.id], isInner: true },
    { key: star.id, drop: undefined, blocks: [star.id], isInner: true },
  ]);
  const labels = await outerLabels(sql, project);
  expect(labels.map(({ block, maker, lines }) => [block, maker, lines])).toEqual([['Drop 1', 'Bea', ['disc', 'plate']]]);
  const bea = (await listMakers(sql, project)).find(({ name }) => name === 'Bea');
  expect(readBagCode(labels[0]?.code ?? '')).toBe(bagCode(disc.id, bea?.id ?? ''));
}); // prettier-ignore

test('a rule for spares reaches the bags of all blocks at once, and what was packed before is told from it', async () => {
  const kept = await readKeptExtras(sql, project);
  const [disc] = (await listBlocks(sql, project)).filter(({ name }) => name === 'disc');
  const [paper] = disc?.sheet.bag.papers ?? [];
  expect(paper?.spares).toBe(1);
  await saveExtras(sql, access, { extras: { ...kept.extras, spares: { [paper?.name ?? '']: { count: 4 } } }, revision: kept.revision });
  const now = await readProject(sql, project);
  const [after] = (await listBlocks(sql, now)).filter(({ name }) => name === 'disc');
  expect(after?.sheet.bag.papers[0]).toMatchObject({ count: paper?.count, spares: 4 });
  expect(after?.sheet.bagMark).not.toBe(disc?.sheet.bagMark);
  // Nothing else of the sheet depends on it.
  expect(after?.sheet.steps).toEqual(disc?.sheet.steps);
}); // prettier-ignore

test('a maker’s own choice reaches their labels, what is taken from stock and the order; a bag packed before is told from it, and nobody else’s', async () => {
  const [ann, bea] = (await listMakers(sql, project)) as [Maker, Maker];
  const star = blocks.at(-1)?.id ?? '';
  const paper = async () => {
    const now = await readProject(sql, project);
    const [label] = (await bagLabels(sql, now, { blocks: [star] })).filter(({ maker }) => maker.startsWith('Bea'));
    const { missing } = await packFromStock(sql, now, {});
    const lines = orderOf(wantedOf(await orderFacts(sql, now))).lines.filter(({ group }) => group === 'papers');
    return { label, missing: missing.reduce((sum, { count }) => sum + count, 0), ordered: lines.reduce((sum, { needed }) => sum + needed, 0) };
  };
  const before = await paper();
  for (const makerId of [ann.id, bea.id]) await setKitStatus(sql, access, { blockId: star, makerId, status: 'packed', revision: 0 });
  const marks = async () => {
    const markOf = await bagMarks(sql, await readProject(sql, project));
    return (await listKits(sql, project)).filter(({ blockId }) => blockId === star).map((kit) => [kit.makerId, kit.packedMark === markOf(kit)]);
  };
  expect((await marks()).every(([, isSame]) => isSame)).toBe(true);
  await changeMaker(sql, access, bea.id, { sets: 2, allowanceMm: 9.525, isLeftHanded: true });
  expect(new Map((await marks()) as [string, boolean][])).toEqual(new Map([[ann.id, true], [bea.id, false]]));
  for (const makerId of [ann.id, bea.id]) await setKitStatus(sql, access, { blockId: star, makerId, status: 'to-pack', revision: 1 });
  const after = await paper();
  expect(after.label?.maker).toBe('Bea: 2 sets, cut with ⅜″ allowance');
  const count = (lines: readonly string[] | undefined) => Number(lines?.[0]?.split(' ')[0]);
  expect(count(after.label?.lines)).toBe(2 * count(before.label?.lines));
  // Of three blocks Ann sews two and Bea three: all of hers again.
  const bags = (await listBlocks(sql, await readProject(sql, project))).map(({ sheet }) => sheet.bag.papers.reduce((sum, one) => sum + one.count + one.spares, 0));
  const hers = bags.reduce((sum, one) => sum + one, 0);
  expect([after.missing - before.missing, after.ordered - before.ordered]).toEqual([hers, hers]);
  await changeMaker(sql, access, bea.id, { sets: 1, allowanceMm: null });
}); // prettier-ignore

test('how bags are made is refused where it is none of the ways', () => {
  const wrong = (bagging: unknown, spares?: unknown) =>
    extrasSchema.validate({ ...NO_EXTRAS, bagging, spares }).error?.message ?? '';
  const usual = { per: 'block', isInner: false };
  expect(wrong(undefined)).toBe('');
  expect(wrong({ usual, drops: { d1: usual } })).toBe('');
  expect(wrong({ usual: { per: 'maker', isInner: false }, drops: {} })).toContain('per');
  expect(wrong({ usual: { per: 'block', isInner: 'yes' }, drops: {} })).toContain('isInner');
  expect(wrong({ usual })).toContain('drops');
  expect(wrong(undefined, { kite: { count: -1 } })).not.toBe('');
  expect(wrong(undefined, { kite: { percent: 101 } })).not.toBe('');
  expect(wrong(undefined, { kite: { percent: 10 } })).toBe('');
  const many = Object.fromEntries(Array.from({ length: 201 }, (_, i) => [`d${i}`, usual]));
  expect(wrong({ usual, drops: many })).toContain('200');
});

test('cards as a PDF: one for each block, or one for every bag of every maker who sews it', async () => {
  const now = await readProject(sql, project);
  const { signal } = new AbortController();
  const pagesOf = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;
  const star = blocks.at(-1)?.id ?? '';
  expect(pagesOf(await cardsPdf(sql, now, { blocks: [star] }, signal))).toBe(1);
  const makers = await listMakers(sql, now);
  const pages = new Map(makers.slice(0, 1).map(({ id }) => [id, 'https://kevlo.example/m/a-long-token-of-thirty-two-letters']));
  const all = await cardsPdf(sql, now, { pages }, signal);
  // Of three blocks Ann sews two and Bea three.
  expect(pagesOf(all)).toBe(5);
  expect(all.subarray(0, 5).toString()).toBe('%PDF-');
}); // prettier-ignore

import { afterAll, beforeAll, expect, test, vi } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { orderOf, usualOrder, type OrderCalls, type OrderPlan } from '@/core/order';
import { setKitStatus } from '../bags';
import { usesByName } from '@/core/sheet';
import { listBlocks, makeBlock } from '../blocks';
import { clothLooks, clothShelf } from '../cloth';
import { addMakers, changeMaker } from '../makers';
import { createProject } from '../projects';
import { projectBadges } from '../badges';
import { parse } from '../parse';
import { refusal, testProject, type TestProject } from '../testing';
import {
  countPapersIn,
  listPlacedOrders,
  orderFacts,
  orderSchema,
  placeOrder,
  readKeptOrder,
  saveOrder,
  turnOrder,
  wantedOf,
} from '.';

let { sql, drop, project, access, host, open } = {} as TestProject;
let [block, ann] = ['', ''];
/** Of a project in inches. */
const USUAL = usualOrder('inch');

const orderNow = async () => orderOf(wantedOf(await orderFacts(sql, project)));
const lineNow = async (group: string) => (await orderNow()).lines.find((line) => line.group === group);

beforeAll(async () => {
  ({ sql, drop, project, access, host, open } = await testProject('Orders'));
  ({ id: block } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') }));
  const makers = await addMakers(sql, access, ['Ann', 'Bea']);
  ann = makers[0]?.id ?? '';
  const { wanted } = await orderFacts(sql, project);
  await clothLooks(sql, project, wanted.blocks[0]?.contents.fabrics.map(({ fabric }) => fabric) ?? []);
});

afterAll(() => drop());

test('what nobody said is as usual; what is said is kept, and not overwritten by an older view', async () => {
  expect(await readKeptOrder(sql, project)).toEqual({ order: USUAL, revision: 0 });
  const order: OrderPlan = { ...USUAL, figures: { ...USUAL.figures, papersInPack: 30, packPrice: 4 }, suppliers: { 'thread:sewing thread': 'By post' } };
  expect(await saveOrder(sql, access, { order, revision: 0 })).toEqual({ revision: 1 });
  expect(await readKeptOrder(sql, project)).toEqual({ order, revision: 1 });
  await expect(saveOrder(sql, access, { order: USUAL, revision: 0 })).rejects.toMatchObject({ status: 409, body: { current: { order, revision: 1 } } });
}); // prettier-ignore

test('a bag takes as many metres of thread as its sheet says and of basting as its papers have edge; one of two sets takes both twice', async () => {
  const own = await createProject(sql, host, { name: 'Metres' });
  const { id } = await makeBlock(sql, own, { name: 'Star', recipe: defaultRecipe('star') });
  const [one, two] = await addMakers(sql, own, ['One', 'Two']);
  await changeMaker(sql, own, two!.id, { sets: 2 });
  const sheet = (await listBlocks(sql, own.project)).find((one) => one.id === id)!.sheet;
  const edgeMm = sheet.patches.flatMap(({ outline: { corners } }) =>
    corners.map((from, side) => { const to = corners[(side + 1) % corners.length]!; return Math.hypot(to.x - from.x, to.y - from.y); })).reduce((sum, mm) => sum + mm, 0);
  const { wanted } = await orderFacts(sql, own.project);
  expect([one !== undefined, wanted.makers, wanted.blocks.map(({ bags, isOwn = false }) => [bags, isOwn])]).toEqual([true, 2, [[1, false], [1, true]]]);
  wanted.blocks.forEach(({ edgeMetres, threadMetres }, index) => {
    expect(edgeMetres).toBeCloseTo(((index + 1) * edgeMm) / 1000, 6);
    expect(threadMetres).toBeCloseTo((index + 1) * sheet.thread.metres, 6);
  });
}); // prettier-ignore

test('a packed bag takes nothing more', async () => {
  const before = await lineNow('papers');
  await setKitStatus(sql, access, { blockId: block, makerId: ann, status: 'packed', revision: 0 });
  expect(await lineNow('papers')).toMatchObject({ needed: before?.needed, left: (before?.left ?? 0) / 2 });
  await setKitStatus(sql, access, { blockId: block, makerId: ann, status: 'to-pack', revision: 1 });
});

test('what a bag took since the count is off the shelf; what comes is added to what is left', async () => {
  const { order, revision } = await readKeptOrder(sql, project);
  const { key = '', needed = 0 } = (await lineNow('papers')) ?? {};
  const counted = { ...order, stock: { [key]: needed }, stockAt: { [key]: Date.now() } };
  await saveOrder(sql, access, { order: counted, revision });
  await setKitStatus(sql, access, { blockId: block, makerId: ann, status: 'packed', revision: 2 });
  expect(await lineNow('papers')).toMatchObject({ stock: needed / 2, left: needed / 2 });
  const line = { key, group: 'papers', thing: key.slice(7), unit: 'papers', pack: 10, packs: 1, price: 0, supplier: '' }; // prettier-ignore
  const [placed] = await sql<{ id: string }[]>`
    insert into placed_order (project_id, name, lines) values (${project.id}, 'Ten', ${sql.json([line])}) returning id`;
  await turnOrder(sql, access, placed?.id ?? '', 'arrived');
  expect(await lineNow('papers')).toMatchObject({ stock: needed / 2 + 10, left: needed / 2 });
  await turnOrder(sql, access, placed?.id ?? '', 'not-arrived');
  await sql`delete from placed_order`;
  await setKitStatus(sql, access, { blockId: block, makerId: ann, status: 'to-pack', revision: 3 });
  await saveOrder(sql, access, { order, revision: (await readKeptOrder(sql, project)).revision });
});

test('papers that were sewn with count as often as they can be used still; those that are used up stay out', async () => {
  const { thing = '', key = '', stock: before = 0 } = (await lineNow('papers')) ?? {};
  const helper = await open(host, project.id, 'pack');
  const uses = usesByName((await listBlocks(sql, project)).map(({ sheet }) => sheet)).get(thing) ?? 0;
  expect(uses).toBeGreaterThan(1);
  const worn = async () => (await readKeptOrder(sql, project)).order.worn[key];
  expect(await countPapersIn(sql, helper, { [thing]: 12 }, uses - 1)).toEqual({ usedUp: {} });
  expect([await worn(), (await lineNow('papers'))?.stock]).toEqual([[12], before + 12]);
  expect(await countPapersIn(sql, helper, { [thing]: 5 }, uses)).toEqual({ usedUp: { [thing]: 5 } });
  expect(await countPapersIn(sql, helper, { [thing]: 30 }, uses - 2)).toEqual({ usedUp: {} });
  expect([await worn(), (await lineNow('papers'))?.stock]).toEqual([[12, 30], before + 42]);
  await countPapersIn(sql, helper, { [thing]: -30 }, uses - 2);
  await countPapersIn(sql, helper, { [thing]: -12 }, uses - 1);
  expect([await worn(), (await lineNow('papers'))?.stock]).toEqual([[], before]);
}); // prettier-ignore

test('papers that were counted go into the stock, are taken out again, and are those of the project', async () => {
  const { thing = '', key = '', stock: before = 0 } = (await lineNow('papers')) ?? {};
  const helper = await open(host, project.id, 'pack');
  await countPapersIn(sql, helper, { [thing]: 7 });
  expect((await readKeptOrder(sql, project)).order.stock[key]).toBe(before + 7);
  await countPapersIn(sql, helper, { [thing]: -7 });
  expect(await lineNow('papers')).toMatchObject({ stock: before });
  await expect(countPapersIn(sql, helper, { [thing]: 1, 'none such': 1 })).rejects.toEqual(refusal(422));
  expect(await lineNow('papers')).toMatchObject({ stock: before });
});

test('an order stays as it was ordered, is not ordered twice, and is stock once when it comes', async () => {
  const before = await orderNow();
  await expect(placeOrder(sql, access, { name: 'Late', revision: 0 })).rejects.toEqual(refusal(409));
  const placed = await placeOrder(sql, access, { name: 'First', revision: (await readKeptOrder(sql, project)).revision });
  expect(placed.lines.map(({ key, packs }) => [key, packs])).toEqual(before.lines.filter(({ packs }) => packs > 0).map(({ key, packs }) => [key, packs]));
  expect(placed.lines.find(({ group }) => group === 'thread')?.supplier).toBe('By post');
  await expect(placeOrder(sql, access, { name: 'Again', revision: (await readKeptOrder(sql, project)).revision })).rejects.toEqual(refusal(422));
  await addMakers(sql, access, ['Cleo']);
  expect((await listPlacedOrders(sql, project)).map(({ lines }) => lines)).toEqual([placed.lines]);
  expect((await orderNow()).toPay.papers).toBeGreaterThan(0);
  // Pressed twice at once.
  await Promise.all([turnOrder(sql, access, placed.id, 'arrived'), turnOrder(sql, await open(host, project.id, 'edit'), placed.id, 'arrived')]);
  const papers = placed.lines.find(({ group }) => group === 'papers');
  expect(await lineNow('papers')).toMatchObject({ stock: (papers?.packs ?? 0) * 30, ordered: 0 });
  const cloth = placed.lines.find(({ group }) => group === 'cloth');
  const stockOf = async () => (await clothShelf(sql, project)).find(({ name }) => name === cloth?.thing)?.stockMm;
  expect(await stockOf()).toBeCloseTo((cloth?.packs ?? 0) * (cloth?.pack ?? 0), 6);
  await expect(turnOrder(sql, access, placed.id, 'taken-back')).rejects.toEqual(refusal(409));
  await turnOrder(sql, access, placed.id, 'not-arrived');
  expect(await stockOf()).toBe(0);
  await turnOrder(sql, access, placed.id, 'taken-back');
  expect(await listPlacedOrders(sql, project)).toEqual([]);
  expect(await lineNow('papers')).toMatchObject({ stock: 0, ordered: 0 });
  await turnOrder(sql, access, placed.id, 'restored');
  expect(await listPlacedOrders(sql, project)).toMatchObject([{ id: placed.id, arrivedAt: null, lines: placed.lines }]);
}); // prettier-ignore

test('figures that cannot be are refused where they stand', () => {
  const said = (order: object) => () => parse(orderSchema, { ...USUAL, ...order });
  const figures = (figure: object) => ({ figures: { ...USUAL.figures, ...figure } });
  const [needles] = USUAL.notions;
  expect(said({})()).toEqual(USUAL);
  for (const wrong of [
    figures({ spareSets: -1 }),
    figures({ spareSets: 1.5 }),
    figures({ marginPercent: 100 }),
    figures({ papersInPack: 0 }),
    { stock: { 'papers:x': -3 } },
    { notions: [needles, needles] },
    { notions: [{ ...needles, pack: 0 }] },
    { topCloths: { lid: 'Fog' } },
    { givenCuts: [{ blockId: 'b', fabric: 'Fog', name: 'fat', widthMm: 5, lengthMm: 500 }] },
  ])
    expect(said(wrong)).toThrow(expect.objectContaining({ status: 422 }) as Error);
});

test('the tape says what is to be bought once it was reckoned, and pages are told when that changes', async () => {
  const calls = async () => (await projectBadges(sql, project)).cloth.calls;
  const lines = (await orderNow()).lines.filter(({ packs }) => packs > 0).length;
  await vi.waitFor(async () => expect(await calls()).toContain(`${lines} to buy`), {
    timeout: 100_000,
    interval: 100,
  });
  await placeOrder(sql, access, { name: 'All', revision: (await readKeptOrder(sql, project)).revision });
  await vi.waitFor(async () => expect(await calls()).not.toContain('to buy'), {
    timeout: 100_000,
    interval: 100,
  });
  // Looked at once while it rests, it is reckoned anew by itself when that is over.
  await addMakers(
    sql,
    access,
    Array.from({ length: 30 }, (_, i) => `Late ${i}`),
  );
  await calls();
  const { kevloOrderCalls: reckoned } = globalThis as { kevloOrderCalls?: ReadonlyMap<string, { calls?: OrderCalls }> }; // prettier-ignore
  await vi.waitFor(() => expect(reckoned?.get(project.id)?.calls?.toBuy).toBeGreaterThan(0), { timeout: 100_000, interval: 100 }); // prettier-ignore
});

test('bags of makers who chose otherwise are ordered as theirs: with their sets, their cut, their thread, and no spares of the usual', async () => {
  const own = await createProject(sql, host, { name: 'Own bags' });
  const { id } = await makeBlock(sql, own, { name: 'Disc', recipe: defaultRecipe('disc') });
  const [, bea, cyd] = await addMakers(sql, own, ['Ann', 'Bea', 'Cyd']);
  await changeMaker(sql, own, bea!.id, { sets: 2 });
  await changeMaker(sql, own, cyd!.id, { allowanceMm: 10 });
  const { blocks } = (await orderFacts(sql, own.project)).wanted;
  const [usual, ...others] = blocks;
  expect(usual).toMatchObject({ id, block: 'Disc', bags: 1, left: 1 });
  expect(usual).not.toHaveProperty('isOwn');
  expect(others.map(({ bags, isOwn, givenCuts }) => ({ bags, isOwn, givenCuts }))).toEqual([
    { bags: 1, isOwn: true, givenCuts: 2 },
    { bags: 1, isOwn: true, givenCuts: 0 },
  ]);
  const [two, wider] = others;
  expect(two!.block).toMatch(/^Disc \(.*2/);
  expect(two!.threadMetres).toBeCloseTo(2 * usual!.threadMetres, 6);
  expect(two!.edgeMetres).toBeCloseTo(2 * usual!.edgeMetres, 6);
  expect([wider!.threadMetres, wider!.edgeMetres]).toEqual([usual!.threadMetres, usual!.edgeMetres]);
});

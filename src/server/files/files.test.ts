import { readFileSync } from 'node:fs';
import Ajv from 'ajv';
import { NO_EXTRAS, USUAL_CARD, USUAL_SCALE } from '@/core/packing';
import { readKeptExtras, saveExtras } from '../bags';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { EMPTY_CALENDAR, type Calendar } from '@/core/calendar';
import { defaultRecipe } from '@/core/generate';
import { USUAL_ORDER } from '@/core/order';
import { listBlocks, makeBlock } from '../blocks';
import { readKeptCalendar, saveCalendar } from '../calendar';
import { clothLooks, clothShelf, readClothPicture, setShelf } from '../cloth';
import { addGroup, listGroups } from '../makers';
import { readKeptOrder, saveOrder } from '../orders';
import { defaultSetting } from '@/core/setting';
import { openProject, readKeptSetting, saveSetting } from '../projects';
import { testProject, type TestProject } from '../testing';
import { exportProject, importProject, runAgain } from '.';

let { sql, drop, host, project, access } = {} as TestProject;
let blockId: string;

beforeAll(async () => {
  ({ sql, drop, host, project, access } = await testProject('Filed'));
  await makeBlock(sql, access, { name: 'Plate', recipe: defaultRecipe('plate') });
  const [block] = await listBlocks(sql, project);
  blockId = block!.id;
  const fabrics = [...new Set(block!.sheet.patches.map(({ fabric }) => fabric))].sort();
  await clothLooks(sql, project, fabrics);
  await setShelf(sql, access, {
    ...(await clothShelf(sql, project))[0]!,
    stockMm: 2500,
    pricePerMetre: 12.4,
  });
  const group = await addGroup(sql, access, 'Mondays');
  const calendar: Calendar = {
    ...EMPTY_CALENDAR,
    hoursPerWeek: 4.5,
    suppliers: [{ name: 'Mill Lane Yard', leadDays: 21 }],
    standards: { join: 0.8 },
    entries: [{ kind: 'drop', id: 'd', day: '2026-03-02', title: 'Drop 1', blocks: [blockId], isFixed: true, group: group.id }],
  }; // prettier-ignore
  await saveCalendar(sql, access, { calendar, revision: 0 });
  const cut = { blockId, fabric: fabrics[0]!, name: 'fat eighth', widthMm: 230, lengthMm: 550 };
  const bagging = {
    usual: { per: 'block', isInner: true },
    drops: { d: { per: 'drop', isInner: false } },
  } as const;
  await saveExtras(sql, access, { extras: { ...NO_EXTRAS, first: [{ what: 'needles', count: 3 }], bagging, spares: { kite: { count: 4 } }, walk: ['cloth:Fog'], gear: { sorter: { rows: 2, columns: 5 }, card: USUAL_CARD, scale: USUAL_SCALE } }, revision: 0 }); // prettier-ignore
  await saveOrder(sql, access, { order: { ...USUAL_ORDER, givenCuts: [cut], stock: { 'thread:sewing thread': 900 }, suppliers: { 'thread:sewing thread': 'Mill Lane Yard' } }, revision: 0 }); // prettier-ignore
});

afterAll(() => drop());

test('dates, buying and cloths go out with the file, by names, and come in again as they were', async () => {
  const file = await exportProject(sql, project);
  expect(JSON.stringify(file)).not.toContain(blockId);
  const schema = (name: string) =>
    JSON.parse(readFileSync(`public/schema/${name}.schema.json`, 'utf8')) as object;
  const isProject = new Ajv({ schemas: [schema('kevlo.block.2')], allowUnionTypes: true }).compile(schema('kevlo.project.1')); // prettier-ignore
  expect(isProject(file), JSON.stringify(isProject.errors)).toBe(true);
  const { id } = await importProject(sql, host, JSON.stringify(file));
  const copy = (await openProject(sql, host, id, 'read')).project;
  expect(await exportProject(sql, copy)).toEqual(file);
  // By ids of its own.
  const { calendar } = await readKeptCalendar(sql, copy);
  const [entry] = calendar.entries;
  expect(entry).toMatchObject({ blocks: [(await listBlocks(sql, copy))[0]!.id], group: (await listGroups(sql, copy))[0]!.id, isFixed: true }); // prettier-ignore
  expect(calendar).toMatchObject({ hoursPerWeek: 4.5, standards: { join: 0.8 } });
  expect((await readKeptExtras(sql, copy)).extras.bagging?.drops).toHaveProperty(entry!.id);
  expect(copy.spareRules).toEqual({ kite: { count: 4 } });
  // A project without a setting comes in without; with one it has it, of its own blocks.
  expect((await readKeptSetting(sql, copy)).setting).toBeNull();
  const setting = defaultSetting([{ id: blockId, widthMm: 200, heightMm: 200 }], 1, 20);
  await saveSetting(sql, access, { setting, revision: (await readKeptSetting(sql, project)).revision });
  const { id: again } = await importProject(sql, host, JSON.stringify(await exportProject(sql, project)));
  const set = (await openProject(sql, host, again, 'read')).project;
  const [own] = await listBlocks(sql, set);
  expect((await readKeptSetting(sql, set)).setting?.places).toEqual(
    setting.places.map((place) => (place === blockId ? own!.id : place)),
  );
});

test.each([
  ['a day that is none', (file: { calendar: Calendar }) => ({ calendar: { ...file.calendar, entries: file.calendar.entries.map((entry) => ({ ...entry, day: '2026-02-30' })) } }), 'd'],
  ['hours of minus three', (file: { calendar: Calendar }) => ({ calendar: { ...file.calendar, hoursPerWeek: -3 } }), 'calendar.hoursPerWeek'],
  ['spares of minus one', (file: { bags: object }) => ({ bags: { ...file.bags, spares: { kite: { count: -1 } } } }), 'bags.spares'],
  ['an order without figures', () => ({ order: { notions: [] } }), 'order.figures'],
  ['a cloth of negative stock', (file: { shelf: readonly object[] }) => ({ shelf: file.shelf.map((cloth) => ('stockMm' in cloth ? { ...cloth, stockMm: -1 } : cloth)) }), 'shelf'],
])('a file with %s is refused with its place, and no project is made', async (_, change, where) => {
  const file = await exportProject(sql, project);
  const [before] = await sql`select count(*)::int as n from project`;
  const text = JSON.stringify({ ...file, name: 'Bad', ...change(file as never) });
  await expect(importProject(sql, host, text)).rejects.toMatchObject({ status: 422, body: { where: expect.stringContaining(where) } }); // prettier-ignore
  expect((await sql`select count(*)::int as n from project`)[0]).toEqual(before);
}); // prettier-ignore

test('run again its cloths keep their photos', async () => {
  const [first] = await clothShelf(sql, project);
  await sql`update cloth set picture = ${Buffer.from('print')}, picture_at = now() where project_id = ${project.id} and name = ${first!.name}`;
  const { id } = await runAgain(sql, access, 'Filed, with photos');
  const copy = (await openProject(sql, host, id, 'read')).project;
  expect(String(await readClothPicture(sql, copy, first!.name))).toBe('print');
  expect((await clothShelf(sql, copy)).filter(({ pictureAt }) => pictureAt !== undefined)).toHaveLength(1);
});

test('run again it keeps figures, learnt standards, prices and suppliers; dates and stock are not taken along', async () => {
  const { id } = await runAgain(sql, access, 'Filed, again');
  const copy = (await openProject(sql, host, id, 'read')).project;
  const { calendar } = await readKeptCalendar(sql, copy);
  expect(calendar).toMatchObject({ entries: [], hoursPerWeek: 4.5, standards: { join: 0.8 } });
  expect(calendar.endsOn).toBeUndefined();
  const { order } = await readKeptOrder(sql, copy);
  expect([order.stock, order.suppliers]).toEqual([{}, { 'thread:sewing thread': 'Mill Lane Yard' }]);
  expect(order.givenCuts).toMatchObject([{ name: 'fat eighth', blockId: (await listBlocks(sql, copy))[0]!.id }]); // prettier-ignore
  expect((await clothShelf(sql, copy))[0]).toMatchObject({ stockMm: 0, pricePerMetre: 12.4 });
});

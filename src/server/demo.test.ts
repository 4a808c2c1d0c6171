import { readFile } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { listPacking, readKeptExtras } from './bags';
import { importBlock, listBlocks } from './blocks';
import { readKeptCalendar } from './calendar';
import { clothShelf } from './cloth';
import { dropsOf } from '@/core/calendar';
import { orderOf } from '@/core/order';
import { loadDemo, removeDemo } from './demo';
import { INCH } from './demoData';
import { beaconPicture } from './demoPicture';
import { listLog } from './logbook';
import { listContacts, listGroups, listMakers } from './makers';
import { listPlacedOrders, orderFacts, readKeptOrder, wantedOf } from './orders';
import { projectProgress } from './progress';
import { readKeptSetting, type Project } from './projects';
import { listTroubles } from './troubles';
import { testProject, type TestProject } from './testing';

let { sql, drop, access, project } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Test project'));
});

afterAll(() => drop());

test('the demo loads its nine blocks, each sound and planned, and can be loaded again', async () => {
  const folder = path.join(process.cwd(), 'demo/blocks');
  for (let round = 0; round < 2; round++) {
    await removeDemo(sql);
    const { makers } = await loadDemo(sql, folder, new Date('2026-11-20T12:00:00Z'));
    expect(makers).toHaveLength(14);
  }
  const [row] = await sql<{ id: string }[]>`select id from project where is_demo`;
  const demo = { ...project, id: row?.id ?? '' };
  const blocks = await listBlocks(sql, demo);
  expect(blocks.map(({ name, sheet }) => [name, sheet.patches.length, sheet.problems.length])).toEqual([
    ['Signal Lamp', 37, 0],
    ['Star Chart', 18, 0],
    ['Porthole', 15, 0],
    ['Gangway', 54, 0],
    ['Wake', 27, 0],
    ['Rope Coil', 16, 0],
    ['Kelp', 13, 0],
    ['Lighthouse', 37, 0],
    ['Landing', 12, 0],
  ]);
  expect(blocks.every(({ sheet }) => sheet.plan.bends === sheet.plan.bendsLeast)).toBe(true);
  const drawing = await readFile(path.join(folder, 'star-chart.svg'), 'utf8');
  await expect(importBlock(sql, access, { name: 'Star', svg: drawing })).resolves.toHaveProperty('id');
  expect((await projectProgress(sql, demo)).filter(({ stuckOn }) => stuckOn).length).toBe(2);
  await expectShop(demo);
  await expectPeople(demo);
});

/** What stations show of the demo's shop: each has something to look at, in each of its states. */
async function expectShop(demo: Project): Promise<void> {
  const shelf = await clothShelf(sql, demo);
  const cloth = (name: string) => shelf.find((one) => one.name === name);
  expect(cloth('Beacon')).toMatchObject({ turns: 'none', repeatWidthMm: 3 * INCH, repeatHeightMm: 4 * INCH, isHalfDrop: true, frays: false });
  expect(cloth('Beacon')?.pictureAt).toBeDefined();
  expect(cloth('Madder')).toMatchObject({ turns: 'any', repeatWidthMm: 2.5 * INCH, repeatHeightMm: 2.5 * INCH, isHalfDrop: false });
  expect(cloth('Tar')?.pieces).toEqual([[18, 22], [5, 42]].map(([width = 0, length = 0]) => ({ widthMm: width * INCH, lengthMm: length * INCH })));
  expect(shelf.filter(({ frays }) => frays).map(({ name }) => name)).toEqual(['Lichen']);
  expect(shelf.filter(({ revision }) => revision === 0)).toHaveLength(1);
  expect(new Set(shelf.slice(0, -1).map(({ stockMm }) => Math.round(stockMm)))).toEqual(new Set([0, 914, 1829]));
  expect(Math.min(...shelf.slice(0, -1).map(({ pricePerMetre }) => pricePerMetre))).toBe(11.5);

  const { order } = await readKeptOrder(sql, demo);
  expect(order.figures).toMatchObject({ spareSets: 2, papersInPack: 100, packPrice: 4.5, spoolPrice: 6.8, taxPercent: 7 });
  expect(order.currency).toBe('GBP');
  expect(order.notions.map(({ per, price }) => [per, price])).toEqual([['maker', 3.2], ['metre', 5.5]]);
  expect(order.topCloths).toEqual({ strips: 'Fog', cornerstones: 'Madder' });
  const [placed, ...others] = await listPlacedOrders(sql, demo);
  expect([placed?.name, placed?.arrivedAt, others]).toEqual(['Spring order', null, []]);
  // A spare set came in after it had gone.
  expect(orderOf(wantedOf(await orderFacts(sql, demo))).toPay.papers).toBeGreaterThan(0);

  const { extras } = await readKeptExtras(sql, demo);
  expect([extras.first, extras.every, extras.last].map((lines) => lines.map(({ count }) => count))).toEqual([[3, 1], [1], [1]]);
  expect(extras.gear?.sorter).toEqual({ rows: 3, columns: 4 });
  const { calendar } = await readKeptCalendar(sql, demo);
  const drops = dropsOf(calendar);
  expect(drops.map(({ day, blocks, isFixed }) => [day, blocks.length, isFixed])).toEqual([
    ['2026-09-25', 2, true], ['2026-10-25', 2, true], ['2026-11-29', 2, false], ['2026-12-30', 2, false], ['2027-02-03', 1, false],
  ]);
  expect(calendar.entries.find(({ kind }) => kind === 'holiday')).toMatchObject({ day: '2026-12-17', until: '2026-12-26' });
  expect(extras.bagging?.drops).toEqual({ [drops[3]?.id ?? '']: { per: 'drop', isInner: true } });
  expect((await readKeptSetting(sql, demo)).setting).toMatchObject({ columns: 3 });
} // prettier-ignore

/** What is shown of its people and their bags. */
async function expectPeople(demo: Project): Promise<void> {
  const makers = await listMakers(sql, demo);
  const groups = await listGroups(sql, demo);
  const inGroup = (name: string) => makers.filter(({ groupId }) => groupId === groups.find((group) => group.name === name)?.id).length;
  expect([inGroup('Thursday circle'), inGroup('Saturday table')]).toEqual([7, 6]);
  expect(makers.filter(({ isUnderAge }) => isUnderAge).map(({ name }) => name)).toEqual(['Tobiah Renn']);
  expect(makers.filter(({ travels }) => travels).map(({ name }) => name)).toEqual(['Ines Quillfeather']);
  expect((await listContacts(sql, demo)).filter(({ email }) => email).length).toBe(12);

  const troubles = await listTroubles(sql, demo);
  expect(troubles.map(({ words }) => words.length)).toEqual([2, 1]);
  expect(troubles.map(({ isToTeach, state }) => [isToTeach, state])).toEqual([[false, 'answered'], [true, 'open']]);
  const written = (await listLog(sql, demo)).map(({ kind }) => kind).filter((kind) => kind !== 'change' && kind !== 'trouble');
  expect(written.sort()).toEqual(['decision', 'next-time', 'next-time', 'note']);

  const bags = await listPacking(sql, demo);
  const of = (status: string) => bags.filter((bag) => bag.status === status).length;
  expect([of('handed-over'), of('packed')]).toEqual([4 * 14, 9]);
  const ticks = bags.flatMap((bag) => Object.values(bag.ticks));
  expect(ticks.map(({ instead = 'its own' }) => instead).sort()).toEqual(['Slate, of the same size', 'its own']);
  expect(ticks.find(({ instead }) => !instead)?.count).toBe(10);
  // Another cloth lies in place of a cloth, not of papers.
  const swapped = bags.flatMap((bag) => Object.entries(bag.ticks)).find(([, { instead }]) => instead);
  expect(swapped?.[0]).toMatch(/^cloth:/);
  expect(Object.values((await readKeptOrder(sql, demo)).order.worn)).toEqual([[0, 60]]);
  const events = await sql<{ minutes: number | null; at: string }[]>`
    select e.minutes, e.at from progress_event e join maker m on m.id = e.maker_id where m.project_id = ${demo.id} and e.kind = 'done'`;
  const timed = events.filter(({ minutes }) => minutes !== null).length / events.length;
  expect([timed > 0.1, timed < 0.2]).toEqual([true, true]);
  const weeksAgo = events.map(({ at }) => (Date.parse('2026-11-20T12:00:00Z') - Date.parse(at)) / (7 * 24 * 3600 * 1000));
  expect([Math.min(...weeksAgo) > 0, Math.max(...weeksAgo) <= 8]).toEqual([true, true]);
} // prettier-ignore

test('the print of the demo is a lit tower on a woven ground', async () => {
  const picture = sharp(Buffer.from(await beaconPicture(), 'base64'));
  const { data, info } = await picture.raw().toBuffer({ resolveWithObject: true });
  expect([info.width, info.height]).toEqual([270, 360]);
  const [light, dark, tower, ground] = [[252, 226, 140], [38, 50, 64], [243, 236, 220], [203, 151, 32]] as const;
  const places = [
    [135, 97, light], [135 - 80, 97, light], [135 + 80, 97, light], [135 + 110, 97, ground], [135, 78, ground],
    [135, 125, dark], [135, 150, tower], [135, 265, tower], [135 + 15, 125, dark], [135 + 33, 125, ground],
    [135 + 30, 262, tower], [135 - 30, 262, tower], [135 + 56, 275, dark], [135 + 70, 275, ground], [135, 290, ground], [3, 3, ground],
  ] as const;
  for (const [x, y, colour] of places) {
    const at = 3 * (y * info.width + x);
    const off = colour.map((value, index) => Math.abs(value - (data[at + index] ?? -999)));
    expect(Math.max(...off), `${x}, ${y}`).toBeLessThan(40);
  }
}); // prettier-ignore

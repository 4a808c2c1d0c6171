import { afterAll, beforeAll, expect, test, vi } from 'vitest';
import { endsOf } from '@/core/calendar';
import { fingerprint } from '@/core/testing';
import { projectBadges } from './badges';
import { bagLabels, handedOutOrder, listHandovers, listKits, listPacking, outerLabels, packFromStock, projectBags, readKeptExtras } from './bags'; // prettier-ignore
import { listBlocks, listSummaries, papersOfProject, projectMarks, settingsOf } from './blocks';
import { blockWorks, learntOf, nextDropFor, projectIcs, projectPace, readKeptCalendar } from './calendar';
import { clothShelf } from './cloth';
import { exportProject } from './files';
import { listLog } from './logbook';
import { listContacts, listGroups, listMakers, substitutesFor } from './makers';
import { listPlacedOrders, orderFacts, orderState, readKeptOrder, wantedOf } from './orders';
import { gallery, listPhotos } from './photos';
import { countPractice, practiceOfAll } from './practice';
import { blockUnits, makerHistories, makerPage, newSkills, projectProgress, readEvents, readRoll, standingsOf } from './progress'; // prettier-ignore
import { listBin, listPeople, readKeptSetting, type Access } from './projects';
import { previewReminders, remindersPage } from './reminders';
import { addToDemo, inAnyOrder, openDemo, plainly, testDatabase } from './testing';
import { listTroubles, makerTroubles } from './troubles';
import type postgres from 'postgres';

let sql: postgres.Sql;
let drop: () => Promise<void>;
let access: Access<'own'>;
let token = '';
let maker = '';

/** When the demo is read: long ago, so that times of the database's own clock are told apart. */
const NOW = new Date('2019-11-20T12:00:00Z');
const today = Date.now();

beforeAll(async () => {
  ({ sql, drop } = await testDatabase());
  vi.useFakeTimers({ toFake: ['Date'], now: NOW });
  const demo = await openDemo(sql, NOW);
  ({ access } = demo);
  token = demo.signIns.makers[0]!.token;
  maker = (await listTroubles(sql, access.project))[0]!.makerId;
  const { blockId } = await addToDemo(sql, access, token);
  for (const isRight of [false, false, true])
    await countPractice(sql, token, [{ blockId, question: 'clash:join-1', isRight }]);
});

afterAll(async () => {
  vi.useRealTimers();
  await drop();
});

/** Lines of the same moment come by their ids. */
const sorted = (lines: readonly unknown[]) => inAnyOrder(plainly(lines, today));

/** What pages read of a project, each by its name. */
const READINGS: Readonly<Record<string, () => Promise<unknown>>> = {
  badges: () => projectBadges(sql, access.project),
  'labels of bags': async () =>
    (await bagLabels(sql, access.project, {})).map(({ square: _, ...label }) => label),
  'outer labels': () => outerLabels(sql, access.project),
  'bags of the project': async () => projectBags(sql, access.project, await listBlocks(sql, access.project)),
  'order in which blocks are handed out': async () => {
    const { calendar } = await readKeptCalendar(sql, access.project);
    const blocks = await listBlocks(sql, access.project);
    const order = handedOutOrder(calendar, blocks);
    return order.map((id) => blocks.findIndex((block) => block.id === id));
  },
  kits: () => listKits(sql, access.project),
  packing: () => listPacking(sql, access.project),
  handovers: () => listHandovers(sql, access.project),
  'bags from stock': () => packFromStock(sql, access.project, {}),
  extras: () => readKeptExtras(sql, access.project),
  summaries: () => listSummaries(sql, access.project),
  papers: async () => papersOfProject(sql, access.project, await listBlocks(sql, access.project)),
  marks: () => projectMarks(sql, access.project),
  'figures of sheets': () => settingsOf(sql, access.project),
  'work of blocks': () => blockWorks(sql, access.project),
  'standards that were learnt': () => learntOf(sql, access.project),
  'the next drop of a maker': () => nextDropFor(sql, token, NOW.getTime()),
  'the calendar as a file': () => projectIcs(sql, access.project),
  calendar: () => readKeptCalendar(sql, access.project),
  pace: async () => {
    const { calendar } = await readKeptCalendar(sql, access.project);
    const { makers, drops } = await projectPace(
      sql,
      access.project,
      calendar,
      endsOf(calendar),
      NOW.getTime(),
    );
    // When they will be done is told by dice that ids throw.
    return [
      makers.map(({ name, left, begun }) => [name, left, begun].join()).sort(),
      drops.map(({ drop, makers: of, done }) => [drop, of, done]),
    ];
  },
  'the shelf of cloth': () => clothShelf(sql, access.project),
  'the project as a file': () => exportProject(sql, access.project),
  log: async () =>
    sorted(
      (await listLog(sql, access.project)).map(({ text, ...line }) => ({ ...line, isSaid: text !== '' })),
    ),
  makers: () => listMakers(sql, access.project),
  contacts: () => listContacts(sql, access.project),
  groups: () => listGroups(sql, access.project),
  'other cloths of a maker': async () => substitutesFor(sql, maker),
  'what is ordered': async () => wantedOf(await orderFacts(sql, access.project)),
  'state of the order': () => orderState(sql, access.project),
  'orders that were placed': () => listPlacedOrders(sql, access.project),
  'figures of the order': () => readKeptOrder(sql, access.project),
  photos: () => listPhotos(sql, access.project),
  gallery: () => gallery(sql, access.project),
  practice: () => practiceOfAll(sql, access.project),
  'units of a block': async () =>
    blockUnits(sql, access.project, (await listBlocks(sql, access.project))[0]!.id),
  'histories of makers': () => makerHistories(sql, access.project),
  'the page of a maker': () => makerPage(sql, token),
  'new skills': async () =>
    newSkills((await listSummaries(sql, access.project)).blocks, await standingsOf(sql, access.project)),
  progress: () => projectProgress(sql, access.project),
  events: async () => sorted(await readEvents(sql, access.project)),
  roll: () => readRoll(sql, access.project, '2026-11-20'),
  people: () => listPeople(sql, access),
  bin: () => listBin(sql, access),
  setting: () => readKeptSetting(sql, access.project),
  'reminders that are due': () => previewReminders(sql, access.project, NOW.getTime()),
  'the page of reminders': () => remindersPage(sql, access.project),
  troubles: () => listTroubles(sql, access.project),
  'troubles of a maker': () => makerTroubles(sql, maker),
};

/*
 * The demo is the same each time, and so is what is read of it: these letters stand for it. Where a reading was meant to change, look
 * at what is told and take the new letters over.
 */
test.each([
  ['badges', '71114a3a'],
  ['labels of bags', '70e858ac'],
  ['outer labels', '13190ac4'],
  ['bags of the project', 'aecd628c'],
  ['order in which blocks are handed out', '84e5f9e1'],
  ['kits', '5feaff14'],
  ['packing', '731d6492'],
  ['handovers', 'd2d14ab6'],
  ['bags from stock', '7ca1c828'],
  ['extras', '29b637b1'],
  ['summaries', 'e1e6422e'],
  ['papers', 'a42374f1'],
  ['marks', '442448f5'],
  ['figures of sheets', '8a086f62'],
  ['work of blocks', '67e9e647'],
  ['standards that were learnt', 'bb168005'],
  ['the next drop of a maker', '5325f464'],
  ['the calendar as a file', 'afecedf5'],
  ['calendar', '6f16f8df'],
  ['pace', 'fcff4ba7'],
  ['the shelf of cloth', '5686acae'],
  ['the project as a file', 'e6e65561'],
  ['log', '4845630b'],
  ['makers', '19d682d4'],
  ['contacts', 'f61654ae'],
  ['groups', '05afb2d6'],
  ['other cloths of a maker', 'da5175b0'],
  ['what is ordered', 'cda72228'],
  ['state of the order', '5fd11e53'],
  ['orders that were placed', 'be3af043'],
  ['figures of the order', 'dbc84527'],
  ['photos', '101d992f'],
  ['gallery', '05bc5d7b'],
  ['practice', 'dff25e5f'],
  ['units of a block', '172c2d77'],
  ['histories of makers', 'd1f10d0d'],
  ['the page of a maker', '4619db14'],
  ['new skills', '6db69399'],
  ['progress', '6e228735'],
  ['events', '081a27be'],
  ['roll', '2f87a316'],
  ['people', 'ccf50ebb'],
  ['bin', '741638a5'],
  ['setting', 'fae3ad9e'],
  ['reminders that are due', '8ce2b5dd'],
  ['the page of reminders', 'f92a2dfb'],
  ['troubles', '3fb35997'],
  ['troubles of a maker', 'bf353ae6'],
] as const)('of the same project %s is read as it was', async (name, told) => {
  const read = plainly(await READINGS[name]!(), today);
  expect(fingerprint(read), JSON.stringify(read).slice(0, 2000)).toBe(told);
});

test('no reading is left out', () => {
  expect(Object.keys(READINGS)).toHaveLength(48);
});

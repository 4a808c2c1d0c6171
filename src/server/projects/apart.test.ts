import { afterAll, beforeAll, expect, test } from 'vitest';
import { listHandovers, listKits, listPacking } from '../bags';
import { listBlocks } from '../blocks';
import { clothShelf } from '../cloth';
import { listLog } from '../logbook';
import { listContacts, listGroups, listMakers } from '../makers';
import { listPlacedOrders } from '../orders';
import { gallery, listPhotos } from '../photos';
import { projectProgress, readEvents, readRoll } from '../progress';
import { listMessages } from '../reminders';
import { listTroubles } from '../troubles';
import { addToDemo, openDemo, testProject, type TestProject } from '../testing';
import type { Project } from '.';

let { sql, drop, project } = {} as TestProject;
let demo: Project;
/** What each list told while the other project was not there. */
const before = new Map<string, readonly unknown[]>();

beforeAll(async () => {
  ({ sql, drop, project } = await testProject('Empty'));
  for (const [name, list] of Object.entries(LISTS)) before.set(name, await list(project));
  const { access, signIns } = await openDemo(sql, new Date('2026-11-20T12:00:00Z'));
  demo = access.project;
  const { makerId } = await addToDemo(sql, access, signIns.makers[0]!.token);
  await sql`
    insert into message (project_id, maker_id, occasion, cause, reason, subject, body)
    values (${demo.id}, ${makerId}, 'quiet', 'quiet/never', 'Silent.', 'Hello', 'Are you there?')`;
}); // prettier-ignore

afterAll(() => drop());

/** What pages read of a whole project: lists. */
const LISTS: Readonly<Record<string, (of: Project) => Promise<readonly unknown[]>>> = {
  blocks: (of) => listBlocks(sql, of),
  cloths: (of) => clothShelf(sql, of),
  contacts: (of) => listContacts(sql, of),
  events: (of) => readEvents(sql, of),
  gallery: async (of) => (await gallery(sql, of)).photos,
  groups: (of) => listGroups(sql, of),
  handovers: (of) => listHandovers(sql, of),
  kits: (of) => listKits(sql, of),
  log: (of) => listLog(sql, of),
  makers: (of) => listMakers(sql, of),
  messages: (of) => listMessages(sql, of),
  orders: (of) => listPlacedOrders(sql, of),
  packing: (of) => listPacking(sql, of),
  photos: (of) => listPhotos(sql, of),
  progress: (of) => projectProgress(sql, of),
  roll: (of) => readRoll(sql, of, '2026-11-20'),
  troubles: (of) => listTroubles(sql, of),
};

test.each(Object.keys(LISTS))('%s of one project are none of another’s', async (name) => {
  const [own, full] = await Promise.all([LISTS[name]!(project), LISTS[name]!(demo)]);
  expect(full.length).toBeGreaterThan(0);
  expect(own).toEqual(before.get(name));
});

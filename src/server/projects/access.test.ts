import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { fingerprint } from '@/core/testing';
import { createAccount, createFirstAccount } from '../accounts';
import { addFinished, readMakerFinished, readMakerPhoto, removeFinished } from '../photos';
import { countPractice } from '../practice';
import { recordEvents } from '../progress';
import {
  asksOf,
  inAnyOrder,
  makePlace,
  plainly,
  smallPicture,
  testDatabase,
  type People,
  type World,
} from '../testing';
import { readMakerWordImage, sayWord } from '../troubles';
import { MAY } from './permissions';

/** Every function that reads or changes something of a project × who asks for it × whose things are named. */
const world = {} as { -readonly [K in keyof World]: World[K] };
const people = {} as People;
const ASKS = asksOf(world);
let drop: () => Promise<void>;

beforeAll(async () => {
  const database = await testDatabase();
  const { sql } = database;
  ({ drop } = database);
  people.host = await createFirstAccount(sql, 'host@one.example', 'Host', 'a long password');
  people.helper = await createAccount(sql, 'helper@one.example', 'Helper', 'a long password');
  people.stranger = await createAccount(sql, 'stranger@two.example', 'Stranger', 'a long password');
  const image = await smallPicture();
  const own = await makePlace(sql, people, 'Own', image);
  const foreign = { ...(await makePlace(sql, people, 'Foreign', image)), person: people.stranger.id };
  Object.assign(world, { sql, image, own, foreign });
  // The helper is one in this project alone; the stranger is one in the other.
  await sql`update membership set account_id = ${people.stranger.id} where project_id = ${foreign.project} and account_id = ${people.helper.id}`;
});

afterAll(() => drop());

/** All that a refused call might have changed. */
async function everything(): Promise<string> {
  const rows = await Promise.all(TABLES.map((table) => world.sql.unsafe(`select t::text from ${table} t order by 1`)));
  return JSON.stringify(rows);
} // prettier-ignore

const TABLES = ['project', 'block', 'maker', 'kit', 'skip', 'membership', 'invitation', 'step_photo', 'cloth', 'message', 'practice_count', 'placed_order', 'maker_group', 'trouble', 'trouble_word', 'log_entry', 'absence', 'finished_photo', 'handover', 'progress_event', 'card_link', 'cloth_change', 'audit']; // prettier-ignore

const statusOf = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: { status?: number }) => error.status ?? error,
  );

test.each(Object.keys(ASKS))('%s is not for strangers, nor for helpers who may not', async (name) => {
  const [wish, ask] = ASKS[name] as (typeof ASKS)[string];
  const before = await everything();
  expect(await statusOf(ask(people.stranger, world.own.project, world.own))).toBe(404);
  if (!MAY.helper.has(wish))
    expect(await statusOf(ask(people.helper, world.own.project, world.own))).toBe(403);
  expect(await everything()).toBe(before);
});

test.each(Object.keys(ASKS).filter((name) => /\{/.test(ASKS[name]?.[1].toString().split('=>')[0] ?? '')))(
  '%s finds nothing of another project, though its host asks',
  async (name) => {
    const [, ask] = ASKS[name] as (typeof ASKS)[string];
    const before = await everything();
    expect(await statusOf(ask(people.host, world.own.project, world.foreign))).toBe(404);
    expect(await everything()).toBe(before);
  },
);

test('a maker’s link opens nothing of another project', async () => {
  const event = { clientId: '00000000-0000-4000-8000-00000000000b', stepId: 'join-1', kind: 'done', at: '2026-11-20T10:00:00Z' }; // prettier-ignore
  const other = recordEvents(world.sql, world.own.token, [
    { ...event, blockId: world.foreign.block } as never,
  ]);
  expect(await statusOf(other)).toBe(404);
  expect(await statusOf(countPractice(world.sql, world.own.token, [{ blockId: world.foreign.block, question: 'clash:s1', isRight: true }]))).toBe(404); // prettier-ignore
  expect(await statusOf(readMakerPhoto(world.sql, world.own.token, world.foreign.photo))).toBe(404);
  expect(await statusOf(readMakerWordImage(world.sql, world.own.token, world.foreign.word))).toBe(404);
  expect(await statusOf(readMakerFinished(world.sql, world.own.token, world.foreign.finished))).toBe(404);
  expect(await statusOf(removeFinished(world.sql, world.own.token, world.foreign.finished))).toBe(404);
  expect(
    await statusOf(
      addFinished(world.sql, world.own.token, {
        id: randomUUID(),
        blockId: world.foreign.block,
        image: world.image,
      }),
    ),
  ).toBe(404);
  expect(
    await statusOf(
      sayWord(world.sql, world.own.token, { id: randomUUID(), troubleId: world.foreign.trouble, text: 'x' }),
    ),
  ).toBe(404);
  expect(await statusOf(readMakerPhoto(world.sql, world.own.token, world.own.photo))).toBe('done');
});

/** Rows of all tables without what differs each time, each after the name of its table. */
async function rows(): Promise<readonly string[]> {
  const all = await Promise.all(
    TABLES.map(async (table) => {
      const own = await world.sql.unsafe<{ row: unknown }[]>(
        `select to_jsonb(t) - 'id' as row from ${table} t`,
      );
      return own.map(({ row }) => `${table} ${JSON.stringify(inAnyOrder(plainly(row, Date.now())))}`);
    }),
  );
  return all.flat().sort();
}

/** What is in one list and not in the other, as often as it is. */
function without(lines: readonly string[], others: readonly string[]): string[] {
  const left = new Map<string, number>();
  for (const line of others) left.set(line, (left.get(line) ?? 0) + 1);
  return lines.filter((line) => {
    const count = left.get(line) ?? 0;
    left.set(line, count - 1);
    return count <= 0;
  });
}

/*
 * What each answers, and the rows that it takes away and puts there, as letters that stand for them: of the same calls in the same
 * order they are the same. Where a call was meant to do something else, look at what it tells and take the new letters over.
 */
const CHANGES: Readonly<Record<string, string>> = {
  openBlock: '1b78a4c6',
  readRevision: '8bf538bc',
  readPhoto: '979f3419',
  readFinished: '979f3419',
  readWordImage: '979f3419',
  actOnTrouble: 'fcf55459',
  readLogPicture: '979f3419',
  addLogEntry: '99ecbbcd',
  setLogRemoved: 'db08702e',
  callRoll: '5d03c9b8',
  handOver: 'abc0e5a2',
  takeHandoverBack: '85926ba8',
  setKitStatuses: '8687ed01',
  actOnBag: '58d40ef7',
  countClassPractice: '1f68ed37',
  packFromStock: '0a649066',
  addDocument: '5d76ad58',
  makeBlock: '9f35d7b6',
  importBlock: '14a6d621',
  renameBlock: 'c34f3335',
  saveBlock: '41588c25',
  remakeBlock: '1f68efed',
  addPhoto: '31f918c9',
  setPhotoRemoved: 'a074a455',
  setClothPicture: '0e030d48',
  readClothPicture: '9410193e',
  setShelf: 'ae196c62',
  setShelves: '02a38a32',
  splitCloth: '3d4ffc74',
  takeClothChangeBack: '43e4306e',
  substituteCloth: 'e60dc6e0',
  renameCloth: '233cb107',
  noteForAll: '704be64a',
  changeGallery: 'af5a8a9d',
  addGroup: '3ca6bf51',
  changeGroup: '9d8a8223',
  changeMaker: '44750709',
  readPerson: '98a0c333',
  runAgain: '06dca4fd',
  addVersion: '9e93949b',
  takeRoster: '3154f412',
  addMakers: '37908aee',
  setSkip: '0c197f0b',
  cardLinks: '73a7eccd',
  changeLink: '9262c70b',
  setContact: 'c70674aa',
  setMakerRemoved: '69e2edd1',
  chooseMark: 'e3491db9',
  changeProjectBasting: '4b5daf51',
  saveSetting: '5627ae22',
  saveCalendar: '349e0972',
  draftReminders: '6c10ace0',
  changeDraft: '3d13e644',
  approveDrafts: '8f674166',
  turnMessages: '70b07744',
  saveReminderSettings: '2bf304cd',
  setMailTrouble: 'e1f80781',
  saveExtras: '229a96d7',
  saveOrder: '37f37266',
  turnOrder: 'b86c17b9',
  placeOrder: '23683889',
  countPapersIn: '8c292e2c',
  renewFeed: 'ff0746f9',
  changeProject: 'f145cf6a',
  listBin: 'e5f25f22',
  listPeople: '7918afbf',
  invite: '504c62e8',
  revokeInvitation: 'f63fe835',
  setRole: 'cc44ecb0',
  erasePerson: '63bceae5',
  setBlockRemoved: '859d65ed',
  setProjectState: '59e0f759',
};

test('the same calls all succeed for whoever may, and change what they did: what was refused was refused for who asked', async () => {
  const told: Record<string, string> = {};
  for (const [name, [wish, ask]] of Object.entries(ASKS)) {
    const who = MAY.helper.has(wish) ? people.helper : people.host;
    const before = await rows();
    let answer: unknown;
    const asked = ask(who, world.own.project, world.own).then((given) => (answer = given));
    expect([name, await statusOf(asked)]).toEqual([name, 'done']);
    const after = await rows();
    const change = [inAnyOrder(plainly(answer, Date.now())), without(before, after), without(after, before)];
    told[name] = fingerprint(change);
    if (told[name] !== CHANGES[name])
      process.stdout.write(`${name} ${JSON.stringify(change).slice(0, 2000)}\n`);
  }
  expect(told).toEqual(CHANGES);
});

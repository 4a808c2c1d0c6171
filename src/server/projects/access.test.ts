import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type postgres from 'postgres';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { EMPTY_CALENDAR } from '@/core/calendar';
import { USUAL_ORDER } from '@/core/order';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { defaultSetting } from '@/core/setting';
import { createAccount, createFirstAccount, type Account } from '../accounts';
import { renewFeed, saveCalendar } from '../calendar';
import {
  readRevision,
  remakeBlock,
  saveBlock,
  addDocument,
  importBlock,
  makeBlock,
  openBlock,
  renameBlock,
  setBlockRemoved,
  chooseMark,
} from '../blocks';
import {
  readClothPicture,
  renameCloth,
  setClothPicture,
  splitCloth,
  substituteCloth,
  takeClothChangeBack,
} from '../cloth';
import { NO_EXTRAS } from '@/core/packing';
import { actOnBag, handOver, packFromStock, saveExtras, setKitStatuses, takeHandoverBack } from '../bags';
import {
  addGroup,
  addMakers,
  changeGroup,
  cardLinks,
  changeLink,
  changeMaker,
  erasePerson,
  readPerson,
  setContact,
  setMakerRemoved,
  setSkip,
  takeRoster,
} from '../makers';
import { runAgain } from '../files';
import { addVersion } from '../versions';
import { addLogEntry, readLogPicture, setLogRemoved } from '../logbook';
import { actOnTrouble, noteForAll, readMakerWordImage, readWordImage, sayWord } from '../troubles';
import {
  acceptInvitation,
  invite,
  listBin,
  listPeople,
  revokeInvitation,
  setProjectState,
  setRole,
} from './people';
import { MAY, type Role, type Wish } from './permissions';
import {
  addFinished,
  addPhoto,
  changeGallery,
  readFinished,
  readMakerFinished,
  readMakerPhoto,
  readPhoto,
  removeFinished,
  setPhotoRemoved,
} from '../photos';
import { changeProjectBasting } from './projectBasting';
import { openProject } from './access';
import { changeProject, createProject } from './projects';
import { callRoll, recordEvents } from '../progress';
import {
  approveDrafts,
  changeDraft,
  draftReminders,
  readReminderSettings,
  saveReminderSettings,
  setMailTrouble,
  turnMessages,
} from '../reminders';
import { countPapersIn, placeOrder, saveOrder, turnOrder } from '../orders';
import { countClassPractice, countPractice } from '../practice';
import { saveSetting } from './setting';
import { testDatabase } from '../testing';

/** Every function that reads or changes something of a project × who asks for it × whose things are named. */
let sql: postgres.Sql;
let drop: () => Promise<void>;
const people = {} as Record<Role | 'stranger', Account>;

/** A project and one of each thing in it. */
interface Place {
  readonly project: string;
  readonly block: string;
  readonly maker: string;
  readonly token: string;
  readonly photo: string;
  readonly invitation: string;
  readonly person: string;
  readonly message: string;
  readonly order: string;
  readonly group: string;
  readonly trouble: string;
  readonly word: string;
  readonly line: string;
  readonly finished: string;
  readonly handed: string;
  readonly change: string;
}
/** The handover that the table makes before it takes it back. */
const HANDED = '00000000-0000-4000-8000-0000000000aa';

let own: Place;
let foreign: Place;

const star = documentOfRecipe(defaultRecipe('star'));
const SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="20mm" height="20mm" viewBox="0 0 20 20"><rect width="20" height="20"/></svg>'; // prettier-ignore
let image = '';

async function makePlace(name: string): Promise<Place> {
  const host = people.host;
  const access = await createProject(sql, host, { name });
  const project = access.project.id;
  const { id: block } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') });
  const [maker] = await addMakers(sql, access, ['Ann']);
  const photo = await addPhoto(sql, access, block, { stepId: 'join-1', says: 'A picture', image });
  const token = await invite(sql, access, { role: 'helper', days: 1 });
  await acceptInvitation(sql, token, people.helper);
  await invite(sql, access, { role: 'helper', days: 1 });
  const { invitations } = await listPeople(sql, access);
  const { id = '', token: link = '' } = maker ?? {};
  const invitation = invitations[0]?.id ?? '';
  const [message] = await sql<{ id: string }[]>`
    insert into message (project_id, maker_id, occasion, cause, reason, subject, body)
    values (${project}, ${id}, 'quiet', 'quiet/never', 'Silent.', 'Hello', 'Are you there?') returning id`;
  const [order] = await sql<{ id: string }[]>`
    insert into placed_order (project_id, name, lines) values (${project}, 'Before', '[]') returning id`;
  const before = {
    from: 'A',
    to: 'B',
    isMerged: false,
    blocks: [],
    cloths: [],
    makers: [],
    project: { basting: {}, origins: {}, order: null, extras: null },
  };
  const [change] = await sql<
    { id: string }[]
  >`insert into cloth_change (project_id, before) values (${project}, ${sql.json(before)}) returning id`;
  const group = await addGroup(sql, access, 'Evening');
  const [trouble, word, line, finished] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
  await addFinished(sql, link, { id: finished, blockId: block, image });
  const at = new Date().toISOString();
  await recordEvents(sql, link, [{ clientId: trouble, blockId: block, stepId: 'join-1', kind: 'stuck', at }]);
  await sayWord(sql, link, { id: word, troubleId: trouble, text: 'It puckers.', image });
  await addLogEntry(sql, access, { id: line, kind: 'note', blockId: block, text: 'Dark cloth runs.', image });
  return {
    group: group.id,
    trouble,
    word,
    line,
    finished,
    handed: name === 'Own' ? HANDED : randomUUID(),
    change: change?.id ?? '',
    order: order?.id ?? '',
    message: message?.id ?? '',
    project,
    block,
    maker: id,
    token: link,
    photo: photo.id,
    invitation,
    person: people.helper.id,
  };
}

beforeAll(async () => {
  ({ sql, drop } = await testDatabase());
  people.host = await createFirstAccount(sql, 'host@one.example', 'Host', 'a long password');
  people.helper = await createAccount(sql, 'helper@one.example', 'Helper', 'a long password');
  people.stranger = await createAccount(sql, 'stranger@two.example', 'Stranger', 'a long password');
  const picture = sharp({ create: { width: 8, height: 8, channels: 3, background: '#888' } });
  image = (await picture.png().toBuffer()).toString('base64');
  own = await makePlace('Own');
  foreign = { ...(await makePlace('Foreign')), person: people.stranger.id };
  // The helper is one in this project alone; the stranger is one in the other.
  await sql`update membership set account_id = ${people.stranger.id} where project_id = ${foreign.project} and account_id = ${people.helper.id}`;
});

afterAll(() => drop());

/** The things of a project by its id. */
const theirs = (project: string) => Promise.resolve(project === own.project ? own : foreign);

type Ask = (who: Account, project: string, of: Place) => Promise<unknown>;
const open = <W extends Wish>(who: Account, project: string, wish: W) => openProject(sql, who, project, wish);
const reading = async (who: Account, project: string) => (await open(who, project, 'read')).project;

/** Each function by name: what one must be allowed to do for it, and a call that would succeed for a host. */
const ASKS: Readonly<Record<string, readonly [Wish, Ask]>> = {
  openBlock: ['read', async (who, project, { block }) => openBlock(sql, await reading(who, project), block)],
  readRevision: ['read', async (who, project, { block }) => readRevision(sql, await reading(who, project), block)],
  readPhoto: ['read', async (who, project, { photo }) => readPhoto(sql, await reading(who, project), photo)],
  readFinished: ['read', async (who, project, { finished }) => readFinished(sql, await reading(who, project), finished)],
  readWordImage: ['read', async (who, project, { word }) => readWordImage(sql, await reading(who, project), word)],
  actOnTrouble: ['pack', async (who, project, { trouble }) => actOnTrouble(sql, await open(who, project, 'pack'), trouble, { kind: 'settle' })],
  readLogPicture: ['read', async (who, project, { line }) => readLogPicture(sql, await reading(who, project), line)],
  addLogEntry: ['pack', async (who, project, { block }) => addLogEntry(sql, await open(who, project, 'pack'), { id: randomUUID(), kind: 'note', blockId: block, text: 'x' })],
  setLogRemoved: ['pack', async (who, project, { line }) => setLogRemoved(sql, await open(who, project, 'pack'), line, true)],
  callRoll: ['pack', async (who, project, { maker, block }) => callRoll(sql, await open(who, project, 'pack'), [{ id: randomUUID(), makerId: maker, at: new Date().toISOString(), kind: 'stuck', blockId: block }])],
  handOver: ['pack', async (who, project, { block, maker }) => { const access = await open(who, project, 'pack'); await setKitStatuses(sql, access, [{ blockId: block, makerId: maker, status: 'packed', revision: 0 }]); return handOver(sql, access, { id: project === own.project ? HANDED : randomUUID(), makerId: maker, how: 'counter', tracking: '', packets: 1, grams: null, blocks: [block] }); }],
  takeHandoverBack: ['pack', async (who, project, { handed }) => takeHandoverBack(sql, await open(who, project, 'pack'), handed)],
  setKitStatuses: ['pack', async (who, project, { block, maker }) => setKitStatuses(sql, await open(who, project, 'pack'), [{ blockId: block, makerId: maker, status: 'packed', revision: 0 }])],
  actOnBag: ['pack', async (who, project, { block, maker }) => actOnBag(sql, await open(who, project, 'pack'), { kind: 'take', blockId: block, makerId: maker })],
  countClassPractice: ['pack', async (who, project, { block }) => countClassPractice(sql, await open(who, project, 'pack'), [{ blockId: block, question: 'clash:s1', isRight: false }])],
  packFromStock: ['pack', async (who, project) => packFromStock(sql, (await open(who, project, 'pack')).project, {})],
  addDocument: ['edit', async (who, project) => addDocument(sql, await open(who, project, 'edit'), { name: 'New', document: star })],
  makeBlock: ['edit', async (who, project) => makeBlock(sql, await open(who, project, 'edit'), { name: 'Made', recipe: defaultRecipe('disc') })],
  importBlock: ['edit', async (who, project) => importBlock(sql, await open(who, project, 'edit'), { name: 'Drawn', svg: SVG })],
  renameBlock: ['edit', async (who, project, { block }) => renameBlock(sql, await open(who, project, 'edit'), block, { name: 'Other', before: 'Star' })],
  saveBlock: ['edit', async (who, project, { block }) => saveBlock(sql, await open(who, project, 'edit'), block, { document: documentOfRecipe(defaultRecipe('disc')), revision: 1 })],
  remakeBlock: ['edit', async (who, project, { block }) => remakeBlock(sql, await open(who, project, 'edit'), block, { recipe: defaultRecipe('star'), revision: 2 })],
  addPhoto: ['edit', async (who, project, { block }) => addPhoto(sql, await open(who, project, 'edit'), block, { stepId: 'join-2', says: 'A picture', image })],
  setPhotoRemoved: ['edit', async (who, project, { photo }) => setPhotoRemoved(sql, await open(who, project, 'edit'), photo, true)],
  setClothPicture: ['edit', async (who, project) => setClothPicture(sql, await open(who, project, 'edit'), star.patches[0]?.fabric ?? '', { isRemoved: true })],
  readClothPicture: ['read', async (who, project) => readClothPicture(sql, (await reading(who, project)), 'none').catch((error: { status?: number }) => (error.status === 404 ? null : Promise.reject(error)))],
  splitCloth: ['edit', async (who, project, { block }) => splitCloth(sql, await open(who, project, 'edit'), { from: star.patches[0]?.fabric ?? '', to: 'Other', blocks: [block] })],
  takeClothChangeBack: ['edit', async (who, project, { change }) => takeClothChangeBack(sql, await open(who, project, 'edit'), change)],
  substituteCloth: ['edit', async (who, project, { maker }) => substituteCloth(sql, await open(who, project, 'edit'), [{ makerId: maker, from: 'Tar', to: 'Slate' }])],
  renameCloth: ['edit', async (who, project) => renameCloth(sql, await open(who, project, 'edit'), { from: star.patches.at(-1)?.fabric ?? '', to: 'Third' })],
  noteForAll: ['edit', async (who, project, { trouble }) => noteForAll(sql, await open(who, project, 'edit'), trouble, 'Mind the tips.')],
  changeGallery: ['edit', async (who, project, { finished }) => changeGallery(sql, await open(who, project, 'edit'), { id: finished, isShared: true })],
  addGroup: ['edit', async (who, project) => addGroup(sql, await open(who, project, 'edit'), 'Morning')],
  changeGroup: ['edit', async (who, project, { group }) => changeGroup(sql, await open(who, project, 'edit'), group, { name: 'Late' })],
  changeMaker: ['edit', async (who, project, { maker, group }) => changeMaker(sql, await open(who, project, 'edit'), maker, { groupId: group })],
  readPerson: ['edit', async (who, project, { maker }) => readPerson(sql, await open(who, project, 'edit'), maker)],
  runAgain: ['edit', async (who, project) => runAgain(sql, await open(who, project, 'edit'), 'Again')],
  addVersion: ['edit', async (who, project, { block }) => addVersion(sql, await open(who, project, 'edit'), block, documentOfRecipe(defaultRecipe('disc')))],
  takeRoster: ['edit', async (who, project) => takeRoster(sql, await open(who, project, 'edit'), [{ name: 'Rosa' }])],
  addMakers: ['edit', async (who, project) => addMakers(sql, await open(who, project, 'edit'), ['Bea'])],
  setSkip: ['edit', async (who, project, { block, maker }) => setSkip(sql, await open(who, project, 'edit'), maker, { blockId: block, isSkipped: true })],
  cardLinks: ['edit', async (who, project) => cardLinks(sql, await open(who, project, 'edit'))],
  changeLink: ['edit', async (who, project, { maker }) => changeLink(sql, await open(who, project, 'edit'), maker, 'revoke')],
  setContact: ['edit', async (who, project, { maker }) => setContact(sql, await open(who, project, 'edit'), maker, { email: 'a@b.example', timeZone: null })],
  setMakerRemoved: ['edit', async (who, project, { maker }) => setMakerRemoved(sql, await open(who, project, 'edit'), maker, true)],
  chooseMark: ['edit', async (who, project) => chooseMark(sql, await open(who, project, 'edit'), { outline: star.patches[0]?.outline as never, mark: 'proposed' })],
  changeProjectBasting: ['edit', async (who, project) => changeProjectBasting(sql, await open(who, project, 'edit'), () => ({ pale: ['Fog'] }))],
  saveSetting: ['edit', async (who, project) => saveSetting(sql, await open(who, project, 'edit'), { setting: defaultSetting([], 2, 25.4), revision: 0 })],
  saveCalendar: ['edit', async (who, project) => saveCalendar(sql, await open(who, project, 'edit'), { calendar: EMPTY_CALENDAR, revision: 0 })],
  draftReminders: ['edit', async (who, project) => draftReminders(sql, await open(who, project, 'edit'), Date.now())],
  changeDraft: ['edit', async (who, project, { message }) => changeDraft(sql, await open(who, project, 'edit'), { id: message, subject: 'Hi', body: '', revision: 1 })],
  approveDrafts: ['edit', async (who, project) => approveDrafts(sql, await open(who, project, 'edit'), [{ id: (await theirs(project)).message, revision: 1 }], '', Date.now())],
  turnMessages: ['edit', async (who, project) => turnMessages(sql, await open(who, project, 'edit'), 'aside', [(await theirs(project)).message])],
  saveReminderSettings: ['edit', async (who, project) => saveReminderSettings(sql, await open(who, project, 'edit'), { settings: (await readReminderSettings(sql, await reading(who, project))).settings, revision: 0 })],
  setMailTrouble: ['edit', async (who, project) => setMailTrouble(sql, await open(who, project, 'edit'), 'slow')],
  saveExtras: ['edit', async (who, project) => saveExtras(sql, await open(who, project, 'edit'), { extras: NO_EXTRAS, revision: 0 })],
  saveOrder: ['edit', async (who, project) => saveOrder(sql, await open(who, project, 'edit'), { order: USUAL_ORDER, revision: 0 })],
  turnOrder: ['edit', async (who, project, { order }) => turnOrder(sql, await open(who, project, 'edit'), order, 'arrived')],
  placeOrder: ['edit', async (who, project) => placeOrder(sql, await open(who, project, 'edit'), { name: 'First', revision: 2 })],
  countPapersIn: ['pack', async (who, project) => countPapersIn(sql, await open(who, project, 'pack'), {})],
  renewFeed: ['edit', async (who, project) => renewFeed(sql, await open(who, project, 'edit'))],
  changeProject: ['edit', async (who, project) => changeProject(sql, await open(who, project, 'edit'), { name: 'Other name' })],
  listBin: ['edit', async (who, project) => listBin(sql, await open(who, project, 'edit'))],
  listPeople: ['own', async (who, project) => listPeople(sql, await open(who, project, 'own'))],
  invite: ['own', async (who, project) => invite(sql, await open(who, project, 'own'), { role: 'host', days: 1 })],
  revokeInvitation: ['own', async (who, project, { invitation }) => revokeInvitation(sql, await open(who, project, 'own'), invitation)],
  setRole: ['own', async (who, project, { person }) => setRole(sql, await open(who, project, 'own'), person, 'gone')],
  erasePerson: ['edit', async (who, project, { maker }) => erasePerson(sql, await open(who, project, 'edit'), maker)],
  setBlockRemoved: ['edit', async (who, project, { block }) => setBlockRemoved(sql, await open(who, project, 'edit'), block, true)],
  setProjectState: ['own', async (who, project) => setProjectState(sql, await open(who, project, 'own'), 'archived')],
}; // prettier-ignore

/** All that a refused call might have changed. */
async function everything(): Promise<string> {
  const tables = ['project', 'block', 'maker', 'kit', 'skip', 'membership', 'invitation', 'step_photo', 'cloth', 'message', 'practice_count', 'placed_order', 'maker_group', 'trouble', 'trouble_word', 'log_entry', 'absence', 'finished_photo', 'handover', 'progress_event', 'card_link', 'cloth_change', 'audit'];
  const rows = await Promise.all(tables.map((table) => sql.unsafe(`select t::text from ${table} t order by 1`)));
  return JSON.stringify(rows);
} // prettier-ignore

const statusOf = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: { status?: number }) => error.status ?? error,
  );

test.each(Object.keys(ASKS))('%s is not for strangers, nor for helpers who may not', async (name) => {
  const [wish, ask] = ASKS[name] as (typeof ASKS)[string];
  const before = await everything();
  expect(await statusOf(ask(people.stranger, own.project, own))).toBe(404);
  if (!MAY.helper.has(wish)) expect(await statusOf(ask(people.helper, own.project, own))).toBe(403);
  expect(await everything()).toBe(before);
});

test.each(Object.keys(ASKS).filter((name) => /\{/.test(ASKS[name]?.[1].toString().split('=>')[0] ?? '')))(
  '%s finds nothing of another project, though its host asks',
  async (name) => {
    const [, ask] = ASKS[name] as (typeof ASKS)[string];
    const before = await everything();
    expect(await statusOf(ask(people.host, own.project, foreign))).toBe(404);
    expect(await everything()).toBe(before);
  },
);

test('a maker’s link opens nothing of another project', async () => {
  const event = { clientId: '00000000-0000-4000-8000-00000000000b', stepId: 'join-1', kind: 'done', at: '2026-11-20T10:00:00Z' }; // prettier-ignore
  const other = recordEvents(sql, own.token, [{ ...event, blockId: foreign.block } as never]);
  expect(await statusOf(other)).toBe(404);
  expect(await statusOf(countPractice(sql, own.token, [{ blockId: foreign.block, question: 'clash:s1', isRight: true }]))).toBe(404); // prettier-ignore
  expect(await statusOf(readMakerPhoto(sql, own.token, foreign.photo))).toBe(404);
  expect(await statusOf(readMakerWordImage(sql, own.token, foreign.word))).toBe(404);
  expect(await statusOf(readMakerFinished(sql, own.token, foreign.finished))).toBe(404);
  expect(await statusOf(removeFinished(sql, own.token, foreign.finished))).toBe(404);
  expect(
    await statusOf(addFinished(sql, own.token, { id: randomUUID(), blockId: foreign.block, image })),
  ).toBe(404);
  expect(
    await statusOf(sayWord(sql, own.token, { id: randomUUID(), troubleId: foreign.trouble, text: 'x' })),
  ).toBe(404);
  expect(await statusOf(readMakerPhoto(sql, own.token, own.photo))).toBe('done');
});

test('the same calls all succeed for whoever may: what was refused was refused for who asked', async () => {
  for (const [name, [wish, ask]] of Object.entries(ASKS)) {
    const who = MAY.helper.has(wish) ? people.helper : people.host;
    expect([name, await statusOf(ask(who, own.project, own))]).toEqual([name, 'done']);
  }
});

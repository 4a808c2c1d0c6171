import { randomUUID } from 'node:crypto';
import type postgres from 'postgres';
import { EMPTY_CALENDAR } from '@/core/calendar';
import { NO_EXTRAS } from '@/core/packing';
import { USUAL_ORDER } from '@/core/order';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { defaultSetting } from '@/core/setting';
import type { Account } from '../accounts';
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
  clothShelf,
  readClothPicture,
  renameCloth,
  setClothPicture,
  setShelf,
  setShelves,
  splitCloth,
  substituteCloth,
  takeClothChangeBack,
} from '../cloth';
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
import { actOnTrouble, noteForAll, readWordImage, sayWord } from '../troubles';
import { addFinished, addPhoto, changeGallery, readFinished, readPhoto, setPhotoRemoved } from '../photos';
import {
  type Role,
  type Wish,
  acceptInvitation,
  changeProject,
  changeProjectBasting,
  createProject,
  invite,
  listBin,
  listPeople,
  openProject,
  revokeInvitation,
  saveSetting,
  setProjectState,
  setRole,
} from '../projects';
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
import { countClassPractice } from '../practice';

/** A project and one of each thing in it. */
export interface Place {
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

/** Who asks. */
export type People = Record<Role | 'stranger', Account>;

/** Two projects, whose things are named, and a picture. */
export interface World {
  readonly sql: postgres.Sql;
  readonly own: Place;
  readonly foreign: Place;
  readonly image: string;
}

type Ask = (who: Account, project: string, of: Place) => Promise<unknown>;
export type Asks = Readonly<Record<string, readonly [Wish, Ask]>>;

const STAR = documentOfRecipe(defaultRecipe('star'));
const SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="20mm" height="20mm" viewBox="0 0 20 20"><rect width="20" height="20"/></svg>'; // prettier-ignore
/** Makes a project of the host’s with one of each thing in it. */
export async function makePlace(
  sql: postgres.Sql,
  people: People,
  name: string,
  image: string,
): Promise<Place> {
  const { host } = people;
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

/** Each function by name: what one must be allowed to do for it, and a call that would succeed for a host. */
export const asksOf = (world: World): Asks => { const open = <W extends Wish>(who: Account, project: string, wish: W) => openProject(world.sql, who, project, wish); const reading = async (who: Account, project: string) => (await open(who, project, 'read')).project; const theirs = (project: string) => (project === world.own.project ? world.own : world.foreign); return {
  openBlock: ['read', async (who, project, { block }) => openBlock(world.sql, await reading(who, project), block)],
  readRevision: ['read', async (who, project, { block }) => readRevision(world.sql, await reading(who, project), block)],
  readPhoto: ['read', async (who, project, { photo }) => readPhoto(world.sql, await reading(who, project), photo)],
  readFinished: ['read', async (who, project, { finished }) => readFinished(world.sql, await reading(who, project), finished)],
  readWordImage: ['read', async (who, project, { word }) => readWordImage(world.sql, await reading(who, project), word)],
  actOnTrouble: ['pack', async (who, project, { trouble }) => actOnTrouble(world.sql, await open(who, project, 'pack'), trouble, { kind: 'settle' })],
  readLogPicture: ['read', async (who, project, { line }) => readLogPicture(world.sql, await reading(who, project), line)],
  addLogEntry: ['pack', async (who, project, { block }) => addLogEntry(world.sql, await open(who, project, 'pack'), { id: randomUUID(), kind: 'note', blockId: block, text: 'x' })],
  setLogRemoved: ['pack', async (who, project, { line }) => setLogRemoved(world.sql, await open(who, project, 'pack'), line, true)],
  callRoll: ['pack', async (who, project, { maker, block }) => callRoll(world.sql, await open(who, project, 'pack'), [{ id: randomUUID(), makerId: maker, at: new Date().toISOString(), kind: 'stuck', blockId: block }])],
  handOver: ['pack', async (who, project, { block, maker }) => { const access = await open(who, project, 'pack'); await setKitStatuses(world.sql, access, [{ blockId: block, makerId: maker, status: 'packed', revision: 0 }]); return handOver(world.sql, access, { id: project === world.own.project ? HANDED : randomUUID(), makerId: maker, how: 'counter', tracking: '', packets: 1, grams: null, blocks: [block] }); }],
  takeHandoverBack: ['pack', async (who, project, { handed }) => takeHandoverBack(world.sql, await open(who, project, 'pack'), handed)],
  setKitStatuses: ['pack', async (who, project, { block, maker }) => setKitStatuses(world.sql, await open(who, project, 'pack'), [{ blockId: block, makerId: maker, status: 'packed', revision: 0 }])],
  actOnBag: ['pack', async (who, project, { block, maker }) => actOnBag(world.sql, await open(who, project, 'pack'), { kind: 'take', blockId: block, makerId: maker })],
  countClassPractice: ['pack', async (who, project, { block }) => countClassPractice(world.sql, await open(who, project, 'pack'), [{ blockId: block, question: 'clash:s1', isRight: false }])],
  packFromStock: ['pack', async (who, project) => packFromStock(world.sql, (await open(who, project, 'pack')).project, {})],
  addDocument: ['edit', async (who, project) => addDocument(world.sql, await open(who, project, 'edit'), { name: 'New', document: STAR })],
  makeBlock: ['edit', async (who, project) => makeBlock(world.sql, await open(who, project, 'edit'), { name: 'Made', recipe: defaultRecipe('disc') })],
  importBlock: ['edit', async (who, project) => importBlock(world.sql, await open(who, project, 'edit'), { name: 'Drawn', svg: SVG })],
  renameBlock: ['edit', async (who, project, { block }) => renameBlock(world.sql, await open(who, project, 'edit'), block, { name: 'Other', before: 'Star' })],
  saveBlock: ['edit', async (who, project, { block }) => saveBlock(world.sql, await open(who, project, 'edit'), block, { document: documentOfRecipe(defaultRecipe('disc')), revision: 1 })],
  remakeBlock: ['edit', async (who, project, { block }) => remakeBlock(world.sql, await open(who, project, 'edit'), block, { recipe: defaultRecipe('star'), revision: 2 })],
  addPhoto: ['edit', async (who, project, { block }) => addPhoto(world.sql, await open(who, project, 'edit'), block, { stepId: 'join-2', says: 'A picture', image: world.image })],
  setPhotoRemoved: ['edit', async (who, project, { photo }) => setPhotoRemoved(world.sql, await open(who, project, 'edit'), photo, true)],
  setClothPicture: ['edit', async (who, project) => setClothPicture(world.sql, await open(who, project, 'edit'), STAR.patches[0]?.fabric ?? '', { isRemoved: true })],
  readClothPicture: ['read', async (who, project) => readClothPicture(world.sql, (await reading(who, project)), 'none').catch((error: { status?: number }) => (error.status === 404 ? null : Promise.reject(error)))],
  setShelf: ['edit', async (who, project) => { const access = await open(who, project, 'edit'); const [cloth] = await clothShelf(world.sql, access.project); return setShelf(world.sql, access, { ...cloth!, stockMm: 1200 }); }],
  setShelves: ['edit', async (who, project) => { const access = await open(who, project, 'edit'); const shelf = await clothShelf(world.sql, access.project); return setShelves(world.sql, access, shelf.map((cloth) => ({ ...cloth, widthMm: 1400 }))); }],
  splitCloth: ['edit', async (who, project, { block }) => splitCloth(world.sql, await open(who, project, 'edit'), { from: STAR.patches[0]?.fabric ?? '', to: 'Other', blocks: [block] })],
  takeClothChangeBack: ['edit', async (who, project, { change }) => takeClothChangeBack(world.sql, await open(who, project, 'edit'), change)],
  substituteCloth: ['edit', async (who, project, { maker }) => substituteCloth(world.sql, await open(who, project, 'edit'), [{ makerId: maker, from: 'Tar', to: 'Slate' }])],
  renameCloth: ['edit', async (who, project) => renameCloth(world.sql, await open(who, project, 'edit'), { from: STAR.patches.at(-1)?.fabric ?? '', to: 'Third' })],
  noteForAll: ['edit', async (who, project, { trouble }) => noteForAll(world.sql, await open(who, project, 'edit'), trouble, 'Mind the tips.')],
  changeGallery: ['edit', async (who, project, { finished }) => changeGallery(world.sql, await open(who, project, 'edit'), { id: finished, isShared: true })],
  addGroup: ['edit', async (who, project) => addGroup(world.sql, await open(who, project, 'edit'), 'Morning')],
  changeGroup: ['edit', async (who, project, { group }) => changeGroup(world.sql, await open(who, project, 'edit'), group, { name: 'Late' })],
  changeMaker: ['edit', async (who, project, { maker, group }) => changeMaker(world.sql, await open(who, project, 'edit'), maker, { groupId: group })],
  readPerson: ['edit', async (who, project, { maker }) => readPerson(world.sql, await open(who, project, 'edit'), maker)],
  runAgain: ['edit', async (who, project) => runAgain(world.sql, await open(who, project, 'edit'), 'Again')],
  addVersion: ['edit', async (who, project, { block }) => addVersion(world.sql, await open(who, project, 'edit'), block, documentOfRecipe(defaultRecipe('disc')))],
  takeRoster: ['edit', async (who, project) => takeRoster(world.sql, await open(who, project, 'edit'), [{ name: 'Rosa' }])],
  addMakers: ['edit', async (who, project) => addMakers(world.sql, await open(who, project, 'edit'), ['Bea'])],
  setSkip: ['edit', async (who, project, { block, maker }) => setSkip(world.sql, await open(who, project, 'edit'), maker, { blockId: block, isSkipped: true })],
  cardLinks: ['edit', async (who, project) => cardLinks(world.sql, await open(who, project, 'edit'))],
  changeLink: ['edit', async (who, project, { maker }) => changeLink(world.sql, await open(who, project, 'edit'), maker, 'revoke')],
  setContact: ['edit', async (who, project, { maker }) => setContact(world.sql, await open(who, project, 'edit'), maker, { email: 'a@b.example', timeZone: null })],
  setMakerRemoved: ['edit', async (who, project, { maker }) => setMakerRemoved(world.sql, await open(who, project, 'edit'), maker, true)],
  chooseMark: ['edit', async (who, project) => chooseMark(world.sql, await open(who, project, 'edit'), { outline: STAR.patches[0]?.outline as never, mark: 'proposed' })],
  changeProjectBasting: ['edit', async (who, project) => changeProjectBasting(world.sql, await open(who, project, 'edit'), () => ({ pale: ['Fog'] }))],
  saveSetting: ['edit', async (who, project) => saveSetting(world.sql, await open(who, project, 'edit'), { setting: defaultSetting([], 2, 25.4), revision: 0 })],
  saveCalendar: ['edit', async (who, project) => saveCalendar(world.sql, await open(who, project, 'edit'), { calendar: EMPTY_CALENDAR, revision: 0 })],
  draftReminders: ['edit', async (who, project) => draftReminders(world.sql, await open(who, project, 'edit'), Date.now())],
  changeDraft: ['edit', async (who, project, { message }) => changeDraft(world.sql, await open(who, project, 'edit'), { id: message, subject: 'Hi', body: '', revision: 1 })],
  approveDrafts: ['edit', async (who, project) => approveDrafts(world.sql, await open(who, project, 'edit'), [{ id: (theirs(project)).message, revision: 1 }], '', Date.now())],
  turnMessages: ['edit', async (who, project) => turnMessages(world.sql, await open(who, project, 'edit'), 'aside', [(theirs(project)).message])],
  saveReminderSettings: ['edit', async (who, project) => saveReminderSettings(world.sql, await open(who, project, 'edit'), { settings: (await readReminderSettings(world.sql, await reading(who, project))).settings, revision: 0 })],
  setMailTrouble: ['edit', async (who, project) => setMailTrouble(world.sql, await open(who, project, 'edit'), 'slow')],
  saveExtras: ['edit', async (who, project) => saveExtras(world.sql, await open(who, project, 'edit'), { extras: NO_EXTRAS, revision: 0 })],
  saveOrder: ['edit', async (who, project) => saveOrder(world.sql, await open(who, project, 'edit'), { order: USUAL_ORDER, revision: 0 })],
  turnOrder: ['edit', async (who, project, { order }) => turnOrder(world.sql, await open(who, project, 'edit'), order, 'arrived')],
  placeOrder: ['edit', async (who, project) => placeOrder(world.sql, await open(who, project, 'edit'), { name: 'First', revision: 2 })],
  countPapersIn: ['pack', async (who, project) => countPapersIn(world.sql, await open(who, project, 'pack'), {})],
  renewFeed: ['edit', async (who, project) => renewFeed(world.sql, await open(who, project, 'edit'))],
  changeProject: ['edit', async (who, project) => changeProject(world.sql, await open(who, project, 'edit'), { name: 'Other name' })],
  listBin: ['edit', async (who, project) => listBin(world.sql, await open(who, project, 'edit'))],
  listPeople: ['own', async (who, project) => listPeople(world.sql, await open(who, project, 'own'))],
  invite: ['own', async (who, project) => invite(world.sql, await open(who, project, 'own'), { role: 'host', days: 1 })],
  revokeInvitation: ['own', async (who, project, { invitation }) => revokeInvitation(world.sql, await open(who, project, 'own'), invitation)],
  setRole: ['own', async (who, project, { person }) => setRole(world.sql, await open(who, project, 'own'), person, 'gone')],
  erasePerson: ['edit', async (who, project, { maker }) => erasePerson(world.sql, await open(who, project, 'edit'), maker)],
  setBlockRemoved: ['edit', async (who, project, { block }) => setBlockRemoved(world.sql, await open(who, project, 'edit'), block, true)],
  setProjectState: ['own', async (who, project) => setProjectState(world.sql, await open(who, project, 'own'), 'archived')],
}; }; // prettier-ignore

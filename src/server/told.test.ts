import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { EMPTY_CALENDAR } from '@/core/calendar';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { NO_EXTRAS } from '@/core/packing';
import { USUAL_ORDER } from '@/core/order';
import { defaultSetting } from '@/core/setting';
import { actOnBag, handOver, saveExtras, setKitStatuses, takeHandoverBack } from './bags';
import {
  chooseMark,
  makeBlock,
  readRevision,
  remakeBlock,
  renameBlock,
  saveBlock,
  setBlockRemoved,
} from './blocks';
import { renewFeed, saveCalendar } from './calendar';
import { renameCloth, setClothPicture, splitCloth, substituteCloth, takeClothChangeBack } from './cloth';
import { notify, onChange } from './live';
import { addLogEntry, setLogRemoved } from './logbook';
import { addGroup, addMakers, cardLinks, changeGroup, changeLink, changeMaker, erasePerson, setContact, setMakerRemoved, setSkip, takeRoster } from './makers'; // prettier-ignore
import { countPapersIn, placeOrder, readKeptOrder, saveOrder, turnOrder } from './orders';
import { addFinished, addPhoto, changeGallery, setPhotoRemoved } from './photos';
import { callRoll, recordEvents } from './progress';
import { acceptInvitation, changeProject, changeProjectBasting, invite, listPeople, revokeInvitation, saveSetting, setProjectState, setRole } from './projects'; // prettier-ignore
import { draftReminders, saveReminderSettings, setMailTrouble, turnMessages } from './reminders';
import { USUAL_SETTINGS } from './reminders/settings';
import { progressEvent, testProject, type TestProject } from './testing';
import { actOnTrouble, noteForAll, sayWord } from './troubles';

/** What is done in a project is written down, and told to the pages that show it: each once, and nothing where nothing was done. */
let { sql, drop, access, project, stranger, open } = {} as TestProject;
let image = '';
let told: string[] = [];
let stop = (): void => undefined;

beforeAll(async () => {
  ({ sql, drop, access, project, stranger, open } = await testProject('Told'));
  image = (await sharp({ create: { width: 8, height: 8, channels: 3, background: '#888' } }).png().toBuffer()).toString('base64'); // prettier-ignore
  stop = await onChange(sql, ({ projectId, kind, makerId }) => {
    if (projectId === project.id) told.push(makerId === undefined ? kind : `${kind} of one`);
  });
});

afterAll(() => (stop(), drop()));

/** What was told before has arrived: it comes in its order, and a last word with it. */
const allTold = () =>
  new Promise<void>((resolve) => {
    const word = randomUUID();
    void onChange(sql, ({ projectId }) => projectId === word && resolve()).then(() => notify(sql, word, 'people')); // prettier-ignore
  });
const lastLine = async () => Number((await sql<{ id: string }[]>`select coalesce(max(id), 0) as id from audit`)[0]?.id); // prettier-ignore

/** Does something and looks what was written down of it and told. */
async function expectTold<T>(written: string, heard: string, work: () => Promise<T>): Promise<T> {
  await allTold();
  const before = await lastLine();
  told = [];
  const done = await work();
  await allTold();
  const lines = await sql<{ what: string }[]>`select what from audit where id > ${before} and project_id = ${project.id} order by id`; // prettier-ignore
  expect([lines.map(({ what }) => what).join(), told.join()]).toEqual([written, heard]);
  return done;
}

const star = defaultRecipe('star');

test('blocks: made, drawn anew, renamed, marked, put into the bin and back', async () => {
  const { id } = await expectTold('block-added', 'blocks', () => makeBlock(sql, access, { name: 'Star', recipe: star })); // prettier-ignore
  const document = documentOfRecipe({ ...star, edgeMm: 40 } as never);
  await expectTold('block-changed', 'blocks', () => saveBlock(sql, access, id, { document, revision: 1 }));
  await expectTold('', '', () => saveBlock(sql, access, id, { document, revision: 2 }));
  await expectTold('block-remade', 'blocks', () => remakeBlock(sql, access, id, { recipe: star, revision: 2 })); // prettier-ignore
  await expectTold('block-renamed', 'blocks', () => renameBlock(sql, access, id, { name: 'Lamp', before: 'Star' })); // prettier-ignore
  const { outline } = document.patches[0]!;
  await expectTold('mark-chosen', 'blocks', () => chooseMark(sql, access, { outline: outline as never, mark: 'proposed' })); // prettier-ignore
  await expectTold('block-removed', 'blocks', () => setBlockRemoved(sql, access, id, true));
  await expectTold('block-restored', 'blocks', () => setBlockRemoved(sql, access, id, false));
  await expectTold('basting-changed', 'blocks', () => changeProjectBasting(sql, access, () => ({ pale: ['Fog'] }))); // prettier-ignore
  const photo = await expectTold('photo-added', 'blocks', () => addPhoto(sql, access, id, { stepId: 'join-1', says: 'A picture', image })); // prettier-ignore
  await expectTold('photo-removed', 'blocks', () => setPhotoRemoved(sql, access, photo.id, true));
  await expectTold('photo-restored', 'blocks', () => setPhotoRemoved(sql, access, photo.id, false));
});

test('cloths: given another name or one for some blocks, and back; pictured; another for a maker', async () => {
  const { id } = await makeBlock(sql, access, { name: 'Disc', recipe: defaultRecipe('disc') });
  const { document } = await readRevision(sql, project, id);
  const from = document.patches[0]!.fabric;
  await expectTold('cloth-split', 'blocks', () =>
    splitCloth(sql, access, { from, to: 'Slate', blocks: [id] }),
  );
  await expectTold('cloth-renamed', 'blocks', () => renameCloth(sql, access, { from: 'Slate', to: 'Grey' }));
  const [change] = await sql<{ id: string }[]>`select id from cloth_change order by made_at desc limit 1`;
  await expectTold('cloth-change-undone', 'blocks', () => takeClothChangeBack(sql, access, change!.id));
  await expectTold('cloth-pictured', 'blocks', () => setClothPicture(sql, access, 'Slate', { image }));
  const [ann] = await addMakers(sql, access, ['Ann']);
  await expectTold('cloth-substituted', 'makers', () => substituteCloth(sql, access, [{ makerId: ann!.id, from: 'Slate', to: 'Fog' }])); // prettier-ignore
});

test('makers: added, changed, written to or not, given links, taken out and back, erased', async () => {
  const [bea] = await expectTold('makers-added', 'makers', () => addMakers(sql, access, ['Bea']));
  const { id } = bea!;
  const { id: block } = await makeBlock(sql, access, { name: 'Rose', recipe: star });
  const group = await expectTold('group-added', 'makers', () => addGroup(sql, access, 'Evening'));
  await expectTold('group-changed', 'makers', () => changeGroup(sql, access, group.id, { name: 'Late' }));
  await expectTold('maker-changed', 'makers', () => changeMaker(sql, access, id, { groupId: group.id }));
  await expectTold('block-skipped', 'makers', () => setSkip(sql, access, id, { blockId: block, isSkipped: true })); // prettier-ignore
  await expectTold('block-sewn', 'makers', () => setSkip(sql, access, id, { blockId: block, isSkipped: false })); // prettier-ignore
  await expectTold('contact-changed', 'reminders', () => setContact(sql, access, id, { email: 'b@b.example', timeZone: null })); // prettier-ignore
  await expectTold('contact-forgotten', 'reminders', () => setContact(sql, access, id, { email: null, timeZone: null })); // prettier-ignore
  await expectTold('link-renewed', 'makers', () => changeLink(sql, access, id, 'renew'));
  await expectTold('link-revoked', 'makers', () => changeLink(sql, access, id, 'revoke'));
  await expectTold('cards-printed', '', () => cardLinks(sql, access));
  await expectTold('group-added,roster-read', 'makers', () => takeRoster(sql, access, [{ name: 'Rosa', group: 'Table' }])); // prettier-ignore
  await expectTold('maker-removed', 'makers', () => setMakerRemoved(sql, access, id, true));
  await expectTold('maker-restored', 'makers', () => setMakerRemoved(sql, access, id, false));
  await expectTold('maker-erased', 'makers', () => erasePerson(sql, access, id));
});

test('bags: taken in hand, closed, looked into, handed over and back; sent a second time nothing is told', async () => {
  const { id: blockId } = await makeBlock(sql, access, { name: 'Fan', recipe: star });
  const [cyd] = await addMakers(sql, access, ['Cyd']);
  const bag = { blockId, makerId: cyd!.id };
  await expectTold('', 'kits', () => actOnBag(sql, access, { ...bag, kind: 'take' }));
  await expectTold('kit-changed', 'kits', () => actOnBag(sql, access, { ...bag, kind: 'close' }));
  await expectTold('bag-checked', 'kits', () => actOnBag(sql, access, { ...bag, kind: 'check' }));
  const id = randomUUID();
  const handing = { id, makerId: bag.makerId, how: 'counter', tracking: '', packets: 1, grams: null, blocks: [blockId] } as const; // prettier-ignore
  await expectTold('kit-changed,handed-over', 'kits', () => handOver(sql, access, handing));
  await expectTold('', '', () => handOver(sql, access, handing));
  await expectTold('kit-changed,handover-taken-back', 'kits', () => takeHandoverBack(sql, access, id));
  const { revision } = (await sql<{ revision: number }[]>`select revision from kit where maker_id = ${bag.makerId}`)[0]!; // prettier-ignore
  await expectTold('kit-changed', 'kits', () => setKitStatuses(sql, access, [{ ...bag, status: 'to-pack', revision }])); // prettier-ignore
  await expectTold('', '', () => setKitStatuses(sql, access, []));
  await expectTold('extras-changed', 'settings', () => saveExtras(sql, access, { extras: NO_EXTRAS, revision: 0 })); // prettier-ignore
});

test('ticks and troubles: of one maker, told once however often they are sent', async () => {
  const { id: block } = await makeBlock(sql, access, { name: 'Wake', recipe: star });
  const [dot] = await addMakers(sql, access, ['Dot']);
  const { id, token } = dot!;
  const tick = progressEvent(block, 'join-1');
  await expectTold('', 'progress of one', () => recordEvents(sql, token, [tick]));
  await expectTold('', '', () => recordEvents(sql, token, [tick]));
  const stuck = progressEvent(block, 'join-2', 'stuck');
  await expectTold('', 'progress of one,troubles', () => recordEvents(sql, token, [stuck]));
  const word = { id: randomUUID(), troubleId: stuck.clientId, text: 'It puckers.' };
  await expectTold('', 'troubles', () => sayWord(sql, token, word));
  await expectTold('trouble-assign', 'progress of one,troubles', () => actOnTrouble(sql, access, stuck.clientId, { kind: 'assign', accountId: access.account.id })); // prettier-ignore
  await expectTold('trouble-teach', 'progress of one,troubles', () => actOnTrouble(sql, access, stuck.clientId, { kind: 'teach', isToTeach: true })); // prettier-ignore
  await expectTold('trouble-settle', 'progress of one,troubles', () => actOnTrouble(sql, access, stuck.clientId, { kind: 'settle' })); // prettier-ignore
  await expectTold('roll-called', 'progress', () => callRoll(sql, access, [{ id: randomUUID(), makerId: id, at: new Date().toISOString(), kind: 'absent', day: '2026-05-02' } as never])); // prettier-ignore
  const finished = randomUUID();
  await expectTold('', 'makers', () => addFinished(sql, token, { id: finished, blockId: block, image }));
  await expectTold('gallery-changed', 'makers', () => changeGallery(sql, access, { id: finished, isShared: true })); // prettier-ignore
  await expectTold('block-changed', 'blocks', () =>
    noteForAll(sql, access, stuck.clientId, 'Mind the tips.'),
  );
});

test('buying: decided, counted in, ordered, come, taken back', async () => {
  const { revision } = await readKeptOrder(sql, project);
  await expectTold('order-changed', 'settings', () => saveOrder(sql, access, { order: USUAL_ORDER, revision })); // prettier-ignore
  await expectTold('papers-counted-in', 'settings', () => countPapersIn(sql, access, {}));
  const now = (await readKeptOrder(sql, project)).revision;
  const { id } = await expectTold('order-placed', 'settings', () => placeOrder(sql, access, { name: 'One', revision: now })); // prettier-ignore
  await expectTold('order-turned', 'settings', () => turnOrder(sql, access, id, 'arrived'));
  await expectTold('', '', () => turnOrder(sql, access, id, 'arrived'));
  await expectTold('order-turned', 'settings', () => turnOrder(sql, access, id, 'not-arrived'));
  await expectTold('order-turned', 'settings', () => turnOrder(sql, access, id, 'taken-back'));
});

test('dates and letters', async () => {
  await expectTold('calendar-changed', 'calendar', () => saveCalendar(sql, access, { calendar: EMPTY_CALENDAR, revision: 0 })); // prettier-ignore
  await expectTold('feed-renewed', '', () => renewFeed(sql, access));
  await expectTold('reminders-changed', 'reminders', () => saveReminderSettings(sql, access, { settings: USUAL_SETTINGS, revision: 0 })); // prettier-ignore
  await expectTold('mail-stand-in', 'reminders', () => setMailTrouble(sql, access, 'slow'));
  await expectTold('', '', () => draftReminders(sql, access, Date.now()));
  await expectTold('reminders-aside', 'reminders', () => turnMessages(sql, access, 'aside', []));
});

test('the project and its people', async () => {
  await expectTold('setting-changed', 'settings', () => saveSetting(sql, access, { setting: defaultSetting([], 2, 25.4), revision: 0 })); // prettier-ignore
  await expectTold('settings-changed', '', () => changeProject(sql, access, { name: 'Told twice' }));
  const line = randomUUID();
  await expectTold('', 'logbook', () => addLogEntry(sql, access, { id: line, kind: 'note', blockId: null, text: 'x' })); // prettier-ignore
  await expectTold('', 'logbook', () => setLogRemoved(sql, access, line, true));
  const token = await expectTold('invited', '', () => invite(sql, access, { role: 'helper', days: 1 }));
  await expectTold('joined', 'people', () => acceptInvitation(sql, token, stranger));
  await invite(sql, access, { role: 'helper', days: 1 });
  const { invitations } = await listPeople(sql, access);
  await expectTold('invitation-taken-back', '', () => revokeInvitation(sql, access, invitations[0]!.id));
  await expectTold('role-changed', 'people', () => setRole(sql, access, stranger.id, 'gone'));
  await expectTold('project-archived', 'people', () => setProjectState(sql, access, 'archived'));
  expect((await open(access.account, project.id, 'read')).project.name).toBe('Told twice');
});

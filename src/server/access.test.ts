import sharp from 'sharp';
import type postgres from 'postgres';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { defaultSetting } from '@/core/setting';
import { createAccount, createFirstAccount, type Account } from './accounts';
import { readRevision, remakeBlock, saveBlock } from './blockDocuments';
import { addDocument, importBlock, makeBlock, openBlock, renameBlock, setBlockRemoved } from './blocks';
import { renameCloth } from './cloths';
import { setKitStatuses } from './kits';
import { addMakers, changeLink, setMakerRemoved, setSkip } from './makers';
import { chooseMark } from './marks';
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
import { addPhoto, readMakerPhoto, readPhoto, setPhotoRemoved } from './photos';
import { changeProjectBasting } from './projectBasting';
import { changeProject, createProject, openProject } from './projects';
import { recordEvents } from './progress';
import { saveSetting } from './setting';
import { testDatabase } from './testDatabase';

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
}
let own: Place;
let foreign: Place;

const star = documentOfRecipe(defaultRecipe('star'));
const SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="20mm" height="20mm" viewBox="0 0 20 20"><rect width="20" height="20"/></svg>'; // prettier-ignore
let image = '';

async function makePlace(name: string): Promise<Place> {
  const host = people.host;
  const { id: project } = await createProject(sql, host, { name });
  const { id: block } = await makeBlock(sql, host, project, { name: 'Star', recipe: defaultRecipe('star') });
  const [maker] = await addMakers(sql, host, project, ['Ann']);
  const photo = await addPhoto(sql, host, project, block, { stepId: 'join-1', says: 'A picture', image });
  const token = await invite(sql, host, project, { role: 'helper', days: 1 });
  await acceptInvitation(sql, token, people.helper);
  await invite(sql, host, project, { role: 'helper', days: 1 });
  const { invitations } = await listPeople(sql, host, project);
  const { id = '', token: link = '' } = maker ?? {};
  const invitation = invitations[0]?.id ?? '';
  return { project, block, maker: id, token: link, photo: photo.id, invitation, person: people.helper.id };
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

type Ask = (who: Account, project: string, of: Place) => Promise<unknown>;
const reading = async (who: Account, project: string) => openProject(sql, who, project, 'read');

/** Each function by name: what one must be allowed to do for it, and a call that would succeed for a host. */
const ASKS: Readonly<Record<string, readonly [Wish, Ask]>> = {
  openBlock: ['read', async (who, project, { block }) => openBlock(sql, await reading(who, project), block)],
  readRevision: ['read', async (who, project, { block }) => readRevision(sql, await reading(who, project), block)],
  readPhoto: ['read', async (who, project, { photo }) => readPhoto(sql, await reading(who, project), photo)],
  setKitStatuses: ['pack', (who, project, { block, maker }) => setKitStatuses(sql, who, project, [{ blockId: block, makerId: maker, status: 'packed', revision: 0 }])],
  addDocument: ['edit', (who, project) => addDocument(sql, who, project, { name: 'New', document: star })],
  makeBlock: ['edit', (who, project) => makeBlock(sql, who, project, { name: 'Made', recipe: defaultRecipe('disc') })],
  importBlock: ['edit', (who, project) => importBlock(sql, who, project, { name: 'Drawn', svg: SVG })],
  renameBlock: ['edit', (who, project, { block }) => renameBlock(sql, who, project, block, { name: 'Other', before: 'Star' })],
  saveBlock: ['edit', (who, project, { block }) => saveBlock(sql, who, project, block, { document: documentOfRecipe(defaultRecipe('disc')), revision: 1 })],
  remakeBlock: ['edit', (who, project, { block }) => remakeBlock(sql, who, project, block, { recipe: defaultRecipe('star'), revision: 2 })],
  addPhoto: ['edit', (who, project, { block }) => addPhoto(sql, who, project, block, { stepId: 'join-2', says: 'A picture', image })],
  setPhotoRemoved: ['edit', (who, project, { photo }) => setPhotoRemoved(sql, who, project, photo, true)],
  renameCloth: ['edit', (who, project) => renameCloth(sql, who, project, { from: star.patches[0]?.fabric ?? '', to: 'Other' })],
  addMakers: ['edit', (who, project) => addMakers(sql, who, project, ['Bea'])],
  setSkip: ['edit', (who, project, { block, maker }) => setSkip(sql, who, project, maker, { blockId: block, isSkipped: true })],
  changeLink: ['edit', (who, project, { maker }) => changeLink(sql, who, project, maker, 'revoke')],
  setMakerRemoved: ['edit', (who, project, { maker }) => setMakerRemoved(sql, who, project, maker, true)],
  chooseMark: ['edit', (who, project) => chooseMark(sql, who, project, { outline: star.patches[0]?.outline as never, mark: 'proposed' })],
  changeProjectBasting: ['edit', (who, project) => changeProjectBasting(sql, who, project, () => ({ pale: ['Fog'] }))],
  saveSetting: ['edit', (who, project) => saveSetting(sql, who, project, { setting: defaultSetting([], 2, 25.4), revision: 0 })],
  changeProject: ['edit', (who, project) => changeProject(sql, who, project, { name: 'Other name' })],
  listBin: ['edit', (who, project) => listBin(sql, who, project)],
  listPeople: ['own', (who, project) => listPeople(sql, who, project)],
  invite: ['own', (who, project) => invite(sql, who, project, { role: 'host', days: 1 })],
  revokeInvitation: ['own', (who, project, { invitation }) => revokeInvitation(sql, who, project, invitation)],
  setRole: ['own', (who, project, { person }) => setRole(sql, who, project, person, 'gone')],
  setBlockRemoved: ['edit', (who, project, { block }) => setBlockRemoved(sql, who, project, block, true)],
  setProjectState: ['own', (who, project) => setProjectState(sql, who, project, 'archived')],
}; // prettier-ignore

/** All that a refused call might have changed. */
async function everything(): Promise<string> {
  const tables = ['project', 'block', 'maker', 'kit', 'skip', 'membership', 'invitation', 'step_photo', 'cloth', 'audit'];
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
  expect(await statusOf(readMakerPhoto(sql, own.token, foreign.photo))).toBe(404);
  expect(await statusOf(readMakerPhoto(sql, own.token, own.photo))).toBe('done');
});

test('the same calls all succeed for whoever may: what was refused was refused for who asked', async () => {
  for (const [name, [wish, ask]] of Object.entries(ASKS)) {
    const who = MAY.helper.has(wish) ? people.helper : people.host;
    expect([name, await statusOf(ask(who, own.project, own))]).toEqual([name, 'done']);
  }
});

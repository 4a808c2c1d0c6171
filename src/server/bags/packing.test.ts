import { makerPage } from '../progress';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { createAccount, type Account } from '../accounts';
import { makeBlock } from '../blocks';
import { defaultRecipe } from '@/core/generate';
import { addMakers } from '../makers';
import { acceptInvitation, invite, openProject } from '../projects';
import { refusal, testProject, type TestProject } from '../testing';
import { actOnBag, listKits, listPacking, setKitStatus, type PackingAct } from '.';

let { sql, drop, project, access, host, open } = {} as TestProject;
let helper: Account;
let bag = { blockId: '', makerId: '' };
let makers: string[] = [];

const mine = async (act: PackingAct, own = bag) => actOnBag(sql, await open(host, project.id, 'pack'), { ...act, ...own }); // prettier-ignore
const theirs = async (act: PackingAct, own = bag) => actOnBag(sql, await openProject(sql, helper, project.id, 'pack'), { ...act, ...own }); // prettier-ignore

beforeAll(async () => {
  ({ sql, drop, project, access, host, open } = await testProject('Packing'));
  const { id: blockId } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') });
  makers = (await addMakers(sql, access, Array.from({ length: 40 }, (_, i) => `Maker ${i}`))).map(({ id }) => id);
  helper = await createAccount(sql, 'helper@packing.example', 'Hella', 'a long password');
  const token = await invite(sql, access, { role: 'helper', days: 1 });
  await acceptInvitation(sql, token, helper);
  bag = { blockId, makerId: makers[0] ?? '' };
}); // prettier-ignore

afterAll(() => drop());

test('a bag in someone’s hands is seen as such, can be taken over, and is free again when they leave it or vanish', async () => {
  expect((await mine({ kind: 'take' })).holder?.id).toBe(host.id);
  await expect(theirs({ kind: 'take' })).rejects.toMatchObject({ status: 409, body: { current: { holder: { id: host.id } } } });
  expect((await theirs({ kind: 'take', isOver: true })).holder).toEqual({ id: helper.id, name: 'Hella' });
  // Whoever lost it cannot let go of it for the other.
  expect((await mine({ kind: 'leave' })).holder?.id).toBe(helper.id);
  expect((await theirs({ kind: 'leave' })).holder).toBeNull();
  await theirs({ kind: 'take' });
  await sql`update kit set held_until = now() - interval '1 second'`;
  expect((await listPacking(sql, project))[0]?.holder).toBeNull();
  expect((await mine({ kind: 'take' })).holder?.id).toBe(host.id);
}); // prettier-ignore

test('what two say of a bag is put together, told twice or late; closed it is packed once, opened again it is empty', async () => {
  await mine({ kind: 'tick', ticks: { a: { count: 10, at: 5 }, b: { count: 2, at: 5 } } });
  await theirs({ kind: 'tick', ticks: { b: { count: 3, at: 9 } } });
  const late = await mine({ kind: 'tick', ticks: { b: { count: 1, at: 7 } } });
  expect(late.ticks).toEqual({ a: { count: 10, at: 5 }, b: { count: 3, at: 9 } });
  await expect(mine({ kind: 'check' })).rejects.toEqual(refusal(409));
  const stands = async () => (await listKits(sql, project))[0]?.table;
  expect(await stands()).toBe('in-hands');
  await mine({ kind: 'leave' });
  expect(await stands()).toBe('begun');
  await mine({ kind: 'take' });
  const closed = await mine({ kind: 'close' });
  expect(closed).toMatchObject({ status: 'packed', holder: null, ticks: late.ticks, checkedBy: null });
  await theirs({ kind: 'close' });
  const [kit] = await listKits(sql, project);
  expect(kit).toMatchObject({ status: 'packed', revision: 1, table: null });
  expect(kit?.packedMark).toMatch(/^[0-9a-f]+$/);
  expect((await theirs({ kind: 'check' })).checkedBy).toBe('Hella');
  expect((await listKits(sql, project))[0]?.table).toBe('checked');
  await setKitStatus(sql, access, { ...bag, status: 'to-pack', revision: 1 });
  expect((await listPacking(sql, project))[0]).toMatchObject({ status: 'to-pack', ticks: {}, checkedBy: null });
}); // prettier-ignore

test('two who pack forty bags at once: each is closed once, none is lost', async () => {
  const all = makers.map((makerId) => ({ blockId: bag.blockId, makerId }));
  const pack = (who: typeof mine, list: typeof all) =>
    Promise.all(
      list.map(async (own) => {
        const taken = await who({ kind: 'take' }, own).then(() => true, () => false);
        if (!taken) return 0;
        await who({ kind: 'tick', ticks: { a: { count: 1, at: 1 } } }, own);
        await who({ kind: 'close' }, own);
        return 1;
      }),
    );
  await Promise.all([pack(mine, all), pack(theirs, [...all].reverse())]);
  const kits = await listKits(sql, project);
  expect(kits.filter(({ status }) => status === 'packed')).toHaveLength(40);
  const closings = await sql`select count(*)::int as n from audit where what = 'kit-changed' and project_id = ${project.id} and details ->> 'to' = 'packed'`;
  // The first bag was packed once before.
  expect(closings[0]?.n).toBe(41);
}); // prettier-ignore

test('what was packed in place of something else stands on that maker’s page, once the bag is packed, and on no other’s', async () => {
  const [own, other] = await addMakers(sql, access, ['Ann', 'Bea']);
  const one = { ...bag, makerId: own?.id ?? '' };
  const saysOf = async (token: string | undefined) => (await makerPage(sql, token ?? '')).blocks[0]?.instead;
  await mine({ kind: 'tick', ticks: { 'cloth:Fog:kite:2″ × 3″': { count: 8, at: 5, instead: 'Slate' } } }, one);
  expect(await saysOf(own?.token)).toEqual([]);
  await mine({ kind: 'close' }, one);
  expect(await saysOf(own?.token)).toEqual([{ what: 'Fog, kite, 2″ × 3″', instead: 'Slate' }]);
  expect(await saysOf(other?.token)).toEqual([]);
}); // prettier-ignore

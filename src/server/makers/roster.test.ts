import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import {
  addGroup,
  addMakers,
  changeGroup,
  changeMaker,
  erasePerson,
  listContacts,
  listGroups,
  listMakers,
  openLink,
  readPerson,
  setMakerRemoved,
  takeRoster,
} from '.';
import { makeBlock } from '../blocks';
import { makerPage, recordEvents } from '../progress';
import { sayWord } from '../troubles';
import { progressEvent as event, refusal, testProject, type TestProject } from '../testing';

let { sql, drop, access, project } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Roster'));
});

afterAll(() => drop());

const maker = async (name: string) => (await listMakers(sql, project)).find((one) => one.name === name);

test('a roster adds who is new, changes who is there, makes groups, and says how they stood; read back it undoes itself', async () => {
  await addMakers(sql, access, ['Ann', 'Bea']);
  const rows = [
    { name: 'ann', group: 'Evening', email: 'ann@a.example', travels: true },
    { name: 'Cy', group: 'evening', isUnderAge: true },
  ];
  const { added, before } = await takeRoster(sql, access, rows);
  expect(added.map(({ name }) => name)).toEqual(['Cy']);
  expect(await openLink(sql, added[0]?.token ?? '')).toMatchObject({
    maker: { name: 'Cy', isUnderAge: true },
  });
  const [evening] = await listGroups(sql, project);
  expect(await listGroups(sql, project)).toHaveLength(1);
  expect([(await maker('Ann'))?.groupId, (await maker('Cy'))?.groupId]).toEqual([evening?.id, evening?.id]);
  expect(await maker('Bea')).toMatchObject({ groupId: null, travels: false });
  expect(before).toEqual([
    { name: 'Ann', group: '', email: '', timeZone: '', isUnderAge: false, travels: false },
  ]);
  await takeRoster(sql, access, before);
  expect(await maker('Ann')).toMatchObject({ groupId: null, travels: false });
  expect((await listContacts(sql, project)).find(({ name }) => name === 'Ann')?.email).toBeNull();
  // All or nothing.
  await expect(takeRoster(sql, access, [{ name: 'Di' }, { name: 'Ed', timeZone: 'Nowhere/Land' }])).rejects.toEqual(refusal(422)); // prettier-ignore
  expect(await maker('Di')).toBeUndefined();
});

test('makers are renamed, moved and paused; a name that is taken is refused; a group taken out leaves its makers', async () => {
  const { id: group } = await addGroup(sql, access, 'Morning');
  const { id = '' } = (await maker('Bea')) ?? {};
  await changeMaker(sql, access, id, { name: 'Beatrix', groupId: group, isPaused: true });
  expect(await maker('Beatrix')).toMatchObject({ groupId: group, isPaused: true });
  await expect(changeMaker(sql, access, id, { name: 'CY' })).rejects.toEqual(refusal(409));
  await expect(changeMaker(sql, access, id, { groupId: randomUUID() })).rejects.toEqual(refusal(404));
  await expect(addGroup(sql, access, 'morning')).rejects.toEqual(refusal(409));
  await changeGroup(sql, access, group, { isRemoved: true });
  expect(await maker('Beatrix')).toMatchObject({ groupId: null });
  await changeGroup(sql, access, group, { isRemoved: false });
  expect(await maker('Beatrix')).toMatchObject({ groupId: group });
});

test('their page shows blocks in their own order; a block of another project cannot be in it', async () => {
  const [one, two, three] = await Promise.all(
    ['A', 'B', 'C'].map(
      async (name) => (await makeBlock(sql, access, { name, recipe: defaultRecipe('plate') })).id,
    ),
  );
  const [maker] = await addMakers(sql, access, ['Zoe']);
  const names = async () => (await makerPage(sql, maker!.token)).blocks.map(({ name }) => name).filter((name) => 'ABC'.includes(name)); // prettier-ignore
  const plain = await names();
  await changeMaker(sql, access, maker!.id, { making: [three!, one!] });
  expect(await names()).toEqual(['C', 'A', 'B']);
  await expect(changeMaker(sql, access, maker!.id, { making: [two!, maker!.id] })).rejects.toEqual(
    refusal(404),
  );
  expect(await names()).toEqual(['C', 'A', 'B']);
  await changeMaker(sql, access, maker!.id, { making: [] });
  expect(await names()).toEqual(plain);
});

test('what is known of one maker is handed out; erased, nothing of it is left but ticks that are nobody’s', async () => {
  const [fay] = await addMakers(sql, access, ['Fay Unique']);
  const { id = '', token = '' } = fay ?? {};
  const { id: blockId } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') });
  const tick = event(blockId, 'join-1', 'stuck');
  await recordEvents(sql, token, [tick]);
  await sayWord(sql, token, { id: randomUUID(), troubleId: tick.clientId, text: 'My secret.' });
  await changeMaker(sql, access, id, { isUnderAge: true, travels: true, isLeftHanded: true });
  const known = await readPerson(sql, access, id);
  expect(known).toMatchObject({ person: { name: 'Fay Unique' }, ticks: [{ block: 'Star', kind: 'stuck' }], troubles: [{ words: [{ by: 'maker', text: 'My secret.' }] }] }); // prettier-ignore
  await erasePerson(sql, access, id);
  await expect(openLink(sql, token)).rejects.toEqual(refusal(404));
  await expect(readPerson(sql, access, id)).rejects.toEqual(refusal(404));
  await expect(setMakerRemoved(sql, access, id, false)).rejects.toEqual(refusal(404));
  const tables = ['maker', 'message', 'trouble', 'trouble_word', 'audit'];
  const left = await Promise.all(tables.map((table) => sql.unsafe(`select t::text from ${table} t`)));
  expect(JSON.stringify(left)).not.toMatch(/Fay|secret/);
  const said =
    await sql`select is_under_age, travels, is_left_handed, removed_at is null as is_there from maker where id = ${id}`;
  expect(said).toEqual([{ is_under_age: false, travels: false, is_left_handed: false, is_there: false }]);
  const [ticks] = await sql`select count(*)::int as n from progress_event where maker_id = ${id}`;
  expect(ticks?.n).toBe(1);
});

test('no two groups of a project have one name, however it is written; one that is taken out makes room for it', async () => {
  const red = await addGroup(sql, access, 'Red');
  const blue = await addGroup(sql, access, 'Blue');
  const taken = refusal(409);
  await expect(addGroup(sql, access, 'rED')).rejects.toEqual(taken);
  await expect(changeGroup(sql, access, blue.id, { name: 'RED' })).rejects.toEqual(taken);
  await changeGroup(sql, access, blue.id, { name: 'blue' });
  await changeGroup(sql, access, red.id, { isRemoved: true });
  await changeGroup(sql, access, blue.id, { name: 'Red' });
  // Its name is another’s now: it cannot come back as it was.
  await expect(changeGroup(sql, access, red.id, { isRemoved: false })).rejects.toEqual(taken);
  const own = (await listGroups(sql, project)).filter(({ id }) => [red.id, blue.id].includes(id));
  expect(own).toEqual([{ id: blue.id, name: 'Red' }]);
  await changeGroup(sql, access, blue.id, { isRemoved: true });
  await changeGroup(sql, access, red.id, { isRemoved: false });
  expect((await listGroups(sql, project)).map(({ name }) => name)).toContain('Red');
});

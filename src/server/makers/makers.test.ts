import { afterAll, beforeAll, expect, test } from 'vitest';
import { addMakers, cardLinks, changeLink, erasePerson, listMakers, openLink, setMakerRemoved } from '.';
import type { AddedMaker } from './makers';
import { importBlock, openBlock } from '../blocks';
import { makerPage, recordEvents } from '../progress';
import { createProject } from '../projects';
import { progressEvent as event, testProject, type TestProject, refusal } from '../testing';

let { sql, drop, stranger, access, project } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, stranger, access, project } = await testProject('Test project'));
});

afterAll(() => drop());

const SQUARES = `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="30mm" viewBox="0 0 60 30">
  <rect id="a" width="30" height="30"/><rect id="b" x="30" width="30" height="30"/></svg>`;

test('a maker’s link is stored hashed, shows only its own progress, and stops when revoked or renewed', async () => {
  const { id: blockId } = await importBlock(sql, access, { name: 'Linked', svg: SQUARES });
  const [ann, ben] = await addMakers(sql, access, ['Ann', 'Ben']);
  const stored = await sql`select encode(token_hash, 'escape') as hash from maker`;
  expect(stored.some(({ hash }) => String(hash).includes(ann?.token ?? '-'))).toBe(false);
  const step = (await openBlock(sql, project, blockId)).sheet.steps[0]?.id ?? '';
  await recordEvents(sql, ann?.token ?? '', [event(blockId, step)]);
  const doneBy = async (token = '') =>
    (await makerPage(sql, token)).blocks.find(({ id }) => id === blockId)?.done;
  expect([await doneBy(ann?.token), await doneBy(ben?.token)]).toEqual([[step], []]);
  expect(JSON.stringify(await makerPage(sql, ben?.token ?? ''))).not.toContain('Ann');

  const renewed = await changeLink(sql, access, ann?.id ?? '', 'renew');
  await expect(openLink(sql, ann?.token ?? '')).rejects.toEqual(refusal(404));
  expect(await doneBy(renewed)).toEqual([step]);
  await changeLink(sql, access, ann?.id ?? '', 'revoke');
  await expect(recordEvents(sql, renewed ?? '', [event(blockId, step)])).rejects.toEqual(refusal(404));
  for (const bad of ['', 'x', '../../etc', 'a'.repeat(32)])
    await expect(makerPage(sql, bad)).rejects.toEqual(refusal(404));
  await setMakerRemoved(sql, access, ben?.id ?? '', true);
  await expect(makerPage(sql, ben?.token ?? '')).rejects.toEqual(refusal(404));
  expect((await listMakers(sql, project)).map(({ name }) => name)).not.toContain('Ben');
});

test('a maker cannot record on another project’s block', async () => {
  const other = await createProject(sql, stranger, { name: 'Elsewhere' });
  const { id: foreign } = await importBlock(sql, other, {
    name: 'Foreign',
    svg: SQUARES,
  });
  const [maker] = await addMakers(sql, access, ['Crossing Maker']);
  await expect(recordEvents(sql, maker?.token ?? '', [event(foreign, 'join-1')])).rejects.toEqual(
    refusal(404),
  );
});

test('what is printed on cards leads to each maker’s own page, however often it is printed, and ends with their link', async () => {
  const [ida, jon] = (await addMakers(sql, access, ['Ida', 'Jon'])) as [AddedMaker, AddedMaker];
  await changeLink(sql, access, jon.id, 'revoke');
  const [first, second] = [await cardLinks(sql, access), await cardLinks(sql, access)];
  expect([first.has(ida.id), first.has(jon.id)]).toEqual([true, false]);
  const opened = await Promise.all([first, second].map((tokens) => openLink(sql, tokens.get(ida.id) ?? '')));
  expect(opened.map(({ maker }) => maker.name)).toEqual(['Ida', 'Ida']);
  expect((await openLink(sql, ida.token)).maker.id).toBe(ida.id);
  for (let printed = 0; printed < 19; printed++) await cardLinks(sql, access);
  await expect(openLink(sql, first.get(ida.id) ?? '')).rejects.toEqual(refusal(404));
  expect((await openLink(sql, second.get(ida.id) ?? '')).maker.id).toBe(ida.id);
  const renewed = await changeLink(sql, access, ida.id, 'renew');
  await expect(openLink(sql, second.get(ida.id) ?? '')).rejects.toEqual(refusal(404));
  expect((await openLink(sql, renewed ?? '')).maker.id).toBe(ida.id);
  const [last] = [(await cardLinks(sql, access)).get(ida.id) ?? ''];
  await erasePerson(sql, access, ida.id);
  await expect(openLink(sql, last)).rejects.toEqual(refusal(404));
}); // prettier-ignore

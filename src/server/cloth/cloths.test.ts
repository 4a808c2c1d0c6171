import sharp from 'sharp';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { USUAL_ORDER } from '@/core/order';
import { NO_EXTRAS } from '@/core/packing';
import {
  clothLooks,
  clothShelf,
  readClothPicture,
  renameCloth,
  setClothPicture,
  setShelf,
  splitCloth,
  substituteCloth,
  takeClothChangeBack,
} from '.';
import { actOnBag, listPacking, readKeptExtras, saveExtras } from '../bags';
import { addMakers, listMakers } from '../makers';
import { orderFacts, readKeptOrder, saveOrder } from '../orders';
import { importBlock, listBlocks, readDocument, readRevision, saveBlock } from '../blocks';
import { createProject, openProject } from '../projects';
import { testProject, type TestProject, refusal } from '../testing';

let { sql, drop, host, open } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, host, open } = await testProject('Test project'));
});

afterAll(() => drop());

const SQUARES = `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="30mm" viewBox="0 0 60 30">
  <rect id="a" width="30" height="30"/><rect id="b" x="30" width="30" height="30"/></svg>`;

test('a cloth is renamed in every block, rule and list at once, and keeps its look when others come', async () => {
  const { id } = (await createProject(sql, host, { name: 'Cloths' })).project;
  const drawing = SQUARES.replace('id="a"', 'id="a" fill="#1f2e4f"').replace('id="b"', 'id="b" data-fabric="Woad" fill="#2f5a85"');
  for (const name of ['One', 'Two']) await importBlock(sql, await open(host, id, 'edit'), { name, svg: drawing });
  const { project } = await openProject(sql, host, id, 'read');
  const fabrics = async () => (await listBlocks(sql, project)).map(({ sheet }) => sheet.patches.map(({ fabric }) => fabric).sort());
  expect(await fabrics()).toEqual([['Woad', 'navy'], ['Woad', 'navy']]);
  const [one] = await listBlocks(sql, project);
  const document = await readDocument(sql, project, one!.id);
  const rules = [{ id: 'r1', kind: 'not-facing', fabric: 'navy' }, { id: 'r2', kind: 'not-facing', fabric: 'Woad' }, { id: 'r3', kind: 'differ' }];
  await saveBlock(sql, await open(host, id, 'edit'), one!.id, { document: { ...document, rules }, revision: one!.revision });
  const before = await clothLooks(sql, project, ['navy', 'Woad']);
  expect(before).toMatchObject({ navy: { ground: '#1f2e4f' }, Woad: { ground: '#2f5a85' } });
  expect(await clothLooks(sql, project, ['Aniline', 'navy', 'Woad'])).toMatchObject(before);
  await renameCloth(sql, await open(host, id, 'edit'), { from: 'navy', to: 'Ink' });
  expect(await fabrics()).toEqual([['Ink', 'Woad'], ['Ink', 'Woad']]);
  expect((await readDocument(sql, project, one!.id)).rules).toEqual([{ id: 'r1', kind: 'not-facing', fabric: 'Ink' }, rules[1], rules[2]]);
  expect((await clothLooks(sql, project, ['Ink'])).Ink).toEqual(before.navy);
  await expect(renameCloth(sql, await open(host, id, 'edit'), { from: 'navy', to: 'X' })).rejects.toEqual(refusal(404));
}); // prettier-ignore

/** A red picture of four dots. */
let DOT = '';
beforeAll(async () => {
  DOT = (
    await sharp({ create: { width: 2, height: 2, channels: 3, background: '#c00' } })
      .png()
      .toBuffer()
  ).toString('base64');
});

/** Two blocks, each of a square of Navy and one of Woad, the second one of Navy alone. */
async function twoBlocks(name: string) {
  const { id } = (await createProject(sql, host, { name })).project;
  const access = await open(host, id, 'edit');
  const [first, second] = [SQUARES.replace('id="a"', 'id="a" data-fabric="Navy"').replace('id="b"', 'id="b" data-fabric="Woad"'), SQUARES.replace('id="a"', 'id="a" data-fabric="Navy"').replace('id="b"', 'id="b" data-fabric="Navy"')];
  const blocks = [await importBlock(sql, access, { name: 'One', svg: first }), await importBlock(sql, access, { name: 'Two', svg: second })].map((block) => block.id);
  const { project } = access;
  await clothLooks(sql, project, ['Navy', 'Woad']);
  const fabrics = async () => (await listBlocks(sql, project)).map(({ sheet }) => sheet.patches.map(({ fabric }) => fabric).sort().join());
  return { access, project, blocks, fabrics };
} // prettier-ignore

test('two cloths become one only where that is wanted; all of it is taken back: blocks, shelf, what is bought, places on the shelf', async () => {
  const { access, project, fabrics } = await twoBlocks('Merging');
  const shelved = async () => (await clothShelf(sql, project)).map(({ name, stockMm }) => [name, stockMm]);
  const [navy] = await clothShelf(sql, project);
  await setShelf(sql, access, { ...navy!, stockMm: 700 });
  await setClothPicture(sql, access, 'Navy', { image: DOT });
  const order = { ...USUAL_ORDER, topCloths: { border: 'Navy' }, suppliers: { 'cloth:Navy': 'Mill' }, givenCuts: [{ blockId: 'b', fabric: 'Navy', name: 'square', widthMm: 100, lengthMm: 100 }] };
  await saveOrder(sql, access, { order, revision: 0 });
  await saveExtras(sql, access, { extras: { ...NO_EXTRAS, walk: ['cloth:Navy', 'cloth:Woad'] }, revision: 0 });
  await expect(renameCloth(sql, access, { from: 'Navy', to: 'Woad' })).rejects.toMatchObject({ status: 409, body: { code: 'would-merge' } });
  expect(await fabrics()).toEqual(['Navy,Woad', 'Navy,Navy']);
  const { id, isMerged } = await renameCloth(sql, access, { from: 'Navy', to: 'Woad', mayMerge: true });
  expect([isMerged, await fabrics(), await shelved()]).toEqual([true, ['Woad,Woad', 'Woad,Woad'], [['Woad', 0]]]);
  expect((await readKeptOrder(sql, project)).order).toMatchObject({ topCloths: { border: 'Woad' }, suppliers: { 'cloth:Woad': 'Mill' }, givenCuts: [{ fabric: 'Woad' }] });
  expect((await readKeptExtras(sql, project)).extras.walk).toEqual(['cloth:Woad']);
  await takeClothChangeBack(sql, access, id);
  expect([await fabrics(), await shelved()]).toEqual([['Navy,Woad', 'Navy,Navy'], [['Navy', 700], ['Woad', 0]]]);
  expect((await readClothPicture(sql, project, 'Navy')).length).toBeGreaterThan(100);
  expect((await readKeptOrder(sql, project)).order).toEqual(order);
  expect((await readKeptExtras(sql, project)).extras.walk).toEqual(['cloth:Navy', 'cloth:Woad']);
  await expect(takeClothChangeBack(sql, access, id)).rejects.toEqual(refusal(404));
}); // prettier-ignore

test('a block that was changed since keeps what it is: the change of its cloth is not taken back', async () => {
  const { access, project, blocks } = await twoBlocks('Changed since');
  const { id } = await renameCloth(sql, access, { from: 'Woad', to: 'Sky' });
  const { document, revision } = await readRevision(sql, project, blocks[0] ?? '');
  await saveBlock(sql, access, blocks[0] ?? '', { document: { ...document, rules: [] }, revision });
  await expect(takeClothChangeBack(sql, access, id)).rejects.toMatchObject({ status: 409, body: { what: 'The block “One” was changed since.' } });
  expect((await clothShelf(sql, project)).map(({ name }) => name)).toEqual(['Navy', 'Sky']);
}); // prettier-ignore

test('a cloth is split in some blocks, lies on the shelf like the first but for its stock, and is one again', async () => {
  const { access, project, blocks, fabrics } = await twoBlocks('Splitting');
  const [navy] = await clothShelf(sql, project);
  await setShelf(sql, access, { ...navy!, stockMm: 700, widthMm: 1500 });
  const { id } = await splitCloth(sql, access, { from: 'Navy', to: 'Ink', blocks: blocks.slice(1) });
  expect(await fabrics()).toEqual(['Navy,Woad', 'Ink,Ink']);
  expect((await clothShelf(sql, project)).map(({ name, stockMm, widthMm }) => [name, stockMm, widthMm])).toEqual([['Ink', 0, 1500], ['Navy', 700, 1500], ['Woad', 0, 1100]]);
  await takeClothChangeBack(sql, access, id);
  expect([await fabrics(), (await clothShelf(sql, project)).map(({ name }) => name)]).toEqual([['Navy,Woad', 'Navy,Navy'], ['Navy', 'Woad']]);
  await expect(splitCloth(sql, access, { from: 'Woad', to: 'Ink', blocks: blocks.slice(1) })).rejects.toEqual(refusal(404));
}); // prettier-ignore

test('some makers have another cloth in place of one: it is ordered and looks like something; names follow; it is taken back', async () => {
  const { access, project, blocks } = await twoBlocks('Instead');
  const [ann, bea] = await addMakers(sql, access, ['Ann', 'Bea']);
  const packing = { blockId: blocks[0] ?? '', makerId: ann?.id ?? '' };
  await actOnBag(sql, access, { ...packing, kind: 'tick', ticks: { 'cloth:Navy:square:2″': { count: 1, at: 1 } } });
  const { before } = await substituteCloth(sql, access, [ann, bea].map((maker) => ({ makerId: maker?.id ?? '', from: 'Woad', to: 'Slate' })));
  const ordered = async () => (await orderFacts(sql, project)).wanted.blocks.filter(({ id, bags }) => id === blocks[0] && bags > 0).map(({ contents, bags }) => [bags, contents.fabrics.map(({ fabric }) => fabric).join()]);
  expect(await ordered()).toEqual([[2, 'Navy,Slate']]);
  expect((await orderFacts(sql, project)).wanted.shelf.map(({ name }) => name)).toContain('Slate');
  const { id } = await renameCloth(sql, access, { from: 'Navy', to: 'Ink' });
  expect((await listPacking(sql, project))[0]?.ticks).toEqual({ 'cloth:Ink:square:2″': { count: 1, at: 1 } });
  await takeClothChangeBack(sql, access, id);
  expect((await listPacking(sql, project))[0]?.ticks).toEqual({ 'cloth:Navy:square:2″': { count: 1, at: 1 } });
  await renameCloth(sql, access, { from: 'Woad', to: 'Sky' });
  expect((await listMakers(sql, project)).map(({ cloths }) => cloths)).toEqual([{ Sky: 'Slate' }, { Sky: 'Slate' }]);
  expect(before.map(({ to }) => to)).toEqual([null, null]);
  await substituteCloth(sql, access, before.slice(1).map((one) => ({ ...one, from: 'Sky' })));
  expect((await ordered()).sort()).toEqual([[1, 'Navy,Sky'], [1, 'Navy,Slate']]);
  await expect(substituteCloth(sql, access, [{ makerId: ann?.id ?? '', from: 'Sky', to: 'Sky' }])).rejects.toEqual(refusal(422));
}); // prettier-ignore

test('a name that lies on the shelf alone gives way: stock and price go with the cloth that is renamed, and both come back', async () => {
  const { access, project } = await twoBlocks('Giving way');
  const [ann] = await addMakers(sql, access, ['Ann']);
  await substituteCloth(sql, access, [{ makerId: ann?.id ?? '', from: 'Woad', to: 'Slate' }]);
  const stock = async () => (await clothShelf(sql, project)).map(({ name, stockMm, pieces }) => [name, stockMm, pieces.length]);
  const [navy, slate] = await clothShelf(sql, project);
  const pieces = [{ widthMm: 100, lengthMm: 100 }];
  await setShelf(sql, access, { ...navy!, stockMm: 700, pieces });
  await setShelf(sql, access, { ...slate!, stockMm: 30 });
  const { id } = await renameCloth(sql, access, { from: 'Navy', to: 'Slate' });
  expect(await stock()).toEqual([['Slate', 700, 1], ['Woad', 0, 0]]);
  await takeClothChangeBack(sql, access, id);
  expect(await stock()).toEqual([['Navy', 700, 1], ['Slate', 30, 0], ['Woad', 0, 0]]);
  const blocks = (await listBlocks(sql, project)).map((block) => block.id);
  await splitCloth(sql, access, { from: 'Navy', to: 'Ink', blocks });
  expect((await stock()).slice(0, 1)).toEqual([['Ink', 0, 0]]);
}); // prettier-ignore

test('a cloth has a photo of its repeat: it goes with its name, is put back, and what is no picture is refused', async () => {
  const { access, project } = await twoBlocks('Pictured');
  const pictured = async () => (await clothShelf(sql, project)).map(({ name, pictureAt }) => [name, pictureAt !== undefined]);
  await expect(setClothPicture(sql, access, 'Navy', { image: Buffer.from('no picture').toString('base64') })).rejects.toEqual(refusal(422));
  await expect(setClothPicture(sql, access, 'Lost', { image: DOT })).rejects.toEqual(refusal(404));
  await setClothPicture(sql, access, 'Navy', { image: DOT });
  const { id } = await renameCloth(sql, access, { from: 'Navy', to: 'Ink' });
  expect(await pictured()).toEqual([['Ink', true], ['Woad', false]]);
  await takeClothChangeBack(sql, access, id);
  await setClothPicture(sql, access, 'Navy', { isRemoved: true });
  expect(await pictured()).toEqual([['Navy', false], ['Woad', false]]);
  await expect(readClothPicture(sql, project, 'Navy')).rejects.toEqual(refusal(404));
  await setClothPicture(sql, access, 'Navy', { isBack: true });
  expect(await pictured()).toEqual([['Navy', true], ['Woad', false]]);
  // Another figure of the shelf leaves it where it is.
  const [navy] = await clothShelf(sql, project);
  expect(await setShelf(sql, access, { ...navy!, stockMm: 5 })).toMatchObject({ pictureAt: navy?.pictureAt });
}); // prettier-ignore

import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { makeBlock } from '../blocks';
import { addMakers } from '../makers';
import { addPhoto, listPhotos, readMakerPhoto, readPhoto, setPhotoRemoved } from './photos';
import {
  addFinished,
  changeGallery,
  finishedFor,
  gallery,
  readMakerFinished,
  removeFinished,
} from './finished';
import { makerPage } from '../progress';
import { createProject } from '../projects';
import { testProject, type TestProject } from '../testing';

let { sql, drop, host, stranger, access, project, open } = {} as TestProject;
let blockId: string;

beforeAll(async () => {
  ({ sql, drop, host, stranger, access, project, open } = await testProject('Photos'));
  ({ id: blockId } = await makeBlock(sql, access, { name: 'Shown', recipe: defaultRecipe('rosette') }));
});

afterAll(() => drop());

const add = async (image: Buffer, account = host) =>
  addPhoto(sql, await open(account, project.id, 'edit'), blockId, {
    stepId: 'join-1',
    says: 'A seam',
    image: image.toString('base64'),
  });

test('a picture is kept upright, small and without anything else that was in the file', async () => {
  const sent = await sharp({ create: { width: 3000, height: 2000, channels: 3, background: '#336699' } })
    .withExif({ IFD0: { Copyright: 'secret words' } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();
  const photo = await add(sent);
  expect([photo.width, photo.height]).toEqual([853, 1280]);
  const kept = await readPhoto(sql, project, photo.id);
  const { format, exif, orientation } = await sharp(kept).metadata();
  expect([format, exif, orientation]).toEqual(['jpeg', undefined, undefined]);
  expect(kept.includes('secret words')).toBe(false);
});

test('what is no picture is refused with what to do, and a script within a drawing is never served', async () => {
  const refusal = expect.objectContaining({ status: 422 });
  await expect(add(Buffer.from('not a picture'))).rejects.toEqual(refusal);
  await expect(add(Buffer.alloc(0))).rejects.toEqual(refusal);
  const drawing = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>x()</script></svg>');
  await expect(add(drawing)).rejects.toEqual(refusal);
}); // prettier-ignore

test('makers of the project see it by their link, nobody else does; taken off it is gone, and can come back', async () => {
  const image = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#fff' } }).png().toBuffer();
  const { id } = await add(image);
  await expect(add(image, stranger)).rejects.toMatchObject({ status: 404 });
  const [maker] = await addMakers(sql, access, ['Ann']);
  const token = maker?.token ?? '';
  const shown = async () => (await makerPage(sql, token)).blocks[0]?.photos.map((photo) => photo.id);
  expect(await shown()).toContain(id);
  expect((await readMakerPhoto(sql, token, id)).length).toBeGreaterThan(100);
  const elsewhere = await createProject(sql, stranger, { name: 'Elsewhere' });
  await expect(readPhoto(sql, elsewhere.project, id)).rejects.toMatchObject({ status: 404 });
  await setPhotoRemoved(sql, access, id, true);
  expect(await shown()).not.toContain(id);
  await expect(readMakerPhoto(sql, token, id)).rejects.toMatchObject({ status: 404 });
  await setPhotoRemoved(sql, access, id, false);
  expect((await listPhotos(sql, project)).map((photo) => photo.id)).toContain(id);
}); // prettier-ignore

test('pictures of finished blocks: sent twice once, seen by others only shared in an open gallery, taken off by who sent them', async () => {
  const [ann, bea] = await addMakers(sql, access, ['Ann Shows', 'Bea Looks']);
  const [mine, theirs] = [ann?.token ?? '', bea?.token ?? ''];
  const image = (await sharp({ create: { width: 9, height: 6, channels: 3, background: '#363' } }).png().toBuffer()).toString('base64');
  const sent = { id: randomUUID(), blockId, image };
  await addFinished(sql, mine, sent);
  expect(await addFinished(sql, mine, sent)).toMatchObject([{ id: sent.id, maker: 'Ann Shows', isShared: false }]);
  const seen = async (token: string) => (await finishedFor(sql, token)).length;
  expect([await seen(mine), await seen(theirs)]).toEqual([1, 0]);
  await expect(readMakerFinished(sql, theirs, sent.id)).rejects.toMatchObject({ status: 404 });
  await changeGallery(sql, access, { id: sent.id, isShared: true });
  expect(await seen(theirs)).toBe(0);
  await changeGallery(sql, access, { isOpen: true });
  expect(await seen(theirs)).toBe(1);
  expect((await readMakerFinished(sql, theirs, sent.id)).length).toBeGreaterThan(100);
  await expect(removeFinished(sql, theirs, sent.id)).rejects.toMatchObject({ status: 404 });
  for (let more = 0; more < 4; more++) await addFinished(sql, mine, { ...sent, id: randomUUID() });
  await expect(addFinished(sql, mine, { ...sent, id: randomUUID() })).rejects.toMatchObject({ status: 422 });
  await removeFinished(sql, mine, sent.id);
  expect((await gallery(sql, project)).photos).toHaveLength(4);
  expect(await seen(theirs)).toBe(0);
}); // prettier-ignore

test('a step has four pictures and no more; one taken off makes room', async () => {
  const { id: block } = await makeBlock(sql, access, { name: 'Full', recipe: defaultRecipe('disc') });
  const image = (await sharp({ create: { width: 8, height: 8, channels: 3, background: '#fff' } }).png().toBuffer()).toString('base64');
  const put = (stepId: string) => addPhoto(sql, access, block, { stepId, says: 'A seam', image });
  const four = [await put('join-1'), await put('join-1'), await put('join-1'), await put('join-1')];
  await expect(put('join-1')).rejects.toMatchObject({ status: 422, body: { where: 'image', what: 'This step has 4 pictures already.' } });
  await put('join-2');
  await setPhotoRemoved(sql, access, four[0]!.id, true);
  await expect(put('join-1')).resolves.toMatchObject({ stepId: 'join-1', width: 8, height: 8 });
}); // prettier-ignore

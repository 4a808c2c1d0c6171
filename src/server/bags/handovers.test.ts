import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { MOST_RECEIPTS } from '@/core/packing';
import { handOver, listHandovers, listKits, setKitStatuses, takeHandoverBack, type NewHandover } from '.';
import { makeBlock } from '../blocks';
import { addMakers } from '../makers';
import { refusal, testProject, type TestProject } from '../testing';

let { sql, drop, access, project } = {} as TestProject;
let [star, disc, makerId] = ['', '', ''];

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Handed'));
  ({ id: star } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') }));
  ({ id: disc } = await makeBlock(sql, access, { name: 'Disc', recipe: defaultRecipe('disc') }));
  makerId = (await addMakers(sql, access, ['Ann']))[0]?.id ?? '';
});

afterAll(() => drop());

const statusOf = async (blockId: string) =>
  (await listKits(sql, project)).find((kit) => kit.blockId === blockId)?.status;
const pack = (blockId: string) => setKitStatuses(sql, access, [{ blockId, makerId, status: 'packed', revision: 0 }]); // prettier-ignore
const posted = (blocks: string[]): NewHandover => ({ id: randomUUID(), makerId, how: 'post', tracking: 'XY 1', packets: 2, grams: 480, blocks }); // prettier-ignore

test('packed bags are handed over together or not at all, once however often it is sent, and taken back', async () => {
  await pack(star);
  await expect(handOver(sql, access, posted([star, disc]))).rejects.toEqual(refusal(409));
  expect(await statusOf(star)).toBe('packed');
  await pack(disc);
  const both = posted([star, disc]);
  await handOver(sql, access, both);
  await handOver(sql, access, both);
  expect(await listHandovers(sql, project)).toMatchObject([{ id: both.id, maker: 'Ann', how: 'post', tracking: 'XY 1', packets: 2, grams: 480, by: 'Host' }]); // prettier-ignore
  expect([await statusOf(star), await statusOf(disc)]).toEqual(['handed-over', 'handed-over']);
  // One of them came back meanwhile and is packed afresh: that stays.
  const kit = (await listKits(sql, project)).find(({ blockId }) => blockId === disc);
  await setKitStatuses(sql, access, [
    { blockId: disc, makerId, status: 'to-pack', revision: kit?.revision ?? 0 },
  ]);
  await takeHandoverBack(sql, access, both.id);
  expect([await statusOf(star), await statusOf(disc)]).toEqual(['packed', 'to-pack']);
  expect(await listHandovers(sql, project)).toEqual([]);
  await expect(takeHandoverBack(sql, access, both.id)).rejects.toEqual(refusal(404));
});

test('the latest receipts are listed, and older ones are found by the maker’s name, however it is written', async () => {
  const [asa] = await addMakers(sql, access, ['Åsa 100%']);
  await sql`
    insert into handover (id, project_id, maker_id, how, tracking, packets, grams, blocks, account_id, at)
    select gen_random_uuid(), ${project.id}, ${makerId}, 'counter', '', 1, null, ${[star]}, ${access.account.id}, now() from generate_series(1, ${MOST_RECEIPTS})`;
  await sql`
    insert into handover (id, project_id, maker_id, how, tracking, packets, grams, blocks, account_id, at)
    values (gen_random_uuid(), ${project.id}, ${asa!.id}, 'counter', '', 1, null, ${[star]}, ${access.account.id}, now() - interval '1 year')`;
  const names = async (find?: string) => [...new Set((await listHandovers(sql, project, find)).map(({ maker }) => maker))];
  expect(await listHandovers(sql, project)).toHaveLength(MOST_RECEIPTS);
  expect(await names()).toEqual(['Ann']);
  expect([await names('åSA'), await names('100%'), await names('%')]).toEqual([['Åsa 100%'], ['Åsa 100%'], ['Åsa 100%']]);
  expect(await names('nobody')).toEqual([]);
}); // prettier-ignore

import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { actOnTrouble, listTroubles, makerTroubles, noteForAll, readMakerWordImage, sayWord } from '.';
import { makeBlock, openBlock } from '../blocks';
import { addMakers } from '../makers';
import { projectProgress, recordEvents } from '../progress';
import { progressEvent as event, refusal, testProject, type TestProject } from '../testing';

let { sql, drop, access, project } = {} as TestProject;
let [blockId, step, other] = ['', '', ''];

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Stuck'));
  ({ id: blockId } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') }));
  [step = '', other = ''] = (await openBlock(sql, project, blockId)).sheet.steps.map(({ id }) => id);
});

afterAll(() => drop());

async function stuckMaker(name: string) {
  const [maker] = await addMakers(sql, access, [name]);
  const { id = '', token = '' } = maker ?? {};
  const tick = event(blockId, step, 'stuck');
  await recordEvents(sql, token, [tick]);
  return { id, token, trouble: tick.clientId };
}

const stateOf = async (id: string) => (await listTroubles(sql, project)).find((one) => one.id === id)?.state;
const isStuck = async (makerId: string) =>
  (await projectProgress(sql, project)).some((one) => one.makerId === makerId && one.stuckOn !== undefined);

test('a trouble opens with its tick; what both say reaches the other, said twice it is there once', async () => {
  const { token, trouble, id } = await stuckMaker('Ann');
  const picture = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#a55' } }).png().toBuffer();
  const word = { id: randomUUID(), troubleId: trouble, symptom: 'fray', text: 'It comes apart.', image: picture.toString('base64') };
  await sayWord(sql, token, word);
  await sayWord(sql, token, { ...word, text: 'said again' });
  const [known] = (await listTroubles(sql, project)).filter((one) => one.id === trouble);
  expect(known).toMatchObject({ makerId: id, blockId, stepId: step, symptom: 'fray', state: 'open', words: [{ by: null, text: 'It comes apart.', hasImage: true }] });
  const { steps } = (await openBlock(sql, project, blockId)).sheet;
  const at = steps.findIndex((one) => one.id === step);
  expect(known!.step).toEqual({ number: at + 1, text: steps[at]!.text });
  expect((await readMakerWordImage(sql, token, word.id)).subarray(0, 3).toString('latin1')).toBe('\xff\xd8\xff');
  const answer = { kind: 'answer', wordId: randomUUID(), text: 'A dab of starch.' } as const;
  await actOnTrouble(sql, access, trouble, answer);
  expect(await actOnTrouble(sql, access, trouble, answer)).toMatchObject({ state: 'answered', words: [{}, { by: 'Host', text: 'A dab of starch.' }] });
  const [seen] = await makerTroubles(sql, id);
  expect(seen?.words.map(({ text }) => text)).toEqual(['It comes apart.', 'A dab of starch.']);
  expect(Object.keys(seen ?? {})).not.toContain('assignedTo');
  // Who asks again waits again.
  await sayWord(sql, token, { id: randomUUID(), troubleId: trouble, text: 'It did not help.' });
  expect(await stateOf(trouble)).toBe('open');
}); // prettier-ignore

test('done after all settles it, taken back withdraws it, an older tick says nothing of it', async () => {
  const [bea, cy, di] = [await stuckMaker('Bea'), await stuckMaker('Cy'), await stuckMaker('Di')];
  const before = { ...event(blockId, step, 'done'), at: new Date(Date.now() - 3_600_000).toISOString() };
  await recordEvents(sql, bea.token, [before, event(blockId, other, 'done')]);
  expect(await stateOf(bea.trouble)).toBe('open');
  await recordEvents(sql, bea.token, [event(blockId, step, 'done')]);
  await recordEvents(sql, cy.token, [event(blockId, step, 'undone')]);
  expect(await Promise.all([bea, cy, di].map(({ trouble }) => stateOf(trouble)))).toEqual(['settled', undefined, 'open']); // prettier-ignore
  expect(await Promise.all([bea, cy, di].map(({ id }) => isStuck(id)))).toEqual([false, false, true]);
});

test('a host settles it and takes that back; a step that was done meanwhile stays done', async () => {
  const { id, token, trouble } = await stuckMaker('Eva');
  await actOnTrouble(sql, access, trouble, { kind: 'settle' });
  expect([await stateOf(trouble), await isStuck(id)]).toEqual(['settled', false]);
  await actOnTrouble(sql, access, trouble, { kind: 'reopen' });
  expect([await stateOf(trouble), await isStuck(id)]).toEqual(['open', true]);
  await recordEvents(sql, token, [event(blockId, step, 'done')]);
  await actOnTrouble(sql, access, trouble, { kind: 'settle' });
  const done = async () => (await projectProgress(sql, project)).find((one) => one.makerId === id)?.done;
  expect(await done()).toBe(1);
  // Help asked for on a step that is done: settled, the step stays done.
  const again = event(blockId, step, 'stuck');
  await recordEvents(sql, token, [again]);
  await actOnTrouble(sql, access, again.clientId, { kind: 'settle' });
  expect(await done()).toBe(1);
});

test('given to someone of the project, marked to teach, turned into a note for everybody', async () => {
  const { trouble } = await stuckMaker('Fay');
  const given = await actOnTrouble(sql, access, trouble, { kind: 'assign', accountId: access.account.id });
  expect(given.assignedTo?.name).toBe('Host');
  await expect(actOnTrouble(sql, access, trouble, { kind: 'assign', accountId: randomUUID() })).rejects.toEqual(refusal(404)); // prettier-ignore
  expect((await actOnTrouble(sql, access, trouble, { kind: 'teach', isToTeach: true })).isToTeach).toBe(true);
  await noteForAll(sql, access, trouble, 'Mind the tips.');
  await noteForAll(sql, access, trouble, 'Twice.');
  const { sheet } = await openBlock(sql, project, blockId);
  expect(sheet.steps.find(({ id }) => id === step)?.hostNote).toBe('Mind the tips. Twice.');
});

test('what was settled two months ago is no longer listed, but for what is to be taught; what is open always is', async () => {
  const [ida, joan, kim] = [await stuckMaker('Ida'), await stuckMaker('Joan'), await stuckMaker('Kim')];
  await actOnTrouble(sql, access, ida.trouble, { kind: 'settle' });
  const ago = (days: number, ...ids: string[]) => sql`update trouble set changed_at = now() - ${days} * interval '1 day' where id in ${sql(ids)}`;
  await ago(59, ida.trouble, joan.trouble, kim.trouble);
  expect(await stateOf(ida.trouble)).toBe('settled');
  await ago(61, ida.trouble, joan.trouble, kim.trouble);
  expect([await stateOf(ida.trouble), await stateOf(joan.trouble)]).toEqual([undefined, 'open']);
  await actOnTrouble(sql, access, kim.trouble, { kind: 'settle' });
  await sql`update trouble set is_to_teach = true where id = ${kim.trouble}`;
  await ago(61, kim.trouble);
  expect(await stateOf(kim.trouble)).toBe('settled');
}); // prettier-ignore

import { afterAll, beforeAll, expect, test } from 'vitest';
import { EMPTY_CALENDAR } from '@/core/calendar';
import { defaultRecipe } from '@/core/generate';
import { makeBlock, openBlock } from '../blocks';
import { saveCalendar } from '../calendar';
import { addGroup, addMakers, changeMaker } from '../makers';
import { recordEvents } from '../progress';
import { progressEvent, testProject, type TestProject } from '../testing';
import { reminderFacts } from './facts';

let { sql, drop, project, access } = {} as TestProject;
let [star, disc] = ['', ''];
const NOW = Date.parse('2026-06-10T22:30:00Z');

beforeAll(async () => {
  ({ sql, drop, project, access } = await testProject('Facts'));
  ({ id: star } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') }));
  ({ id: disc } = await makeBlock(sql, access, { name: 'Disc', recipe: defaultRecipe('disc') }));
  // The disc is handed out first; days are told where it is already tomorrow.
  const entry = { kind: 'drop', id: 'd', day: '2026-06-01', title: 'Drop 1', blocks: [disc], isFixed: false } as const; // prettier-ignore
  await saveCalendar(sql, access, { calendar: { ...EMPTY_CALENDAR, timeZone: 'Europe/Athens', entries: [entry] }, revision: 0 }); // prettier-ignore
});

afterAll(() => drop());

const factsOf = async (name: string) =>
  (await reminderFacts(sql, project, NOW)).makers.find((maker) => maker.name === name);
const steps = async (block: string) => (await openBlock(sql, project, block)).sheet.steps;

test('a maker’s work stands in the order of the drops: what is finished, what comes next, and when they were last heard from', async () => {
  const [ann] = await addMakers(sql, access, ['Ann']);
  const [ofDisc, ofStar] = [await steps(disc), await steps(star)];
  expect(await factsOf('Ann')).toMatchObject({ blocks: [disc, star], finished: [], isStuck: false, next: ofDisc[0]?.text }); // prettier-ignore
  expect(await factsOf('Ann')).not.toHaveProperty('last');
  const at = '2026-06-09T21:30:00Z';
  const done = (block: string, own: typeof ofDisc) =>
    own.map(({ id }) => ({ ...progressEvent(block, id), at }));
  await recordEvents(sql, ann!.token, done(disc, ofDisc.slice(0, 2)));
  expect(await factsOf('Ann')).toMatchObject({ finished: [], next: ofDisc[2]?.text, last: '2026-06-10' });
  await recordEvents(sql, ann!.token, [...done(disc, ofDisc.slice(2)), ...done(star, ofStar.slice(0, 1))]);
  expect(await factsOf('Ann')).toMatchObject({ finished: [disc], next: ofStar[1]?.text });
  await recordEvents(sql, ann!.token, [{ ...progressEvent(star, ofStar[1]!.id, 'stuck'), at }]);
  expect(await factsOf('Ann')).toMatchObject({ isStuck: true });
  await recordEvents(sql, ann!.token, done(star, ofStar.slice(1)));
  expect(await factsOf('Ann')).toMatchObject({ finished: [disc, star], isStuck: false });
  expect(await factsOf('Ann')).not.toHaveProperty('next');
  // What one has done is nothing to another.
  await addMakers(sql, access, ['Ada']);
  expect(await factsOf('Ada')).toMatchObject({ finished: [], next: ofDisc[0]?.text });
});

test('who rests, whose group, and an order of their own are told; the day is that of the calendar', async () => {
  const [bea] = await addMakers(sql, access, ['Bea']);
  const { id: groupId } = await addGroup(sql, access, 'Evening');
  expect(await factsOf('Bea')).toMatchObject({ groupId: null, isPaused: false });
  await changeMaker(sql, access, bea!.id, { groupId, isPaused: true, making: [star, disc] });
  expect(await factsOf('Bea')).toMatchObject({ groupId, isPaused: true, blocks: [star, disc] });
  expect((await reminderFacts(sql, project, NOW)).today).toBe('2026-06-11');
});

import { afterAll, beforeAll, expect, test } from 'vitest';
import { EMPTY_CALENDAR, dayAt, plusDays } from '@/core/calendar';
import { defaultRecipe } from '@/core/generate';
import { projectBadges } from './badges';
import { makeBlock, openBlock, readRevision, saveBlock } from './blocks';
import { saveCalendar } from './calendar';
import { addMakers } from './makers';
import { recordEvents } from './progress';
import { progressEvent, testProject, type TestProject } from './testing';

let { sql, drop, access, project } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Badges'));
});

afterAll(() => drop());

test('a project in which nothing is done calls for nothing, and no station is reached', async () => {
  const badges = Object.values(await projectBadges(sql, project));
  expect(badges.map(({ calls, isReached }) => [calls, isReached])).toEqual(badges.map(() => ['', false]));
});

test('what is wrong in the drawings, who is stuck, and what falls due within seven days is counted over all blocks and makers', async () => {
  const blocks = await Promise.all(['A', 'B'].map((name) => makeBlock(sql, access, { name, recipe: defaultRecipe('grid') })));
  for (const { id } of blocks) {
    const { document, revision } = await readRevision(sql, project, id);
    const twice = { ...document.patches[0]!, id: 'twice' };
    await saveBlock(sql, access, id, { document: { ...document, patches: [...document.patches, twice] }, revision });
  }
  const sheets = await Promise.all(blocks.map(async ({ id }) => (await openBlock(sql, project, id)).sheet));
  const wrong = sheets.map(({ problems, violations }) => problems.length + violations.length);
  expect(Math.min(...wrong)).toBeGreaterThan(0);
  const makers = await addMakers(sql, access, ['Ann', 'Bea', 'Cyd']);
  for (const { token } of makers.slice(0, 2))
    await recordEvents(sql, token, [progressEvent(blocks[0]!.id, sheets[0]!.steps[0]!.id, 'stuck')]);
  // Nobody has sewn anything yet.
  expect((await projectBadges(sql, project)).makers).toEqual({ calls: '2 stuck', isReached: false });
  await recordEvents(sql, makers[2]!.token, [progressEvent(blocks[0]!.id, sheets[0]!.steps[0]!.id)]);
  const today = dayAt(Date.now(), 'UTC');
  const drop = (days: number) => ({ kind: 'drop', id: `d${days}`, day: plusDays(today, days), title: `Drop ${days}`, blocks: [], isFixed: true }) as const;
  await saveCalendar(sql, access, { calendar: { ...EMPTY_CALENDAR, timeZone: 'UTC', entries: [-1, 0, 7, 8].map(drop) }, revision: 0 });
  const badges = await projectBadges(sql, project);
  expect(badges.blocks).toEqual({ calls: `${wrong[0]! + wrong[1]!} problems`, isReached: true });
  expect(badges.makers).toEqual({ calls: '2 stuck', isReached: true });
  expect(badges.calendar).toEqual({ calls: '2 due', isReached: true });
  expect(badges.bags).toEqual({ calls: '6 to pack', isReached: false });
}); // prettier-ignore

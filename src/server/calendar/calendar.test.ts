import ICAL from 'ical.js';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { EMPTY_CALENDAR, type Calendar, type Drop, type Meeting } from '@/core/calendar';
import { defaultRecipe } from '@/core/generate';
import { addGroup, addMakers, changeMaker } from '../makers';
import { listSummaries, makeBlock, openBlock, setBlockRemoved } from '../blocks';
import { parse } from '../parse';
import { offThread, unlessRefused } from '../pool';
import { recordEvents } from '../progress';
import { progressEvent, testProject, type TestProject } from '../testing';
import {
  blockWorks,
  calendarSchema,
  learntOf,
  nextDropFor,
  projectPace,
  projectIcs,
  readFeed,
  readKeptCalendar,
  renewFeed,
  saveCalendar,
} from '.';

let { sql, drop, project, access } = {} as TestProject;
let [star, plate] = ['', ''];

beforeAll(async () => {
  ({ sql, drop, project, access } = await testProject('Calendar'));
  ({ id: star } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') }));
  ({ id: plate } = await makeBlock(sql, access, { name: 'Plate', recipe: defaultRecipe('plate') }));
});

afterAll(() => drop());

const handOut = (id: string, day: string, blocks: readonly string[]): Drop => ({ kind: 'drop', id, day, title: `Drop ${id}`, blocks, isFixed: false }); // prettier-ignore
const circle: Meeting = { kind: 'meeting', id: 'm', day: '2026-03-20', title: 'Circle', at: '18:30', minutes: 345, place: 'Back room', everyWeeks: 2, times: 3, note: 'Bring, scissors' }; // prettier-ignore
const calendarOf = (...entries: Calendar['entries'][number][]): Calendar => ({ ...EMPTY_CALENDAR, timeZone: 'Europe/Lisbon', entries }); // prettier-ignore

test('a calendar is kept by revision; an older view is refused with the newer one, a day that is none with its entry', async () => {
  expect(await readKeptCalendar(sql, project)).toEqual({ calendar: EMPTY_CALENDAR, revision: 0 });
  const first = calendarOf(handOut('a', '2026-03-01', [star]), circle);
  expect(await saveCalendar(sql, access, { calendar: first, revision: 0 })).toEqual({ revision: 1 });
  const older = saveCalendar(sql, access, { calendar: calendarOf(), revision: 0 });
  await expect(older).rejects.toMatchObject({
    status: 409,
    body: { current: { calendar: first, revision: 1 } },
  });
  const none = saveCalendar(sql, access, {
    calendar: calendarOf(handOut('a', '2026-02-30', [])),
    revision: 1,
  });
  await expect(none).rejects.toMatchObject({ status: 422, body: { what: 'There is no day 2026-02-30.', where: 'a' } }); // prettier-ignore
  expect(await readKeptCalendar(sql, project)).toEqual({ calendar: first, revision: 1 });
});

test('a block that is taken out leaves its drop, and comes back to it', async () => {
  const { id } = await makeBlock(sql, access, { name: 'Gone', recipe: defaultRecipe('disc') });
  const calendar = calendarOf(handOut('a', '2026-03-01', [star, id]), circle);
  const { revision } = await readKeptCalendar(sql, project);
  await saveCalendar(sql, access, { calendar, revision });
  const blocks = async () => (await readKeptCalendar(sql, project)).calendar.entries[0];
  await setBlockRemoved(sql, access, id, true);
  expect(await blocks()).toMatchObject({ blocks: [star] });
  await setBlockRemoved(sql, access, id, false);
  expect(await blocks()).toMatchObject({ blocks: [star, id] });
  await setBlockRemoved(sql, access, id, true);
});

test('the form of what is sent is checked field by field', () => {
  const entry = handOut('a', '2026-03-01', [star]);
  const check = (value: unknown) => () => parse(calendarSchema, value);
  expect(check(calendarOf(entry, circle))()).toEqual(calendarOf(entry, circle));
  for (const wrong of [
    { ...calendarOf(), hoursPerWeek: -3 },
    { ...calendarOf(), hoursPerWeek: 500 },
    calendarOf({ ...circle, at: '24:00' }),
    calendarOf({ ...circle, times: 0 }),
    calendarOf({ ...entry, day: '1 March' }),
    calendarOf({ ...entry, title: ' ' }),
    calendarOf({ ...entry, kind: 'party' } as never),
    { ...calendarOf(), entries: Array(401).fill(entry) },
  ])
    expect(check(wrong), JSON.stringify(wrong).slice(0, 80)).toThrow();
});

test('the secret address shows the calendar to any other; a new one ends the old one', async () => {
  const old = await renewFeed(sql, access);
  const token = await renewFeed(sql, access);
  for (const wrong of [old, 'x', `${token}0`])
    // Counted like guesses at any other secret link.
    await expect(readFeed(sql, wrong)).rejects.toMatchObject({ status: 404, body: { code: 'no-such-link' } });
  const events = new ICAL.Component(ICAL.parse(await readFeed(sql, token)) as unknown[]).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one)); // prettier-ignore
  const [handedOut, meeting] = ['Drop a', 'Circle'].map((name) =>
    events.find(({ summary }) => summary === name)!,
  );
  expect([handedOut!.startDate.toString(), handedOut!.endDate.toString(), handedOut!.description]).toEqual(['2026-03-01', '2026-03-02', 'Star']); // prettier-ignore
  expect([meeting!.startDate.toString(), meeting!.endDate.toString(), meeting!.location, meeting!.description]).toEqual(['2026-03-20T18:30:00', '2026-03-21T00:15:00', 'Back room', 'Bring, scissors']); // prettier-ignore
  expect(meeting!.component.getFirstProperty('dtstart')!.getParameter('tzid')).toBe('Europe/Lisbon');
  // Every other week at the same hour of the clock, over the change to summer time.
  const times = meeting!.iterator();
  expect([times.next(), times.next(), times.next(), times.next()].map((time) => time?.toString())).toEqual(['2026-03-20T18:30:00', '2026-04-03T18:30:00', '2026-04-17T18:30:00', undefined]); // prettier-ignore
});

test.each(['UTC', 'America/New_York', 'Europe/London', 'Pacific/Auckland'])('days and hours of the feed are those of the project, wherever the server stands: %s', async (place) => {
  const usual = process.env.TZ;
  process.env.TZ = place;
  try {
    // Half past one of that night is an hour that London does not have.
    const night = { ...circle, id: 'n', title: 'Night', day: '2026-03-29', at: '01:30', times: 1 };
    for (const timeZone of ['America/New_York', 'Asia/Tokyo', 'UTC']) {
      const { revision } = await readKeptCalendar(sql, project);
      await saveCalendar(sql, access, { calendar: { ...calendarOf(handOut('a', '2026-03-01', []), circle, night), timeZone }, revision });
      const ics = await projectIcs(sql, project);
      const starts = [...ics.matchAll(/DTSTART(?:;\S*?)?:(\w+)/g)].map(([, at]) => at?.replace('Z', ''));
      const ends = [...ics.matchAll(/DTEND(?:;\S*?)?:(\w+)/g)].map(([, at]) => at?.replace('Z', ''));
      expect(starts).toEqual(['20260301', '20260320T183000', '20260329T013000']);
      expect(ends).toEqual(['20260302', '20260321T001500', '20260329T071500']);
    }
  } finally {
    if (usual === undefined) delete process.env.TZ;
    else process.env.TZ = usual;
  }
}); // prettier-ignore

test('a file of holidays is read in a thread of its own; what is none is refused with where', async () => {
  const dates = { from: '2026-01-01', to: '2026-12-31' };
  const event = 'BEGIN:VEVENT\r\nDTSTART;VALUE=DATE:20260501\r\nSUMMARY:May Day\r\nEND:VEVENT';
  const text = `BEGIN:VCALENDAR\r\nVERSION:2.0\r\n${event}\r\nEND:VCALENDAR`;
  expect(unlessRefused(await offThread('holidays', { text, ...dates }))).toEqual([{ day: '2026-05-01', until: '2026-05-01', title: 'May Day' }]);
  const read = async () => unlessRefused(await offThread('holidays', { text: 'hello', ...dates }));
  await expect(read()).rejects.toMatchObject({ status: 422, body: { code: 'calendar-file', where: 'file' } });
}); // prettier-ignore

test('makers are forecast for all blocks and for each drop; what is done in an older order or undone counts rightly', async () => {
  const [ann, bea] = await addMakers(sql, access, ['Ann', 'Bea']);
  const steps = (await openBlock(sql, project, star)).sheet.steps.map(({ id }) => id);
  const at = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString();
  // In whatever order they were ticked, nothing is left, not even a rounding.
  const mixed = steps.map((id, i) => ({ ...progressEvent(star, id), at: at(20 - ((i * 7) % steps.length) / 100) }));
  await recordEvents(sql, ann!.token, mixed);
  await recordEvents(sql, bea!.token, [
    { ...progressEvent(star, steps[0]!), at: at(30) },
    { ...progressEvent(star, steps[0]!, 'undone'), at: at(29) },
    { ...progressEvent(star, steps[1]!), at: at(28) },
  ]);
  const works = await blockWorks(sql, project);
  expect(works.map(({ name, bags }) => [name, bags])).toEqual([['Star', 2], ['Plate', 2]]);
  expect(works[0]!.pieces).toBe(2 * (await openBlock(sql, project, star)).sheet.patches.length);
  const noon = await addGroup(sql, access, 'Noon');
  await changeMaker(sql, access, bea!.id, { groupId: noon.id });
  const forNoon = { ...handOut('noon', '2026-03-01', []), group: noon.id };
  const calendar = calendarOf(handOut('a', '2026-03-01', [star]), forNoon, handOut('b', '2026-04-01', [plate]));
  const ends = ['2099-01-01', '2099-01-01', '2099-01-01'];
  const pace = await projectPace(sql, project, calendar, ends, Date.now());
  const [first, second] = pace.makers;
  expect([first!.name, second!.name]).toEqual(['Ann', 'Bea']);
  const minutes = (name: string) => works.find((one) => one.name === name)!.minutes;
  expect(first!.left).toBeCloseTo(minutes('Plate'), 6);
  const one = (await openBlock(sql, project, star)).sheet.steps[1]!.minutes;
  expect(second!.left).toBeCloseTo(minutes('Plate') + minutes('Star') - one, 6);
  expect(second!.state).toBe('stalled');
  // What was begun and undone was begun; whoever ticked nothing has not.
  await addMakers(sql, access, ['Cy']);
  const begun = (await projectPace(sql, project, calendar, ends, Date.now())).makers;
  expect(begun.map((maker) => [maker.name, maker.begun])).toEqual([['Ann', true], ['Bea', true], ['Cy', false]]);
  // Twice as long, where the project reckons so.
  const twice = { ...calendar, standards: { join: 2 } };
  const [slower] = (await projectPace(sql, project, twice, [], Date.now())).makers;
  const plateJoins = works[1]!.minutesOf!.join!;
  expect(plateJoins).toBeGreaterThan(1);
  expect(slower!.left).toBeCloseTo(minutes('Plate') + plateJoins, 6);
  // Bea alone is of the group, and not done.
  expect(pace.drops).toMatchObject([
    { drop: 'a', makers: 2, done: 1, likely: 1 },
    { drop: 'noon', makers: 1, done: 0 },
    { drop: 'b', makers: 2, done: 0 },
  ]);
}); // prettier-ignore

test('how long a work takes is told from what was timed: the latest time of each maker and step', async () => {
  const { blocks } = await listSummaries(sql, project);
  const [step] = blocks.find(({ id }) => id === plate)!.summary.steps.filter(({ work }) => work === 'join');
  const [dot, cyd] = (await addMakers(sql, access, ['Dot', 'Cyd'])).map(({ token }) => token);
  const done = (minutes: number, ago: number) => ({ ...progressEvent(plate, step!.id), minutes, at: new Date(Date.now() - ago).toISOString() }); // prettier-ignore
  expect(await learntOf(sql, project)).toEqual([]);
  // Later by the device’s clock, in whatever order they come.
  for (const parcel of [
    [done(step!.minutes * 0.5, 1000), done(step!.minutes * 5, 9000)],
    [done(step!.minutes * 3, 5000)],
    // Ticked in the minute in which it was opened: nothing was timed.
    [done(0, 500)],
  ])
    await recordEvents(sql, cyd!, parcel);
  const [found] = await learntOf(sql, project);
  expect(found).toMatchObject({ work: 'join', timed: 1, makers: 1 });
  expect(found!.times).toBeCloseTo(0.5 ** 0.2, 2);
  // What took half a minute was timed as well.
  await recordEvents(sql, dot!, [done(0.5, 400)]);
  expect(await learntOf(sql, project)).toMatchObject([{ work: 'join', timed: 2, makers: 2 }]);
});

test('a group’s address shows what is for all and what is theirs; another group’s is renewed alone', async () => {
  const [evening, morning] = [await addGroup(sql, access, 'Evening'), await addGroup(sql, access, 'Morning')];
  const { revision } = await readKeptCalendar(sql, project);
  const day = (id: string, group?: string) => ({ kind: 'drop' as const, id, title: `Drop ${id}`, day: '2026-06-01', blocks: [], isFixed: false, ...(group ? { group } : {}) }); // prettier-ignore
  await saveCalendar(sql, access, { calendar: { ...EMPTY_CALENDAR, entries: [day('all'), day('own', evening.id), day('other', morning.id)] }, revision }); // prettier-ignore
  const token = await renewFeed(sql, access, evening.id);
  await renewFeed(sql, access, morning.id);
  const text = await readFeed(sql, token);
  expect(['Drop all', 'Drop own', 'Drop other', 'Evening'].map((words) => text.includes(words))).toEqual([true, true, false, true]); // prettier-ignore
  await renewFeed(sql, access, evening.id);
  await expect(readFeed(sql, token)).rejects.toMatchObject({ status: 404 });
  await expect(renewFeed(sql, access, '00000000-0000-4000-8000-000000000000')).rejects.toMatchObject({
    status: 404,
  });
});

test('the next drop of a maker is today’s or a later one of their own group, by the calendar’s clock', async () => {
  const [eve] = await addMakers(sql, access, ['Eve']);
  const group = await addGroup(sql, access, 'Night');
  const { revision } = await readKeptCalendar(sql, project);
  const entries = [handOut('one', '2026-07-01', []), { ...handOut('own', '2026-07-05', []), group: group.id }, handOut('last', '2026-07-09', [])];
  await saveCalendar(sql, access, { calendar: { ...EMPTY_CALENDAR, timeZone: 'Pacific/Auckland', entries }, revision });
  const next = async (time: string) => (await nextDropFor(sql, eve!.token, Date.parse(time)))?.id;
  // Noon in London is midnight there.
  expect([await next('2026-06-30T12:01Z'), await next('2026-07-01T11:59Z'), await next('2026-07-01T12:01Z')]).toEqual(['one', 'one', 'last']);
  await changeMaker(sql, access, eve!.id, { groupId: group.id });
  expect([await next('2026-07-01T12:01Z'), await next('2026-07-09T12:01Z')]).toEqual(['own', undefined]);
}); // prettier-ignore

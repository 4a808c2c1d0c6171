import Joi from 'joi';
import { checkCalendar, dayAt, reckoned, type Calendar } from '@/core/calendar';
import { blockWorks, calendarSchema } from '@/server/calendar';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';
import { offThread } from '@/server/pool';
import { refused } from '@/server/refused';

const BODY = Joi.object<{ calendar: Calendar }>({ calendar: calendarSchema.required() });

/** The flattest way to put the blocks of a calendar into its drops; nothing is saved by it. */
export const POST = projectRoute('edit', async (request, { project }) => {
  const plain = await blockWorks(database(), project);
  const sent = parse(BODY, await readJson(request)).calendar;
  const blocks = reckoned(plain, sent.standards);
  const calendar = refused(() => checkCalendar(sent, new Set(blocks.map(({ id }) => id))));
  const today = dayAt(Date.now(), calendar.timeZone);
  return offThread('level', { calendar, blocks, today }, request.signal);
});

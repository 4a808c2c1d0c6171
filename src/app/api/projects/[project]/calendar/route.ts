import Joi from 'joi';
import type { Calendar } from '@/core/calendar';
import { calendarSchema, projectIcs, saveCalendar } from '@/server/calendar';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';

const BODY = Joi.object<{ calendar: Calendar; revision: number }>({
  calendar: calendarSchema.required(),
  revision: Joi.number().integer().required(),
});

export const PUT = projectRoute('edit', async (request, access) =>
  saveCalendar(database(), access, parse(BODY, await readJson(request))),
);

/** The calendar as an iCalendar file. */
export const GET = projectRoute('read', async (_request, { project }) => {
  const headers = { 'content-type': 'text/calendar; charset=utf-8', 'content-disposition': 'attachment; filename="calendar.ics"' };
  return new Response(await projectIcs(database(), project), { headers });
}); // prettier-ignore

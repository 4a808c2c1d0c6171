import Joi from 'joi';
import { dayAt } from '@/core/calendar';
import { readKeptCalendar } from '@/server/calendar';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { id, parse } from '@/server/parse';
import { callRoll, readRoll, type RollEntry } from '@/server/progress';

const common = { id: id(), makerId: id(), at: Joi.string().isoDate().required() };
const BODY = Joi.object<{ entries: RollEntry[] }>({
  entries: Joi.array()
    .items(
      Joi.object({
        ...common,
        kind: Joi.string().valid('count').required(),
        blockId: id(),
        key: Joi.string().max(80).required(),
        count: Joi.number().integer().min(0).max(100_000).required(),
      }),
      Joi.object({ ...common, kind: Joi.string().valid('stuck', 'unstuck').required(), blockId: id() }),
      Joi.object({
        ...common,
        kind: Joi.string().valid('absent', 'present').required(),
        day: Joi.string()
          .pattern(/^\d{4}-\d{2}-\d{2}$/)
          .required(),
      }),
    )
    .min(1)
    .max(200)
    .required(),
});

export const GET = projectRoute('read', async (_request, { project }) => {
  const { calendar } = await readKeptCalendar(database(), project);
  const day = dayAt(Date.now(), calendar.timeZone);
  return { day, lines: await readRoll(database(), project, day) };
});

export const POST = projectRoute('pack', async (request, access) =>
  callRoll(database(), access, parse(BODY, await readJson(request)).entries),
);

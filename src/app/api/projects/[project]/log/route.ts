import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { addLogEntry, listLog, setLogRemoved, type NewLogEntry } from '@/server/logbook';
import { id, parse } from '@/server/parse';

/** Letters of a line with its picture. */
const PICTURE_BODY = 14_000_000;

const NEW = Joi.object<NewLogEntry>({
  id: id(),
  kind: Joi.string().valid('note', 'decision', 'next-time').required(),
  blockId: id().allow(null),
  text: Joi.string().trim().min(1).max(4000).required(),
  image: Joi.string().base64(),
});
const CHANGE = Joi.object<{ id: string; isRemoved: boolean }>({
  id: id(),
  isRemoved: Joi.boolean().required(),
});

export const GET = projectRoute('read', async (_request, { project }) => listLog(database(), project));

export const POST = projectRoute('pack', async (request, access) =>
  addLogEntry(database(), access, parse(NEW, await readJson(request, PICTURE_BODY))),
);

export const PATCH = projectRoute('pack', async (request, access) => {
  const { id: line, isRemoved } = parse(CHANGE, await readJson(request));
  return setLogRemoved(database(), access, line, isRemoved);
});

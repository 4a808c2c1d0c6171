import Joi from 'joi';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { parse } from '@/server/parse';
import { importProject } from '@/server/files';

/** Largest project file, bytes. */
const MOST_BYTES = 60_000_000;

const BODY = Joi.object<{ file: string }>({ file: Joi.string().max(MOST_BYTES).required().label('file') });

export const POST = route(async (request) => {
  const account = await requireAccount();
  // JSON escapes line ends and quotes: leave room for them.
  const { file } = parse(BODY, await readJson(request, MOST_BYTES * 1.3));
  return importProject(database(), account, file);
});

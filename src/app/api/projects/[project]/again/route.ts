import Joi from 'joi';
import { database } from '@/server/database';
import { runAgain } from '@/server/files';
import { projectRoute, readJson } from '@/server/http';
import { name, parse } from '@/server/parse';

const BODY = Joi.object<{ name: string }>({ name: name() });

export const POST = projectRoute('edit', async (request, access) =>
  runAgain(database(), access, parse(BODY, await readJson(request)).name),
);

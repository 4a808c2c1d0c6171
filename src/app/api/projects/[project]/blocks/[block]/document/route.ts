import Joi from 'joi';
import { MAX_DRAWING_BYTES } from '@/core/formats';
import { readRevision } from '@/server/blocks';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { id, parse } from '@/server/parse';
import { saveBlockTold, type Told } from '@/server/versions';

const BODY = Joi.object<{ document: unknown; revision: number } & Told>({
  // The core reads the document itself and says where it is wrong.
  document: Joi.object().unknown().required(),
  revision: Joi.number().integer().required(),
  mayTouch: Joi.array().items(id()).max(2000),
});

export const GET = projectRoute('read', async (_request, access, { block = '' }) => {
  return readRevision(database(), access.project, block);
});

export const PUT = projectRoute('edit', async (request, access, { block = '' }) => {
  const body = parse(BODY, await readJson(request, MAX_DRAWING_BYTES * 1.5));
  return saveBlockTold(database(), access, block, body);
});

import Joi from 'joi';
import { MAX_DRAWING_BYTES } from '@/core/formats';
import { readRevision, saveBlock } from '@/server/blocks';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';

const BODY = Joi.object<{ document: unknown; revision: number }>({
  // The core reads the document itself and says where it is wrong.
  document: Joi.object().unknown().required(),
  revision: Joi.number().integer().required(),
});

export const GET = projectRoute('read', async (_request, access, { block = '' }) => {
  return readRevision(database(), access.project, block);
});

export const PUT = projectRoute('edit', async (request, access, { block = '' }) => {
  const body = parse(BODY, await readJson(request, MAX_DRAWING_BYTES * 1.5));
  return saveBlock(database(), access, block, body);
});

import Joi from 'joi';
import { MAX_DRAWING_BYTES } from '@/core/formats';
import { readRevision, saveBlock } from '@/server/blockDocuments';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { id, parse } from '@/server/parse';
import { openProject } from '@/server/projects';

const BODY = Joi.object<{ document: unknown; revision: number }>({
  // The core reads the document itself and says where it is wrong.
  document: Joi.object().unknown().required(),
  revision: Joi.number().integer().required(),
});

export const GET = route(async (_request, { project = '', block = '' }) => {
  const opened = await openProject(database(), await requireAccount(), project, 'read');
  parse(id(), block);
  return readRevision(database(), opened, block);
});

export const PUT = route(async (request, { project = '', block = '' }) => {
  const account = await requireAccount();
  parse(id(), block);
  const body = parse(BODY, await readJson(request, MAX_DRAWING_BYTES * 1.5));
  return saveBlock(database(), account, project, block, body);
});

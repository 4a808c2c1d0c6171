import Joi from 'joi';
import { MAX_DRAWING_BYTES } from '@/core/formats';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';
import { addVersion } from '@/server/versions';

const BODY = Joi.object<{ document: unknown }>({ document: Joi.object().unknown().required() });

export const POST = projectRoute('edit', async (request, access, { block = '' }) => {
  const { document } = parse(BODY, await readJson(request, MAX_DRAWING_BYTES * 1.5));
  return addVersion(database(), access, block, document);
});

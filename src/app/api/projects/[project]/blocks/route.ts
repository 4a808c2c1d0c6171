import Joi from 'joi';
import { MAX_DRAWING_BYTES } from '@/core/formats';
import { importBlock } from '@/server/blocks';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { name, parse } from '@/server/parse';

const BODY = Joi.object<{ name: string; svg: string; widthMm?: number }>({
  name: name(),
  svg: Joi.string().max(MAX_DRAWING_BYTES).required().label('drawing'),
  widthMm: Joi.number().min(1).max(20_000).label('width'),
});

export const POST = route(async (request, { project = '' }) => {
  const account = await requireAccount();
  // JSON escapes line ends and quotes: leave room for them.
  const body = parse(BODY, await readJson(request, MAX_DRAWING_BYTES * 1.5));
  return importBlock(database(), account, project, body);
});

import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';
import { addPhoto } from '@/server/photos';

/** Largest request with a picture, bytes: about 12 MB of file in base64. */
const MOST_BYTES = 16_000_000;

const BODY = Joi.object<{ stepId: string; says: string; image: string }>({
  stepId: Joi.string().max(80).required(),
  says: Joi.string().trim().min(1).max(300).required().label('what it shows'),
  image: Joi.string().base64().required(),
});

export const POST = projectRoute('edit', async (request, access, { block = '' }) => {
  return addPhoto(database(), access, block, parse(BODY, await readJson(request, MOST_BYTES)));
});

import Joi from 'joi';
import { readClothPicture, setClothPicture, type PictureChange } from '@/server/cloth';
import { database } from '@/server/database';
import { pictureResponse, projectRoute, queryOf, readJson } from '@/server/http';
import { parse } from '@/server/parse';

/** Largest request with a picture of one repeat, bytes. */
const MOST_BYTES = 3_000_000;

const name = Joi.string().max(200).required();
/** `at` is for the browser alone: another picture has another address. */
const QUERY = Joi.object<{ cloth: string; at?: string }>({ cloth: name, at: Joi.string().max(40) });

export const GET = projectRoute('read', async (request, { project }) =>
  pictureResponse(await readClothPicture(database(), project, parse(QUERY, queryOf(request)).cloth)),
);

const yes = Joi.boolean().valid(true).strict();
const BODY = Joi.object<{ cloth: string; change: PictureChange }>({
  cloth: name,
  change: Joi.alternatives(
    Joi.object({ image: Joi.string().base64().required() }),
    Joi.object({ isRemoved: yes.required() }),
    Joi.object({ isBack: yes.required() }),
  ).required(),
});

export const POST = projectRoute('edit', async (request, access) => {
  const { cloth, change } = parse(BODY, await readJson(request, MOST_BYTES));
  await setClothPicture(database(), access, cloth, change);
});

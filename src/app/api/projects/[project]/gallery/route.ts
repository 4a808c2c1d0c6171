import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { id, parse } from '@/server/parse';
import { changeGallery, gallery } from '@/server/photos';

type Change = { isOpen: boolean } | { id: string; isShared: boolean };
const CHANGE = Joi.alternatives<Change>().try(
  Joi.object({ isOpen: Joi.boolean().required() }),
  Joi.object({ id: id(), isShared: Joi.boolean().required() }),
);

export const GET = projectRoute('read', async (_request, { project }) => gallery(database(), project));

export const PATCH = projectRoute('edit', async (request, access) =>
  changeGallery(database(), access, parse<Change>(CHANGE, await readJson(request))),
);

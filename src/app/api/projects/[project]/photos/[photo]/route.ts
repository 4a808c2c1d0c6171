import Joi from 'joi';
import { database } from '@/server/database';
import { pictureResponse, projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';
import { readPhoto, setPhotoRemoved } from '@/server/photos';

const BODY = Joi.object<{ isRemoved: boolean }>({ isRemoved: Joi.boolean().required() });

export const GET = projectRoute('read', async (_request, access, { photo = '' }) => {
  return pictureResponse(await readPhoto(database(), access.project, photo));
});

export const PATCH = projectRoute('edit', async (request, access, { photo = '' }) => {
  const { isRemoved } = parse(BODY, await readJson(request));
  await setPhotoRemoved(database(), access, photo, isRemoved);
});

import Joi from 'joi';
import { database } from '@/server/database';
import { pictureResponse, readJson, requireAccount, route } from '@/server/http';
import { id, parse } from '@/server/parse';
import { readPhoto, setPhotoRemoved } from '@/server/photos';
import { openProject } from '@/server/projects';

const BODY = Joi.object<{ isRemoved: boolean }>({ isRemoved: Joi.boolean().required() });

export const GET = route(async (_request, { project = '', photo = '' }) => {
  const opened = await openProject(database(), await requireAccount(), project, 'read');
  return pictureResponse(await readPhoto(database(), opened, parse(id(), photo) as string));
});

export const PATCH = route(async (request, { project = '', photo = '' }) => {
  const account = await requireAccount();
  parse(id(), photo);
  const { isRemoved } = parse(BODY, await readJson(request));
  await setPhotoRemoved(database(), account, project, photo, isRemoved);
});

import { database } from '@/server/database';
import { pictureResponse, projectRoute } from '@/server/http';
import { readFinished } from '@/server/photos';

export const GET = projectRoute('read', async (_request, { project }, { photo = '' }) =>
  pictureResponse(await readFinished(database(), project, photo)),
);

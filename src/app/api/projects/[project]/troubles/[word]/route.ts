import { database } from '@/server/database';
import { pictureResponse, projectRoute } from '@/server/http';
import { readWordImage } from '@/server/troubles';

export const GET = projectRoute('read', async (_request, { project }, { word = '' }) =>
  pictureResponse(await readWordImage(database(), project, word)),
);

import { database } from '@/server/database';
import { pictureResponse, projectRoute } from '@/server/http';
import { readLogPicture } from '@/server/logbook';

/** The picture of a line. */
export const GET = projectRoute('read', async (_request, { project }, { entry = '' }) =>
  pictureResponse(await readLogPicture(database(), project, entry)),
);

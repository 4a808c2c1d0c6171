import { database } from '@/server/database';
import { projectRoute, queryOf } from '@/server/http';
import { id, parse } from '@/server/parse';
import { blockUnits, projectProgress } from '@/server/progress';

/** How far everybody is; of one block, unit by unit. */
export const GET = projectRoute('read', async (request, { project }) => {
  const { block } = queryOf(request);
  return block === undefined
    ? projectProgress(database(), project)
    : blockUnits(database(), project, parse(id(), block));
});

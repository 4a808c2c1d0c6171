import { packProgress } from '@/core/progress';
import { database } from '@/server/database';
import { projectRoute, queryOf } from '@/server/http';
import { id, parse } from '@/server/parse';
import { blockUnits, progressOfMaker, projectProgress } from '@/server/progress';

/** How far everybody is (packed, where that is asked for), or one maker; of one block, unit by unit. */
export const GET = projectRoute('read', async (request, { project }) => {
  const { block, maker, form } = queryOf(request);
  const sql = database();
  if (block !== undefined) return blockUnits(sql, project, parse(id(), block));
  if (maker !== undefined) return progressOfMaker(sql, project, parse(id(), maker));
  const progress = await projectProgress(sql, project);
  return form === 'packed' ? packProgress(progress) : progress;
});

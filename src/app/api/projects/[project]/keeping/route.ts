import { projectPace, readKeptCalendar } from '@/server/calendar';
import { database } from '@/server/database';
import { projectRoute } from '@/server/http';

/** How each maker keeps up, with the reason: it takes longer to reckon than a wall may take to open. */
export const GET = projectRoute('read', async (_request, { project }) => {
  const sql = database();
  const { calendar } = await readKeptCalendar(sql, project);
  const pace = await projectPace(sql, project, calendar, [], Date.now());
  return pace.makers.map(({ id, state, reason }) => ({ id, state, reason }));
});

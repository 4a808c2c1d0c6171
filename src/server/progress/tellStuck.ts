import type { Sql } from '../database';
import type { Project } from '../projects';
import { standingsOf } from './makerStanding';

/** How many pairs of maker and block wait for help, and whether anything is sewn; only who ever asked for help is looked at closely. */
export async function tellStuck(sql: Sql, project: Project): Promise<{ readonly stuck: number; readonly isBegun: boolean }> {
  const [asking, [begun]] = await Promise.all([
    sql<{ id: string }[]>`
      select m.id from maker m where m.project_id = ${project.id} and m.removed_at is null
        and exists (select 1 from progress_event e where e.maker_id = m.id and e.kind = 'stuck')`,
    sql<{ isBegun: boolean }[]>`
      select exists (select 1 from progress_event e join maker m on m.id = e.maker_id
        where m.project_id = ${project.id} and m.removed_at is null and e.kind = 'done') as "isBegun"`,
  ]);
  const pairs = asking.length === 0 ? [] : await standingsOf(sql, project, asking.map(({ id }) => id));
  return { stuck: pairs.filter(({ standing }) => standing.stuck.size > 0).length, isBegun: begun?.isBegun ?? false };
} // prettier-ignore

import { randomUUID } from 'node:crypto';
import type postgres from 'postgres';
import { audit, openProject, type Access } from '../projects';
import { inTransaction } from '../database';
import { exportProject, importProject } from './projectFiles';

/**
 * Copies a project to be run once more: blocks, setting, shelf, what is bought, words of reminders, pictures at steps, and what was
 * written for next time. Without people: no makers, bags, ticks, orders placed, dates, or stock that has been used since.
 * @returns the new project, with whoever asked as its host
 */
export async function runAgain(
  sql: postgres.Sql,
  access: Access<'edit'>,
  name: string,
): Promise<{ id: string }> {
  const { project, account } = access;
  const file = await exportProject(sql, project);
  const { id } = await importProject(sql, account, JSON.stringify({ ...file, name }));
  const own = await openProject(sql, account, id, 'edit');
  await inTransaction(sql, async (step) => {
    await step`
      insert into cloth (project_id, name, look, shelf, revision)
      select ${id}, name, look, case when shelf is null then null else jsonb_set(shelf, '{stockMm}', '0') end, revision
      from cloth where project_id = ${project.id} on conflict (project_id, name) do nothing`;
    await step`
      update project new set reminders = old.reminders, bag_extras = old.bag_extras, order_plan = case when old.order_plan is null then null
          else jsonb_set(old.order_plan, '{stock}', '{}') end
      from project old where new.id = ${id} and old.id = ${project.id}`;
    await step`
      insert into step_photo (block_id, step_id, says, image, width, height, created_by)
      select mine.id, p.step_id, p.says, p.image, p.width, p.height, ${account.id}
      from step_photo p join block b on b.id = p.block_id join block mine on mine.project_id = ${id} and mine.name = b.name
      where b.project_id = ${project.id} and b.removed_at is null and p.removed_at is null`;
    const notes = await step<{ blockId: string | null; text: string }[]>`
      select mine.id as "blockId", e.text from log_entry e left join block b on b.id = e.block_id
        left join block mine on mine.project_id = ${id} and mine.name = b.name
      where e.project_id = ${project.id} and e.kind = 'next-time' and e.removed_at is null order by e.at`;
    for (const { blockId, text } of notes)
      await step`
        insert into log_entry (id, project_id, block_id, kind, text, account_id)
        values (${randomUUID()}, ${id}, ${blockId}, 'next-time', ${text}, ${account.id})`;
    await audit(step, own, 'project-run-again', { from: project.id });
  });
  return { id };
}

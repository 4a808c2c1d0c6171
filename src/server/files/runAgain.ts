import { randomUUID } from 'node:crypto';
import type postgres from 'postgres';
import type { ProjectFile } from '@/core/formats';
import { audit, type Access } from '../projects';
import { inTransaction } from '../database';
import { exportProject, putIn } from './projectFiles';

/**
 * Copies a project to be run once more: blocks, setting, shelf with its photos, what is bought, words of reminders, pictures at steps,
 * what was written for next time, and of the calendar its figures with the standards that were learnt. Without people: no makers, bags,
 * ticks, orders placed, dates, or stock that has been used since.
 * @returns the new project, with whoever asked as its host
 */
export async function runAgain(
  sql: postgres.Sql,
  access: Access<'edit'>,
  name: string,
): Promise<{ id: string }> {
  const { project, account } = access;
  return inTransaction(sql, async (step) => {
    const own = await putIn(step, account, anew(await exportProject(step, project), name));
    const { id } = own.project;
    await step`
      update project new set reminders = old.reminders, bag_extras = old.bag_extras
      from project old where new.id = ${id} and old.id = ${project.id}`;
    await step`
      insert into step_photo (block_id, step_id, says, image, width, height, created_by)
      select mine.id, p.step_id, p.says, p.image, p.width, p.height, ${account.id}
      from step_photo p join block b on b.id = p.block_id join block mine on mine.project_id = ${id} and mine.name = b.name
      where b.project_id = ${project.id} and b.removed_at is null and p.removed_at is null`;
    await step`
      update cloth new set picture = old.picture, picture_at = old.picture_at
      from cloth old where new.project_id = ${id} and old.project_id = ${project.id} and old.name = new.name and old.picture is not null`;
    const notes = await step<{ blockId: string | null; text: string }[]>`
      select mine.id as "blockId", e.text from log_entry e left join block b on b.id = e.block_id
        left join block mine on mine.project_id = ${id} and mine.name = b.name
      where e.project_id = ${project.id} and e.kind = 'next-time' and e.removed_at is null order by e.at`;
    for (const { blockId, text } of notes)
      await step`
        insert into log_entry (id, project_id, block_id, kind, text, account_id)
        values (${randomUUID()}, ${id}, ${blockId}, 'next-time', ${text}, ${account.id})`;
    await audit(step, own, 'project-run-again', { from: project.id });
    return { id };
  });
}

/** A project’s file under another name, without dates and with nothing in stock. */
function anew({ calendar, order, shelf, ...file }: ProjectFile, name: string): ProjectFile {
  const { endsOn: _endsOn, ...figures } = calendar ?? {};
  return {
    ...file,
    name,
    ...(calendar ? { calendar: { ...figures, entries: [] } } : {}),
    ...(order ? { order: { ...order, stock: {}, stockAt: {} } } : {}),
    ...(shelf
      ? { shelf: shelf.map((cloth) => ('stockMm' in cloth ? { ...cloth, stockMm: 0 } : cloth)) }
      : {}),
  };
}

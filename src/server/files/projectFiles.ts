import type postgres from 'postgres';
import type { BlockDocument } from '@/core/block';
import { ownSewing } from '@/core/assembly';
import { PROJECT_FORMAT, renameInSetting, type ProjectFile } from '@/core/formats';
import type { Account } from '../accounts';
import { audit, changeProject, createProject, type Access, type Project, readKeptSetting } from '../projects';
import { contentHash, inTransaction, type Sql, json } from '../database';
import { offThread, unlessRefused } from '../pool';
import { readBelongings, writeBelongings } from './belongings';

/** A project as a file: its blocks, settings, setting and marks, dates, buying, cloths and how bags are made, without makers. */
export async function exportProject(sql: Sql, project: Project): Promise<ProjectFile> {
  const blocks = await sql<{ id: string; name: string; document: BlockDocument }[]>`
    select id, name, document from block
    where project_id = ${project.id} and removed_at is null order by place, name`;
  const names = new Map(blocks.map(({ id, name }) => [id, name]));
  const { setting } = await readKeptSetting(sql, project);
  // What cloths were once called matters to what was sewn here alone; rules for spares are with the bags.
  const {
    id: _id,
    clothOrigins: _origins,
    spareRules: _spares,
    marks,
    basting,
    sewing,
    ...settings
  } = project;
  const own = ownSewing(sewing);
  return {
    format: PROJECT_FORMAT,
    ...settings,
    blocks: blocks.map(({ name, document }) => ({ name, document })),
    ...(setting ? { setting: renameInSetting(setting, (id) => names.get(id)) } : {}),
    ...(marks.length > 0 ? { marks } : {}),
    ...(Object.keys(basting).length > 0 ? { basting } : {}),
    ...(Object.keys(own).length > 0 ? { sewing: own } : {}),
    ...(await readBelongings(sql, project, (block) => names.get(block))),
  };
}

/** Brings a project file in as a new project of the account: the whole file or nothing. */
export async function importProject(
  sql: postgres.Sql,
  account: Account,
  text: string,
): Promise<{ id: string }> {
  const file = unlessRefused(await offThread('projectFile', text));
  return inTransaction(sql, async (step) => ({ id: (await putIn(step, account, file)).project.id }));
}

/** Puts a file that was read in as a new project, within a step of its own. */
export async function putIn(step: Sql, account: Account, file: ProjectFile): Promise<Access<'edit'>> {
  const {
    blocks,
    setting,
    marks = [],
    basting = {},
    format: _format,
    calendar,
    order,
    shelf,
    bags,
    ...settings
  } = file;
  const access = await createProject(step, account, { name: file.name });
  const { id } = access.project;
  await changeProject(step, access, settings);
  const ids = new Map<string, string>();
  for (const [place, { name, document }] of blocks.entries()) {
    const [row] = await step<{ id: string }[]>`
        insert into block (project_id, name, place, document, content_hash, patch_count) values
          (${id}, ${name}, ${place}, ${json(step, document)},
           ${contentHash(document)}, ${document.patches.length})
        returning id`;
    ids.set(name, row?.id as string);
  }
  const own = setting ? renameInSetting(setting, (name) => ids.get(name)) : null;
  await step`
      update project set marks = ${json(step, marks)},
        basting = ${json(step, basting)},
        setting = ${own === null ? null : json(step, own)}
      where id = ${id}`;
  await writeBelongings(step, access, { calendar, order, shelf, bags }, ids);
  await audit(step, access, 'project-imported', { name: file.name, blocks: blocks.length });
  return access;
}

import type postgres from 'postgres';
import type { BlockDocument } from '@/core/block';
import type { Outline } from '@/core/geometry';
import { blockEndings } from '@/core/setting';
import { isSamePaper, type ChosenMark, type MarkedPaper } from '@/core/shapes';
import { type Access, audit, type Project, readKeptSetting, readProject } from '../projects';
import { inTransaction, type Sql, derived, hashOf, json } from '../database';
import { notify } from '../live';
import { offThread } from '../pool';
import { sheetSettings, type SheetSettings } from './sheets';

/** Raised whenever the core proposes other marks for the same papers. */
const MARKS_VERSION = 1;

/**
 * The papers of a project that bear a mark, proposed or chosen; from the cache where nothing changed.
 * @param known the blocks of the project in their places, where they were read already
 */
export async function projectMarks(
  sql: Sql,
  project: Project,
  known?: readonly { readonly contentHash: string }[],
): Promise<MarkedPaper[]> {
  const rows =
    known ??
    (await sql<{ contentHash: string }[]>`
      select content_hash as "contentHash" from block
      where project_id = ${project.id} and removed_at is null order by place, name`);
  const key = `marks/${MARKS_VERSION}/${hashOf(
    rows.map(({ contentHash }) => contentHash),
    project.marks,
    project.unitSystem,
  )}`;
  return derived(sql, key, async () => {
    const documents = await documentsOf(sql, project);
    return offThread('marks', { documents, chosen: project.marks, system: project.unitSystem });
  });
}

/**
 * What sheets of a project's blocks depend on: its settings, the marks of its papers and how its top is set.
 * @param known the blocks of the project in their places, where they were read already
 */
export async function settingsOf(
  sql: Sql,
  project: Project,
  known?: readonly { readonly contentHash: string }[],
): Promise<SheetSettings> {
  const [marks, { setting }] = await Promise.all([
    projectMarks(sql, project, known),
    readKeptSetting(sql, project),
  ]);
  return sheetSettings(project, marks, setting ? blockEndings(setting) : new Map());
}

async function documentsOf(sql: Sql, project: Project): Promise<BlockDocument[]> {
  const rows = await sql<{ document: BlockDocument }[]>`
    select document from block where project_id = ${project.id} and removed_at is null order by place, name`;
  return rows.map(({ document }) => document);
}

/** Lets the host choose a paper's mark, or go back to what is proposed. */
export async function chooseMark(
  sql: postgres.Sql,
  access: Access<'edit'>,
  choice: { outline: Outline; mark: ChosenMark['mark'] | 'proposed' },
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    await step`select 1 from project where id = ${project.id} for update`;
    const { marks } = await readProject(step, project);
    const others = marks.filter(({ outline }) => !isSamePaper(outline, choice.outline));
    const { outline, mark } = choice;
    const next = mark === 'proposed' ? others : [...others, { outline, mark }];
    await step`update project set marks = ${json(step, next)} where id = ${project.id}`;
    await audit(step, access, 'mark-chosen', { mark });
    await notify(step, project.id, 'blocks');
  });
}

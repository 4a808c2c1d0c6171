import type { PapersOfProject } from '@/core/sheet';
import type { BlockWithSheet } from './blocks';
import { derived, hashOf, type Sql } from '../database';
import { offThread } from '../pool';
import { readKeptSetting, type Project } from '../projects';
import { projectMarks } from './marks';

/** Raised whenever the core counts otherwise from the same blocks. */
const PAPERS_VERSION = 1;

/** Counts the papers of a project under its setting, for one maker; from the cache where nothing changed. */
export async function papersOfProject(
  sql: Sql,
  project: Project,
  blocks: readonly BlockWithSheet[],
): Promise<PapersOfProject> {
  const { setting } = await readKeptSetting(sql, project);
  const marks = await projectMarks(sql, project, blocks);
  const { sparesPercent, unitSystem: system, basting, allowanceMm, sewing } = project;
  const content = blocks.map(({ id, name, contentHash }) => [id, name, contentHash]);
  const key = `papers/${PAPERS_VERSION}/${hashOf(content, setting, marks, sparesPercent, system, basting, allowanceMm, sewing)}`;
  return derived(sql, key, () =>
    offThread('papers', {
      blocks: blocks.map(({ id, name, sheet }) => ({ id, name, sheet })),
      setting,
      marks,
      sparesPercent,
      system,
    }),
  );
}

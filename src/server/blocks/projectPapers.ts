import type { PapersOfProject } from '@/core/sheet';
import type { BlockWithSheet } from './blocks';
import { derived, hashOf, type Sql } from '../database';
import { offThread } from '../pool';
import { readKeptSetting, type Project } from '../projects';
import { projectMarks } from './marks';

/** Raised whenever the core counts otherwise from the same blocks. */
const PAPERS_VERSION = 1;

/**
 * Counts the papers of a project under its setting, for one maker; from the cache where nothing changed.
 * @param isMadeSo whether blocks are made in the order in which they are given, and not in the setting’s
 */
export async function papersOfProject(
  sql: Sql,
  project: Project,
  blocks: readonly BlockWithSheet[],
  isMadeSo = false,
): Promise<PapersOfProject> {
  const kept = (await readKeptSetting(sql, project)).setting;
  const place = new Map(blocks.map(({ id }, index) => [id, index]));
  const making = (own: readonly string[]) =>
    [...own].sort((a, b) => (place.get(a) ?? own.length) - (place.get(b) ?? own.length));
  const setting = kept && isMadeSo ? { ...kept, making: making(kept.making) } : kept;
  const marks = await projectMarks(sql, project, blocks);
  const { sparesPercent, spareRules, unitSystem: system, basting, allowanceMm, sewing } = project;
  const content = blocks.map(({ id, name, contentHash }) => [id, name, contentHash]);
  const key = `papers/${PAPERS_VERSION}/${hashOf(content, setting, marks, sparesPercent, system, basting, allowanceMm, sewing, ...(spareRules ? [spareRules] : []))}`;
  return derived(sql, key, () =>
    offThread('papers', {
      blocks: blocks.map(({ id, name, sheet }) => ({ id, name, sheet })),
      setting,
      marks,
      sparesPercent,
      ...(spareRules ? { spareRules } : {}),
      system,
    }),
  );
}

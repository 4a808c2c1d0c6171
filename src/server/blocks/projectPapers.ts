import { BASTE_METHODS } from '@/core/basting';
import { nameKinds, groupKinds } from '@/core/shapes';
import { projectPapers, type ProjectPapers, type SewnBlock } from '@/core/papers';
import { jointClashes, type BlockSheet, type JointClash } from '@/core/sheet';
import type { BlockWithSheet } from './blocks';
import { type Sql, derived, hashOf } from '../database';
import { projectMarks } from './marks';
import { type Project, readKeptSetting } from '../projects';

/** Papers of a whole project, with their names, and the tails that clash between blocks. */
export interface PapersOfProject extends ProjectPapers {
  /** By kind, as labels and steps call it. */
  readonly names: readonly string[];
  readonly isSet: boolean;
  readonly clashes: readonly JointClash[];
}

/** Raised whenever the core counts otherwise from the same blocks. */
const PAPERS_VERSION = 1;

/** Counts the papers of a project under its setting, for one maker, from the orders of work as they are. */
export async function papersOfProject(
  sql: Sql,
  project: Project,
  blocks: readonly BlockWithSheet[],
): Promise<PapersOfProject> {
  const { setting } = await readKeptSetting(sql, project);
  const marks = await projectMarks(sql, project);
  const { sparesPercent, unitSystem, basting, allowanceMm, sewing } = project;
  const content = blocks.map(({ id, name, contentHash }) => [id, name, contentHash]);
  const key = `papers/${PAPERS_VERSION}/${hashOf(content, setting, marks, sparesPercent, unitSystem, basting, allowanceMm, sewing)}`;
  return derived(sql, key, () => {
    const papers = projectPapers(blocks.map(sewnBlock), setting, sparesPercent);
    const { kinds } = groupKinds(papers.kinds.map(({ outline }) => outline));
    const folded = blocks.map(({ id, name, sheet: { patches } }) => ({ id, name, patches }));
    return {
      ...papers,
      names: nameKinds(kinds, unitSystem, marks),
      isSet: setting !== null,
      clashes: setting ? jointClashes(setting, folded) : [],
    };
  });
}

/** What to save after a block for later ones, in words; empty where there is nothing. */
export function saySaved({ blocks, names }: PapersOfProject, blockId: string): string {
  const keep = blocks.find(({ id }) => id === blockId)?.keep ?? [];
  return keep.map(({ kind, count }) => `${count} × ${names[kind]}`).join(', ');
}

function sewnBlock({ id, name, sheet }: BlockWithSheet): SewnBlock {
  const uses = sheet.kinds.map((_, kind) => usesOf(sheet, kind));
  return {
    id,
    name,
    patches: sheet.patches,
    joins: sheet.steps.flatMap((step) => (step.kind === 'join' ? [step] : [])),
    usesPerPaper: sheet.patches.map(({ kind }) => uses[kind] as number),
  };
}

/** How often a paper of a kind can be used: by the method chosen for it, else by the one that is proposed. */
function usesOf({ basting }: BlockSheet, kind: number): number {
  const method = basting.kinds[kind]?.method;
  return method ? BASTE_METHODS[method].uses : 1;
}

import { itemAt } from '../lists';
import { spareRule, type SpareRules } from '../bags';
import { BASTE_METHODS } from '../basting';
import type { UnitSystem } from '../length';
import { projectPapers, type ProjectPapers, type SewnBlock } from '../papers';
import type { Setting } from '../setting';
import { groupKinds, nameKinds, type MarkedPaper } from '../shapes';
import { times } from '../words';
import type { BlockSheet } from './blockSheet';
import { jointClashes, type JointClash } from './jointClashes';

/** Papers of a whole project, with their names, and the tails that clash between blocks. */
export interface PapersOfProject extends ProjectPapers {
  /** By kind, as labels and steps call it. */
  readonly names: readonly string[];
  readonly isSet: boolean;
  readonly clashes: readonly JointClash[];
}

/** What the papers of a project are counted from. */
export interface PapersSources {
  readonly blocks: readonly { readonly id: string; readonly name: string; readonly sheet: BlockSheet }[];
  readonly setting: Setting | null;
  readonly marks: readonly MarkedPaper[];
  readonly sparesPercent: number;
  readonly spareRules?: SpareRules;
  readonly system: UnitSystem;
}

/** Counts the papers of a project under its setting, for one maker, from the orders of work as they are. */
export function papersOfBlocks({
  blocks,
  setting,
  marks,
  sparesPercent,
  spareRules = {},
  system,
}: PapersSources): PapersOfProject {
  const papers = projectPapers(blocks.map(sewnBlock), setting, sparesPercent, (kind) =>
    spareRule(kind, { system, marks, spareRules }),
  );
  const { kinds } = groupKinds(papers.kinds.map(({ outline }) => outline));
  const folded = blocks.map(({ id, name, sheet: { patches } }) => ({ id, name, patches }));
  return {
    ...papers,
    names: nameKinds(kinds, system, marks),
    isSet: setting !== null,
    clashes: setting ? jointClashes(setting, folded) : [],
  };
}

/** What to save after a block for later ones, in words; empty where there is nothing. */
export function saySaved({ blocks, names }: PapersOfProject, blockId: string): string {
  const keep = blocks.find(({ id }) => id === blockId)?.keep ?? [];
  return keep.map(({ kind, count }) => times(count, itemAt(names, kind))).join(', ');
}

function sewnBlock({ id, name, sheet }: PapersSources['blocks'][number]): SewnBlock {
  const uses = sheet.kinds.map((_, kind) => usesOf(sheet, kind));
  return {
    id,
    name,
    patches: sheet.patches,
    joins: sheet.steps.flatMap((step) => (step.kind === 'join' ? [step] : [])),
    usesPerPaper: sheet.patches.map(({ kind }) => itemAt(uses, kind)),
  };
}

/** How often papers can be used, by the names that bags give them: as often as the block that wears them most lets it. */
export function usesByName(sheets: readonly BlockSheet[]): ReadonlyMap<string, number> {
  const uses = new Map<string, number>();
  for (const sheet of sheets)
    sheet.bag.papers.forEach(({ name }, kind) => {
      uses.set(name, Math.min(uses.get(name) ?? Infinity, usesOf(sheet, kind)));
    });
  return uses;
}

/** How often a paper of a kind can be used: by the method chosen for it, else by the one that is proposed. */
function usesOf({ basting }: BlockSheet, kind: number): number {
  const method = basting.kinds[kind]?.method;
  return method ? BASTE_METHODS[method].uses : 1;
}

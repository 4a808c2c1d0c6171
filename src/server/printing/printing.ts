import type { PapersOptions, PaperRun, PrintWish } from '@/core/printing';
import { openBlock, projectMarks, readRevision } from '../blocks';
import type { Sql } from '../database';
import { offThread, unlessRefused } from '../pool';
import type { Project } from '../projects';

/** A file to show or save. */
export interface Printout {
  readonly name: string;
  readonly pdf: Buffer;
}

/** What of a block is printed how; the rest is the project's. */
export type BlockWish = Omit<PrintWish, 'system' | 'allowanceMm' | 'sparesPercent' | 'spareRules'>;

/** Papers or a guide of a block at true size. @param signal ends the work when whoever asked for it leaves */
export async function blockPdf(
  sql: Sql,
  project: Project,
  blockId: string,
  wish: BlockWish,
  signal: AbortSignal,
): Promise<Printout> {
  const { name, document } = await readRevision(sql, project, blockId);
  const { unitSystem: system, allowanceMm, sparesPercent, spareRules } = project;
  const marks = await projectMarks(sql, project);
  const task = {
    name,
    document,
    marks,
    wish: { ...wish, system, allowanceMm, sparesPercent, ...(spareRules ? { spareRules } : {}) },
  };
  const pdf = unlessRefused(await offThread('printBlock', task, signal));
  return { name: `${name} ${wish.what}`, pdf: Buffer.from(pdf) };
}

/** What is printed of a block’s steps: a card for each, or stickers with the numbers of their papers. */
export type StepsPrinted = 'steps' | 'stickers';
const STEPS_NAMES: Readonly<Record<StepsPrinted, string>> = {
  steps: 'step cards',
  stickers: 'number stickers',
};

/** Step cards or number stickers of a block. */
export async function stepsPdf(
  sql: Sql,
  project: Project,
  blockId: string,
  { what, size }: { readonly what: StepsPrinted; readonly size: PrintWish['size'] },
  signal: AbortSignal,
): Promise<Printout> {
  const { name, sheet } = await openBlock(sql, project, blockId);
  const pdf = await offThread('printSteps', { name, sheet, size, what }, signal);
  return { name: `${name} ${STEPS_NAMES[what]}`, pdf: Buffer.from(pdf) };
}

/** One paper of the catalogue at true size. */
export async function paperPdf(
  run: PaperRun,
  options: PapersOptions,
  signal: AbortSignal,
): Promise<Printout> {
  const pdf = await offThread('printPapers', { runs: [run], options }, signal);
  return { name: run.name, pdf: Buffer.from(pdf) };
}

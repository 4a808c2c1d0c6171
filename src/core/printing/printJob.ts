import { itemAt } from '../lists';
import { type BlockDocument, buildSeamGraph } from '../block';
import { mirrored } from '../geometry';
import type { UnitSystem } from '../length';
import { centringGuide, clamshellGuide, fussyWindow, plateAngleCheck } from './jigs';
import type { PageSize, PrintJob } from './ink';
import { papersJob, type PaperRun } from './papersJob';
import { groupKinds, markOf, nameKinds, type MarkedPaper } from '../shapes';
import { InvalidInputError } from '../errors';

/** What can be printed of a block. */
export type Printed = 'papers' | 'window' | 'centring' | 'plate' | 'clamshell';

export interface PrintWish {
  readonly what: Printed;
  readonly size: PageSize;
  readonly system: UnitSystem;
  readonly allowanceMm: number;
  readonly gapMm: number;
  readonly hasHole: boolean;
  /** Index of the paper kind, for a window or a guide. */
  readonly kind: number;
}

/** Lays out what is to be printed of a block. @throws InvalidInputError `print` for a paper or a figure that it has not */
export function printJob(
  name: string,
  document: BlockDocument,
  marks: readonly MarkedPaper[],
  wish: PrintWish,
): PrintJob {
  const { size, system, gapMm, hasHole } = wish;
  const runs = paperRuns(document, marks, system);
  if (wish.what === 'papers') return papersJob(runs, { title: name, size, gapMm, hasHole });
  if (wish.what === 'centring') {
    const rim = buildSeamGraph(document.patches).openEdges.map(({ path }) => path);
    return centringGuide(name, rim, size, system);
  }
  const run = runs[wish.kind];
  if (!run)
    throw new InvalidInputError('print', 'This block has no such paper.', 'Choose one of its papers.', {
      name: 'kind',
    });
  if (wish.what === 'window') return fussyWindow(run.name, run.outline, wish.allowanceMm, size, system);
  return wish.what === 'plate' ? plateJob(document, size, system) : shellJob(run, document, size, system);
}

/** Papers of a block as they are to be cut: face up for right hands, with how many are turned over. */
export function paperRuns(
  { patches }: BlockDocument,
  marks: readonly MarkedPaper[],
  system: UnitSystem,
): PaperRun[] {
  const { kinds, kindOf, handOf } = groupKinds(patches.map(({ outline }) => outline));
  const names = nameKinds(kinds, system, marks);
  return kinds.map(({ outline, isHanded }, kind) => {
    const own = Array.from(kindOf).flatMap((one, index) => (one === kind ? [index] : []));
    const isLeft = handOf[itemAt(own, 0)] === 'L';
    const mark = markOf(outline, marks);
    return {
      name: itemAt(names, kind),
      outline: isLeft ? mirrored(outline) : outline,
      count: own.length,
      ...(mark ? { mark } : {}),
      ...(isHanded ? { left: own.filter((index) => handOf[index] === 'L').length } : {}),
    };
  });
}

function plateJob({ parts = [] }: BlockDocument, size: PageSize, system: UnitSystem): PrintJob {
  const plate = parts
    .map(({ recipe }) => recipe as Record<string, unknown>)
    .find(({ kind }) => kind === 'plate');
  if (!plate)
    throw new InvalidInputError(
      'print',
      'This block holds no plate.',
      'Make one from figures, or choose another guide.',
      { name: 'what' },
    );
  return plateAngleCheck(Number(plate.blades), Number(plate.innerMm), Number(plate.outerMm), size, system);
}

function shellJob(
  run: PaperRun,
  { parts = [] }: BlockDocument,
  size: PageSize,
  system: UnitSystem,
): PrintJob {
  const rows = parts
    .map(({ recipe }) => recipe as Record<string, unknown>)
    .find(({ kind }) => kind === 'clamshell');
  if (!rows)
    throw new InvalidInputError(
      'print',
      'This block holds no clamshell rows.',
      'Make them from figures, or choose another guide.',
      { name: 'what' },
    );
  return clamshellGuide(Number(rows.widthMm), Number(rows.columns), size, system);
}

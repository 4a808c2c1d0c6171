import { itemAt } from '../lists';
import { type BlockDocument, buildSeamGraph } from '../block';
import { mirrored } from '../geometry';
import type { UnitSystem } from '../length';
import { centringGuide, clamshellGuide, fussyWindow, plateAngleCheck } from './jigs';
import type { PageSize, PrintJob } from './ink';
import { papersJob, type PaperRun } from './papersJob';
import { spareRule, type SpareRules } from '../bags';
import { withSpares } from '../papers';
import { groupPapers, markOf, nameKinds, type MarkedPaper } from '../shapes';
import { InvalidInputError } from '../errors';

/** What can be printed of a block. */
export type Printed = 'papers' | 'window' | 'centring' | 'plate' | 'clamshell';

export interface PrintWish {
  readonly what: Printed;
  readonly size: PageSize;
  readonly system: UnitSystem;
  readonly allowanceMm: number;
  /** Spare papers of the bag, printed with the others. */
  readonly sparesPercent: number;
  readonly spareRules?: SpareRules;
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
  if (wish.what === 'papers') {
    const runs = paperRuns(document, marks, system, wish.sparesPercent, wish.spareRules);
    return papersJob(runs, { title: name, size, gapMm, hasHole });
  }
  if (wish.what === 'centring') {
    const rim = buildSeamGraph(document.patches).openEdges.map(({ path }) => path);
    return centringGuide(name, rim, size, system);
  }
  const run = kindRuns(document, marks, system)[wish.kind];
  if (!run)
    throw new InvalidInputError('print', 'This block has no such paper.', 'Choose one of its papers.', {
      name: 'kind',
    });
  if (wish.what === 'window') return fussyWindow(run.name, run.outline, wish.allowanceMm, size, system);
  return wish.what === 'plate' ? plateJob(document, size, system) : shellJob(document, size, system);
}

/**
 * Papers of a block as they are printed and cut. A patch is named L or R as it is seen from the front, but it is wrapped
 * from behind: the cloth lies wrong side up, the paper on it, and what is printed on the paper lies towards the hand. So
 * papers with a hand are printed as the mirror image of the patch, each with its letter.
 * @param sparesPercent added to each kind, shared between its hands
 */
export function paperRuns(
  { patches }: Pick<BlockDocument, 'patches'>,
  marks: readonly MarkedPaper[],
  system: UnitSystem,
  sparesPercent = 0,
  spareRules: SpareRules = {},
): PaperRun[] {
  const { kinds, kindOf, handOf } = groupPapers(patches);
  const names = nameKinds(kinds, system, marks);
  return kinds.flatMap((own, kind): PaperRun[] => {
    const { outline, isHanded } = own;
    const hands = handOf.filter((_, patch) => kindOf[patch] === kind);
    const mark = markOf(outline, marks);
    const run = { name: itemAt(names, kind), ...(mark ? { mark } : {}) };
    const spares =
      withSpares(hands.length, sparesPercent, spareRule(own, { system, marks, spareRules })) - hands.length;
    if (!isHanded) return [{ ...run, outline, count: hands.length + spares }];
    // The outline of a kind is that of its first patch from the front, whichever hand that is.
    const isRight = hands[0] === 'R';
    const [asRight, asLeft] = isRight ? [outline, mirrored(outline)] : [mirrored(outline), outline];
    const right = hands.filter((hand) => hand === 'R').length;
    const rightSpares = Math.round((spares * right) / hands.length);
    const both = [
      { ...run, hand: 'R' as const, outline: asLeft, count: right + rightSpares },
      { ...run, hand: 'L' as const, outline: asRight, count: hands.length - right + spares - rightSpares },
    ];
    return both.filter(({ count }) => count > 0);
  });
}

/** One of each kind as it is seen from the front: what windows and guides are laid on. */
function kindRuns({ patches }: BlockDocument, marks: readonly MarkedPaper[], system: UnitSystem): PaperRun[] {
  const { kinds } = groupPapers(patches);
  const names = nameKinds(kinds, system, marks);
  return kinds.map(({ outline }, kind) => ({ name: itemAt(names, kind), outline, count: 1 }));
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

function shellJob({ parts = [] }: BlockDocument, size: PageSize, system: UnitSystem): PrintJob {
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

import { itemAt } from '../lists';
import type { SewingSettings } from '../assembly';
import type { ProjectBasting, Patch } from '../block';
import { stripCut } from '../cutting';
import type { UnitSystem } from '../length';
import { withSpares } from '../papers';
import { backgroundOf, nameKinds, type Hand, type MarkedPaper, type PaperKind, type Sorted } from '../shapes';

/** Papers of one kind in a bag. */
export interface BagPapers {
  readonly kind: PaperKind;
  readonly name: string;
  readonly count: number;
  readonly spares: number;
  /** Of the count, how many are wrapped each way up; both 0 for papers without a hand. */
  readonly left: number;
  readonly right: number;
}

/** Pieces of one size to cut from one fabric. */
export interface BagCut {
  readonly kindName: string;
  readonly widthMm: number;
  readonly lengthMm: number;
  readonly count: number;
}

export interface BagFabric {
  readonly fabric: string;
  readonly cuts: readonly BagCut[];
}

/** What one maker receives for one block. */
export interface BagContents {
  readonly papers: readonly BagPapers[];
  readonly fabrics: readonly BagFabric[];
}

export interface BagSettings {
  readonly sparesPercent: number;
  readonly allowanceMm: number;
  readonly system: UnitSystem;
  /** Papers of the project that bear a mark because another looks like them. */
  readonly marks?: readonly MarkedPaper[];
  /** How the project folds and holds its papers. */
  readonly basting?: ProjectBasting;
  /** Figures of sewing that the project changed. */
  readonly sewing?: Partial<SewingSettings>;
}

/** Packs one bag for one block: papers per kind with spares, and cloth per fabric as cut sizes. */
export function bagContents(patches: readonly Patch[], sorted: Sorted, settings: BagSettings): BagContents {
  const { kinds, kindOf, handOf } = sorted;
  const names = nameKinds(kinds, settings.system, settings.marks);
  const papers = kinds.map((kind, index) => {
    const hands = handOf.filter((_, patch) => kindOf[patch] === index);
    const count = hands.length;
    const per = (hand: Hand) => hands.filter((own) => own === hand).length;
    const spares = withSpares(count, settings.sparesPercent) - count;
    return { kind, name: itemAt(names, index), count, spares, left: per('L'), right: per('R') };
  });
  const fabrics = [...new Set(patches.map(({ fabric }) => fabric))].sort().map((fabric): BagFabric => {
    const cuts = kinds.flatMap((kind, index) => {
      const count = patches.filter((patch, i) => patch.fabric === fabric && kindOf[i] === index).length;
      const size = stripCut(kind.outline, settings.allowanceMm, settings.system);
      return count === 0 ? [] : [{ kindName: itemAt(names, index), ...size, count }];
    });
    return { fabric, cuts };
  });
  return { papers, fabrics: withBackground(fabrics, patches, settings) };
}

/** A background is cut this much larger on every side, mm: appliqué draws it in, and it is trimmed when it is done. */
export const BACKGROUND_MORE_MM = 25.4;

/** The cloth for a background: its own size, what it is to be sewn in by, and what is trimmed. */
export function backgroundCut(
  patch: Pick<Patch, 'outline'>,
  { allowanceMm, system }: Pick<BagSettings, 'allowanceMm' | 'system'>,
): Omit<BagCut, 'count'> {
  return { kindName: 'the background', ...stripCut(patch.outline, allowanceMm + BACKGROUND_MORE_MM, system) };
}

function withBackground(
  fabrics: readonly BagFabric[],
  patches: readonly Patch[],
  settings: BagSettings,
): BagFabric[] {
  const background = backgroundOf(patches);
  if (background === undefined) return [...fabrics];
  const patch = itemAt(patches, background);
  const cut = { ...backgroundCut(patch, settings), count: 1 };
  return fabrics.map(({ fabric, cuts }) => ({
    fabric,
    cuts: fabric === patch.fabric ? [...cuts, cut] : cuts,
  }));
}

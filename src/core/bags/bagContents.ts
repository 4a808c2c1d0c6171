import { itemAt } from '../lists';
import type { SewingSettings } from '../assembly';
import type { ProjectBasting, Patch } from '../block';
import { stripCut } from '../cutting';
import { roundUpToGrid, type UnitSystem } from '../length';
import { withSpares } from '../papers';
import { spareRule, type SpareRules } from './spareRules';
import { fillsPlace, type BlockEnding } from '../setting';
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
  /** The side of the paper that lies along an edge of the piece, mm. */
  readonly alongMm?: number;
  readonly isOnPoint?: true;
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
  /** What the setting gives this block: square, strips, cornerstones; cut sizes. Their cloth is the host’s choice. */
  readonly extras: readonly BagCut[];
}

export interface BagSettings {
  readonly sparesPercent: number;
  /** Spares of papers that have a rule of their own, by their plain names. */
  readonly spareRules?: SpareRules;
  readonly allowanceMm: number;
  readonly system: UnitSystem;
  /** Papers of the project that bear a mark because another looks like them. */
  readonly marks?: readonly MarkedPaper[];
  /** How the project folds and holds its papers. */
  readonly basting?: ProjectBasting;
  /** Figures of sewing that the project changed. */
  readonly sewing?: Partial<SewingSettings>;
  /** What the setting makes of this block when it is pieced. */
  readonly ending?: BlockEnding;
  /** What renamed cloths were called first: by that name work and bags know them. */
  readonly origins?: Readonly<Record<string, string>>;
}

/** Packs one bag for one block: papers per kind with spares, and cloth per fabric as cut sizes. */
export function bagContents(patches: readonly Patch[], sorted: Sorted, settings: BagSettings): BagContents {
  const { kinds, kindOf, handOf } = sorted;
  const names = nameKinds(kinds, settings.system, settings.marks);
  const papers = kinds.map((kind, index) => {
    const hands = handOf.filter((_, patch) => kindOf[patch] === index);
    const count = hands.length;
    const per = (hand: Hand) => hands.filter((own) => own === hand).length;
    const rule = spareRule(kind, settings);
    const spares = withSpares(count, settings.sparesPercent, rule) - count;
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
  return { papers, fabrics: withBackground(fabrics, patches, settings), extras: extrasOf(patches, settings) };
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

/** What bags and lists call it. */
const SQUARE_NAME = 'background square';

/** The squares that some bags hold, one of each block: for each maker’s top. */
export function squaresOf(bags: readonly Pick<BagContents, 'extras'>[]): Omit<BagCut, 'kindName'>[] {
  return bags.flatMap(({ extras }) =>
    extras.flatMap(({ kindName, ...cut }) => (kindName === SQUARE_NAME ? [cut] : [])),
  );
}

/** The square that a block is sewn onto: its place in the top, what it is to be sewn in by, and what is trimmed. */
export function squareCut(
  { widthMm, heightMm }: Pick<BlockEnding, 'widthMm' | 'heightMm'>,
  { allowanceMm, system }: Pick<BagSettings, 'allowanceMm' | 'system'>,
): Omit<BagCut, 'count'> {
  const more = 2 * (allowanceMm + BACKGROUND_MORE_MM);
  const [across, down] = [widthMm + more, heightMm + more].map((size) => roundUpToGrid(size, system)) as [number, number]; // prettier-ignore
  return { kindName: SQUARE_NAME, widthMm: Math.min(across, down), lengthMm: Math.max(across, down) }; // prettier-ignore
}

/** What the setting gives a block, each with the allowance all round, rounded up to the cutting grid. */
function extrasOf(patches: readonly Patch[], settings: BagSettings): BagCut[] {
  const { ending, allowanceMm, system } = settings;
  if (!ending) return [];
  const cut = (millimetres: number) => roundUpToGrid(millimetres + 2 * allowanceMm, system);
  const isOnSquare = backgroundOf(patches) === undefined && !fillsPlace(patches, ending);
  const square = isOnSquare ? [{ ...squareCut(ending, settings), count: 1 }] : [];
  const bySize = new Map<string, BagCut>();
  for (const { widthMm, lengthMm } of ending.strips) {
    const size = { widthMm: cut(widthMm), lengthMm: cut(lengthMm) };
    const key = `${size.widthMm} × ${size.lengthMm}`;
    bySize.set(key, { kindName: 'strip of sashing', ...size, count: (bySize.get(key)?.count ?? 0) + 1 });
  }
  const stone = cut(ending.cornerstoneMm);
  const stones = ending.cornerstones === 0 ? [] : [{ kindName: 'cornerstone', widthMm: stone, lengthMm: stone, count: ending.cornerstones }]; // prettier-ignore
  return [...square, ...bySize.values(), ...stones];
}

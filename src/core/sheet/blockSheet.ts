import { itemAt } from '../lists';
import type { AssemblyPlan, ReportProgress, School, SewingSettings } from '../assembly';
import type { Hand as TeachersHand } from './sayHand';
import { bagContents, type BagContents, type BagSettings } from '../bags';
import type { Tail } from '../basting';
import {
  findFlatness,
  type BlockDocument,
  type Flatness,
  type OrderChoices,
  type Patch,
  type Problem,
} from '../block';
import { findViolations, type ClothViolation } from '../cloth';
import { boxOfPoints, toPolygon, type Outline, type Point } from '../geometry';
import { markOf, type Hand, type PaperMark } from '../shapes';
import type { ThreadUse } from '../thread';
import type { KindBasting } from './bastingChoices';
import { planBlock } from './planBlock';
import type { SewnChain, Step } from './step';
import { clashViews, kindViews, minutesOf, threadView, type KindView } from './views';

/** One patch as the drawing shows it; its number is its index + 1. */
export interface SheetPatch {
  readonly id: string;
  readonly outline: Outline;
  readonly fabric: string;
  readonly layer: number;
  /** Index of its kind in the sheet; −1 for a background, which has no paper. */
  readonly kind: number;
  readonly hand: Hand;
  /** Sides in the order of folding; sides that stay raw are not among them. */
  readonly foldOrder: readonly number[];
  readonly tails: readonly Tail[];
  /** Sides that stay raw because another piece covers them, or because the host says so. */
  readonly rawSides?: readonly number[];
}

export interface SheetKind extends KindView {
  readonly mark?: PaperMark;
  readonly outline: Outline;
}

/** Everything about one block that its pages show; computed from the document and the project's settings alone. */
export interface BlockSheet {
  readonly patches: readonly SheetPatch[];
  readonly widthMm: number;
  readonly heightMm: number;
  readonly kinds: readonly SheetKind[];
  readonly problems: readonly Problem[];
  /** Where the cloth is against the host's rules. */
  readonly violations: readonly ClothViolation[];
  readonly flatness: Flatness;
  readonly seams: {
    readonly count: number;
    readonly lengthMm: number;
    readonly innerIntersections: number;
    readonly openEdges: number;
    readonly openLengthMm: number;
  };
  readonly plan: {
    readonly joins: number;
    readonly bends: number;
    /** No order has fewer. */
    readonly bendsLeast: number;
    /** Whether every order was weighed. */
    readonly isProven: boolean;
    readonly school: School;
    /** Whether that school has an order for this block; else it is ordered with the fewest bends. */
    readonly isTaught: boolean;
    /** What the host changed in the order, and what that costs. */
    readonly hand?: TeachersHand;
    /** What the host wants of the order, as the document says it. */
    readonly order?: OrderChoices;
    readonly threadStarts: number;
    readonly threadStartsBound: number;
    readonly joinMinutes: number;
    readonly bastingMinutes: number;
    readonly clashes: number;
  };
  readonly basting: {
    /** By kind, in the order of `kinds`. */
    readonly kinds: readonly KindBasting[];
    /** Places where two tails lie across one seam, with the numbers of the two patches. */
    readonly clashes: readonly { readonly at: Point; readonly patches: readonly number[] }[];
    /** Cloths of the block that the host calls very pale. */
    readonly pale: readonly string[];
    /** Ids of the patches to fold clockwise instead so that nothing clashes. */
    readonly refolds: { readonly patches: readonly string[]; readonly isFewest: boolean };
  };
  readonly thread: ThreadUse;
  /** The figures that times and thread were reckoned with. */
  readonly sewing: SewingSettings;
  readonly steps: readonly Step[];
  readonly bag: BagContents;
}

/**
 * Computes the sheet of a block. Cost: that of the plan, about n log n; little where the order is known.
 * @param known the order as planOrder gives it for these patches and choices
 */
export function blockSheet(
  patches: readonly Patch[],
  settings: BagSettings,
  onProgress?: ReportProgress,
  document: Pick<BlockDocument, 'rules' | 'order' | 'basting' | 'notes'> = {},
  known?: AssemblyPlan,
): BlockSheet {
  const block = planBlock(patches, settings, onProgress, document, known);
  const { graph, problems, sorted, plan, hand, chosen, kindBastings, basting, refolds, rawSides, steps } = block; // prettier-ignore
  const { order, rules = [], notes = {} } = document;
  const bag = bagContents(graph.patches, sorted, settings);
  const box = boxOfPoints(graph.patches.flatMap(({ outline }) => toPolygon(outline)));
  const { outlines, widthMm, heightMm } = atOrigin(
    graph.patches.map(({ outline }) => outline),
    box,
  );
  const shift = ({ x, y }: Point): Point => ({ x: x - box.minX, y: y - box.minY });
  return {
    patches: graph.patches.map(({ id, fabric, layer }, patch) => ({
      id,
      outline: outlines[patch] as Outline,
      fabric,
      layer,
      kind: itemAt(sorted.kindOf, patch),
      hand: itemAt(sorted.handOf, patch),
      ...foldsOf(
        graph.patches[patch]?.outline.corners.length ?? 0,
        rawSides[patch] ?? [],
        basting.patches[patch]?.fold.order ?? [],
        basting.patches[patch]?.tails ?? [],
      ),
    })),
    widthMm,
    heightMm,
    kinds: kindViews(block).map((kind, index) => {
      const { outline } = itemAt(sorted.kinds, index);
      return { ...kind, ...markField(markOf(outline, settings.marks ?? [])), outline };
    }),
    problems: problems.map((problem) => ({ ...problem, at: shift(problem.at) })),
    violations: findViolations(graph, rules).map((one) => ({ ...one, at: shift(one.at) })),
    flatness: shiftFaults(findFlatness(graph), shift),
    seams: {
      count: graph.seams.length,
      lengthMm: graph.seams.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
      innerIntersections: graph.isInner.filter(
        (inner, place) => inner && (graph.seamsAt[place]?.length ?? 0) >= 3,
      ).length,
      openEdges: graph.openEdges.length,
      openLengthMm: graph.openEdges.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
    },
    plan: {
      joins: plan.totals.joins,
      bends: plan.totals.bends,
      bendsLeast: plan.bendsLeast,
      isProven: plan.isProven,
      school: plan.school,
      isTaught: plan.isTaught,
      ...(hand ? { hand } : {}),
      ...(order ? { order } : {}),
      threadStarts: plan.totals.threadStarts,
      threadStartsBound: plan.totals.threadStartsBound,
      joinMinutes: plan.totals.minutes,
      bastingMinutes: minutesOf(steps, 'baste'),
      clashes: basting.clashes.length,
    },
    basting: {
      kinds: kindBastings,
      pale: [...new Set(graph.patches.map(({ fabric }) => fabric))]
        .filter((cloth) => chosen.pale.has(cloth))
        .sort(),
      clashes: clashViews(block).map(({ at, patches: two }) => ({
        at: shift(at),
        patches: two.map((patch) => patch + 1),
      })),
      refolds: { ...refolds, patches: refolds.patches.map((patch) => graph.patches[patch]?.id as string) },
    },
    sewing: block.sewing,
    thread: threadView(block),
    steps: steps.map((step) => {
      const hostNote = Object.hasOwn(notes, step.id) ? notes[step.id] : undefined;
      const placed: Step =
        step.kind === 'join'
          ? {
              ...step,
              chains: step.chains.map((chain) => shiftChain(chain, shift)),
              folds: step.folds.map((fold) => ({ ...fold, at: shift(fold.at) })),
            }
          : step;
      return hostNote ? { ...placed, hostNote } : placed;
    }),
    bag,
  };
}

function atOrigin(
  outlines: readonly Outline[],
  box: { minX: number; minY: number; maxX: number; maxY: number },
) {
  return {
    outlines: outlines.map(({ corners, bulges }) => ({
      corners: corners.map(({ x, y }) => ({ x: x - box.minX, y: y - box.minY })),
      bulges,
    })),
    widthMm: box.maxX - box.minX,
    heightMm: box.maxY - box.minY,
  };
}

/** Raw sides are not folded, so they have no place in the order and leave no tails. */
function foldsOf(
  count: number,
  rawSides: readonly number[],
  order: readonly number[],
  tails: readonly Tail[],
): Pick<SheetPatch, 'foldOrder' | 'tails' | 'rawSides'> {
  if (rawSides.length === 0) return { foldOrder: order, tails };
  const isRaw = (side: number) => rawSides.includes(side);
  return {
    foldOrder: order.filter((side) => !isRaw(side)),
    tails: tails.filter(({ corner }) => !isRaw(corner) && !isRaw((corner + count - 1) % count)),
    rawSides,
  };
}

function markField(mark: PaperMark | undefined): { mark?: PaperMark } {
  return mark ? { mark } : {};
}

function shiftFaults(flatness: Flatness, shift: Shift): Flatness {
  return { ...flatness, faults: flatness.faults.map((fault) => ({ ...fault, at: shift(fault.at) })) };
}

type Shift = (point: Point) => Point;

function shiftChain({ crossing, ...chain }: SewnChain, shift: Shift): SewnChain {
  const { path, knots, locks, bends, slides } = chain;
  return {
    ...chain,
    path: path.map(shift),
    knots: knots.map(shift),
    locks: locks.map(shift),
    bends: bends.map(shift),
    slides: slides.map((slide) => ({ ...slide, from: shift(slide.from), to: shift(slide.to) })),
    ...(crossing ? { crossing: shift(crossing) } : {}),
  };
}

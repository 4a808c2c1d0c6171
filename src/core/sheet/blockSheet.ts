import { itemAt } from '../lists';
import type { AssemblyPlan, OtherOrder, ReportProgress, School, SewingSettings } from '../assembly';
import type { Hand as TeachersHand } from './sayHand';
import { bagContents, type BagContents, type BagSettings } from '../bags';
import type { Refold, Tail } from '../basting';
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
import type { BlockThread } from '../thread';
import type { KindBasting } from './bastingChoices';
import { Making, bagMark, marksOf } from './made';
import { planBlock, type PlannedBlock } from './planBlock';
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
    /** A school that a teacher would show, and what it costs more than this order. */
    readonly taughtOtherwise?: OtherOrder;
    /** The quickest order, and what it spares, where that is noticeable. */
    readonly quickerOtherwise?: OtherOrder;
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
    /** Patches, by their id, to fold all round instead so that nothing clashes, and which way. */
    readonly refolds: {
      readonly folds: readonly (Pick<Refold, 'convention'> & { readonly patch: string })[];
      readonly isFewest: boolean;
    };
  };
  readonly thread: BlockThread;
  /** The figures that times and thread were reckoned with. */
  readonly sewing: SewingSettings;
  readonly steps: readonly Step[];
  readonly bag: BagContents;
  /** What each patch is made of, by its place; see {@link marksOf}. */
  readonly marks: readonly string[];
  readonly bagMark: string;
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
  const { graph, problems, sorted, chosen, kindBastings, basting, refolds, rawSides, steps } = block;
  const { order, rules = [], notes = {} } = document;
  const bag = bagContents(graph.patches, sorted, settings);
  const box = boxOfPoints(graph.patches.flatMap(({ outline }) => toPolygon(outline)));
  const { outlines, widthMm, heightMm } = atOrigin(
    graph.patches.map(({ outline }) => outline),
    box,
  );
  const shift = ({ x, y }: Point): Point => ({ x: x - box.minX, y: y - box.minY });
  const sheetPatches = graph.patches.map(({ id, fabric, layer }, patch) => ({
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
  }));
  const kinds = kindViews(block).map((kind, index) => {
    const { outline } = itemAt(sorted.kinds, index);
    return { ...kind, ...markField(markOf(outline, settings.marks ?? [])), outline };
  });
  const marks = marksOf(sheetPatches, kinds, settings.origins);
  const placeOf = new Map(sheetPatches.map(({ id }, patch) => [id, patch]));
  const making = new Making((id) => marks[placeOf.get(id) ?? -1]);
  return {
    patches: sheetPatches,
    widthMm,
    heightMm,
    kinds,
    problems: problems.map((problem) => ({ ...problem, at: shift(problem.at) })),
    violations: findViolations(graph, rules).map((one) => ({ ...one, at: shift(one.at) })),
    flatness: shiftFaults(findFlatness(graph), shift),
    seams: seamTotals(graph),
    plan: planTotals(block, order),
    basting: {
      kinds: kindBastings,
      pale: [...new Set(graph.patches.map(({ fabric }) => fabric))]
        .filter((cloth) => chosen.pale.has(cloth))
        .sort(),
      clashes: clashViews(block).map(({ at, patches: two }) => ({
        at: shift(at),
        patches: two.map((patch) => patch + 1),
      })),
      refolds: {
        ...refolds,
        folds: refolds.folds.map(({ patch, convention }) => ({
          patch: itemAt(graph.patches, patch).id,
          convention,
        })),
      },
    },
    sewing: block.sewing,
    thread: threadView(block),
    steps: steps.map((step) => {
      const own = step.kind === 'join' ? [...step.left, ...step.right] : step.patches;
      const made = making.of(own.map((patch) => itemAt(sheetPatches, patch).id));
      const hostNote = Object.hasOwn(notes, step.id) ? notes[step.id] : undefined;
      return { ...placed(step, shift), made, ...(hostNote ? { hostNote } : {}) };
    }),
    bag,
    marks,
    bagMark: bagMark(bag, settings.origins),
  };
}

function seamTotals({ seams, openEdges, isInner, seamsAt }: PlannedBlock['graph']): BlockSheet['seams'] {
  return {
    count: seams.length,
    lengthMm: seams.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
    innerIntersections: isInner.filter((inner, place) => inner && (seamsAt[place]?.length ?? 0) >= 3).length,
    openEdges: openEdges.length,
    openLengthMm: openEdges.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
  };
}

function planTotals(
  { plan, hand, steps, basting }: PlannedBlock,
  order: OrderChoices | undefined,
): BlockSheet['plan'] {
  const { totals, bendsLeast, isProven, school, isTaught, taughtOtherwise, quickerOtherwise } = plan;
  return {
    joins: totals.joins,
    bends: totals.bends,
    bendsLeast,
    isProven,
    school,
    isTaught,
    ...(taughtOtherwise ? { taughtOtherwise } : {}),
    ...(quickerOtherwise ? { quickerOtherwise } : {}),
    ...(hand ? { hand } : {}),
    ...(order ? { order } : {}),
    threadStarts: totals.threadStarts,
    threadStartsBound: totals.threadStartsBound,
    joinMinutes: totals.minutes,
    bastingMinutes: minutesOf(steps, 'baste'),
    clashes: basting.clashes.length,
  };
}

/** A step with its threads and folds where the drawing has them. */
function placed(step: Step, shift: Shift): Step {
  if (step.kind !== 'join') return step;
  return {
    ...step,
    chains: step.chains.map((chain) => shiftChain(chain, shift)),
    folds: step.folds.map((fold) => ({ ...fold, at: shift(fold.at) })),
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

import { DEFAULT_SEWING, planAssembly, type ReportProgress } from '../assembly';
import { bagContents, type BagContents, type BagSettings } from '../bags';
import { planBasting, type Tail } from '../basting';
import { analyseBlock, type Patch, type Problem } from '../block';
import { areaOf, boxOfPoints, toPolygon, type Outline, type Point } from '../geometry';
import { groupKinds, nameKinds, type Hand } from '../shapes';
import { threadUse, type ThreadUse } from '../thread';
import { stepsOf, type Step } from './steps';

/** One patch as the drawing shows it; its number is its index + 1. */
export interface SheetPatch {
  readonly id: string;
  readonly outline: Outline;
  readonly fabric: string;
  readonly layer: number;
  /** Index of its kind in the sheet. */
  readonly kind: number;
  readonly hand: Hand;
  readonly foldOrder: readonly number[];
  readonly tails: readonly Tail[];
}

export interface SheetKind {
  readonly id: string;
  readonly name: string;
  readonly outline: Outline;
  readonly count: number;
  readonly left: number;
  readonly right: number;
  readonly areaMm2: number;
  readonly edgesMm: readonly number[];
  readonly anglesDeg: readonly number[];
}

/** Everything about one block that its pages show; computed from the document and the project's settings alone. */
export interface BlockSheet {
  readonly patches: readonly SheetPatch[];
  readonly widthMm: number;
  readonly heightMm: number;
  readonly kinds: readonly SheetKind[];
  readonly problems: readonly Problem[];
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
    readonly bendsBound: number;
    readonly threadStarts: number;
    readonly joinMinutes: number;
    readonly bastingMinutes: number;
    readonly clashes: number;
  };
  readonly thread: ThreadUse;
  readonly steps: readonly Step[];
  readonly bag: BagContents;
}

/** Computes the sheet of a block. Cost: that of the plan, about n log n. */
export function blockSheet(
  patches: readonly Patch[],
  settings: BagSettings,
  onProgress?: ReportProgress,
): BlockSheet {
  const { graph, problems } = analyseBlock(patches);
  const sorted = groupKinds(graph.patches.map(({ outline }) => outline));
  const plan = planAssembly(graph, DEFAULT_SEWING, onProgress);
  const basting = planBasting(graph, settings.allowanceMm);
  const kindNames = nameKinds(sorted.kinds, settings.system);
  const steps = stepsOf({ graph, plan, sorted, kindNames, system: settings.system });
  const bag = bagContents(graph.patches, sorted, settings);
  const box = boxOfPoints(graph.patches.flatMap(({ outline }) => toPolygon(outline)));
  const chains = plan.joins.flatMap((join) => join.chains.map(({ lengthMm }) => lengthMm));
  const { stitchesPerMm, usableNeedlefulMm } = DEFAULT_SEWING;
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
      kind: sorted.kindOf[patch] as number,
      hand: sorted.handOf[patch] as Hand,
      foldOrder: basting.patches[patch]?.fold.order ?? [],
      tails: basting.patches[patch]?.tails ?? [],
    })),
    widthMm,
    heightMm,
    kinds: sorted.kinds.map(({ id, outline, signature }, index) => ({
      id,
      name: kindNames[index] as string,
      outline,
      count: bag.papers[index]?.count ?? 0,
      left: bag.papers[index]?.left ?? 0,
      right: bag.papers[index]?.right ?? 0,
      areaMm2: areaOf(outline),
      edgesMm: signature.map(({ edgeMm }) => edgeMm),
      anglesDeg: signature.map(({ angleDeg }) => angleDeg),
    })),
    problems: problems.map((problem) => ({ ...problem, at: shift(problem.at) })),
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
      bendsBound: plan.bendsBound,
      threadStarts: plan.totals.threadStarts,
      joinMinutes: plan.totals.minutes,
      bastingMinutes: steps.reduce((sum, step) => sum + (step.kind === 'baste' ? step.minutes : 0), 0),
      clashes: basting.clashes.length,
    },
    thread: threadUse(chains, plan.totals.threadStarts, stitchesPerMm, usableNeedlefulMm),
    steps: steps.map((step) =>
      step.kind === 'join' ? { ...step, chains: step.chains.map((chain) => shiftChain(chain, shift)) } : step,
    ),
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

type Shift = (point: Point) => Point;

function shiftChain<T extends { path: readonly Point[]; knots: readonly Point[]; bends: readonly Point[] }>(
  chain: T,
  shift: Shift,
) {
  return { path: chain.path.map(shift), knots: chain.knots.map(shift), bends: chain.bends.map(shift) };
}

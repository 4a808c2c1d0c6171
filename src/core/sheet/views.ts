import type { Chain } from '../assembly';
import type { SeamGraph } from '../block';
import { itemAt } from '../lists';
import { areaOf, type Point } from '../geometry';
import { seamOfNeedleful, threadUse, type BlockThread } from '../thread';
import { halfWayOf } from './joinNotes';
import type { PlannedBlock } from './planBlock';
import type { Step } from './step';

/** A kind of paper of a block, with how many of it and how many each way up. */
export interface KindView {
  readonly id: string;
  /** With its mark, where it bears one. */
  readonly name: string;
  readonly count: number;
  readonly left: number;
  readonly right: number;
  readonly areaMm2: number;
  readonly edgesMm: readonly number[];
  readonly anglesDeg: readonly number[];
}

/** The kinds of a block as pages and the plan document tell them. */
export function kindViews({ sorted, kindNames }: Pick<PlannedBlock, 'sorted' | 'kindNames'>): KindView[] {
  return sorted.kinds.map(({ id, outline, signature }, index) => {
    const hands = sorted.handOf.filter((_, patch) => sorted.kindOf[patch] === index);
    return {
      id,
      name: itemAt(kindNames, index),
      count: hands.length,
      left: hands.filter((hand) => hand === 'L').length,
      right: hands.filter((hand) => hand === 'R').length,
      areaMm2: areaOf(outline),
      edgesMm: signature.map(({ edgeMm }) => edgeMm),
      anglesDeg: signature.map(({ angleDeg }) => angleDeg),
    };
  });
}

/** Stitches, metres and needlefuls of all joins of a block. */
export function threadView({
  plan,
  sewing,
  graph,
}: Pick<PlannedBlock, 'plan' | 'sewing' | 'graph'>): BlockThread {
  const runs = plan.joins.flatMap(({ chains }) =>
    chains.map((chain) => ({ lengthMm: chain.lengthMm, knots: knotsOn(graph, chain) })),
  );
  const hiddenMm = plan.joins.reduce((sum, { chains }) => sum + chains.reduce((all, { slides }) => all + slides.reduce((own, { lengthMm }) => own + lengthMm, 0), 0), 0); // prettier-ignore
  const { stitchesPerMm, usableNeedlefulMm } = sewing;
  const use = threadUse(runs, plan.totals.threadStarts, stitchesPerMm, usableNeedlefulMm, hiddenMm);
  return { ...use, seamOfNeedlefulMm: seamOfNeedleful(stitchesPerMm, usableNeedlefulMm) };
}

/** Knots of a run as the steps ask for them: at every intersection, both ends included, and half-way on long seams. */
function knotsOn(graph: SeamGraph, { steps }: Chain): number {
  const locks = steps.reduce((sum, { seam }) => sum + halfWayOf(itemAt(graph.seams, seam)).length, 0);
  return steps.length + 1 + locks;
}

/** Minutes of all steps of a kind. */
export function minutesOf(steps: readonly Step[], kind: Step['kind']): number {
  return steps.reduce((sum, step) => sum + (step.kind === kind ? step.minutes : 0), 0);
}

/** Places where two tails lie across one seam, with the indices of its patches. */
export function clashViews({ basting, graph }: Pick<PlannedBlock, 'basting' | 'graph'>): {
  readonly seam: string;
  readonly at: Point;
  readonly patches: readonly number[];
}[] {
  return basting.clashes.map(({ seam, at }) => {
    const { id, patches } = itemAt(graph.seams, seam);
    return { seam: id, at, patches };
  });
}

import { DEFAULT_SEWING, planAssembly, type AssemblyPlan, type ReportProgress } from '../assembly';
import { planBasting } from '../basting';
import { analyseBlock, type Patch, type Problem } from '../block';
import { areaOf, cornerAngle, perimeterOf, type Point } from '../geometry';
import type { UnitSystem } from '../length';
import { papersInPlay } from '../papers';
import { groupKinds, nameKinds } from '../shapes';
import { threadUse } from '../thread';

/** Default allowance: ¼″. */
export const DEFAULT_ALLOWANCE_MM = 6.35;

export interface PlanOptions {
  readonly allowanceMm: number;
  readonly system: UnitSystem;
  readonly onProgress?: ReportProgress;
}

/** The plan of one drawing as an open document, `kevlo.plan/1`; lengths in mm, angles in degrees. */
export type PlanDocument = ReturnType<typeof planDocument>;

/**
 * Computes everything about one drawing: kinds, seams, order of sewing, basting, papers and thread.
 * @param drawingProblems what the import already found; listed first
 */
export function planDocument(
  patches: readonly Patch[],
  drawingProblems: readonly Problem[],
  options: PlanOptions,
) {
  const { graph, problems } = analyseBlock(patches);
  const sorted = groupKinds(graph.patches.map(({ outline }) => outline));
  const assembly = planAssembly(graph, DEFAULT_SEWING, options.onProgress);
  const basting = planBasting(graph, options.allowanceMm);
  const id = (patch: number) => graph.patches[patch]?.id as string;
  const kindId = (patch: number) => sorted.kinds[sorted.kindOf[patch] as number]?.id as string;
  const names = nameKinds(sorted.kinds, options.system);
  const seamId = (seam: number) => graph.seams[seam]?.id as string;
  return {
    format: 'kevlo.plan/1' as const,
    unit: 'mm' as const,
    patches: graph.patches.map(({ outline, fabric, layer }, patch) => ({
      id: id(patch),
      kind: kindId(patch),
      hand: sorted.handOf[patch] as string,
      fabric,
      layer,
      areaMm2: round(areaOf(outline)),
      perimeterMm: round(perimeterOf(outline)),
      corners: outline.corners.map(({ x, y }, corner) => ({
        x: round(x),
        y: round(y),
        angleDeg: round(cornerAngle(outline, corner)),
      })),
    })),
    kinds: sorted.kinds.map(({ id: kind, signature }, index) => {
      const hands = sorted.handOf.filter((_, patch) => sorted.kindOf[patch] === index);
      return {
        id: kind,
        name: names[index] as string,
        count: hands.length,
        left: hands.filter((hand) => hand === 'L').length,
        right: hands.filter((hand) => hand === 'R').length,
        edgesMm: signature.map(({ edgeMm }) => round(edgeMm)),
        anglesDeg: signature.map(({ angleDeg }) => round(angleDeg)),
      };
    }),
    seams: graph.seams.map(({ id: seam, patches: pair, lengthMm, path }) => ({
      id: seam,
      patches: pair.map(id),
      lengthMm: round(lengthMm),
      path: path.map(pair2),
    })),
    openEdges: graph.openEdges.map(({ patch, lengthMm, path }) => ({
      patch: id(patch),
      lengthMm: round(lengthMm),
      path: path.map(pair2),
    })),
    problems: [...drawingProblems, ...problems].map(({ code, message, at, patches: ids }) => ({
      code,
      message,
      at: pair2(at),
      patches: ids,
    })),
    assembly: assemblyDocument(assembly, id, seamId),
    basting: {
      allowanceMm: options.allowanceMm,
      patches: basting.patches.map(({ fold, tails }, patch) => ({
        patch: id(patch),
        foldOrder: fold.order,
        tucked: fold.isTucked,
        tails: tails.map(({ corner, overEdge, lengthMm }) => ({
          corner,
          overEdge,
          lengthMm: round(lengthMm),
        })),
      })),
      clashes: basting.clashes.map(({ seam, at }) => ({
        seam: seamId(seam),
        at: pair2(at),
        patches: graph.seams[seam]?.patches.map(id) ?? [],
      })),
    },
    papers: papersInPlay(graph, assembly.joins, sorted.kindOf, sorted.kinds.length).map((need, index) => ({
      kind: sorted.kinds[index]?.id as string,
      ...need,
    })),
    thread: threadDocument(assembly),
  };
}

function assemblyDocument(
  plan: AssemblyPlan,
  id: (patch: number) => string,
  seamId: (seam: number) => string,
) {
  return {
    school: plan.school,
    bendsBound: plan.bendsBound,
    totals: { ...plan.totals, minutes: round(plan.totals.minutes) },
    joins: plan.joins.map((join) => ({
      id: join.id,
      left: join.left.map(id),
      right: join.right.map(id),
      seams: join.seams.map(seamId),
      chains: join.chains.length,
      bends: join.bends,
      lengthMm: round(join.lengthMm),
      threadStarts: join.threadStarts,
      minutes: round(join.minutes),
      releases: join.releases.map(id),
    })),
  };
}

function threadDocument({ joins, totals }: AssemblyPlan) {
  const lengths = joins.flatMap(({ chains }) => chains.map(({ lengthMm }) => lengthMm));
  const { stitchesPerMm, usableNeedlefulMm } = DEFAULT_SEWING;
  const { stitches, metres, needlefuls } = threadUse(
    lengths,
    totals.threadStarts,
    stitchesPerMm,
    usableNeedlefulMm,
  );
  return { stitches, metres: round(metres), needlefuls };
}

/** Six decimals: a nanometre, below which doubles say nothing about cloth. */
function round(value: number): number {
  return Math.round(value * 1e6) / 1e6;
}

function pair2({ x, y }: Point): [number, number] {
  return [round(x), round(y)];
}

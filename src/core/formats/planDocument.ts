import { itemAt } from '../lists';
import {
  compareSchools,
  type OtherOrder,
  type ReportProgress,
  type School,
  type SewingSettings,
} from '../assembly';
import { findFlatness, type BlockDocument, type Patch, type Problem } from '../block';
import { areaOf, cornerAngle, perimeterOf } from '../geometry';
import type { UnitSystem } from '../length';
import { BASTE_POLICIES, papersInPlay, takingOut, type BastePolicy } from '../papers';
import { clashViews, kindViews, minutesOf, planBlock, threadView, type PlannedBlock } from '../sheet';
import { NO_PAPER } from '../shapes';
import type { WeldReport } from '../weld';
import { joinsDocument, kindBastingDocument, pair, round, stepsDocument } from './planSteps';

/** Default allowance: ¼″. */
export const DEFAULT_ALLOWANCE_MM = 6.35;

export interface PlanOptions {
  readonly allowanceMm: number;
  readonly system: UnitSystem;
  /** Figures of sewing that are not those of the craft. */
  readonly sewing?: Partial<SewingSettings>;
  readonly onProgress?: ReportProgress;
  /** Which order is planned; the drawing's own by default, else the best. */
  readonly school?: School;
  /** When patches are basted; the drawing's own by default, else all first. */
  readonly policy?: BastePolicy;
  /** What came with the drawing: the order and the basting that its host chose. */
  readonly choices?: Pick<BlockDocument, 'order' | 'basting'>;
  /** What was put right in the drawing before it was planned. */
  readonly weld?: WeldReport;
}

/** Blocks of up to this many patches are also planned by the other schools, for comparison. */
const MOST_COMPARED = 150;

/** The plan of one drawing as an open document, `kevlo.plan/1`; lengths in mm, angles in degrees. */
export type PlanDocument = ReturnType<typeof planDocument>;

/**
 * Computes everything about one drawing: kinds, seams, order of sewing with what to mind in each join, basting, papers,
 * thread, and all of it as one stream of steps.
 * @param drawingProblems what the import already found; listed first
 */
export function planDocument(
  patches: readonly Patch[],
  drawingProblems: readonly Problem[],
  { onProgress, choices = {}, weld, ...options }: PlanOptions,
) {
  const school = options.school ?? (choices.order?.school as School | undefined) ?? 'best';
  const policy = options.policy ?? choices.order?.policy;
  const order = { ...choices.order, school, ...(policy ? { policy } : {}) };
  const block = planBlock(patches, options, onProgress, { ...choices, order });
  const { graph, problems, sorted } = block;
  const id = (patch: number) => graph.patches[patch]?.id as string;
  return {
    format: 'kevlo.plan/1' as const,
    unit: 'mm' as const,
    patches: patchesDocument(block),
    kinds: kindViews(block).map(({ areaMm2: _area, edgesMm, anglesDeg, ...kind }, index) => ({
      ...kind,
      edgesMm: edgesMm.map(round),
      anglesDeg: anglesDeg.map(round),
      basting: kindBastingDocument(block, index),
    })),
    seams: graph.seams.map(({ id: seam, patches: two, lengthMm, path }) => ({
      id: seam,
      patches: two.map(id),
      lengthMm: round(lengthMm),
      path: path.map(pair),
    })),
    openEdges: graph.openEdges.map(({ patch, lengthMm, path }) => ({
      patch: id(patch),
      lengthMm: round(lengthMm),
      path: path.map(pair),
    })),
    ...(weld ? { weld: weldDocument(weld) } : {}),
    flatness: flatnessDocument(block),
    problems: [...drawingProblems, ...problems].map(({ code, message, at, patches: ids }) => ({
      code,
      message,
      at: pair(at),
      patches: ids,
    })),
    assembly: assemblyDocument(block),
    basting: { allowanceMm: options.allowanceMm, ...bastingDocument(block) },
    steps: stepsDocument(block),
    minutes: minutesDocument(block),
    policy: block.policy,
    papers: papersInPlay(block.plan.joins, sorted.kindOf, sorted.kinds.length, block.policy).map(
      (need, index) => ({ kind: sorted.kinds[index]?.id as string, ...need }),
    ),
    policies: policiesDocument(block),
    takingOut: takingOutDocument(block),
    thread: threadDocument(block),
  };
}

function patchesDocument({ graph, sorted, rawSides }: PlannedBlock) {
  return graph.patches.map(({ id, outline, fabric, layer }, patch) => {
    const kind = itemAt(sorted.kindOf, patch);
    return {
      id,
      number: patch + 1,
      ...(kind === NO_PAPER ? { isBackground: true as const } : { kind: sorted.kinds[kind]?.id as string }),
      hand: sorted.handOf[patch] as string,
      fabric,
      layer,
      areaMm2: round(areaOf(outline)),
      perimeterMm: round(perimeterOf(outline)),
      rawSides: rawSides[patch] ?? [],
      corners: outline.corners.map(({ x, y }, corner) => ({
        x: round(x),
        y: round(y),
        angleDeg: round(cornerAngle(outline, corner)),
      })),
    };
  });
}

function flatnessDocument({ graph }: PlannedBlock) {
  const { innerPoints, faults } = findFlatness(graph);
  const told = faults.map((fault) => ({
    ...fault,
    at: pair(fault.at),
    missingDeg: round(fault.missingDeg),
  }));
  return { innerPoints, faults: told };
}

function bastingDocument(block: PlannedBlock) {
  const id = (patch: number) => block.graph.patches[patch]?.id as string;
  return {
    patches: block.basting.patches.map(({ fold, tails }, patch) => ({
      patch: id(patch),
      foldOrder: fold.order,
      tucked: fold.isTucked,
      tails: tails.map(({ corner, overEdge, lengthMm }) => ({ corner, overEdge, lengthMm: round(lengthMm) })),
    })),
    clashes: clashViews(block).map(({ seam, at, patches }) => ({
      seam,
      at: pair(at),
      patches: patches.map(id),
    })),
    refolds: {
      patches: block.refolds.folds.map(({ patch }) => id(patch)),
      conventions: block.refolds.folds.map(({ convention }) => convention),
      isFewest: block.refolds.isFewest,
    },
  };
}

function weldDocument({ farthestMm, ...counts }: WeldReport) {
  return { ...counts, farthestMm: round(farthestMm) };
}

function assemblyDocument(block: PlannedBlock) {
  const { plan, graph } = block;
  const known = block.hand ? undefined : plan;
  const schools = graph.patches.length > MOST_COMPARED ? [] : compareSchools(graph, block.sewing, known);
  return {
    school: plan.school,
    isTaught: plan.isTaught,
    ...(plan.taughtOtherwise ? { taughtOtherwise: otherOrder(plan.taughtOtherwise) } : {}),
    ...(plan.quickerOtherwise ? { quickerOtherwise: otherOrder(plan.quickerOtherwise) } : {}),
    bendsBound: plan.bendsBound,
    bendsLeast: plan.bendsLeast,
    isProven: plan.isProven,
    totals: { ...plan.totals, minutes: round(plan.totals.minutes) },
    ...(block.hand ? { hand: block.hand } : {}),
    joins: joinsDocument(block),
    schools: schools.map(({ name: _name, what: _what, ...one }) => ({
      ...one,
      minutes: round(one.minutes),
      repeatedShare: round(one.repeatedShare),
    })),
  };
}

function otherOrder(other: OtherOrder) {
  return { ...other, minutes: round(other.minutes) };
}

function minutesDocument({ steps }: PlannedBlock) {
  return {
    basting: round(minutesOf(steps, 'baste')),
    joining: round(minutesOf(steps, 'join')),
    applique: round(minutesOf(steps, 'applique')),
    finish: round(minutesOf(steps, 'finish')),
  };
}

/** Papers to cut and most in use at once, for every time of basting. */
function policiesDocument({ plan, sorted }: PlannedBlock) {
  return BASTE_POLICIES.map((policy) => {
    const needs = papersInPlay(plan.joins, sorted.kindOf, sorted.kinds.length, policy);
    return {
      policy,
      needed: needs.reduce((sum, { needed }) => sum + needed, 0),
      peakInUse: needs.reduce((sum, { peakInUse }) => sum + peakInUse, 0),
    };
  });
}

function takingOutDocument({ plan, graph, sewing }: PlannedBlock) {
  const { sittings, mostInHand, heavyMinutes } = takingOut(plan.joins, sewing);
  return {
    mostInHand,
    heavyMinutes: {
      sittings: round(heavyMinutes.sittings),
      atOnce: round(heavyMinutes.atOnce),
      kept: round(heavyMinutes.kept),
    },
    sittings: sittings.map(({ beforeJoin, patches, inHandBefore, inHandAfter }) => ({
      beforeJoin: plan.joins[beforeJoin]?.id as string,
      patches: patches.map((patch) => graph.patches[patch]?.id as string),
      inHandBefore,
      inHandAfter,
    })),
  };
}

function threadDocument(block: PlannedBlock) {
  const { metres, stitches, needlefuls } = threadView(block);
  return { stitches, needlefuls, metres: round(metres) };
}

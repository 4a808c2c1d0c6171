import { itemAt, lastOf } from '../lists';
import { unitKey } from '../assembly';
import { BASTE_METHODS, FOLD_CONVENTIONS } from '../basting';
import type { Point } from '../geometry';
import type { JoinStep, PlannedBlock } from '../sheet';

/** Six decimals: a nanometre, below which doubles say nothing about cloth. */
export function round(value: number): number {
  return Math.round(value * 1e6) / 1e6;
}

/** A point as the plan document writes it. */
export function pair({ x, y }: Point): [number, number] {
  return [round(x), round(y)];
}

/** The joins of a plan, each with all that is to be minded within it. */
export function joinsDocument({ graph, plan, steps }: PlannedBlock) {
  const id = (patch: number) => graph.patches[patch]?.id as string;
  const seamId = (seam: number) => graph.seams[seam]?.id as string;
  const joinSteps = steps.filter((step): step is JoinStep => step.kind === 'join');
  const makerOf = new Map(joinSteps.map(({ left, right, makes }) => [unitKey([...left, ...right]), makes]));
  return plan.joins.map((join, index) => {
    const step = itemAt(joinSteps, index);
    return {
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
      papersInHand: join.papersInHand,
      ...(join.repeat ? { repeat: join.repeat } : {}),
      ...(join.isLaid ? { isLaid: true } : {}),
      step: step.id,
      makes: step.makes,
      from: [join.left, join.right].map((unit) => makerOf.get(unitKey(unit)) ?? id(itemAt(unit, 0))),
      carriesOn: join.carriesOn,
      /** Each run in the direction of sewing: its seams, from the start to the end. */
      runs: step.chains.map(({ path, knots, bends, locks, crossing, carriesOn, slides }, run) => ({
        seams: join.chains[run]?.steps.map(({ seam }) => seamId(seam)) ?? [],
        start: pair(itemAt(path, 0)),
        end: pair(lastOf(path)),
        knots: knots.map(pair),
        locks: locks.map(pair),
        bends: bends.map(pair),
        ...(crossing ? { crossing: pair(crossing) } : {}),
        carriesOn,
        slides: slides.map(({ patch, side, from, to, lengthMm }) => ({
          along: [id(patch), side],
          from: pair(from),
          to: pair(to),
          lengthMm: round(lengthMm),
        })),
      })),
      folds: step.folds.map(({ at, patches }) => ({ at: pair(at), patches: patches.map(id) })),
      thread: { ...step.thread, threadMm: round(step.thread.threadMm) },
      check: checkDocument(step.check),
      text: step.text,
      notes: step.notes,
    };
  });
}

function checkDocument({ acrossMm, longMm, nextEdge, ...check }: JoinStep['check']) {
  return {
    ...check,
    acrossMm: round(acrossMm),
    longMm: round(longMm),
    ...(nextEdge ? { nextEdge: { ...nextEdge, lengthMm: round(nextEdge.lengthMm) } } : {}),
  };
}

/** Basting, joining and appliqué in one stream, in the order of work. */
export function stepsDocument({ graph, steps, plan }: PlannedBlock) {
  const id = (patch: number) => graph.patches[patch]?.id as string;
  let join = 0;
  return steps.map((step) => {
    const common = { id: step.id, kind: step.kind, minutes: round(step.minutes), text: step.text };
    switch (step.kind) {
      case 'join':
        return { ...common, join: plan.joins[join++]?.id as string };
      case 'baste':
        return { ...common, patches: step.patches.map(id), method: step.method };
      case 'finish':
        return { ...common, patches: step.patches.map(id) };
      case 'applique':
        return { ...common, patches: step.patches.map(id), lengthMm: round(step.lengthMm) };
    }
  });
}

/** How the papers of each kind are folded and held, with what else could be chosen. */
export function kindBastingDocument({ kindBastings, graph }: PlannedBlock, kind: number) {
  const own = itemAt(kindBastings, kind);
  return {
    convention: own.convention,
    conventionSays: FOLD_CONVENTIONS[own.convention].what,
    exceptions: own.exceptions.map((number) => graph.patches[number - 1]?.id as string),
    method: own.method,
    isChosen: own.chosenMethod !== undefined,
    usesPerPaper: BASTE_METHODS[own.method].uses,
    methods: own.methods.map(({ method, minutesEach, reason }) => ({
      method,
      name: BASTE_METHODS[method].name,
      minutesEach: round(minutesEach),
      reason,
      removal: BASTE_METHODS[method].removal,
      warning: BASTE_METHODS[method].warning,
    })),
  };
}

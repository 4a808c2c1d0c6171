import type { AssemblyPlan, Chain, Join } from '../assembly';
import { basteMinutes } from '../basting';
import { groupsOf, type Seam, type SeamGraph } from '../block';
import { formatLength, type UnitSystem } from '../length';
import type { Point } from '../geometry';
import { stepId } from '../progress';
import type { Sorted } from '../shapes';

interface StepBase {
  readonly id: string;
  /** What to do, in a sentence or two. */
  readonly text: string;
  readonly minutes: number;
}

/** Wrapping papers of one kind, hand and cloth. */
export interface BasteStep extends StepBase {
  readonly kind: 'baste';
  /** Indices of the patches. */
  readonly patches: readonly number[];
}

/** A run of seams as it is to be sewn. */
export interface SewnChain {
  /** From the start dot to the end. */
  readonly path: readonly Point[];
  /** Intersections along it, both ends included: a knot at each. */
  readonly knots: readonly Point[];
  /** Corners where papers are folded. */
  readonly bends: readonly Point[];
}

export interface JoinStep extends StepBase {
  readonly kind: 'join';
  readonly left: readonly number[];
  readonly right: readonly number[];
  readonly chains: readonly SewnChain[];
  readonly lengthMm: number;
  readonly bends: number;
  readonly threadStarts: number;
  readonly releases: readonly number[];
  /** Name of the unit that this join makes, as later steps call it. */
  readonly makes: string;
}

/** Sewing a finished upper unit onto the layers below. */
export interface AppliqueStep extends StepBase {
  readonly kind: 'applique';
  readonly patches: readonly number[];
  readonly lengthMm: number;
}

export type Step = BasteStep | JoinStep | AppliqueStep;

/** Appliqué stitches are smaller: mm sewn in a minute. */
const APPLIQUE_MM_PER_MINUTE = 25;

/** Units of up to this many patches are spelled out by their numbers. */
const MOST_NUMBERS = 6;

/** What `stepsOf` works from. */
export interface StepSources {
  readonly graph: SeamGraph;
  readonly plan: AssemblyPlan;
  readonly sorted: Sorted;
  readonly kindNames: readonly string[];
  readonly system: UnitSystem;
}

/** All work on a block in order: basting by kind, cloth and hand, then the joins, then appliqué. */
export function stepsOf(sources: StepSources): Step[] {
  return [...basteSteps(sources), ...joinSteps(sources), ...appliqueSteps(sources)];
}

function basteSteps({ graph, sorted, kindNames }: StepSources): BasteStep[] {
  const batches = new Map<string, number[]>();
  graph.patches.forEach(({ fabric }, patch) => {
    const key = JSON.stringify([sorted.kindOf[patch], sorted.handOf[patch], fabric]);
    batches.set(key, [...(batches.get(key) ?? []), patch]);
  });
  return [...batches.values()].map((patches) => {
    const first = patches[0] as number;
    const kind = sorted.kinds[sorted.kindOf[first] as number];
    const hand = sorted.handOf[first];
    const name = kindNames[sorted.kindOf[first] as number];
    const turned = hand === 'L' ? ', papers turned over (L)' : hand === 'R' ? ', papers face up (R)' : '';
    const cloth = graph.patches[first]?.fabric;
    const each = kind ? basteMinutes(kind.perimeterMm, kind.signature.length) : 0;
    return {
      kind: 'baste',
      id: stepId('baste', [patches.map((patch) => graph.patches[patch]?.id as string)]),
      text: `Baste ${patches.length} × ${name} in ${cloth}${turned}. Fold side after side clockwise as seen from the front, from the longest side on; tuck the last fold under the first.`,
      minutes: each * patches.length,
      patches,
    };
  });
}

function joinSteps({ graph, plan, system }: StepSources): JoinStep[] {
  const unitName = new Map<number, string>();
  const nameOf = (unit: readonly number[]) => {
    if (unit.length === 1) return `patch ${(unit[0] as number) + 1}`;
    const name = `unit ${unitName.get(Math.min(...unit))}`;
    return unit.length > MOST_NUMBERS
      ? `${name} (${unit.length} patches)`
      : `${name} (patches ${numbers(unit)})`;
  };
  return plan.joins.map((join, index) => {
    const makes = `U${index + 1}`;
    const ids = (unit: readonly number[]) => unit.map((patch) => graph.patches[patch]?.id as string);
    const text = joinText(join, nameOf(join.left), nameOf(join.right), makes, system);
    unitName.set(Math.min(...join.left, ...join.right), makes);
    return {
      kind: 'join',
      id: stepId('join', [ids(join.left), ids(join.right)]),
      text,
      minutes: join.minutes,
      left: join.left,
      right: join.right,
      chains: join.chains.map((chain) => sewnChain(graph, chain)),
      lengthMm: join.lengthMm,
      bends: join.bends,
      threadStarts: join.threadStarts,
      releases: join.releases,
      makes,
    };
  });
}

function joinText(join: Join, left: string, right: string, makes: string, system: UnitSystem): string {
  const shape =
    join.bends === 0
      ? 'one straight line'
      : `${join.bends} ${join.bends === 1 ? 'bend: fold the papers and knot there' : 'bends: fold the papers and knot at each'}`;
  const thread = join.carriesOn
    ? 'Carry the thread on from the last join'
    : 'Start with a new thread at the dot';
  const runs = join.chains.length > 1 ? ` in ${join.chains.length} runs (this closes a ring)` : '';
  const out = join.releases.length === 0 ? '' : ` Papers that may come out now: ${numbers(join.releases)}.`;
  return `Join ${right} to ${left} to make unit ${makes}: ${formatLength(join.lengthMm, system)}${runs}, ${shape}. ${thread}; knot at each intersection and at the end.${out}`;
}

/** Patch numbers as the drawing shows them, in order. */
function numbers(patches: readonly number[]): string {
  return patches
    .map((patch) => patch + 1)
    .sort((a, b) => a - b)
    .join(', ');
}

function sewnChain(graph: SeamGraph, chain: Chain): SewnChain {
  const path: Point[] = [];
  const knots: Point[] = [graph.places[chain.startPlace] as Point];
  for (const { seam, isForward } of chain.steps) {
    const { path: run, start, end } = graph.seams[seam] as Seam;
    const points = isForward ? run : [...run].reverse();
    path.push(...(path.length === 0 ? points : points.slice(1)));
    knots.push(graph.places[isForward ? end.place : start.place] as Point);
  }
  return { path, knots, bends: chain.bends };
}

function appliqueSteps({ graph, system }: StepSources): AppliqueStep[] {
  const base = Math.min(...graph.patches.map(({ layer }) => layer));
  const upper = [...new Set(graph.patches.map(({ layer }) => layer))]
    .filter((layer) => layer > base)
    .sort((a, b) => a - b);
  return upper.flatMap((layer) => {
    const own = graph.patches.flatMap((patch, index) => (patch.layer === layer ? [index] : []));
    return groupsOf(graph, own).map((patches): AppliqueStep => {
      const rim = graph.openEdges.filter(({ patch }) => patches.includes(patch));
      const lengthMm = rim.reduce((sum, edge) => sum + edge.lengthMm, 0);
      const numbers = patches.map((patch) => patch + 1);
      const what = numbers.length === 1 ? `patch ${numbers[0]}` : `patches ${numbers.join(', ')}`;
      return {
        kind: 'applique',
        id: stepId('applique', [patches.map((patch) => graph.patches[patch]?.id as string)]),
        text: `Press ${what}, take the papers out, pin at once and appliqué over the layer below: ${formatLength(lengthMm, system)} of edge. Overlap the start by a few stitches. Iron: mind your fingers and follow the product labels.`,
        minutes: lengthMm / APPLIQUE_MM_PER_MINUTE,
        patches,
        lengthMm,
      };
    });
  });
}

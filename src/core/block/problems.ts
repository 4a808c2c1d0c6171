import { itemAt } from '../lists';
import Flatbush from 'flatbush';
import { overlapOf } from '../booleans';
import {
  areaOf,
  boxOf,
  convexDepth,
  directionAt,
  distance,
  edgeLength,
  isConvex,
  locate,
  perOutline,
  pointAt,
  toPolygon,
  turnDegrees,
  type Point,
} from '../geometry';
import { sidesNear, type Contact, type Sides } from './contacts';
import type { Patch } from './patch';
import type { SeamGraph } from './seamGraph';
import { groupsOf } from './groupsOf';

export type ProblemCode =
  | 'overlap'
  | 'duplicate'
  | 'near-match'
  | 'sliver'
  | 'unjoined'
  | 'separate-groups'
  | 'open-outline'
  | 'text'
  | 'image'
  | 'pixel-size'
  | 'bad-shape';

/** Something about a drawing that its owner should look at. */
export interface Problem {
  readonly code: ProblemCode;
  /** What, where and how to mend, in a sentence or two. */
  readonly message: string;
  /** mm in the drawing. */
  readonly at: Point;
  /** Ids of the patches or shapes concerned. */
  readonly patches: readonly string[];
}

/** Patches may cover each other by this much before it is reported, mm². */
const LEAST_OVERLAP_MM2 = 1;
/** Gaps and mismatches from the same-length tolerance up to this are taken for mistakes, mm. */
const NEAR_MM = 2;
/** Smallest mismatch of two corners worth reporting, mm. */
const LEAST_MISMATCH_MM = 0.25;
/** Edges further than this from parallel are not meant to match, degrees. */
const NEAR_PARALLEL_DEG = 6;
/** A gap must run at least this far to count as a sliver, mm. */
const LEAST_SLIVER_MM = 5;
/** Covering more than this share of each other, two patches are the same one drawn twice. */
const DUPLICATE_SHARE = 0.98;

/** 1 where an outline is convex, else 0. */
const bowsOut = perOutline((outline) => (isConvex(toPolygon(outline)) ? 1 : 0));

export interface OverlapReport {
  readonly problems: readonly Problem[];
  /** Indices of patches that lie exactly on an earlier one. */
  readonly duplicates: ReadonlySet<number>;
}

/** Finds patches of one layer that cover each other. Cost: near-linear, by a spatial index. */
export function findOverlaps(patches: readonly Patch[]): OverlapReport {
  const problems: Problem[] = [];
  const duplicates = new Set<number>();
  if (patches.length === 0) return { problems, duplicates };
  const boxes = patches.map(({ outline }) => boxOf(outline));
  const polygons = patches.map(({ outline }) => toPolygon(outline));
  const convex = patches.map(({ outline }) => bowsOut(outline) === 1);
  const index = new Flatbush(patches.length);
  for (const box of boxes) index.add(box.minX, box.minY, box.maxX, box.maxY);
  index.finish();
  boxes.forEach((box, a) => {
    const others = index.search(box.minX, box.minY, box.maxX, box.maxY, (b) => b > a);
    for (const b of others.sort((p, q) => p - q)) {
      const [first, second] = [itemAt(patches, a), itemAt(patches, b)];
      if (first.layer !== second.layer || duplicates.has(a) || duplicates.has(b)) continue;
      if (convex[a] && convex[b]) {
        const depth = convexDepth(polygons[a] as Point[], polygons[b] as Point[]);
        const reach = Math.min(box.maxX - box.minX + box.maxY - box.minY, 1e6);
        if (depth <= 0 || depth * reach < LEAST_OVERLAP_MM2) continue;
      }
      const { area, at } = overlapOf(first.outline, second.outline);
      if (area <= LEAST_OVERLAP_MM2) continue;
      const isSame = area > DUPLICATE_SHARE * Math.max(areaOf(first.outline), areaOf(second.outline));
      if (isSame) duplicates.add(b);
      problems.push(overlapProblem(first.id, second.id, area, at, isSame));
    }
  });
  return { problems, duplicates };
}

function overlapProblem(a: string, b: string, area: number, at: Point, isSame: boolean): Problem {
  return isSame
    ? {
        code: 'duplicate',
        message: `${b} lies exactly on ${a}; it is counted once. Delete one of them, or move it to its place.`,
        at,
        patches: [a, b],
      }
    : {
        code: 'overlap',
        message: `${a} and ${b} cover each other by ${area.toFixed(1)} mm². Move one, or put the upper one on a higher layer, to be appliquéd.`,
        at,
        patches: [a, b],
      };
}

/** Finds edges that nearly match, slivers of bare ground, and patches joined to nothing. */
export function findMismatches(graph: SeamGraph): Problem[] {
  const { sides, patches, contacts } = graph;
  return [
    ...unevenContacts(sides, patches, contacts),
    ...gaps(graph, new Set(contacts.map(({ side, other }) => pairKey(sides, side, other)))),
    ...lonePatches(graph),
  ];
}

function pairKey({ edges }: Sides, side: number, other: number): number {
  return Math.min(side, other) * edges.length + Math.max(side, other);
}

function unevenContacts(sides: Sides, patches: readonly Patch[], contacts: readonly Contact[]): Problem[] {
  const problems: Problem[] = [];
  for (const { side, other } of contacts) {
    if (side > other) continue;
    const [a, b] = [sides.edges[side], sides.edges[other]];
    if (!a || !b) continue;
    for (const [p, q] of [
      [a.a, b.b],
      [a.b, b.a],
    ] as const) {
      const off = distance(p, q);
      if (off <= LEAST_MISMATCH_MM || off >= NEAR_MM) continue;
      const ids = idsOf(sides, patches, side, other);
      problems.push({
        code: 'near-match',
        message: `The edges of ${ids[0]} and ${ids[1]} nearly match: their corners are ${off.toFixed(2)} mm apart. Move the corners together.`,
        at: p,
        patches: ids,
      });
    }
  }
  return problems;
}

function idsOf(sides: Sides, patches: readonly Patch[], side: number, other: number): [string, string] {
  const id = (index: number) => itemAt(patches, itemAt(sides.patchOf, index)).id;
  return [id(side), id(other)];
}

function gaps(graph: SeamGraph, touching: ReadonlySet<number>): Problem[] {
  const { sides, patches, openEdges } = graph;
  const isOpen = new Set(openEdges.map(({ patch }) => patch));
  const problems: Problem[] = [];
  for (let side = 0; side < sides.edges.length; side++) {
    if (!isOpen.has(itemAt(sides.patchOf, side))) continue;
    for (const other of sidesNear(sides, patches, side, NEAR_MM)) {
      if (other < side || !isOpen.has(itemAt(sides.patchOf, other))) continue;
      if (touching.has(pairKey(sides, side, other))) continue;
      const problem = gapBetween(sides, patches, side, other);
      if (problem) problems.push(problem);
    }
  }
  return problems;
}

function gapBetween(
  sides: Sides,
  patches: readonly Patch[],
  side: number,
  other: number,
): Problem | undefined {
  const [a, b] = [sides.edges[side], sides.edges[other]];
  if (!a || !b) return undefined;
  const [la, lb] = [edgeLength(a), edgeLength(b)];
  if (Math.min(la, lb) < NEAR_MM * 2) return undefined;
  const back = directionAt(b, lb / 2);
  const angle = turnDegrees(directionAt(a, la / 2), { x: -back.x, y: -back.y });
  if (angle > NEAR_PARALLEL_DEG) return undefined;
  const [from, to] = [locate(a, b.b).along, locate(a, b.a).along];
  const offs = [from, (from + to) / 2, to].map((along) => locate(b, pointAt(a, along)).off);
  const gap = Math.max(...offs);
  const ids = idsOf(sides, patches, side, other);
  const at = pointAt(a, (from + to) / 2);
  if (distance(a.a, b.b) < NEAR_MM && distance(a.b, b.a) < NEAR_MM) {
    const differences = [
      ['lengths differ by', Math.abs(la - lb).toFixed(2), ' mm'],
      ['directions differ by', angle.toFixed(1), '°'],
      ['they lie up to', gap.toFixed(2), ' mm apart'],
    ].flatMap(([what, amount, unit]) => (Number(amount) > 0 ? [`${what} ${amount}${unit}`] : []));
    const message = `The edges of ${ids[0]} and ${ids[1]} nearly match: ${differences.join(', ')}. Move them onto each other to sew them.`;
    return { code: 'near-match', message, at, patches: ids };
  }
  if (to - from < LEAST_SLIVER_MM || gap >= NEAR_MM) return undefined;
  const message = `A sliver ${gap.toFixed(2)} mm wide lies between ${ids[0]} and ${ids[1]}. Close it, or draw it as a patch.`;
  return { code: 'sliver', message, at, patches: ids };
}

function lonePatches(graph: SeamGraph): Problem[] {
  const problems: Problem[] = [];
  const { patches, seamsOf } = graph;
  const layers = new Set(patches.map(({ layer }) => layer));
  const base = Math.min(...layers);
  for (const layer of layers) {
    const own = patches.flatMap((patch, index) => (patch.layer === layer ? [index] : []));
    const groups = groupsOf(graph, own);
    for (const [first] of groups) {
      if (first === undefined || layer > base || groups.length === 1 || (seamsOf[first]?.length ?? 0) > 0)
        continue;
      const { id, outline } = itemAt(patches, first);
      const at = itemAt(outline.corners, 0);
      problems.push({
        code: 'unjoined',
        message: `${id} shares no edge with any other patch. Move it against its neighbour, or delete it.`,
        at,
        patches: [id],
      });
    }
    const joined = groups.filter((group) => group.length > 1);
    if (layer === base && joined.length > 1) problems.push(separateGroups(patches, joined));
  }
  return problems;
}

function separateGroups(patches: readonly Patch[], groups: readonly (readonly number[])[]): Problem {
  const firsts = groups.map((group) => itemAt(patches, itemAt(group, 0)));
  return {
    code: 'separate-groups',
    message: `The drawing falls into ${groups.length} groups that share no seam (sizes ${groups.map((g) => g.length).join(', ')}). Each is planned by itself.`,
    at: itemAt(itemAt(firsts, 1).outline.corners, 0),
    patches: firsts.map(({ id }) => id),
  };
}

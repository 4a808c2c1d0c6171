import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import {
  SAME_POINT_MM,
  areaOf,
  cornerAngle,
  cornerAngles,
  distance,
  edgeLength,
  edgesOf,
  isSamePlace,
  isStraight,
  moveOutline,
  orderRound,
  perimeterOf,
  reflectIn,
  toDegrees,
  type Outline,
} from '../geometry';
import { middle } from './middles';

/** Some patches within a block that a teacher has made first, by themselves, all alike. */
export interface Motif {
  /** Diamonds or kites all round a point; three diamonds round their wide corners; a kite with the triangles at its sides; two triangles. */
  readonly name: 'star' | 'cube' | 'kite' | 'square';
  /** Of a star and a cube in the order in which they go round. */
  readonly patches: readonly number[];
  /** Where the patches of a star or cube meet: index of the place. */
  readonly place?: number;
}

/** Shapes whose areas and edges differ by less than this share are one. */
const SAME_SHARE = 0.005;
/** Angles within this of each other are one, degrees. */
const SAME_DEG = 1;
/** What is reflected lies on its image within this, mm. */
const SAME_PLACE_MM = 0.5;
/** A star has at least so many points. */
const LEAST_POINTS = 5;
const CUBE_SIDES = 3;

/** Whether two outlines have one shape, or one is the other turned over: by area and edges, which a figure can share by no chance. */
export function isLike(a: Outline, b: Outline): boolean {
  return (
    a.corners.length === b.corners.length &&
    isNear(areaOf(a), areaOf(b)) &&
    isNear(perimeterOf(a), perimeterOf(b))
  );
}

/** Stars: equal patches of four sides, no rectangles, all round an inner point. Largest first; each patch in one at most. */
export function findStars(graph: SeamGraph, members: readonly number[]): Motif[] {
  const stars = roundPoints(graph, members).filter(({ patches }) => patches.length >= LEAST_POINTS);
  return disjoint(stars.sort((a, b) => b.patches.length - a.patches.length));
}

/**
 * Cubes: three equal diamonds round a point where their wide corners meet. A field of them can be read in two ways; the one
 * that leaves fewest diamonds over is taken, and of equals the one whose cubes are most alike in cloth.
 */
export function findCubes(graph: SeamGraph, members: readonly number[]): Motif[] {
  const all = roundPoints(graph, members).filter(
    ({ patches }) => patches.length === CUBE_SIDES && patches.every((patch) => isDiamond(outlineAt(graph, patch))),
  ); // prettier-ignore
  const ways = new Map<number, Motif[]>();
  for (const cube of all) {
    const way = Math.round((pointing(graph, cube) - pointing(graph, itemAt(all, 0)) + 720) / 60) % 2;
    ways.set(way, [...(ways.get(way) ?? []), cube]);
  }
  const cloths = (cubes: readonly Motif[]) =>
    new Set(cubes.map(({ patches }) => patches.map((patch) => graph.patches[patch]?.fabric).sort().join())).size; // prettier-ignore
  const read = [...ways.values()].map(disjoint);
  return read.sort((a, b) => b.length - a.length || cloths(a) - cloths(b))[0] ?? [];
}

/**
 * Kites with the triangles that lie at their sides in pairs, one the other’s mirror image: with them sewn on, what is set in
 * between has the edge of one larger shape to be sewn to.
 */
export function findWingedKites(graph: SeamGraph, members: readonly number[]): Motif[] {
  const own = new Set(members);
  const kites = members.flatMap((patch): Motif[] => {
    const outline = outlineAt(graph, patch);
    const top = isKite(outline);
    if (top === undefined) return [];
    const [tip, foot] = [itemAt(outline.corners, top), itemAt(outline.corners, (top + 2) % 4)];
    const mirror = reflectIn(tip, toDegrees(Math.atan2(foot.y - tip.y, foot.x - tip.x)));
    const wings = [
      [(top + 3) % 4, top],
      [(top + 2) % 4, (top + 1) % 4],
    ].flatMap(([left, right]) => {
      const [a, b] = [neighbourAlong(graph, patch, left as number), neighbourAlong(graph, patch, right as number)]; // prettier-ignore
      if (a === undefined || b === undefined || a === b || !own.has(a) || !own.has(b)) return [];
      const [one, other] = [outlineAt(graph, a), outlineAt(graph, b)];
      const isPair = one.corners.length === 3 && isSamePlace(moveOutline(mirror, one), other, SAME_PLACE_MM);
      return isPair ? [a, b] : [];
    });
    return wings.length === 0 ? [] : [{ name: 'kite', patches: [patch, ...wings] }];
  });
  return disjoint(kites);
}

/** Pairs of triangles that make a rectangle along their longest sides; each triangle is in one pair at most. */
export function findSquares(graph: SeamGraph, members: readonly number[]): Motif[] {
  const own = new Set(members);
  const isRight = (patch: number) => {
    const { bulges } = outlineAt(graph, patch);
    const angles = cornerAngles(outlineAt(graph, patch));
    return (
      angles.length === 3 &&
      bulges.every((bulge) => bulge === 0) &&
      angles.some((angle) => Math.abs(angle - 90) < SAME_DEG)
    );
  };
  const longest = (patch: number) => Math.max(...edgesOf(outlineAt(graph, patch)).map(edgeLength));
  const pairs = graph.seams.flatMap(({ patches: [a, b], lengthMm }): Motif[] => {
    if (!own.has(a) || !own.has(b) || !isRight(a) || !isRight(b)) return [];
    const isAlong = [a, b].every((patch) => Math.abs(longest(patch) - lengthMm) <= SAME_SHARE * lengthMm);
    return isAlong && isLike(outlineAt(graph, a), outlineAt(graph, b)) ? [{ name: 'square', patches: [a, b] }] : []; // prettier-ignore
  });
  return disjoint(pairs);
}

/** A field of diamonds is one of cubes where they leave over at most this share of it. */
const MOST_LEFT = 0.2;

/** Whether cubes make up nearly all of some patches. */
export function areCubes(cubes: readonly Motif[], members: readonly number[]): boolean {
  return cubes.length > 1 && cubes.length * CUBE_SIDES >= members.length * (1 - MOST_LEFT);
}

/** All that is made first within a group: stars, or cubes where the field is one of cubes, kites with their wings, squares of triangles. */
export function findMotifs(graph: SeamGraph, members: readonly number[]): Motif[] {
  const cubes = findCubes(graph, members);
  const round = areCubes(cubes, members) ? cubes : findStars(graph, members);
  return disjoint([...round, ...findWingedKites(graph, members), ...findSquares(graph, members)]);
}

/** Inner points round which all patches have one shape of four equal corners there, none of them a rectangle. */
function roundPoints(graph: SeamGraph, members: readonly number[]): Motif[] {
  if (graph.isOfUnits) return [];
  const own = new Set(members);
  return graph.places.flatMap((at, place): Motif[] => {
    const seams = graph.seamsAt[place] ?? [];
    if (!graph.isInner[place] || seams.length < CUBE_SIDES) return [];
    const patches = [...new Set(seams.flatMap((seam) => itemAt(graph.seams, seam).patches))];
    if (patches.length !== seams.length || !patches.every((patch) => own.has(patch))) return [];
    const first = outlineAt(graph, itemAt(patches, 0));
    const isRound = patches.every((patch) => {
      const outline = outlineAt(graph, patch);
      const corner = outline.corners.findIndex((one) => distance(one, at) <= 2 * SAME_POINT_MM);
      return (
        corner >= 0 &&
        outline.corners.length === 4 &&
        isLike(outline, first) &&
        Math.abs(cornerAngle(outline, corner) - 360 / patches.length) < SAME_DEG
      );
    });
    if (!isRound || isRectangle(first)) return [];
    const name = patches.length === CUBE_SIDES ? 'cube' : 'star';
    return [{ name, place, patches: orderRound(patches, at, (patch) => middle(graph, patch)) }];
  });
}

/** The one neighbour that a straight side is sewn to over its whole length. */
function neighbourAlong(graph: SeamGraph, patch: number, side: number): number | undefined {
  const edge = itemAt(edgesOf(outlineAt(graph, patch)), side);
  if (!isStraight(edge)) return undefined;
  const found = (graph.seamsOf[patch] ?? []).flatMap((index) => {
    const { patches, path, lengthMm } = itemAt(graph.seams, index);
    const isThere = path.length === 2 && Math.abs(lengthMm - edgeLength(edge)) < SAME_PLACE_MM
      && path.every((end) => distance(end, edge.a) < SAME_PLACE_MM || distance(end, edge.b) < SAME_PLACE_MM); // prettier-ignore
    return isThere ? patches.filter((one) => one !== patch) : [];
  });
  return found.length === 1 ? found[0] : undefined;
}

/** The corner between the first of the two pairs of equal sides of a kite; undefined for all else. */
function isKite(outline: Outline): number | undefined {
  if (outline.corners.length !== 4 || outline.bulges.some((bulge) => bulge !== 0)) return undefined;
  const lengths = edgesOf(outline).map(edgeLength) as [number, number, number, number];
  const top = [0, 1].find((corner) =>
    isNear(itemAt(lengths, (corner + 3) % 4), itemAt(lengths, corner)) &&
    isNear(itemAt(lengths, corner + 1), itemAt(lengths, (corner + 2) % 4)),
  ); // prettier-ignore
  return top === undefined || isNear(lengths[0], lengths[1]) === isNear(lengths[1], lengths[2]) ? undefined : top;
} // prettier-ignore

function isDiamond(outline: Outline): boolean {
  const lengths = edgesOf(outline).map(edgeLength);
  return lengths.length === 4 && lengths.every((length) => isNear(length, itemAt(lengths, 0)));
}

/** Whether an outline has four right angles. */
export function isRectangle(outline: Outline): boolean {
  const angles = cornerAngles(outline);
  return angles.length === 4 && angles.every((angle) => Math.abs(angle - 90) < SAME_DEG);
}

/** Where the middle of a cube's first diamond lies from its point, degrees. */
function pointing(graph: SeamGraph, { place = 0, patches }: Motif): number {
  const at = itemAt(graph.places, place);
  const { x, y } = middle(graph, itemAt(patches, 0));
  return toDegrees(Math.atan2(y - at.y, x - at.x));
}

/** Takes motifs in their order, leaving out those of which a patch is taken. */
function disjoint(motifs: readonly Motif[]): Motif[] {
  const taken = new Set<number>();
  return motifs.filter(({ patches }) => {
    if (patches.some((patch) => taken.has(patch))) return false;
    patches.forEach((patch) => taken.add(patch));
    return true;
  });
}

function outlineAt(graph: SeamGraph, patch: number): Outline {
  return itemAt(graph.patches, patch).outline;
}

function isNear(p: number, q: number): boolean {
  return Math.abs(p - q) <= SAME_SHARE * Math.max(p, q);
}

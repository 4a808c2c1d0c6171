import {
  areCubes,
  findCubes,
  findStars,
  findWingedKites,
  recogniseFigure,
  unitKey,
  type Join,
  type Repeat,
} from '../assembly';
import { groupsOf, type SeamGraph } from '../block';
import { areaOf, boxOfPoints, toPolygon, type Box } from '../geometry';
import { itemAt, lastOf } from '../lists';

type Unit = readonly number[];

/** In larger blocks units go by letters and numbers alone. */
const MOST_NAMED = 600;

type Pair = Pick<Join, 'left' | 'right' | 'repeat'>;

/** Names for the units of a plan, by their patches: what they are on the table, each one name from the join that makes it on. */
export class UnitNames {
  readonly #names = new Map<string, string>();
  readonly #alike = new Map<string, string>();

  /** Cost: that of recognising the figure of each group, and linear in the sizes of the units. */
  constructor(graph: SeamGraph, joins: readonly Pair[]) {
    const groups = groupsOfLayers(graph);
    const words = figureWords(graph, groups);
    joins.forEach(({ left, right, repeat }) => {
      const unit = [...left, ...right];
      if (repeat) this.#alike.set(unitKey(unit), `${wordOf(unit, repeat, words, groups)} ${repeat.letter}`);
    });
    for (const group of groups) {
      if (group.size > MOST_NAMED) continue;
      const own = joins.filter(({ left }) => group.has(itemAt(left, 0)));
      this.#take(halvesOf(graph, own.at(-1), group.size, '', this.#alike));
      this.#take(halvesOf(graph, starJoin(own.slice(0, -1), words), 0, ' of the star', this.#alike));
      this.#take(soFar(graph, group, own, words, this.#alike));
      this.#take(rowsOf(graph, group, own));
    }
  }

  /** What the block has more than once is called by its letter: “pair A”; undefined where it has it once, or names it otherwise. */
  alikeName(unit: Unit): string | undefined {
    return this.#names.has(unitKey(unit)) ? undefined : this.#alike.get(unitKey(unit));
  }

  /** “the star”, “row 2”, “the left half”; undefined for what is only so many patches. */
  nameOf(unit: Unit): string | undefined {
    return this.#names.get(unitKey(unit));
  }

  #take(names: ReadonlyMap<string, string>): void {
    for (const [key, name] of names) this.#names.set(key, name);
  }
}

/** Connected groups of each layer. */
function groupsOfLayers(graph: SeamGraph): ReadonlySet<number>[] {
  const layers = [...new Set(graph.patches.map(({ layer }) => layer))];
  return layers.flatMap((layer) => {
    const own = graph.patches.flatMap((patch, index) => (patch.layer === layer ? [index] : []));
    return groupsOf(graph, own).map((group) => new Set(group));
  });
}

/** By its patches what a unit is that is recognised at sight. */
function figureWords(graph: SeamGraph, groups: readonly ReadonlySet<number>[]): ReadonlyMap<string, string> {
  const words = new Map<string, string>();
  for (const group of groups) {
    if (group.size > MOST_NAMED) continue;
    const members = [...group];
    const cubes = findCubes(graph, members);
    const round = areCubes(cubes, members) ? cubes : findStars(graph, members);
    for (const { name, patches } of [...round, ...findWingedKites(graph, members)])
      words.set(unitKey(patches), name === 'kite' ? 'winged kite' : name);
  }
  return words;
}

/** The word for units that are alike: what they are, or which share of the block. */
function wordOf(
  unit: Unit,
  { copies }: Repeat,
  words: ReadonlyMap<string, string>,
  groups: readonly ReadonlySet<number>[],
): string {
  const figure = words.get(unitKey(unit));
  if (figure) return figure;
  if (unit.length === 2) return 'pair';
  const size = groups.find((group) => group.has(itemAt(unit, 0)))?.size ?? 0;
  // A patch or a unit may lie in the middle and belong to no wedge.
  const isShare = copies * unit.length >= size - 1;
  if (isShare && copies === 2) return 'half';
  return isShare ? 'wedge' : 'unit';
}

/** The join that makes the star of a group that has only one, and more than it. */
function starJoin(joins: readonly Pair[], words: ReadonlyMap<string, string>): Pair | undefined {
  const stars = joins.filter(({ left, right }) => words.get(unitKey([...left, ...right])) === 'star');
  return stars.length === 1 ? stars[0] : undefined;
}

/** Two halves are put together where neither is much larger. */
const HALF_SHARE = 0.35;

/**
 * The two halves of what a join makes, by where they lie.
 * @param size of how many patches it has to be, so that they are halves of the whole; 0 where that does not matter
 * @param ofWhat what they are halves of, “ of the star”; nothing for the block
 */
function halvesOf(
  graph: SeamGraph,
  join: Pair | undefined,
  size: number,
  ofWhat: string,
  alike: ReadonlyMap<string, string>,
): Map<string, string> {
  const names = new Map<string, string>();
  if (!join) return names;
  const units = [join.left, join.right];
  const made = join.left.length + join.right.length;
  if (size > 0 && made !== size) return names;
  const areHalves = units.every((unit) => unit.length > 1 && unit.length >= made * HALF_SHARE);
  if (!areHalves || units.some((unit) => alike.has(unitKey(unit)))) return names;
  const [a, b] = units.map((unit) => boxOf(graph, unit)) as [Box, Box];
  const [dx, dy] = [b.minX + b.maxX - a.minX - a.maxX, b.minY + b.maxY - a.minY - a.maxY];
  const [first, second] = Math.abs(dx) > Math.abs(dy) ? ['left', 'right'] : ['upper', 'lower'];
  const isInOrder = (Math.abs(dx) > Math.abs(dy) ? dx : dy) > 0;
  names.set(unitKey(itemAt(units, isInOrder ? 0 : 1)), `the ${first} half${ofWhat}`);
  names.set(unitKey(itemAt(units, isInOrder ? 1 : 0)), `the ${second} half${ofWhat}`);
  return names;
}

/** A star that the block has once; a rosette as it grows; a piece that the next join goes on with. */
function soFar(
  graph: SeamGraph,
  group: ReadonlySet<number>,
  joins: readonly Pair[],
  words: ReadonlyMap<string, string>,
  alike: ReadonlyMap<string, string>,
): Map<string, string> {
  const names = new Map<string, string>();
  const stars = joins.map(({ left, right }) => unitKey([...left, ...right])).filter((key) => words.get(key) === 'star'); // prettier-ignore
  const isRosette = recogniseFigure(graph, [...group])?.name === 'rosette';
  joins.forEach(({ left, right }, index) => {
    const unit = [...left, ...right];
    const key = unitKey(unit);
    const next = joins[index + 1];
    const goesOn = next !== undefined && next.right.length === 1 && unitKey(next.left) === key;
    if (key === stars[0] && stars.length === 1) names.set(key, 'the star');
    else if (goesOn && !alike.has(key) && unit.length > LEAST_SO_FAR)
      names.set(key, `the ${isRosette ? 'rosette' : 'piece'} so far (${unit.length} patches)`);
  });
  return names;
}

/** Smaller pieces are called by their numbers. */
const LEAST_SO_FAR = 6;

/** Units that fill the block from side to side are its rows, counted from the top. */
function rowsOf(graph: SeamGraph, group: ReadonlySet<number>, joins: readonly Pair[]): Map<string, string> {
  const names = new Map<string, string>();
  const whole = boxOf(graph, [...group]);
  const bands = joins.flatMap(({ left, right }) => {
    const unit = [...left, ...right];
    const box = boxOf(graph, unit);
    const isWide = Math.abs(box.minX - whole.minX) < SAME_MM && Math.abs(box.maxX - whole.maxX) < SAME_MM;
    return isWide && unit.length < group.size && fills(graph, unit, box) ? [{ unit, box }] : [];
  });
  const rows = bands
    .filter(({ box }, i) => !bands.some((other, j) => i !== j && isWithin(other.box, box)))
    .sort((a, b) => a.box.minY - b.box.minY);
  if (rows.length < 2) return names;
  for (const { unit, box } of bands) {
    const own = rows.flatMap((row, index) => (isWithin(row.box, box) ? [index + 1] : []));
    const [from, to] = [itemAt(own, 0), lastOf(own)];
    const covered = own.reduce((sum, row) => sum + itemAt(rows, row - 1).unit.length, 0);
    const last = from + 1 === to ? `and ${to}` : `to ${to}`;
    if (covered === unit.length)
      names.set(unitKey(unit), from === to ? `row ${from}` : `rows ${from} ${last}`);
  }
  const rowOf = new Map(rows.flatMap(({ unit }, index) => unit.map((patch) => [patch, index + 1] as const)));
  for (const { left, right } of joins) {
    const unit = [...left, ...right];
    const row = rowOf.get(itemAt(unit, 0));
    const isPart =
      unit.length > 2 && !names.has(unitKey(unit)) && unit.every((patch) => rowOf.get(patch) === row);
    if (row !== undefined && isPart) names.set(unitKey(unit), `row ${row} so far (${unit.length} patches)`);
  }
  return names;
}

/** Sides of a row lie within this of the block’s, mm. */
const SAME_MM = 0.5;

function isWithin(inner: Box, outer: Box): boolean {
  return inner.minY >= outer.minY - SAME_MM && inner.maxY <= outer.maxY + SAME_MM;
}

/** Whether patches fill their box. */
function fills(graph: SeamGraph, unit: Unit, { minX, minY, maxX, maxY }: Box): boolean {
  const area = unit.reduce((sum, patch) => sum + areaOf(itemAt(graph.patches, patch).outline), 0);
  return area >= (maxX - minX) * (maxY - minY) * 0.99;
}

function boxOf(graph: SeamGraph, unit: Unit): Box {
  return boxOfPoints(unit.flatMap((patch) => toPolygon(itemAt(graph.patches, patch).outline, 0.1)));
}

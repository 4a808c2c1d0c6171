import { itemAt } from '../lists';
import type { Limit, Solver } from '../solver';

/** A bag that is to be packed from what is there. */
export interface WantingBag {
  readonly id: string;
  /** Bags of a smaller rank are handed out earlier. */
  readonly rank: number;
  /** How many of each thing it takes. */
  readonly needs: ReadonlyMap<string, number>;
}

export interface SharedStock {
  /** Bags that can be packed complete, in the order given. */
  readonly complete: readonly string[];
  /** What is still to be bought so that every bag can be packed, things in the order in which bags ask for them. */
  readonly missing: ReadonlyMap<string, number>;
  /** Whether no other choice gives more. */
  readonly isProven: boolean;
}

/** Bags that differ in nothing but their ids: which of them is packed does not matter, so one number stands for them. */
interface Alike {
  readonly rank: number;
  readonly needs: ReadonlyMap<string, number>;
  readonly ids: readonly string[];
}

/**
 * The most bags that can be packed complete from a stock; among choices of equally many, the one with most of the earliest rank,
 * then of the next, and so on. An integer program over bags that are alike, solved once for the count and once for each rank.
 * @param seconds for all ranks together
 */
export function shareStock(
  stock: ReadonlyMap<string, number>,
  bags: readonly WantingBag[],
  solver: Solver,
  seconds: number,
): SharedStock {
  const alike = groupAlike(bags);
  const limits = stockLimits(stock, alike);
  const upper = alike.map(({ ids }) => ids.length);
  const ranks = [...new Set(bags.map(({ rank }) => rank))].sort((a, b) => a - b);
  const goals = [undefined, ...ranks.slice(0, -1)].map((rank) =>
    alike.map((group) => (rank === undefined || group.rank === rank ? 1 : 0)),
  );
  let values: readonly number[] = packInTurn(stock, alike);
  let isProven = true;
  const kept: Limit[] = [];
  for (const gains of goals) {
    const solved = solver.solve({ gains, upper, limits: [...limits, ...kept] }, seconds / goals.length);
    if (solved.values !== undefined && sumOf(gains, solved.values) >= sumOf(gains, values))
      values = solved.values;
    isProven &&= solved.isProven;
    // What this goal reached is kept by those that follow.
    const variables = gains.flatMap((gain, index) => (gain > 0 ? [index] : []));
    kept.push({ variables, most: sumOf(gains, values), isExact: true });
  }
  const packed = new Set(alike.flatMap(({ ids }, index) => ids.slice(0, itemAt(values, index))));
  const complete = bags.flatMap(({ id }) => (packed.has(id) ? [id] : []));
  return { complete, missing: missingFor(stock, bags), isProven };
}

const sumOf = (gains: readonly number[], values: readonly number[]) =>
  gains.reduce((sum, gain, index) => sum + gain * itemAt(values, index), 0);

function groupAlike(bags: readonly WantingBag[]): Alike[] {
  const groups = new Map<string, { rank: number; needs: ReadonlyMap<string, number>; ids: string[] }>();
  for (const { id, rank, needs } of bags) {
    const wanted = [...needs].filter(([, count]) => count > 0).sort(([a], [b]) => (a < b ? -1 : 1));
    const key = JSON.stringify([rank, wanted]);
    const group = groups.get(key) ?? { rank, needs: new Map(wanted), ids: [] };
    groups.set(key, group);
    group.ids.push(id);
  }
  return [...groups.values()];
}

/** Per thing that is short: no more of it than there is. */
function stockLimits(stock: ReadonlyMap<string, number>, alike: readonly Alike[]): Limit[] {
  const things = new Set(alike.flatMap(({ needs }) => [...needs.keys()]));
  return [...things].flatMap((thing): Limit[] => {
    const asking = alike.flatMap(({ needs, ids }, index) => {
      const weight = needs.get(thing);
      return weight === undefined ? [] : [{ index, weight, all: weight * ids.length }];
    });
    const there = stock.get(thing) ?? 0;
    if (asking.reduce((sum, { all }) => sum + all, 0) <= there) return [];
    return [
      {
        variables: asking.map(({ index }) => index),
        weights: asking.map(({ weight }) => weight),
        most: there,
      },
    ];
  });
}

/** A first choice without a solver: earlier ranks first, small bags before large ones. */
function packInTurn(stock: ReadonlyMap<string, number>, alike: readonly Alike[]): number[] {
  const rest = new Map(stock);
  const size = ({ needs }: Alike) => [...needs.values()].reduce((sum, count) => sum + count, 0);
  const values = alike.map(() => 0);
  const order = alike.map((_, index) => index).sort((a, b) => {
    const [one, other] = [itemAt(alike, a), itemAt(alike, b)];
    return one.rank - other.rank || size(one) - size(other) || a - b;
  }); // prettier-ignore
  for (const index of order) {
    const { needs, ids } = itemAt(alike, index);
    const fits = [...needs].map(([thing, count]) => Math.floor((rest.get(thing) ?? 0) / count));
    const packed = Math.min(ids.length, ...fits);
    values[index] = packed;
    for (const [thing, count] of needs) rest.set(thing, (rest.get(thing) ?? 0) - packed * count);
  }
  return values;
}

function missingFor(stock: ReadonlyMap<string, number>, bags: readonly WantingBag[]): Map<string, number> {
  const wanted = new Map<string, number>();
  for (const { needs } of bags)
    for (const [thing, count] of needs) wanted.set(thing, (wanted.get(thing) ?? 0) + count);
  return new Map([...wanted].map(([thing, count]): [string, number] => [thing, count - (stock.get(thing) ?? 0)]).filter(([, count]) => count > 0)); // prettier-ignore
}

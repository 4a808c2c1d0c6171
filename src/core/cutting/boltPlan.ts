import { itemAt } from '../lists';

/** Pieces of one size to cut from a bolt. */
export interface BoltSize {
  readonly what: string;
  readonly widthMm: number;
  readonly lengthMm: number;
  readonly total: number;
}

/** Pieces of one size side by side within a strip, in columns of so many one under the other. */
export interface BoltRun {
  /** Index of the size. */
  readonly size: number;
  /** From the selvedge to the run, mm. */
  readonly fromMm: number;
  /** Of one piece across the cloth and along it, mm. */
  readonly acrossMm: number;
  readonly alongMm: number;
  readonly columns: number;
  readonly rows: number;
  /** Pieces in the run; the last column may be short. */
  readonly count: number;
}

/** Strips right across the cloth, one like the other, one after the other. */
export interface BoltStrip {
  readonly times: number;
  /** From the beginning of the bolt to the first of them, mm. */
  readonly fromMm: number;
  readonly heightMm: number;
  readonly runs: readonly BoltRun[];
}

/** How a bolt is cut up: strips through the whole width, then across them. */
export interface BoltPlan {
  readonly strips: readonly BoltStrip[];
  /** Off the bolt, mm. */
  readonly lengthMm: number;
  /** No plan is shorter than all pieces laid without a gap, mm. */
  readonly boundMm: number;
  /** Indices of sizes that do not go across the cloth either way. */
  readonly tooWide: readonly number[];
}

/** All ways to turn the sizes are tried up to so many sizes that can be turned; beyond that one after the other. */
const MOST_TURNED = 6;

/** A piece that is a hair wider than what is left still goes. */
const HAIR = 1e-9;

/**
 * Cuts sizes from a bolt by cuts that go through: the tallest pieces first, a strip of their height, and beside them whatever is as
 * low or lower, stacked where two go. Each size lies the way round that gives the shortest plan; never longer than strips of one size each.
 * @param usableMm between the selvedges, mm
 * @param mayTurn whether a size may lie with its length across; where not, its width lies across
 */
export function boltPlan(sizes: readonly BoltSize[], usableMm: number, mayTurn = true): BoltPlan {
  const waysOf = ({ widthMm, lengthMm }: BoltSize): Way[] => {
    const upright = { acrossMm: widthMm, alongMm: lengthMm };
    const both = mayTurn && widthMm !== lengthMm ? [upright, { acrossMm: lengthMm, alongMm: widthMm }] : [upright];
    return both.filter(({ acrossMm }) => acrossMm <= usableMm + HAIR);
  };
  const ways = sizes.map(waysOf);
  const wanted = sizes.flatMap(({ total }, size) => (total > 0 && itemAt(ways, size).length > 0 ? [size] : []));
  const alone = (size: number, { acrossMm, alongMm }: Way) =>
    Math.ceil(itemAt(sizes, size).total / Math.floor(usableMm / acrossMm + HAIR)) * alongMm;
  // The way that is best for each size by itself.
  const usual = new Map(wanted.map((size) => [size, itemAt([...itemAt(ways, size)].sort((a, b) => alone(size, a) - alone(size, b)), 0)]));
  const cut = (chosen: ReadonlyMap<number, Way>) => cutStrips(wanted.map((size) => ({ size, left: itemAt(sizes, size).total, way: chosen.get(size) as Way })), usableMm);
  let best = { chosen: usual, plan: cut(usual) };
  const tryWays = (chosen: Map<number, Way>) => {
    const plan = cut(chosen);
    if (plan.lengthMm < best.plan.lengthMm - HAIR) best = { chosen, plan };
  };
  const turned = wanted.filter((size) => itemAt(ways, size).length === 2);
  if (turned.length <= MOST_TURNED)
    for (let bits = 1; bits < 2 ** turned.length; bits++)
      tryWays(new Map([...usual].map(([size, way]) => (bits & (1 << turned.indexOf(size)) && turned.includes(size) ? [size, turnedRound(way)] : [size, way]))));
  else for (const size of turned) tryWays(new Map([...best.chosen, [size, turnedRound(best.chosen.get(size) as Way)]]));
  const area = wanted.reduce((sum, size) => sum + areaOf(itemAt(sizes, size)), 0);
  return {
    ...best.plan,
    boundMm: area / usableMm,
    tooWide: sizes.flatMap((_, size) => (itemAt(ways, size).length === 0 ? [size] : [])),
  };
} // prettier-ignore

interface Way {
  readonly acrossMm: number;
  readonly alongMm: number;
}

const turnedRound = ({ acrossMm, alongMm }: Way): Way => ({ acrossMm: alongMm, alongMm: acrossMm });
const areaOf = ({ widthMm, lengthMm, total }: BoltSize) => widthMm * lengthMm * total;

function cutStrips(
  pieces: readonly { readonly size: number; left: number; readonly way: Way }[],
  usableMm: number,
): Pick<BoltPlan, 'strips' | 'lengthMm'> {
  const open = [...pieces].sort((a, b) => b.way.alongMm - a.way.alongMm || b.way.acrossMm - a.way.acrossMm);
  const strips: BoltStrip[] = [];
  let lengthMm = 0;
  for (const tallest of open) {
    while (tallest.left > 0) {
      const heightMm = tallest.way.alongMm;
      const runs: BoltRun[] = [];
      let fromMm = 0;
      for (const { size, left, way } of open) {
        if (left === 0) continue;
        const rows = Math.floor(heightMm / way.alongMm + HAIR);
        const room = Math.floor((usableMm - fromMm) / way.acrossMm + HAIR);
        const columns = Math.min(room, Math.ceil(left / Math.max(1, rows)));
        if (rows === 0 || columns === 0) continue;
        runs.push({ size, fromMm, ...way, columns, rows, count: Math.min(left, columns * rows) });
        fromMm += columns * way.acrossMm;
      }
      // As many strips alike as all their runs still have pieces for.
      const leftOf = (size: number) => open.find((one) => one.size === size)?.left ?? 0;
      const times = Math.min(...runs.map(({ size, count }) => Math.floor(leftOf(size) / count)));
      strips.push({ times, fromMm: lengthMm, heightMm, runs });
      lengthMm += times * heightMm;
      for (const { size, count } of runs) for (const one of open) if (one.size === size) one.left -= times * count;
    }
  }
  return { strips, lengthMm };
} // prettier-ignore

/** What a cut takes, minutes; a shop that measures its own puts it in place of these. */
export interface CuttingPace {
  /** A cut through the whole width, with laying straight and squaring. */
  readonly throughMinutes: number;
  /** A cut across a strip, or across a stack of strips alike. */
  readonly crossMinutes: number;
  /** Strips that are cut across at once. */
  readonly layers: number;
}

/** The cuts of a plan and the time they take. */
export interface BoltWork {
  readonly through: number;
  readonly cross: number;
  readonly minutes: number;
}

/** Counts cuts: one through the width for each strip, then within each strip one for each column, and one for each row but the last. */
export function boltWork(
  { strips }: BoltPlan,
  { throughMinutes, crossMinutes, layers }: CuttingPace,
): BoltWork {
  let [through, cross] = [0, 0];
  for (const { times, runs } of strips) {
    through += times;
    const each = runs.reduce((sum, { columns, rows, count }) => sum + columns + Math.min(rows - 1, count - 1) * columns, 0); // prettier-ignore
    cross += Math.ceil(times / layers) * each;
  }
  return { through, cross, minutes: through * throughMinutes + cross * crossMinutes };
}

/**
 * How many bolts of a length the strips take: a strip is not joined from two. Strips go on the first bolt that has room.
 * @returns undefined where a strip is longer than a bolt
 */
export function boltsOf({ strips }: BoltPlan, boltMm: number): number | undefined {
  const free: number[] = [];
  for (const { times, heightMm } of strips) {
    if (heightMm > boltMm + HAIR) return undefined;
    for (let left = times; left > 0;) {
      let at = free.findIndex((room) => room + HAIR >= heightMm);
      if (at < 0) at = free.push(boltMm) - 1;
      const now = Math.min(left, Math.floor(itemAt(free, at) / heightMm + HAIR));
      free[at] = itemAt(free, at) - now * heightMm;
      left -= now;
    }
  }
  return free.length;
}

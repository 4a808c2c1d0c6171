/**
 * Least time that {@link aMeasureOfWork} took on the machine on which the time limits of the tests were set, with
 * nothing else running, ms.
 */
const MEASURE_MS = 9.2;

/**
 * Least time of some work, in ms of the machine on which the limits were set. The work and a fixed measure take turns, so
 * that a slower or busier machine slows both alike, and a limit says something about the code, not about the machine.
 * @param enough no more turns are taken once the time is below this, ms
 * @param now a clock, ms
 * @param turns at most so many turns
 */
export function leastTime(
  work: (turn: number) => void,
  enough: number,
  now: () => number,
  turns = 120,
): number {
  const timed = (one: () => void) => {
    const start = now();
    one();
    return now() - start;
  };
  let [own, measure] = [Infinity, Infinity];
  let result = Infinity;
  for (let turn = 0; turn < turns && result >= enough; turn++) {
    measure = Math.min(measure, timed(aMeasureOfWork));
    own = Math.min(
      own,
      timed(() => work(turn)),
    );
    // Some turns first: code is slow until it has run for a while, the measure too.
    if (turn >= 20) result = own * Math.min(1, MEASURE_MS / measure);
  }
  return result;
}

/**
 * Time that work of seconds took, in ms of the machine on which the limits were set: the fixed measure runs before and
 * after it and says how slow or busy the machine was meanwhile.
 * @param now a clock, ms
 */
export async function pacedTime(work: () => unknown, now: () => number): Promise<number> {
  const timed = async (one: () => unknown) => {
    const start = now();
    await one();
    return now() - start;
  };
  const measures = () => timed(() => Array.from({ length: 30 }, aMeasureOfWork));
  aMeasureOfWork();
  const before = await measures();
  const own = await timed(work);
  const pace = (before + (await measures())) / 60;
  return own * Math.min(1, MEASURE_MS / pace);
}

/** About a frame's worth, so that it is disturbed as often as what is measured. */
function aMeasureOfWork(): void {
  for (let time = 0; time < 16; time++) sortedIntoDrawers();
}

/** Objects made and dropped, sums with roots, look-ups by number and sorting: what geometry is made of. */
function sortedIntoDrawers(): number {
  const drawers = new Map<number, { x: number; y: number }[]>();
  let sum = 0;
  for (let i = 0; i < 4000; i++) {
    const [x, y] = [(i * 7919) % 1009, (i * 104729) % 997];
    const key = (x >> 5) * 64 + (y >> 5);
    const drawer = drawers.get(key);
    if (!drawer) drawers.set(key, [{ x, y }]);
    else {
      for (const point of drawer) sum += Math.sqrt((point.x - x) ** 2 + (point.y - y) ** 2);
      drawer.push({ x, y });
    }
  }
  for (const drawer of drawers.values()) drawer.sort((p, q) => p.x - q.x || p.y - q.y);
  return sum;
}

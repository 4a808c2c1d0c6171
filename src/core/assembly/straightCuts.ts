import { itemAt, lastOf } from '../lists';
import type { Seam } from '../block';
import { STRAIGHT_DEG } from '../geometry';
import { CLOSE_LOOKS, spread, type Cut, type CutUnit } from './cutUnit';
import { farPlace, turnAt } from './interface';

/** Lines of which the evenest are sought. */
const STRAIGHT_SAMPLE = 64;
/** Patches whose middles lie this near to a line lie on neither side of it, mm. */
const ON_LINE_MM = 0.5;
/** Units up to this size have all their straight lines looked at. */
const MEDIUM_UNIT = 200;

/** Lines of seams from rim to rim that turn nowhere; of many, those that look evenest. */
export function straightCuts(unit: CutUnit): Cut[] {
  const { graph, rim, seams, opened, members } = unit;
  const own = new Set(seams);
  const lines = new Map<string, number[]>();
  for (const place of rim) {
    for (const seam of itemAt(graph.seamsAt, place)) {
      if (!own.has(seam)) continue;
      const line = followStraight(unit, place, seam);
      if (line) lines.set([...line].sort((a, b) => a - b).join(), line);
    }
  }
  const all = [...lines.values()];
  // Round holes the two sides of a line say little about how evenly it parts: look at every sample of smaller units.
  const looks = opened.size > 0 || members.length <= MEDIUM_UNIT ? STRAIGHT_SAMPLE : CLOSE_LOOKS;
  if (all.length <= looks) return all.map((line) => ({ seams: line, excess: 0 }));
  const sample = spread(all, STRAIGHT_SAMPLE).map((line) => ({ line, uneven: unevenness(unit, line) }));
  sample.sort((a, b) => a.uneven - b.uneven || a.line.length - b.line.length);
  return sample.slice(0, looks).map(({ line }) => ({ seams: line, excess: 0 }));
}

function followStraight(
  { graph, isInside, holeAt }: CutUnit,
  from: number,
  first: number,
): number[] | undefined {
  const line: number[] = [];
  let [place, next]: [number, number | undefined] = [from, first];
  while (next !== undefined) {
    const seam: Seam = itemAt(graph.seams, next);
    if (seam.innerBends.length > 0 || line.length > graph.seams.length) return undefined;
    line.push(next);
    place = farPlace(seam, place);
    // A line that ends at a hole parts nothing by itself.
    if (!isInside(place)) return place === from || holeAt.has(place) ? undefined : line;
    const arrived: number = next;
    next = itemAt(graph.seamsAt, place).find(
      (candidate) => candidate !== arrived && turnAt(graph, place, arrived, candidate) <= STRAIGHT_DEG,
    );
  }
  return undefined;
}

/** Share of the patches by which the sides of a line differ, judged by where their first corners lie. */
function unevenness({ graph, members, middles }: CutUnit, line: readonly number[]): number {
  const a = itemAt(graph.places, itemAt(graph.seams, itemAt(line, 0)).start.place);
  const last = itemAt(graph.seams, lastOf(line));
  const b = itemAt(
    [last.end, last.start]
      .map(({ place }) => itemAt(graph.places, place))
      .sort((p, q) => Math.hypot(q.x - a.x, q.y - a.y) - Math.hypot(p.x - a.x, p.y - a.y)),
    0,
  );
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  let balance = 0;
  for (let i = 0; i < members.length; i++) {
    const [x, y] = [itemAt(middles, i * 2), itemAt(middles, i * 2 + 1)];
    const beside = ((b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x)) / length;
    if (Math.abs(beside) > ON_LINE_MM) balance += Math.sign(beside);
  }
  return Math.abs(balance) / members.length;
}

import { itemAt } from '../lists';
import type { Chain, Join } from '../assembly';
import type { Seam, SeamGraph } from '../block';
import { SAME_POINT_MM, cornerAngle, distance, type Point } from '../geometry';
import { formatLength, type UnitSystem } from '../length';
import { bendFolds } from './bendFolds';
import { GROWTH_MM, growthAlong, placesOf } from './growth';
import type { Names } from './names';
import { sayFoldWay } from './sayFoldWay';
import { sayThread, type ThreadChoice } from './threadChoice';
import { sayCheck, type UnitCheck } from './unitCheck';

/** Sides that differ by more than this are to be eased, mm. */
const EASE_MM = 1.5;
/** From as many intersections on, ends included, a join is anchored before it is filled. */
const ANCHORED_KNOTS = 3;
/** Seams longer than this get a knot half-way, mm. */
const HALF_WAY_MM = 50;
/** At tips sharper than this the last stitches stay open, degrees, and for so much of the seam, mm. */
const TIP_OPEN_MM = 2;
const SHARP_TIP_DEG = 40;

/**
 * What to mind within a join, each in a sentence: how to anchor a long run and how much to ease, knots half-way, sharp
 * tips, which thread, and what the unit must measure when it is done.
 */
export function joinNotes(
  graph: SeamGraph,
  join: Join,
  tips: ReturnType<typeof tipsOf>[number],
  thread: ThreadChoice,
  check: UnitCheck,
  names: Names,
  system: UnitSystem,
): string[] {
  return [
    ...foldNote(graph, join),
    ...join.chains.flatMap((chain) => anchorNotes(graph, join, chain, system)),
    ...halfWayNote(graph, join, system),
    ...slideNotes(join, names, system),
    ...tipNotes(tips, system),
    sayThread(thread),
    sayCheck(check, names.of([...join.left, ...join.right]), system),
  ];
}

/** Which papers are folded at the bends. */
function foldNote(graph: SeamGraph, join: Join): string[] {
  const patches = [...new Set(bendFolds(graph, join).flatMap((bend) => bend.patches))].sort((a, b) => a - b);
  if (patches.length === 0) return [];
  const numbers = patches.map((patch) => patch + 1).join(', ');
  return [
    `Fold ${patches.length === 1 ? 'the paper' : 'the papers'} of ${numbers} to reach round the bend; unfold and crease flat again when past it.`,
  ];
}

/** The middle intersection of a run that is anchored, where an X of thread goes. */
export function crossingOf(graph: SeamGraph, chain: Chain): Point | undefined {
  const places = placesOf(graph, chain);
  if (!isAnchored(chain, places)) return undefined;
  return graph.places[itemAt(places, Math.floor(places.length / 2))];
}

/** Long runs without a bend are anchored: a run with bends is sewn from fold to fold. */
function isAnchored({ bends }: Chain, places: readonly number[]): boolean {
  return bends.length === 0 && places.length >= ANCHORED_KNOTS;
}

function anchorNotes(graph: SeamGraph, join: Join, chain: Chain, system: UnitSystem): string[] {
  const places = placesOf(graph, chain);
  if (!isAnchored(chain, places)) return [];
  const notes = [
    'Sew a few stitches at both ends first, then the middle crossing with an X of thread; tie off; then fill from the far end back inwards.',
  ];
  const { left, right } = growthAlong(graph, join, chain);
  const more = left - right;
  if (Math.abs(more) * GROWTH_MM > EASE_MM) {
    const side = more > 0 ? 'the larger unit' : 'the smaller unit';
    notes.push(
      `Ease ${side}: ${Math.abs(more)} more seams end on its side, which adds about ${formatLength(Math.abs(more) * GROWTH_MM, system)} while the papers are in; spread it between the anchors.`,
    );
  }
  return notes;
}

/** Where a long seam gets a knot half-way; none on short ones. */
export function halfWayOf({ lengthMm, path }: Seam): Point[] {
  if (lengthMm <= HALF_WAY_MM) return [];
  let left = lengthMm / 2;
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [itemAt(path, i - 1), itemAt(path, i)];
    const step = distance(a, b);
    if (step >= left) return [{ x: a.x + ((b.x - a.x) * left) / step, y: a.y + ((b.y - a.y) * left) / step }];
    left -= step;
  }
  return [];
}

/** How the thread goes from one run of a join to the next. */
function slideNotes({ chains }: Join, names: Names, system: UnitSystem): string[] {
  return chains.slice(1).map(({ carriesOn, slides }) => {
    if (!carriesOn) return 'Begin the next run with a new thread at its dot.';
    const way = sayFoldWay(slides, names, system);
    return way === ''
      ? 'The next run goes on where this one ends.'
      : `For the next run slide the needle, hidden, ${way}.`;
  });
}

function halfWayNote(graph: SeamGraph, join: Join, system: UnitSystem): string[] {
  const long = join.seams.filter((seam) => itemAt(graph.seams, seam).lengthMm > HALF_WAY_MM).length;
  if (long === 0) return [];
  const what =
    long === 1 && join.seams.length === 1 ? 'the seam' : `${long} ${long === 1 ? 'seam' : 'seams'}`;
  return [
    `Knot half-way too on ${what} longer than ${formatLength(HALF_WAY_MM, system)}: a break then costs half a seam.`,
  ];
}

/** A thin tip whose last stitches one join leaves open, for a later one to sew through. */
export interface OpenTip {
  readonly place: number;
  readonly patch: number;
}

/**
 * Thin tips at the ends of a join that are left open: those round which more is still to be sewn. Where this join closes
 * the point all round nothing would close them any more, so it is sewn to the end.
 */
export function tipsLeftOpen(graph: SeamGraph, join: Join): OpenTip[] {
  const members = new Set([...join.left, ...join.right]);
  const ends = join.chains.flatMap(({ startPlace, endPlace }) => [startPlace, endPlace]);
  return [...new Set(ends)].flatMap((place) => {
    if (!graph.isInner[place] || isClosedBy(graph, place, members)) return [];
    const at = itemAt(graph.places, place);
    return [...members].flatMap((patch) => {
      const { outline } = itemAt(graph.patches, patch);
      const tip = outline.corners.findIndex((corner) => distance(corner, at) <= SAME_POINT_MM * 2);
      return tip >= 0 && cornerAngle(outline, tip) < SHARP_TIP_DEG ? [{ place, patch }] : [];
    });
  });
}

/** Whether all patches round a point are in a unit. */
function isClosedBy(graph: SeamGraph, place: number, members: ReadonlySet<number>): boolean {
  return (graph.seamsAt[place] ?? []).every((seam) =>
    itemAt(graph.seams, seam).patches.every((patch) => members.has(patch)),
  );
}

/** For each join the tips that it leaves open, and those left open before that it sews through. */
export function tipsOf(
  graph: SeamGraph,
  joins: readonly Join[],
): { readonly open: readonly OpenTip[]; readonly closed: readonly OpenTip[] }[] {
  let waiting: OpenTip[] = [];
  return joins.map((join) => {
    const open = tipsLeftOpen(graph, join);
    const own = new Set(
      join.seams.flatMap((seam) => {
        const { start, end } = itemAt(graph.seams, seam);
        return [start.place, end.place];
      }),
    );
    const isStill = ({ place, patch }: OpenTip) =>
      open.some((tip) => tip.place === place && tip.patch === patch);
    const closed = waiting.filter((tip) => own.has(tip.place) && !isStill(tip));
    waiting = [...waiting.filter((tip) => !closed.includes(tip) && !isStill(tip)), ...open];
    return { open, closed };
  });
}

function tipNotes(tips: ReturnType<typeof tipsOf>[number], system: UnitSystem): string[] {
  const numbers = (list: readonly OpenTip[]) =>
    [...new Set(list.map(({ patch }) => patch + 1))].sort((a, b) => a - b).join(', ');
  const word = (list: readonly OpenTip[]) => (new Set(list.map(({ patch }) => patch)).size === 1 ? 'tip' : 'tips'); // prettier-ignore
  return [
    ...(tips.open.length === 0
      ? []
      : [
          `Leave the last ${formatLength(TIP_OPEN_MM, system)} open at the thin ${word(tips.open)} of ${numbers(tips.open)}: a later join sews through there, and it lies crisp.`,
        ]),
    ...(tips.closed.length === 0
      ? []
      : [`Sew right through the point: the thin ${word(tips.closed)} of ${numbers(tips.closed)}, left open before, ${word(tips.closed) === 'tip' ? 'is' : 'are'} closed now.`]), // prettier-ignore
  ];
}

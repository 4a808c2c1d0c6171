import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { threadOn } from '../thread';
import { hasNoLines } from './evenHalves';
import { growPiece } from './growPiece';
import { chainsOf } from './interface';
import { inSteps, joinMinutes, slowedBy } from './joinMinutes';
import { lostMinutes, slidTo, waysOfNeedle, weighedRun, type Needle } from './needle';
import type { PiecesTask } from './piecesTree';
import type { SewingSettings } from './sewingSettings';
import { stripOf, type Strip } from './strip';
import { joined, joinedLast, leaf, seamsBetween, type Tree } from './tree';

/** A way of making a stretch of a strip; minutes as those of a `MadeUnit`. */
interface Way {
  readonly minutes: number;
  /** The same with the rest of the thread lost: what it takes where nothing is sewn on with it. */
  readonly value: number;
  readonly needle: Needle;
  /** Where the needle can go on. */
  readonly reach: ReturnType<typeof waysOfNeedle>;
  readonly made: Made;
}

/** Patch by patch; or of two stretches, the second made last. */
type Made = { readonly grown: readonly number[] } | { readonly parts: readonly [Moved, Moved] };

/** A way that is taken so many patches further on than where it was found. */
interface Moved {
  readonly way: Way;
  readonly by: number;
}

/** A way with whose thread a seam can be begun, and through which folds it comes there; undefined where a new one is begun. */
interface Served {
  readonly way: Way;
  readonly slid: ReturnType<typeof slidTo>;
}

/** Patches of a strip from one on to before another. */
interface Stretch {
  readonly from: number;
  readonly to: number;
  /** By what share the papers in it slow the hand. */
  readonly slow: number;
  /** Ways of making it, the best first: that one serves where nothing is sewn on with its thread. */
  readonly ways: readonly Way[];
  /** The fewest minutes of any of them. */
  readonly leastMinutes: number;
  /** Of them those that serve where the next seam begins at a place. */
  readonly servedAt: (start: number) => readonly Served[];
}

/** A stretch that is laid out like one that is known, so many patches further on: it is made like it. */
interface Placed {
  readonly like: Stretch;
  readonly by: number;
}

/** The one run in which two stretches are sewn together. */
interface Meeting {
  /** Places where it begins and ends, either way round. */
  readonly ends: readonly (readonly [number, number])[];
  readonly needMm: number;
  /** Without the beginning of its thread, in a light hand. */
  readonly minutes: number;
}

/** A strip has at most so many rows (of more, halves serve as well), is so many times as long as it is wide, and of at most so many patches. */
const [MOST_ROWS, LEAST_SLENDER, MOST_PATCHES] = [4, 2, 400];

/** How stretches are made. */
interface Making {
  /** Those of up to so many patches are also grown patch by patch. */
  readonly mostGrown: number;
  /** Orders that are followed at a time, by how many patches there are. */
  readonly width: (count: number) => number;
}

const USUAL: Making = { mostGrown: 32, width: () => 8 };
/** Few pieces begin fewer threads, and they are large: sizes found by trying, so that they take not much longer … */
const SPARING: Making = { mostGrown: 45, width: (count) => (count > 32 ? 30 : 8) };
/** … where papers in the hand weigh so much of what they take. */
const SPARING_WEIGHT = 0.5;
/** Ways of making a stretch that are kept. */
const MOST_WAYS = 24;

/**
 * Patches are followed at an angle to the strip, so that those that lie side by side have an order and the ends of stretches one
 * slant: to either side, of which the one or the other suits the rows better; less than rows of hexagons lean. Radians.
 */
export const LEANS = [-0.3, 0.3] as const;
/** Strips of up to so many patches are tried with both: of longer ones either serves as well within half a percent. */
const MOST_LEANT = 200;

/** Orders of a narrow strip, each with stretches of one slant. */
export function stripTrees(task: PiecesTask, members: readonly number[]): Tree[] {
  const leans = members.length <= MOST_LEANT ? LEANS : LEANS.slice(0, 1);
  return leans.flatMap((lean) => stripTree(task, members, lean, USUAL) ?? []);
}

/** The order of a strip in larger pieces, which begins fewer threads and takes longer; undefined where none that is found is as wished. */
export function sparingStripTree(
  task: PiecesTask,
  members: readonly number[],
  isAsWished: (tree: Tree) => boolean,
): Tree | undefined {
  if (members.length > MOST_LEANT) return undefined;
  const { heavyShare } = task.settings;
  const settings = { ...task.settings, heavyShare: heavyShare * SPARING_WEIGHT };
  for (const lean of LEANS) {
    const tree = stripTree({ ...task, settings }, members, lean, SPARING);
    if (tree && isAsWished(tree)) return tree;
  }
  return undefined;
}

/**
 * The order of a narrow strip without lines in which every unit is a stretch of it, or a piece that grew within one: where the
 * strip is cut decides how well needlefuls are used up and how light the work is. Of all such orders it is the one of the least
 * minutes, thread that goes into no seam weighed; exact over the ways that are kept of each stretch, by dynamic programming.
 * @returns undefined for what is no strip or too large, and where no stretches meet in one run each
 * Cost: cube of the patches.
 */
function stripTree(
  task: PiecesTask,
  members: readonly number[],
  lean: number,
  making: Making,
): Tree | undefined {
  const count = members.length;
  if (count > MOST_PATCHES || !hasNoLines(task.graph)) return undefined;
  const strip = stripOf(task.graph, members, task.settings.stitchesPerMm, lean);
  if (strip.band > MOST_ROWS || count < LEAST_SLENDER * strip.band ** 2) return undefined;
  const meetingAt = meetingsOf(task, strip);
  const known = new Map<number, Stretch>();
  const stretches: Placed[] = [];
  const stretch = (from: number, to: number) => stretches[from * (count + 1) + to] as Placed;
  for (let length = 1; length <= count; length++) {
    task.goOn();
    for (let from = 0, to = length; to <= count; from++, to++) {
      const layout = strip.layoutOf(from, to);
      let like = known.get(layout);
      if (!like) {
        const found = new Found(task, strip, from, to);
        if (length === 1) found.add(0, -1, 0, { grown: [from] });
        if (length > 2 && length <= making.mostGrown) found.addGrown(making.width(length));
        for (let cut = from + 1; cut < to; cut++) {
          const meeting = meetingAt(from, cut, to);
          if (meeting) found.addJoined(meeting, cut, stretch(from, cut), stretch(cut, to));
        }
        known.set(layout, (like = found.kept()));
      }
      stretches[from * (count + 1) + to] = { like, by: from - like.from };
    }
  }
  const { like, by } = stretch(0, count);
  const [best] = like.ways;
  return best && treeOf(best, strip.patches, by);
}

/** @param by how many patches further on it lies than the way was found */
function treeOf({ made }: Way, patches: readonly number[], by: number): Tree {
  if ('grown' in made) return made.grown.map((at) => leaf(itemAt(patches, at + by))).reduce(joined);
  const [first, last] = made.parts.map((part) => treeOf(part.way, patches, by + part.by)) as [Tree, Tree];
  return joinedLast(first, last);
}

/** Where two stretches meet; undefined where that takes more than one run. What lies far from the cut makes no difference. */
function meetingsOf({ graph, settings }: PiecesTask, { patches, band }: Strip) {
  const known = new Map<number, Meeting | undefined>();
  return (from: number, cut: number, to: number): Meeting | undefined => {
    const [a, b] = [Math.max(from, cut - band), Math.min(to, cut + band)];
    const key = (cut * (band + 1) + cut - a) * (band + 1) + b - cut;
    if (!known.has(key)) {
      const seams = seamsBetween(graph, patches.slice(a, cut), patches.slice(cut, b));
      known.set(key, meetingAlong(graph, seams, settings));
    }
    return known.get(key);
  };
}

function meetingAlong(graph: SeamGraph, seams: readonly number[], settings: SewingSettings): Meeting | undefined {
  const chains = chainsOf(graph, seams);
  const [only] = chains;
  if (!only || chains.length > 1) return undefined;
  const { startPlace, endPlace, lengthMm } = only;
  return {
    ends: [
      [startPlace, endPlace],
      [endPlace, startPlace],
    ],
    needMm: threadOn(lengthMm, settings.stitchesPerMm),
    minutes: joinMinutes({ lengthMm, chains, threadStarts: 0, slides: 0, papersInHand: 0 }, settings),
  };
} // prettier-ignore

/** Ways found of making one stretch: for each place where its thread ends the best. */
class Found {
  readonly #best = new Map<number, Way>();

  constructor(
    private readonly task: PiecesTask,
    private readonly strip: Strip,
    private readonly from: number,
    private readonly to: number,
  ) {}

  add(minutes: number, place: number, leftMm: number, made: Made): void {
    const { graph, settings } = this.task;
    const value = minutes + lostMinutes(leftMm, settings);
    const known = this.#best.get(place);
    if (known && inSteps(value) >= inSteps(known.value)) return;
    const reach = known?.reach ?? waysOfNeedle(graph, place);
    this.#best.set(place, { minutes, value, needle: { place, leftMm }, reach, made });
  }

  addGrown(width: number): void {
    const { graph, settings } = this.task;
    for (const { minutes, needle, tree } of growPiece(graph, this.strip.patches.slice(this.from, this.to), settings, width))
      this.add(minutes, needle.place, needle.leftMm, { grown: tree.members.map((patch) => itemAt(this.strip.standsAt, patch)) });
  } // prettier-ignore

  /** Adds sewing two stretches together, either of them last. */
  addJoined(meeting: Meeting, cut: number, before: Placed, after: Placed): void {
    const { slow } = cut - this.from >= this.to - cut ? before.like : after.like;
    this.#addLast(meeting, slow, before, after);
    this.#addLast(meeting, slow, after, before);
  }

  /** Goes on with the thread of the one that is made last where that reaches; with a new one after its best. */
  #addLast({ ends, needMm, minutes }: Meeting, slow: number, first: Placed, { like, by }: Placed): void {
    const { settings } = this.task;
    const [best] = first.like.ways;
    if (!best) return;
    const base = best.value + minutes * slow;
    for (const [start, end] of ends) {
      // One that takes as much as what is known to end there is not looked at.
      const most = this.#best.get(end)?.value ?? Infinity;
      if (base + like.leastMinutes >= most) continue;
      const ownStart = this.strip.placeFurther(start, like.from + by, like.to + by, -by);
      for (const { way, slid } of like.servedAt(ownStart)) {
        if (base + way.minutes >= most) continue;
        const run = weighedRun(way.needle.leftMm, slid, needMm, settings);
        const made: Made = { parts: [{ way: best, by: first.by }, { way, by }] };
        this.add(base + way.minutes + run.minutes + run.handMinutes * slow, end, run.leftMm, made);
      }
    }
  } // prettier-ignore

  kept(): Stretch {
    const { from, to, strip, task } = this;
    const sorted = [...this.#best.values()].sort((a, b) => inSteps(a.value) - inSteps(b.value));
    const ways = sorted.slice(0, MOST_WAYS);
    return {
      from,
      to,
      slow: slowedBy(strip.papersIn(from, to), task.settings) - 1,
      ways,
      leastMinutes: Math.min(...ways.map(({ minutes }) => minutes)),
      servedAt: servedBy(ways, (patch) => itemAt(strip.standsAt, patch) >= from && itemAt(strip.standsAt, patch) < to), // prettier-ignore
    };
  }
}

/** Of ways those whose thread goes on where a seam begins, and the best of them with a new one where its own does not; worked out once. */
function servedBy(ways: readonly Way[], isInHand: (patch: number) => boolean): Stretch['servedAt'] {
  const known = new Map<number, readonly Served[]>();
  return (start) => {
    let served = known.get(start);
    if (!served) {
      served = ways.flatMap((way, i): Served[] => {
        const isReached = way.needle.place === start || way.reach?.has(start) === true;
        if (!isReached) return i === 0 ? [{ way, slid: undefined }] : [];
        return [{ way, slid: slidTo(way.needle.place, start, way.reach, isInHand) }];
      });
      known.set(start, served);
    }
    return served;
  };
}

import { itemAt, lastOf } from '../lists';
import type { SeamGraph } from '../block';
import { threadOn } from '../thread';
import { turnedChain, type Chain } from './interface';
import type { Join, Run } from './join';
import { joinMinutes, slowedBy } from './joinMinutes';
import { sewnRun } from './needle';
import type { ReleasingJoin } from './releases';
import type { SewingSettings } from './sewingSettings';
import { slidesBetween, type Slide } from './slides';
import { Units } from './units';

/** How the thread comes to a run: begun anew, or carried on through folds. */
interface Passage {
  readonly carriesOn: boolean;
  readonly slides: readonly Slide[];
}

const NEW_THREAD: Passage = { carriesOn: false, slides: [] };

/** One way of sewing a join: its chains in an order and directions, and how the thread goes from each to the next. */
interface Way {
  readonly chains: readonly Chain[];
  readonly passages: readonly Passage[];
  /** Minutes spent on beginning and sliding threads up to and including this join when it is sewn this way. */
  readonly minutes: number;
  /** Thread that is left on the needle then, mm. */
  readonly leftMm: number;
  readonly before: Way | undefined;
}

/** Orders and directions of more chains than this are not all tried. */
const MOST_TRIED = 2;
/** Ways that differ by less are equals: of those the first is taken. */
const [HAIR_MINUTES, HAIR_MM] = [1e-9, 1];

/**
 * Chooses for each join where to start, which way to sew, and where the thread goes on, so that all is sewn in the least minutes:
 * it may go on when the unit just sewn is part of the next join and that begins where the thread ended, or where it comes out
 * after slides through folds in hand, as far as the needleful reaches. Exact over the given order, by dynamic programming: of the
 * ways of each join those are followed that no other betters both in minutes and in thread that is left.
 */
export function sewInOrder(
  graph: SeamGraph,
  joins: readonly ReleasingJoin[],
  settings: SewingSettings,
): Join[] {
  const units = new Units(graph.patches.length);
  const passage = (from: number, to: number, patch: number): Passage => {
    const slides = slidesBetween(graph, from, to, (one) => units.areOne(one, patch));
    const isWorth = slides && slides.length * settings.slideMinutes <= settings.threadStartMinutes;
    return isWorth ? { carriesOn: true, slides } : NEW_THREAD;
  };
  let ways: Way[] = [];
  joins.forEach((join, index) => {
    const patch = itemAt(join.left, 0);
    const before = index > 0 ? itemAt(joins, index - 1) : undefined;
    const isContinued = before !== undefined && continues(before, join);
    const tried = waysOf(join.chains);
    // The first run comes from the unit that was just made; the others through the two units that are one by then.
    const firsts = tried.map((chains) =>
      ways.map((way) => (isContinued ? passage(lastOf(way.chains).endPlace, itemAt(chains, 0).startPlace, itemAt(before.left, 0)) : NEW_THREAD)),
    ); // prettier-ignore
    units.unite(patch, itemAt(join.right, 0));
    ways = tried.flatMap((chains, which) => {
      const inner = chains.slice(1).map((chain, i) => passage(itemAt(chains, i).endPlace, chain.startPlace, patch)); // prettier-ignore
      const from = ways.length === 0 ? [undefined] : ways;
      return unbettered(from.flatMap((way, i) => {
        const passages = [itemAt(firsts, which)[i] ?? NEW_THREAD, ...inner];
        return waysThrough(way, chains, passages, slowedBy(join.papersInHand, settings), settings);
      })); // prettier-ignore
    });
  });
  return threaded(joins, chosenOf(ways), settings);
}

/** Ways of sewing chains after what was sewn before that may pay: at each the thread goes on where it may, or is begun anew. */
function waysThrough(
  before: Way | undefined,
  chains: readonly Chain[],
  passages: readonly Passage[],
  slowness: number,
  settings: SewingSettings,
): Way[] {
  const { threadStartMinutes, slideMinutes } = settings;
  const none: Way = { chains, passages: [], minutes: before?.minutes ?? 0, leftMm: before?.leftMm ?? 0, before };
  return chains.reduce<Way[]>(
    (ways, chain, at) =>
      unbettered(ways.flatMap((way) => {
        const carried = itemAt(passages, at);
        return (carried.carriesOn ? [carried, NEW_THREAD] : [NEW_THREAD]).flatMap((passage): Way[] => {
          const { carriesOn, starts, leftMm } = sewnChain(way.leftMm, passage, chain, settings);
          // Too little is left to be carried on: that is the other way.
          if (passage.carriesOn && !carriesOn) return [];
          const minutes = starts * threadStartMinutes + passage.slides.length * slideMinutes;
          return [{ ...way, passages: [...way.passages, passage], minutes: way.minutes + minutes * slowness, leftMm }];
        });
      })),
    [none],
  );
} // prettier-ignore

/** The quickest ways, and slower ones that leave more thread. */
function unbettered(ways: readonly Way[]): Way[] {
  const sorted = [...ways].sort((a, b) => (Math.abs(a.minutes - b.minutes) > HAIR_MINUTES ? a.minutes - b.minutes : b.leftMm - a.leftMm)); // prettier-ignore
  let mostMm = -Infinity;
  return sorted.filter(({ leftMm }) => {
    const isMore = leftMm > mostMm + HAIR_MM;
    if (isMore) mostMm = leftMm;
    return isMore;
  });
}

function chosenOf(ways: readonly Way[]): Way[] {
  let way = ways.reduce<Way | undefined>((best, one) => (best && best.minutes <= one.minutes + HAIR_MINUTES ? best : one), undefined); // prettier-ignore
  const chosen: Way[] = [];
  for (; way; way = way.before) chosen.push(way);
  return chosen.reverse();
}

/** One run with what is left on the needle before. */
function sewnChain(
  beforeMm: number,
  { carriesOn, slides }: Passage,
  { lengthMm }: Chain,
  settings: SewingSettings,
) {
  const hiddenMm = slides.reduce((sum, slide) => sum + slide.lengthMm, 0);
  const slid = carriesOn ? { count: slides.length, hiddenMm } : undefined;
  return sewnRun(beforeMm, slid, threadOn(lengthMm, settings.stitchesPerMm), settings);
}

/** The joins as they are sewn, with their threads and minutes. */
function threaded(joins: readonly ReleasingJoin[], chosen: readonly Way[], settings: SewingSettings): Join[] {
  let leftMm = 0;
  return joins.map((join, index) => {
    const { chains, passages } = itemAt(chosen, index);
    let threadStarts = 0;
    const runs = chains.map((chain, i): Run => {
      const passage = itemAt(passages, i);
      const sewn = sewnChain(leftMm, passage, chain, settings);
      leftMm = sewn.leftMm;
      threadStarts += sewn.starts;
      return { ...chain, carriesOn: sewn.carriesOn, slides: sewn.carriesOn ? passage.slides : [] };
    });
    const sum = (of: (run: Run) => number) => runs.reduce((total, run) => total + of(run), 0);
    const { left, right, seams, releases, papersInHand } = join;
    const cost = {
      lengthMm: sum((run) => run.lengthMm),
      bends: sum((run) => run.bends.length),
      threadStarts,
      slides: sum((run) => run.slides.length),
      papersInHand,
    };
    return {
      id: `j${index + 1}`,
      left,
      right,
      seams,
      chains: runs,
      ...cost,
      carriesOn: runs[0]?.carriesOn ?? false,
      minutes: joinMinutes({ ...cost, chains: runs }, settings),
      releases,
    };
  });
}

/** Orders and directions in which the chains of a join can be sewn. */
function waysOf(chains: readonly Chain[]): Chain[][] {
  if (chains.length > MOST_TRIED) return [[...chains], chains.map(turnedChain).reverse()];
  const [a, b] = chains;
  if (!a) return [[]];
  const both = (one: Chain) => [one, turnedChain(one)];
  if (!b) return both(a).map((one) => [one]);
  return both(a).flatMap((one) => both(b).flatMap((two) => [[one, two], [two, one]])); // prettier-ignore
}

/** Whether the unit that `before` made is sewn on in `after`. */
function continues(before: ReleasingJoin, after: ReleasingJoin): boolean {
  const patch = itemAt(before.left, 0);
  const size = before.left.length + before.right.length;
  return [after.left, after.right].some((unit) => unit.length === size && unit.includes(patch));
}

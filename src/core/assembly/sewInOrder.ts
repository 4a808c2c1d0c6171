import { itemAt, lastOf } from '../lists';
import type { SeamGraph } from '../block';
import { threadOn } from '../thread';
import { turnedChain, type Chain } from './interface';
import type { Join, Run } from './join';
import { joinMinutes } from './joinMinutes';
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
  /** Least minutes spent on beginning and sliding threads up to and including this join when it is sewn this way. */
  readonly minutes: number;
  readonly before: Way | undefined;
}

/** Orders and directions of more chains than this are not all tried. */
const MOST_TRIED = 2;
/** Less than this share of a needleful is cut off rather than carried on. */
export const LEAST_SHARE = 1 / 20;

/**
 * Chooses for each join where to start and which way to sew, so that the thread goes on as often as that is quicker: when
 * the unit just sewn is part of the next join and that begins where the thread ended, or where it comes out after slides
 * through folds in hand. Exact over the given order, by dynamic programming over the ways of each join. Then counts starts,
 * with needlefuls that run out, and minutes.
 */
export function sewInOrder(
  graph: SeamGraph,
  joins: readonly ReleasingJoin[],
  settings: SewingSettings,
): Join[] {
  const units = new Units(graph.patches.length);
  const costOf = ({ carriesOn, slides }: Passage) =>
    carriesOn ? slides.length * settings.slideMinutes : settings.threadStartMinutes;
  const passage = (from: number, to: number, patch: number): Passage => {
    const slides = slidesBetween(graph, from, to, (one) => units.areOne(one, patch));
    const carried = slides && { carriesOn: true, slides };
    return carried && costOf(carried) <= settings.threadStartMinutes ? carried : NEW_THREAD;
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
    ways = tried.map((chains, which): Way => {
      const inner = chains.slice(1).map((chain, i) => passage(itemAt(chains, i).endPlace, chain.startPlace, patch)); // prettier-ignore
      const own = inner.reduce((sum, one) => sum + costOf(one), 0);
      let best: Way | undefined;
      itemAt(firsts, which).forEach((first, i) => {
        const minutes = itemAt(ways, i).minutes + costOf(first) + own;
        if (!best || minutes < best.minutes - 1e-12)
          best = { chains, passages: [first, ...inner], minutes, before: itemAt(ways, i) };
      });
      return best ?? { chains, passages: [NEW_THREAD, ...inner], minutes: costOf(NEW_THREAD) + own, before: undefined }; // prettier-ignore
    });
  });
  return threaded(joins, chosenOf(ways), settings);
}

function chosenOf(ways: readonly Way[]): Way[] {
  let way = ways.reduce<Way | undefined>((best, one) => (best && best.minutes <= one.minutes + 1e-12 ? best : one), undefined); // prettier-ignore
  const chosen: Way[] = [];
  for (; way; way = way.before) chosen.push(way);
  return chosen.reverse();
}

/** The joins with thread on the needle: a needleful that is used up is a thread begun, and so is one too short to go on with. */
function threaded(joins: readonly ReleasingJoin[], chosen: readonly Way[], settings: SewingSettings): Join[] {
  const { stitchesPerMm, usableNeedlefulMm } = settings;
  let leftMm = 0;
  return joins.map((join, index) => {
    const { chains, passages } = itemAt(chosen, index);
    let threadStarts = 0;
    const runs = chains.map((chain, i): Run => {
      const { carriesOn: mayCarry, slides } = itemAt(passages, i);
      const hiddenMm = slides.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
      const carriesOn = mayCarry && leftMm - hiddenMm > usableNeedlefulMm * LEAST_SHARE;
      leftMm = carriesOn ? leftMm - hiddenMm : 0;
      let need = threadOn(chain.lengthMm, stitchesPerMm);
      while (need > leftMm) {
        need -= leftMm;
        leftMm = usableNeedlefulMm;
        threadStarts += 1;
      }
      leftMm -= need;
      return { ...chain, carriesOn, slides: carriesOn ? slides : [] };
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

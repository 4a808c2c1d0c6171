import { itemAt } from '../lists';
import { threadOn } from '../thread';
import { turnedChain, type Chain } from './interface';
import type { Join } from './join';
import { joinMinutes } from './joinMinutes';
import type { ReleasingJoin } from './releases';
import type { SewingSettings } from './sewingSettings';

/** One way of sewing a join: its chains in an order and directions. */
interface Way {
  readonly chains: readonly Chain[];
  /** Fewest thread starts up to and including this join when it is sewn this way. */
  readonly starts: number;
  readonly before: Way | undefined;
  readonly carriesOn: boolean;
}

/**
 * Chooses for each join where to start and which way to sew, so that the thread carries on as often as it can: when
 * the unit just sewn is part of the next join and that begins where the thread ended. Exact over the given order, by
 * dynamic programming over the two ways of each join. Then counts starts, with needlefuls that run out, and minutes.
 */
export function sewInOrder(joins: readonly ReleasingJoin[], settings: SewingSettings): Join[] {
  let ways: Way[] = [];
  joins.forEach((join, index) => {
    const isContinued = index > 0 && continues(itemAt(joins, index - 1), join);
    ways = waysOf(join.chains).map((chains) => bestWay(chains, ways, isContinued));
  });
  const chosen: Way[] = [];
  for (let way = leastStarts(ways); way; way = way.before) chosen.unshift(way);
  let leftMm = 0;
  return joins.map((join, index) => {
    const { chains, carriesOn } = itemAt(chosen, index);
    const thread = spendThread(chains, carriesOn ? leftMm : 0, settings);
    leftMm = thread.leftMm;
    const lengthMm = chains.reduce((sum, chain) => sum + chain.lengthMm, 0);
    const bends = chains.reduce((sum, chain) => sum + chain.bends.length, 0);
    const { left, right, seams, releases, papersInHand } = join;
    const cost = { lengthMm, bends, threadStarts: thread.starts, papersInHand };
    return {
      id: `j${index + 1}`,
      left,
      right,
      seams,
      chains,
      ...cost,
      carriesOn: carriesOn && thread.carried,
      minutes: joinMinutes(cost, settings),
      releases,
    };
  });
}

function waysOf(chains: readonly Chain[]): Chain[][] {
  const forwards = [...chains];
  return [forwards, forwards.map(turnedChain).reverse()];
}

/** Whether the unit that `before` made is sewn on in `after`. */
function continues(before: ReleasingJoin, after: ReleasingJoin): boolean {
  const patch = itemAt(before.left, 0);
  const size = before.left.length + before.right.length;
  return [after.left, after.right].some((unit) => unit.length === size && unit.includes(patch));
}

function bestWay(chains: readonly Chain[], ways: readonly Way[], isContinued: boolean): Way {
  const from = chains[0]?.startPlace;
  let best: Way | undefined;
  for (const before of ways) {
    const carriesOn = isContinued && before.chains.at(-1)?.endPlace === from;
    const starts = before.starts + chains.length - (carriesOn ? 1 : 0);
    if (!best || starts < best.starts) best = { chains, starts, before, carriesOn };
  }
  return best ?? { chains, starts: chains.length, before: undefined, carriesOn: false };
}

function leastStarts(ways: readonly Way[]): Way | undefined {
  return ways.reduce<Way | undefined>(
    (best, way) => (best && best.starts <= way.starts ? best : way),
    undefined,
  );
}

/** Thread begun for the chains of one join, when `leftMm` of the thread before is still on the needle. */
function spendThread(chains: readonly Chain[], leftMm: number, settings: SewingSettings) {
  const { stitchesPerMm, usableNeedlefulMm } = settings;
  // Less than this much thread is cut off rather than carried on.
  const carried = leftMm > usableNeedlefulMm / 10;
  let [starts, left] = [0, carried ? leftMm : 0];
  chains.forEach((chain, index) => {
    if (index > 0) left = 0;
    let need = threadOn(chain.lengthMm, stitchesPerMm);
    while (need > left) {
      need -= left;
      left = usableNeedlefulMm;
      starts += 1;
    }
    left -= need;
  });
  return { starts, leftMm: left, carried };
}

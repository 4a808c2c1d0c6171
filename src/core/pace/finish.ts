import { probit } from 'simple-statistics';
import type { Chance } from '../chance';
import { itemAt } from '../lists';
import type { Pace } from './pace';
import type { Week } from './weeks';

/** A past week as a pattern of weeks to come: its minutes as a share of what its maker's pace expected then. */
export interface Pattern {
  readonly share: number;
  readonly minutes: number;
  readonly sittings: Week['sittings'];
}

/** A pattern in the run of weeks that it stands in. */
export interface PlacedPattern {
  readonly run: readonly Pattern[];
  readonly week: number;
}

/** What is believed of a maker: paces with their probabilities, and past weeks that may come again, own and of others. */
export interface Belief {
  readonly paces: readonly { readonly pace: Pace; readonly probability: number }[];
  readonly own: readonly PlacedPattern[];
  readonly group: readonly PlacedPattern[];
  /** How often one of the own weeks is played. */
  readonly ownShare: number;
}

/** Futures that are played through for a maker; with four times as many, dates move by less than a fiftieth of their distance. */
const FUTURES = 500;
/** A future that takes longer is called five years. */
const MOST_WEEKS = 260;
/** How often the week after a played one is the one that followed it: holidays and bursts last. */
const GOES_ON = 0.5;
/** A pace never grows beyond this, ln(minutes a week): a whole week by day and night. */
const MOST_LEVEL = 9.2;

/** Plays a maker's weeks to come until all is sewn, many times. @returns days from now, rising */
export function playFutures(belief: Belief, left: number, chance: Chance): Float64Array {
  const days = new Float64Array(FUTURES);
  for (let future = 0; future < FUTURES; future++) {
    // Paces are drawn evenly over their whole probability, so that fewer futures tell as much.
    const pace = drawPace(belief, (future + chance()) / FUTURES, chance);
    days[future] = playOne(belief, pace, left, chance);
  }
  return days.sort();
}

interface DrawnPace {
  readonly level: number;
  readonly drift: number;
}

function drawPace({ paces }: Belief, at: number, chance: Chance): DrawnPace {
  let rest = at;
  const { pace } = paces.find(({ probability }) => (rest -= probability) < 0) ?? itemAt(paces, 0);
  const [level, both, drift] = pace.spread;
  const deviation = Math.sqrt(level);
  const [one, other] = [normal(chance), normal(chance)];
  return {
    level: pace.level + deviation * one,
    drift:
      pace.drift + (both / deviation) * one + Math.sqrt(Math.max(0, drift - (both * both) / level)) * other,
  };
}

const normal = (chance: Chance) => probit(Math.min(1 - 1e-9, Math.max(1e-9, chance())));

function playOne(belief: Belief, pace: DrawnPace, left: number, chance: Chance): number {
  let rest = left;
  // All that such a pace will ever sew is less than a third of what is left: it is not played to its end.
  if (pace.drift < 0 && 3 * Math.exp(pace.level) < left * -pace.drift) return 7 * MOST_WEEKS;
  let [run, week]: [readonly Pattern[], number] = [[], 0];
  for (let ahead = 0; ahead < MOST_WEEKS; ahead++) {
    if (week + 1 < run.length && chance() < GOES_ON) week += 1;
    else ({ run, week } = drawWeek(belief, chance));
    const { share, minutes, sittings } = itemAt(run, week);
    const sewn = share * Math.exp(Math.min(MOST_LEVEL, pace.level + pace.drift * (ahead + 0.5)));
    if (sewn >= rest) return 7 * ahead + dayWithin(sittings, (rest * minutes) / sewn);
    rest -= sewn;
  }
  return 7 * MOST_WEEKS;
}

/** Days from a week's begin until so many minutes of its sittings are sewn. */
function dayWithin(sittings: Pattern['sittings'], minutes: number): number {
  let rest = minutes;
  return sittings.find((sitting) => (rest -= sitting.minutes) <= 1e-9)?.day ?? 7;
}

function drawWeek({ own, group, ownShare }: Belief, chance: Chance): PlacedPattern {
  const from = chance() < ownShare ? own : group;
  return itemAt(from, Math.floor(chance() * from.length));
}

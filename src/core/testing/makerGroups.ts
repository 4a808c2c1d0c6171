import { chanceFrom, type Chance } from '../chance';

/** How a made-up maker behaves. */
export const BEHAVIOURS = ['steady', 'bursty', 'slowing', 'late', 'holidays', 'weekend', 'stopped'] as const;
export type Behaviour = (typeof BEHAVIOURS)[number];

export interface SimulatedMaker {
  readonly id: string;
  readonly behaviour: Behaviour;
  /** When they began, and what they sewed up to now; times in days from the day on which the group began. */
  readonly since: number;
  readonly work: readonly { readonly day: number; readonly minutes: number }[];
  /** Standard minutes left at the present, and the day on which they are truly sewn; none for who has stopped. */
  readonly left: number;
  readonly finish: number | undefined;
}

/** Long enough for every maker who goes on. */
const LAST_DAY = 2000;

/** A group that has gone on for some weeks, each behaviour equally often, and what it does afterwards. */
export function simulatedGroup(seed: number, size: number, now: number): SimulatedMaker[] {
  const chance = chanceFrom(seed);
  const groupMinutes = 60 + 150 * chance();
  return Array.from({ length: size }, (_, index) => {
    const behaviour = BEHAVIOURS[index % BEHAVIOURS.length] as Behaviour;
    return simulatedMaker(`maker ${index}`, behaviour, chance, groupMinutes, now);
  });
}

function simulatedMaker(id: string, behaviour: Behaviour, chance: Chance, groupMinutes: number, now: number): SimulatedMaker {
  const between = (low: number, high: number) => low + (high - low) * chance();
  const since = behaviour === 'late' ? now - 14 : Math.floor(between(0, Math.min(14, now / 3)));
  const weekly = groupMinutes * Math.exp(0.35 * normal(chance));
  const sessionsOf = { ...RHYTHMS[behaviour](chance), weekly, since };
  const stops = behaviour === 'stopped' ? now - Math.floor(between(28, 56)) : LAST_DAY;
  const all = sewnDays(sessionsOf, chance, stops);
  const left = weekly * Math.exp((sessionsOf.drift * (now - since)) / 7) * between(2, 10);
  const work = all.filter(({ day }) => day < now);
  let sum = 0;
  const finish = all.find(({ day, minutes }) => day >= now && (sum += minutes) >= left)?.day;
  return { id, behaviour, since, work, left, finish };
} // prettier-ignore

/** On which days they sew, and for how long a share of a week. */
interface Rhythm {
  readonly sewsOn: (day: number) => boolean;
  /** Days on which they sew in an ordinary week. */
  readonly daysAWeek: number;
  /** How much longer or shorter sittings grow, per week. */
  readonly drift: number;
}

const RHYTHMS: Record<Behaviour, (chance: Chance) => Rhythm> = {
  steady: (chance) => often(2 + 2 * chance(), chance),
  late: (chance) => often(2 + 2 * chance(), chance),
  stopped: (chance) => often(2 + 2 * chance(), chance),
  slowing: (chance) => ({ ...often(3, chance), drift: -0.03 - 0.04 * chance() }),
  weekend: (chance) => ({ sewsOn: (day) => day % 7 >= 5 && chance() < 0.8, daysAWeek: 1.6, drift: 0 }),
  holidays: (chance) => {
    const { sewsOn, ...rest } = often(3, chance);
    const [first, length, every] = [Math.floor(50 * chance()), 10 + Math.floor(8 * chance()), 60 + Math.floor(30 * chance())];
    return { ...rest, sewsOn: (day) => (day + first) % every >= length && sewsOn(day) };
  },
  bursty: (chance) => {
    let isOn = false;
    return { sewsOn: () => (isOn = chance() < (isOn ? 0.75 : 0.08)), daysAWeek: 1.7, drift: 0 };
  },
}; // prettier-ignore

function often(daysAWeek: number, chance: Chance): Rhythm {
  return { sewsOn: () => chance() < daysAWeek / 7, daysAWeek, drift: 0 };
}

function sewnDays({ sewsOn, daysAWeek, drift, weekly, since }: Rhythm & { weekly: number; since: number }, chance: Chance, stops: number) {
  const work: { day: number; minutes: number }[] = [];
  for (let day = since; day < stops; day++) {
    if (!sewsOn(day)) continue;
    const length = (weekly / daysAWeek) * Math.exp(0.4 * normal(chance) - 0.08 + (drift * (day - since)) / 7);
    work.push({ day: day + 0.4 + 0.5 * chance(), minutes: length });
  }
  return work;
} // prettier-ignore

/** A number of the normal distribution, by Box and Muller. */
function normal(chance: Chance): number {
  return Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
}

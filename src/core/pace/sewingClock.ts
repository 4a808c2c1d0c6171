import type { MakerHistory } from './weeks';

/** Days on which nobody is expected to sew: from the begin of the first up to the end of the last, ms since 1970. */
export interface FreeTime {
  readonly from: number;
  readonly to: number;
}

/** A clock that stands still in free time, so that a pace told by it is that of the other days. */
export interface SewingClock {
  /** What it shows at a moment. */
  readonly at: (time: number) => number;
  /** The moment at which it shows that; where it stood still, the end of that. */
  readonly momentOf: (shown: number) => number;
  /** A history as this clock has it: what was sewn in free time counts as sewn when that began. */
  readonly ofHistory: (maker: MakerHistory) => MakerHistory;
}

/** @param free in any order; what overlaps counts once */
export function sewingClock(free: readonly FreeTime[]): SewingClock {
  const stands = merged(free);
  const at = (time: number) => time - stands.reduce((sum, { from, to }) => sum + Math.max(0, Math.min(time, to) - from), 0); // prettier-ignore
  const momentOf = (shown: number) => stands.reduce((time, { from, to }) => (time >= from ? time + to - from : time), shown); // prettier-ignore
  return {
    at,
    momentOf,
    ofHistory: (maker) => ({
      ...maker,
      since: at(maker.since),
      work: maker.work.map((entry) => ({ ...entry, at: at(entry.at) })),
    }),
  };
}

function merged(free: readonly FreeTime[]): FreeTime[] {
  const stands: FreeTime[] = [];
  for (const { from, to } of [...free].sort((a, b) => a.from - b.from)) {
    const last = stands.at(-1);
    if (to <= from) continue;
    if (last && from <= last.to) stands[stands.length - 1] = { from: last.from, to: Math.max(last.to, to) };
    else stands.push({ from, to });
  }
  return stands;
}

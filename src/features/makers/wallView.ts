import type { PaceState } from '@/core/pace';
import type { Maker } from '@/server/makers';
import type { BlockProgress } from '@/server/progress';

/** How a maker keeps up, with the reason in a sentence. */
export interface Keeping {
  readonly id: string;
  readonly state: PaceState;
  readonly reason: string;
}

export const SHOWS = [
  ['all', 'everybody'],
  ['behind', 'slipping or stalled'],
  ['stuck', 'stuck'],
  ['bag', 'waiting for a bag'],
  ['paused', 'pausing'],
] as const;
export const SORTS = [
  ['name', 'name'],
  ['left', 'most left first'],
  ['quiet', 'longest unheard first'],
  ['state', 'who wants a look first'],
] as const;

/** What of the wall is looked at. */
export interface WallChoice {
  readonly show: (typeof SHOWS)[number][0];
  readonly sort: (typeof SORTS)[number][0];
  /** A group’s id, `none` for those in none, or everybody’s. */
  readonly group: string;
  /** A drop’s id, or all blocks. */
  readonly drop: string;
}

export const ALL = 'all';
export const NONE = 'none';
export const FIRST_CHOICE: WallChoice = { show: 'all', sort: 'name', group: ALL, drop: ALL };

/** One line of the wall. */
export interface WallLineOf {
  readonly maker: Maker;
  /** By block, in the wall’s order; undefined for one that they do not sew. */
  readonly own: readonly (BlockProgress | undefined)[];
  readonly keeping: Keeping | undefined;
  /** Of what is shown, blocks whose bag they do not have yet. */
  readonly bagless: readonly string[];
}

const RANK: Readonly<Record<PaceState, number>> = {
  stalled: 0,
  slipping: 1,
  'on-pace': 2,
  ahead: 3,
  done: 4,
};
const isBehind = ({ keeping, maker }: WallLineOf) => !maker.isPaused && (keeping?.state === 'stalled' || keeping?.state === 'slipping'); // prettier-ignore
const isStuck = ({ own }: WallLineOf) => own.some((entry) => entry?.stuckOn !== undefined);

/** Minutes that are left of what a line shows. */
export const minutesLeft = ({ own }: Pick<WallLineOf, 'own'>): number =>
  own.reduce((sum, entry) => sum + (entry ? entry.totalMinutes - entry.doneMinutes : 0), 0);

interface WallFacts {
  readonly makers: readonly Maker[];
  readonly blocks: readonly { readonly id: string }[];
  readonly progress: readonly BlockProgress[];
  readonly keeping: readonly Keeping[];
  /** Bags that were handed over, as maker/block. */
  readonly handed: ReadonlySet<string>;
}

/** The lines of the wall that are asked for, in the order that is asked for; equals by name. */
export function wallLines({ makers, blocks, progress, keeping, handed }: WallFacts, { show, sort, group }: WallChoice): WallLineOf[] {
  const byPair = new Map(progress.map((entry) => [`${entry.makerId}/${entry.blockId}`, entry]));
  const byMaker = new Map(keeping.map((one) => [one.id, one]));
  const lines = makers
    .filter(({ groupId }) => group === ALL || (group === NONE ? groupId === null : groupId === group))
    .map((maker): WallLineOf => ({ maker, own: blocks.map(({ id }) => byPair.get(`${maker.id}/${id}`)), keeping: byMaker.get(maker.id), bagless: blocks.flatMap(({ id }) => (maker.skips.includes(id) || handed.has(`${maker.id}/${id}`) ? [] : [id])) }))
    .filter((line) => {
      if (show === 'behind') return isBehind(line);
      if (show === 'stuck') return isStuck(line);
      if (show === 'bag') return line.bagless.length > 0;
      return show === 'all' || line.maker.isPaused;
    });
  const lastOf = ({ own }: WallLineOf) => own.map((entry) => entry?.lastAt ?? '').sort().at(-1) ?? '';
  const rankOf = (line: WallLineOf) => (isStuck(line) ? -1 : RANK[line.keeping?.state ?? 'on-pace']);
  const compare: Readonly<Record<WallChoice['sort'], (a: WallLineOf, b: WallLineOf) => number>> = {
    name: () => 0,
    left: (a, b) => minutesLeft(b) - minutesLeft(a),
    quiet: (a, b) => lastOf(a).localeCompare(lastOf(b)),
    state: (a, b) => rankOf(a) - rankOf(b),
  };
  return lines.sort((a, b) => compare[sort](a, b) || a.maker.name.localeCompare(b.maker.name));
} // prettier-ignore

/** How much of some blocks the shown makers have sewn, 0 to 1; to compare drops. */
export function shareOf(lines: readonly WallLineOf[], blockIds: ReadonlySet<string>): number {
  const own = lines.flatMap((line) => line.own.filter((entry): entry is BlockProgress => entry !== undefined && blockIds.has(entry.blockId))); // prettier-ignore
  const total = own.reduce((sum, { totalMinutes }) => sum + totalMinutes, 0);
  return total === 0 ? 0 : own.reduce((sum, { doneMinutes }) => sum + doneMinutes, 0) / total;
}

import { dayAt, dropsOf, holidaysOf, type BlockWork, type Calendar, type Day } from '@/core/calendar';
import { DAY_MS, type BackTest, type Forecast, type FreeTime, type MakerHistory } from '@/core/pace';
import { itemAt } from '@/core/lists';
import type { BlockSummary } from '@/core/sheet';
import { listSummaries, type BlockWithSummary } from '../blocks';
import type { Sql } from '../database';
import { listMakers, type Maker } from '../makers';
import { offThread } from '../pool';
import { makerHistories, standingsOf, type PairStanding } from '../progress';
import type { Project } from '../projects';

/** When a maker will be done with everything that they sew. */
export interface MakerPace extends Omit<Forecast, 'date50' | 'date80'> {
  readonly name: string;
  readonly day50: Day;
  readonly day80: Day;
  /** Standard minutes that are left. */
  readonly left: number;
  /** Whether anything was sewn. */
  readonly begun: boolean;
}

/** How many will be done with a drop, and all before it, when the next one comes. */
export interface DropPace {
  readonly drop: string;
  readonly makers: number;
  /** Makers who have sewn it, who will have with even chances, and who will have in eight of ten futures. */
  readonly done: number;
  readonly likely: number;
  readonly sure: number;
}

export interface ProjectPace {
  readonly makers: readonly MakerPace[];
  readonly drops: readonly DropPace[];
  readonly backTest: BackTest;
}

/**
 * Forecasts of a project's makers, for all blocks and for each drop.
 * @param ends the day by which each drop is to be sewn
 * @param standings where they were read already
 */
export async function projectPace(
  sql: Sql,
  project: Project,
  calendar: Calendar,
  ends: readonly Day[],
  now: number,
  standings: Promise<PairStanding[]> = standingsOf(sql, project),
): Promise<ProjectPace> {
  const [makers, histories] = await Promise.all([
    listMakers(sql, project),
    makerHistories(sql, project, calendar.standards, standings),
  ]);
  const drops = dropsOf(calendar).slice(0, ends.length);
  const asked = [undefined, ...drops.map((_, index) => new Set(drops.slice(0, index + 1).flatMap(({ blocks }) => blocks)))]; // prettier-ignore
  const groups = asked.map((blocks) =>
    histories.map(({ id, since, work, left }): MakerHistory => {
      const own = left.filter(({ blockId }) => blocks?.has(blockId) ?? true);
      return { id, since, work, left: own.reduce((sum, { minutes }) => sum + minutes, 0) };
    }),
  );
  const { forecasts, backTest } = await offThread('pace', {
    groups,
    now,
    free: freeTimeOf(calendar),
    timeZone: calendar.timeZone,
  });
  const dayOf = (time: number) => dayAt(time + DAY_MS / 2, 'UTC');
  const groupOf = new Map(makers.map(({ id, groupId }) => [id, groupId]));
  const nameOf = new Map(makers.map(({ id, name }) => [id, name]));
  return {
    makers: itemAt(forecasts, 0).map(({ date50, date80, ...rest }, index) => ({
      ...rest,
      name: nameOf.get(rest.id) ?? '',
      day50: dayOf(date50),
      day80: dayOf(date80),
      left: itemAt(itemAt(groups, 0), index).left,
      begun: itemAt(itemAt(groups, 0), index).work.length > 0,
    })),
    drops: drops.map((drop, index) => {
      const end = itemAt(ends, index);
      const own = itemAt(forecasts, index + 1).filter(
        ({ id }) => drop.group === undefined || groupOf.get(id) === drop.group,
      );
      const is = (test: (one: Forecast) => boolean) => own.filter(test).length;
      return {
        drop: drop.id,
        makers: own.length,
        done: is(({ state }) => state === 'done'),
        likely: is(({ state, date50 }) => state === 'done' || (state !== 'stalled' && dayOf(date50) <= end)),
        sure: is(({ state, date80 }) => state === 'done' || (state !== 'stalled' && dayOf(date80) <= end)),
      };
    }),
    backTest,
  };
}

/** The calendar’s holidays as whole days. */
function freeTimeOf(calendar: Calendar): FreeTime[] {
  return holidaysOf(calendar).map(({ day, until }) => ({
    from: Date.parse(`${day}T00:00:00Z`),
    to: Date.parse(`${until}T00:00:00Z`) + DAY_MS,
  }));
}

/** What each block asks of packers and makers. */
export async function blockWorks(sql: Sql, project: Project): Promise<BlockWork[]> {
  const [{ blocks }, makers] = await Promise.all([listSummaries(sql, project), listMakers(sql, project)]);
  return worksOf(blocks, makers);
}

/** The same from what was read already. */
export function worksOf(
  blocks: readonly Pick<BlockWithSummary, 'id' | 'name' | 'summary'>[],
  makers: readonly Maker[],
): BlockWork[] {
  return blocks.map(({ id, name, summary }) => ({
    id,
    name,
    minutes: summary.steps.reduce((sum, { minutes }) => sum + minutes, 0),
    minutesOf: minutesByWork(summary.steps),
    bags: makers.filter(({ skips }) => !skips.includes(id)).length,
    bagsOf: bagsByGroup(makers.filter(({ skips }) => !skips.includes(id))),
    // A paper and a piece of cloth for each patch.
    pieces:
      2 *
      summary.steps.reduce((sum, { kind, units }) => (kind === 'baste' ? sum + units.flat().length : sum), 0),
  }));
}

function bagsByGroup(makers: readonly Maker[]): Record<string, number> {
  const bags: Record<string, number> = {};
  for (const { groupId } of makers) if (groupId !== null) bags[groupId] = (bags[groupId] ?? 0) + 1;
  return bags;
}

function minutesByWork(steps: BlockSummary['steps']): Record<string, number> {
  const minutes: Record<string, number> = {};
  for (const step of steps) minutes[step.work] = (minutes[step.work] ?? 0) + step.minutes;
  return minutes;
}

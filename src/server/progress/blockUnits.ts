import { doneOf, rollUnits } from '@/core/sheet';
import { openBlock } from '../blocks';
import type { Sql } from '../database';
import type { Project } from '../projects';
import { standingsOf, type PairStanding } from './makerStanding';

/** A block’s work unit by unit: how much of each every maker has done, where they are stuck, and which steps take longer than thought. */
export interface BlockUnits {
  readonly name: string;
  readonly units: readonly {
    readonly key: string;
    readonly name: string;
    readonly count: number;
    /** Standard minutes of all of it. */
    readonly minutes: number;
    readonly steps: readonly UnitStep[];
  }[];
  /** How many makers sew by the order shown; the others go round what they sewed by an older one. */
  readonly inOrder: number;
  readonly makers: readonly {
    readonly makerId: string;
    /** By unit, done of each; null where they sew by an order of their own. */
    readonly done: readonly number[] | null;
    /** Index of the unit at which they are stuck. */
    readonly stuckAt: number | null;
  }[];
  readonly slow: readonly SlowStep[];
}

/** One step of a unit, and who stands where on it. */
export interface UnitStep {
  readonly id: string;
  readonly number: number;
  readonly text: string;
  /** How many of the makers who sew by this order have done it. */
  readonly done: number;
  /** Ids of makers who are stuck on it. */
  readonly stuck: readonly string[];
}

/** A step that took those who timed it much longer than is planned. */
export interface SlowStep {
  readonly stepId: string;
  readonly number: number;
  readonly text: string;
  readonly standardMinutes: number;
  /** The middle of what was timed, min. */
  readonly medianMinutes: number;
  readonly timed: number;
}

/** A step is slow where at least so many timed it, and their middle is so many times what is planned. */
const LEAST_TIMED = 2;
const SLOW_TIMES = 1.5;

/** @throws ServerError 404 */
export async function blockUnits(sql: Sql, project: Project, blockId: string): Promise<BlockUnits> {
  const { name, sheet } = await openBlock(sql, project, blockId);
  const [pairs, timed] = await Promise.all([standingsOf(sql, project), timedSteps(sql, project, blockId)]);
  const units = rollUnits(sheet.steps);
  const own = pairs.filter((pair) => pair.blockId === blockId);
  const inOrder = own.filter(({ standing }) => standing.own === undefined);
  const has = ({ standing }: PairStanding, id: string) => standing.done.has(id) || standing.covered.has(id);
  const numbers = new Map(sheet.steps.map((step, index) => [step.id, { ...step, number: index + 1 }]));
  const minutesOf = (ids: readonly string[]) => ids.reduce((sum, id) => sum + (numbers.get(id)?.minutes ?? 0), 0);
  return {
    name,
    units: units.map((unit) => ({
      key: unit.key,
      name: unit.name,
      count: unit.each.length,
      minutes: minutesOf(unit.each.flat()),
      steps: unit.each.flat().map((id) => ({
        id,
        number: numbers.get(id)?.number ?? 0,
        text: numbers.get(id)?.text ?? '',
        done: inOrder.filter((pair) => has(pair, id)).length,
        stuck: own.filter(({ standing }) => standing.stuck.has(id)).map(({ makerId }) => makerId),
      })),
    })),
    inOrder: inOrder.length,
    makers: own.map((pair) => {
      const { makerId, standing } = pair;
      const stuckAt = units.findIndex(({ each }) => each.some((steps) => steps.some((id) => standing.stuck.has(id))));
      const done = standing.own ? null : units.map((unit) => doneOf(unit, (id) => has(pair, id)));
      return { makerId, done, stuckAt: stuckAt < 0 ? null : stuckAt };
    }),
    slow: timed.flatMap(({ stepId, median, count }): SlowStep[] => {
      const step = numbers.get(stepId);
      const isSlow = step && count >= LEAST_TIMED && median >= SLOW_TIMES * step.minutes;
      return isSlow ? [{ stepId, number: step.number, text: step.text, standardMinutes: step.minutes, medianMinutes: median, timed: count }] : [];
    }),
  };
} // prettier-ignore

/** What makers timed of a block’s steps: each maker’s latest, and the middle of these. */
async function timedSteps(sql: Sql, project: Project, blockId: string) {
  const rows = await sql<{ stepId: string; median: number; count: number }[]>`
    select step_id as "stepId", percentile_cont(0.5) within group (order by minutes)::float8 as median, count(*)::int as count
    from (
      select distinct on (e.maker_id, e.step_id) e.step_id, e.minutes
      from progress_event e join maker m on m.id = e.maker_id
      where m.project_id = ${project.id} and e.block_id = ${blockId} and e.kind = 'done' and e.minutes > 0
      order by e.maker_id, e.step_id, e.at desc, e.id desc
    ) latest group by step_id order by step_id`;
  return [...rows];
}

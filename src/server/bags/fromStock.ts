import type { WantingBag } from '@/core/bags';
import { dropsOf } from '@/core/calendar';
import { readKeptCalendar } from '../calendar';
import { listBlocks } from '../blocks';
import type { Sql } from '../database';
import { listMakers } from '../makers';
import { offThread } from '../pool';
import type { Project } from '../projects';
import { listKits } from './kits';

/** A bag that can be packed from what is there. */
export interface ReadyBag {
  readonly blockId: string;
  readonly block: string;
  readonly makerId: string;
  readonly maker: string;
}

/** Which of the bags that are not packed yet can be packed complete from some papers, and what all of them take more. */
export interface FromStock {
  readonly ready: readonly ReadyBag[];
  /** Bags that are not packed yet. */
  readonly wanting: number;
  /** Papers still to be got for all of them, by name. */
  readonly missing: readonly { readonly paper: string; readonly count: number }[];
  readonly isProven: boolean;
}

/** Separates block and maker in the name of a bag: ids have none of it. */
const BETWEEN = '/';

/**
 * Shares papers among the bags that are not packed yet: the most complete ones, earlier drops first; bags of blocks that no
 * drop names come last.
 * @param stock papers that are there, by name
 */
export async function packFromStock(
  sql: Sql,
  project: Project,
  stock: Readonly<Record<string, number>>,
): Promise<FromStock> {
  const [blocks, makers, kits, { calendar }] = await Promise.all([
    listBlocks(sql, project),
    listMakers(sql, project),
    listKits(sql, project),
    readKeptCalendar(sql, project),
  ]);
  const drops = dropsOf(calendar);
  const rankOf = (blockId: string) => {
    const rank = drops.findIndex(({ blocks: own }) => own.includes(blockId));
    return rank < 0 ? drops.length : rank;
  };
  const packed = new Set(kits.filter(({ status }) => status !== 'to-pack').map(({ blockId, makerId }) => `${blockId}${BETWEEN}${makerId}`)); // prettier-ignore
  const bags = blocks.flatMap(({ id: blockId, sheet }) =>
    makers
      .filter(({ id, skips }) => !skips.includes(blockId) && !packed.has(`${blockId}${BETWEEN}${id}`))
      .map(({ id, sets }): WantingBag => {
        const needs = new Map(
          sheet.bag.papers.map(({ name, count, spares }) => [name, (count + spares) * sets]),
        );
        return { id: `${blockId}${BETWEEN}${id}`, rank: rankOf(blockId), needs };
      }),
  );
  const { complete, missing, isProven } = await offThread('sharePapers', { stock: new Map(Object.entries(stock)), bags }); // prettier-ignore
  const names = new Map([...blocks, ...makers].map(({ id, name }) => [id, name]));
  return {
    ready: complete.map((id) => {
      const [blockId = '', makerId = ''] = id.split(BETWEEN);
      return { blockId, block: names.get(blockId) ?? '', makerId, maker: names.get(makerId) ?? '' };
    }),
    wanting: bags.length,
    missing: [...missing].map(([paper, count]) => ({ paper, count })),
    isProven,
  };
}

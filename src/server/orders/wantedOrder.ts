import { alikeBags, sewersOf, squaresOf, topsOf } from '@/core/bags';
import { topCuts, onTheWay, type OrderWanted, type OrderedBlock } from '@/core/order';
import { topPieces, type TopPieces } from '@/core/setting';
import { listKits, type Kit } from '../bags';
import { listBlocks, type BlockWithSheet } from '../blocks';
import { clothShelf, type ShelvedCloth } from '../cloth';
import type { Sql } from '../database';
import { listMakers, type Maker } from '../makers';
import { readKeptSetting, type Project } from '../projects';
import { readKeptOrder, type KeptOrder } from './orderPlan';
import { listPlacedOrders, type KeptPlacedOrder } from './placedOrders';

/** All that a project's order is worked out from. */
export interface OrderFacts {
  readonly wanted: Omit<OrderWanted, 'plan' | 'top' | 'ordered' | 'shelf'> & { readonly shelf: readonly ShelvedCloth[] };
  readonly top: TopPieces;
  readonly kept: KeptOrder;
  readonly placed: readonly KeptPlacedOrder[];
} // prettier-ignore

/** A cut that bags are given was chosen for the project’s allowance. */
const hasOwnCut = ({ allowanceMm }: Maker) => allowanceMm !== null;

/** Before anything was set. */
const NO_TOP: TopPieces = { squares: [], strips: [], cornerstones: [], border: [] };
const MM_PER_M = 1000;

/**
 * Gathers what an order is worked out from.
 * @param known blocks and people where they were read already
 */
export async function orderFacts(
  sql: Sql,
  project: Project,
  known: Partial<{ blocks: readonly BlockWithSheet[]; makers: readonly Maker[]; kits: readonly Kit[] }> = {},
): Promise<OrderFacts> {
  const [blocks, makers, kits, shelf, { setting }, kept, placed] = await Promise.all([
    known.blocks ?? listBlocks(sql, project),
    known.makers ?? listMakers(sql, project),
    known.kits ?? listKits(sql, project),
    clothShelf(sql, project),
    readKeptSetting(sql, project),
    readKeptOrder(sql, project),
    listPlacedOrders(sql, project),
  ]);
  const packed = new Map(kits.flatMap(({ status, blockId, makerId, packedAt = null }) => (status === 'to-pack' ? [] : [[`${blockId}/${makerId}`, Date.parse(packedAt ?? '') || 0] as const]))); // prettier-ignore
  const settings = { allowanceMm: project.allowanceMm, system: project.unitSystem };
  const ordered = blocks.flatMap(({ id, name, sheet }) =>
    alikeBags(sheet.bag, sewersOf(id, makers), settings).map(({ bag, note, sets, makers: own }): OrderedBlock => ({
      id,
      block: note === '' ? name : `${name} (${note})`,
      ...(note === '' ? {} : { isOwn: true, givenCuts: own.some(hasOwnCut) ? 0 : sets }),
      contents: bag,
      bags: own.length,
      left: own.filter((maker) => !packed.has(`${id}/${maker.id}`)).length,
      packedAt: own.flatMap((maker) => packed.get(`${id}/${maker.id}`) ?? []),
      threadMetres: sheet.thread.metres * sets,
      edgeMetres: bag.papers.reduce((sum, { kind, count }) => sum + count * kind.perimeterMm, 0) / MM_PER_M,
    })),
  ); // prettier-ignore
  // Cloths of blocks, and those that makers have in place of them.
  const used = new Set([
    ...blocks.flatMap(({ sheet }) => sheet.patches.map(({ fabric }) => fabric)),
    ...ordered.flatMap(({ contents }) => contents.fabrics.map(({ fabric }) => fabric)),
  ]);
  return {
    wanted: {
      blocks: ordered,
      makers: makers.length,
      tops: topsOf(makers),
      shelf: shelf.filter(({ name }) => used.has(name)),
      system: project.unitSystem,
    },
    top: setting
      ? topPieces(setting, project.allowanceMm, squaresOf(blocks.map(({ sheet }) => sheet.bag)))
      : NO_TOP,
    kept,
    placed,
  };
}

/** The order of a project as its host decided it. */
export function wantedOf({ wanted, top, kept: { order: plan }, placed }: OrderFacts): OrderWanted {
  return { ...wanted, plan, top: topCuts(top, plan, wanted.shelf), ordered: onTheWay(placed) };
}

/** What a page shows of buying that changes when an order is placed or comes. */
export type OrderState = Pick<OrderFacts, 'kept' | 'placed'> & { readonly shelf: readonly ShelvedCloth[] };

export async function orderState(sql: Sql, project: Project): Promise<OrderState> {
  const [kept, placed, shelf] = await Promise.all([
    readKeptOrder(sql, project),
    listPlacedOrders(sql, project),
    clothShelf(sql, project),
  ]);
  return { kept, placed, shelf };
}

import type { OrderCalls } from '@/core/order';
import { hashOf, type Sql } from '../database';
import { listKits, type Kit } from '../bags';
import { listBlocks, type BlockWithSummary } from '../blocks';
import type { ShelvedCloth } from '../cloth';
import { notify } from '../live';
import { log } from '../log';
import { listMakers, type Maker } from '../makers';
import { offThread } from '../pool';
import type { Project } from '../projects';
import { orderFacts, wantedOf } from './wantedOrder';

/** What the badges have read already. */
interface Known {
  readonly blocks: readonly Pick<BlockWithSummary, 'id' | 'summary'>[];
  readonly makers: readonly Maker[];
  readonly kits: readonly Kit[];
  readonly shelf: readonly ShelvedCloth[];
}

interface Reckoned {
  /** Of what it was reckoned from. */
  key: string;
  /** Of what it was asked for last. */
  asked: string;
  calls: OrderCalls | undefined;
  isBusy: boolean;
}

/** What was reckoned last, project by project; kept across copies of this module. */
const place = globalThis as { kevloOrderCalls?: Map<string, Reckoned> };
const reckoned = (place.kevloOrderCalls ??= new Map<string, Reckoned>());

/** Where much changes at once, an order is reckoned for the tape so often at most, ms. */
const REST_MS = 3000;

/**
 * What is to be bought, and what is too much on its way, for the tape: as it was reckoned last. Where something changed since it is
 * reckoned anew beside the page, which is told when that is done; undefined until it was reckoned once.
 */
export async function clothCalls(sql: Sql, project: Project, known: Known): Promise<OrderCalls | undefined> {
  const key = await keyOf(sql, project, known);
  const last = reckoned.get(project.id) ?? { key: '', asked: '', calls: undefined, isBusy: false };
  reckoned.set(project.id, last);
  last.asked = key;
  if (last.key !== key && !last.isBusy) void reckon(sql, project, last);
  return last.calls;
}

async function reckon(sql: Sql, project: Project, last: Reckoned): Promise<void> {
  const key = last.asked;
  last.isBusy = true;
  try {
    const [blocks, makers, kits] = await Promise.all([listBlocks(sql, project), listMakers(sql, project), listKits(sql, project)]); // prettier-ignore
    const wanted = wantedOf(await orderFacts(sql, project, { blocks, makers, kits }));
    const calls = await offThread('orderSums', { wanted });
    const isOther = JSON.stringify(calls) !== JSON.stringify(last.calls);
    Object.assign(last, { key, calls });
    if (isOther) await notify(sql, project.id, 'badges');
  } catch (error) {
    log().warn({ err: error, project: project.id }, 'the order could not be reckoned for the tape');
    // It is not tried again until something changes.
    last.key = key;
  }
  setTimeout(() => {
    last.isBusy = false;
    if (last.asked !== last.key) void reckon(sql, project, last);
  }, REST_MS).unref();
}

/** Everything that an order depends on, as a short word. */
async function keyOf(sql: Sql, project: Project, { blocks, makers, kits, shelf }: Known): Promise<string> {
  const [own] = await sql<{ order: number; setting: number; placed: string }[]>`
    select order_plan_revision as "order", setting_revision as setting,
      (select coalesce(string_agg(id || coalesce(arrived_at::text, ''), ',' order by id), '') from placed_order where project_id = ${project.id}) as placed
    from project where id = ${project.id}`;
  return hashOf(
    own,
    project.allowanceMm,
    project.unitSystem,
    blocks.map(({ id, summary }) => [id, summary.bag]),
    makers.map(({ id, skips, sets, allowanceMm, cloths }) => [id, skips, sets, allowanceMm, cloths]),
    kits.flatMap(({ blockId, makerId, status }) => (status === 'to-pack' ? [] : [`${blockId}${makerId}`])).sort(), // prettier-ignore
    shelf.map(({ name, revision, stockAt }) => [name, revision, stockAt]),
  );
}

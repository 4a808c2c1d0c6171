import type postgres from 'postgres';
import { USUAL_CLOTH, type ShelfCloth } from '@/core/cloth';
import { addWorn, lineKey, orderOf, type PlacedLine } from '@/core/order';
import { usesByName } from '@/core/sheet';
import { listBlocks } from '../blocks';
import { inTransaction, json, type Sql } from '../database';
import { invalid } from '../errors';
import { notify } from '../live';
import { audit, type Access, type Project } from '../projects';
import { lockOrder, writeOrder } from './orderPlan';
import { orderFacts, wantedOf } from './wantedOrder';

/** Something that is put into the stock. */
export type Stocked = Pick<PlacedLine, 'group' | 'key' | 'thing' | 'pack' | 'packs'>;

/**
 * Puts things into the stock, or takes them out (`sign` −1), and counts it anew: what bags took since the last count is off the shelf
 * before anything is added.
 */
export async function addToStock(step: Sql, project: Project, lines: readonly Stocked[], sign: 1 | -1): Promise<void> {
  const { order } = await lockOrder(step, project);
  const { lines: now } = orderOf(wantedOf(await orderFacts(step, project)));
  const there = (key: string) => now.find((line) => line.key === key)?.stock;
  const [stock, stockAt] = [{ ...order.stock }, { ...order.stockAt }];
  for (const { group, key, thing, pack, packs } of lines) {
    const more = sign * pack * packs;
    if (group !== 'cloth') {
      stock[key] = Math.max(0, (there(key) ?? stock[key] ?? 0) + more);
      stockAt[key] = Date.now();
      continue;
    }
    const [row] = await step<{ shelf: ShelfCloth | null }[]>`
      select shelf from cloth where project_id = ${project.id} and name = ${thing} for update`;
    // A cloth that no block uses any more has no place to be counted.
    if (!row) continue;
    const shelf = { ...USUAL_CLOTH, ...row.shelf };
    const next = { ...shelf, stockMm: Math.max(0, (there(key) ?? shelf.stockMm) + more) };
    await step`
      update cloth set shelf = ${json(step, next)}, revision = revision + 1, stock_at = now()
      where project_id = ${project.id} and name = ${thing}`;
  }
  await writeOrder(step, project, { ...order, stock, stockAt });
} // prettier-ignore

/**
 * Papers that were counted, such as those that came back, go into the stock; those that cannot be used again do not.
 * @param papers how many by name; less than none takes them out
 * @param sewn how often they were sewn with
 * @returns those that are used up, by name
 * @throws ServerError 422 for a paper that no block of the project takes
 */
export async function countPapersIn(
  sql: postgres.Sql,
  access: Access<'pack'>,
  papers: Readonly<Record<string, number>>,
  sewn = 0,
): Promise<{ readonly usedUp: Readonly<Record<string, number>> }> {
  const { project } = access;
  const blocks = await listBlocks(sql, project);
  const { wanted } = await orderFacts(sql, project, { blocks });
  const uses = usesByName(blocks.map(({ sheet }) => sheet));
  const leftOf = (name: string) => (uses.get(name) ?? 1) - sewn;
  const known = new Set(wanted.blocks.flatMap(({ contents }) => contents.papers.map(({ name }) => name)));
  const strange = Object.keys(papers).find((name) => !known.has(name));
  if (strange !== undefined)
    throw invalid(`No block takes a paper “${strange}”.`, 'Count it under the name that the blocks give it.');
  const usable = Object.entries(papers).filter(([name]) => leftOf(name) > 0);
  const lines = usable.map(([thing, packs]): Stocked => ({ group: 'papers', key: lineKey('papers', thing), thing, pack: 1, packs })); // prettier-ignore
  await inTransaction(sql, async (step) => {
    await addToStock(step, project, lines, 1);
    if (sewn > 0) await addWornPapers(step, project, usable.map(([name, count]) => [lineKey('papers', name), leftOf(name), count] as const)); // prettier-ignore
    await audit(step, access, 'papers-counted-in', { papers, sewn });
    await notify(step, project.id, 'settings');
  });
  return { usedUp: Object.fromEntries(Object.entries(papers).filter(([name]) => leftOf(name) <= 0)) };
}

/** Notes of papers that were put into the stock how often they can be used still. */
async function addWornPapers(step: Sql, project: Project, papers: readonly (readonly [key: string, left: number, count: number])[]): Promise<void> {
  const { order } = await lockOrder(step, project);
  const worn = { ...order.worn };
  for (const [key, left, count] of papers) worn[key] = addWorn(worn[key] ?? [], left, count);
  await writeOrder(step, project, { ...order, worn });
} // prettier-ignore

import type postgres from 'postgres';
import { linesToPlace, orderOf } from '@/core/order';
import { inTransaction, json } from '../database';
import { conflict, invalid, notFound } from '../errors';
import { notify } from '../live';
import { audit, type Access } from '../projects';
import { lockOrder } from './orderPlan';
import type { KeptPlacedOrder, OrderTurn } from './placedOrders';
import { addToStock } from './stock';
import { orderFacts, wantedOf } from './wantedOrder';

/**
 * Notes that what is still to buy was ordered, as it is worked out now.
 * @param change.revision of the decisions that the host saw
 * @throws ServerError 409 where someone changed them meanwhile, 422 where nothing is to be bought
 */
export async function placeOrder(
  sql: postgres.Sql,
  access: Access<'edit'>,
  { name, revision }: { readonly name: string; readonly revision: number },
): Promise<KeptPlacedOrder> {
  const { project } = access;
  // Sheets may have to be made first: nobody waits for that at a lock.
  const facts = await orderFacts(sql, project);
  const lines = linesToPlace(orderOf(wantedOf(facts)), facts.kept.order.suppliers);
  if (lines.length === 0)
    throw invalid('Nothing is to be bought.', 'All that the bags take is there or on its way.');
  return inTransaction(sql, async (step) => {
    const now = await lockOrder(step, project);
    if (now.revision !== revision || facts.kept.revision !== revision)
      throw conflict(
        'Someone changed the order meanwhile.',
        'Load the page again, look at it, then order.',
        now,
      );
    const [row] = await step<KeptPlacedOrder[]>`
      insert into placed_order (project_id, name, lines) values (${project.id}, ${name}, ${json(step, lines)})
      returning id, name, placed_at as "placedAt", arrived_at as "arrivedAt", lines`;
    if (!row) throw new Error('No order was kept.');
    await audit(step, access, 'order-placed', { id: row.id, name, lines });
    await notify(step, project.id, 'settings');
    return row;
  });
}

/** Notes what became of an order. What came is added to the stock, what did not after all is taken off it again. */
export async function turnOrder(
  sql: postgres.Sql,
  access: Access<'edit'>,
  id: string,
  turn: OrderTurn,
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    await lockOrder(step, project);
    const [row] = await step<(KeptPlacedOrder & { removedAt: string | null })[]>`
      select id, name, placed_at as "placedAt", arrived_at as "arrivedAt", removed_at as "removedAt", lines
      from placed_order where project_id = ${project.id} and id = ${id} for update`;
    if (!row) throw notFound('This order');
    const isArrived = row.arrivedAt !== null;
    const isRemoved = row.removedAt !== null;
    if (turn === 'arrived' || turn === 'not-arrived') {
      // Pressed twice, or by two people, it is stock once.
      if (isArrived === (turn === 'arrived') || isRemoved) return;
      await addToStock(step, project, row.lines, turn === 'arrived' ? 1 : -1);
      await step`update placed_order set arrived_at = ${turn === 'arrived' ? step`now()` : null} where id = ${id}`;
    } else {
      if (isArrived)
        throw conflict('This order has come.', 'Say first that it has not come; then it can be taken back.');
      await step`update placed_order set removed_at = ${turn === 'taken-back' ? step`now()` : null} where id = ${id}`;
    }
    await audit(step, access, 'order-turned', { id, turn });
    await notify(step, project.id, 'settings');
  });
}

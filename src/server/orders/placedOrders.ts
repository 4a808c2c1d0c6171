import type { PlacedOrder } from '@/core/order';
import type { Sql } from '../database';
import type { Project } from '../projects';

/** An order that was sent off, as it was then. */
export type KeptPlacedOrder = PlacedOrder;

/** What happens to an order: it came (and becomes stock), it did not come after all, it was not sent, it was sent after all. */
export type OrderTurn = 'arrived' | 'not-arrived' | 'taken-back' | 'restored';

/** A project's orders, the latest first; those taken back are left out. */
export async function listPlacedOrders(sql: Sql, project: Project): Promise<KeptPlacedOrder[]> {
  return sql<KeptPlacedOrder[]>`
    select id, name, placed_at as "placedAt", arrived_at as "arrivedAt", lines from placed_order
    where project_id = ${project.id} and removed_at is null order by placed_at desc, id`;
}

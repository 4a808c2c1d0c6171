import type postgres from 'postgres';
import { usualOrder, type OrderPlan } from '@/core/order';
import { inTransaction, json, type Sql } from '../database';
import { conflict } from '../errors';
import { notify } from '../live';
import { audit, type Access, type Project } from '../projects';

/** What the host decided about buying, with the revision to save it under. */
export interface KeptOrder {
  readonly order: OrderPlan;
  readonly revision: number;
}

type Row = { readonly order: Partial<OrderPlan> | null; readonly revision: number };

/** What nobody has said yet is as usual. */
const filled = (order: Partial<OrderPlan> | null, { unitSystem }: Project): OrderPlan => {
  const usual = usualOrder(unitSystem);
  return { ...usual, ...order, figures: { ...usual.figures, ...order?.figures } };
};

export async function readKeptOrder(sql: Sql, project: Project): Promise<KeptOrder> {
  const [row] = await sql<Row[]>`
    select order_plan as "order", order_plan_revision as revision from project where id = ${project.id}`;
  return { order: filled(row?.order ?? null, project), revision: row?.revision ?? 0 };
}

/** Saves what the host decided. @throws ServerError 409 where someone else changed it since it was read */
export async function saveOrder(
  sql: postgres.Sql,
  access: Access<'edit'>,
  change: KeptOrder,
): Promise<{ revision: number }> {
  const { project } = access;
  return inTransaction(sql, async (step) => {
    const before = await lockOrder(step, project);
    if (before.revision !== change.revision)
      throw conflict(
        'Someone changed the order meanwhile.',
        'Yours is still here; look at theirs, then save yours again if it still holds.',
        before,
      );
    await writeOrder(step, project, change.order);
    await audit(step, access, 'order-changed', { before: before.order, after: change.order });
    await notify(step, project.id, 'settings');
    return { revision: change.revision + 1 };
  });
}

/** Reads it for a change: nobody else changes it meanwhile. */
export async function lockOrder(step: Sql, project: Project): Promise<KeptOrder> {
  const [row] = await step<Row[]>`
    select order_plan as "order", order_plan_revision as revision from project where id = ${project.id} for update`;
  return { order: filled(row?.order ?? null, project), revision: row?.revision ?? 0 };
}

export async function writeOrder(step: Sql, project: Project, order: OrderPlan): Promise<void> {
  await step`
    update project set order_plan = ${json(step, order)}, order_plan_revision = order_plan_revision + 1
    where id = ${project.id}`;
}

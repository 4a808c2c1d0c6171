import { useMemo } from 'react';
import { onTheWay, oneMaker, orderOf, topCuts, type NamedShelf, type OrderPlan } from '@/core/order';
import type { OrderFacts } from '@/server/orders';
import { useSavedDocument } from '@/ui/useSavedDocument';

/** What the host decides about buying while it is changed, and the order that follows from it. */
export function useOrder(
  projectId: string,
  { wanted, top, kept }: OrderFacts,
  shelf: NamedShelf,
  placed: OrderFacts['placed'],
) {
  const own = useSavedDocument<OrderPlan>({ projectId, name: 'order', initial: kept.order, revision: kept.revision }); // prettier-ignore
  const { present: plan } = own;
  const asked = useMemo(
    () => ({ ...wanted, shelf, plan, top: topCuts(top, plan, shelf), ordered: onTheWay(placed) }),
    [wanted, shelf, plan, top, placed],
  );
  const order = useMemo(() => orderOf(asked), [asked]);
  const steps = useMemo(() => oneMaker(asked), [asked]);
  const change = (part: Partial<OrderPlan>, label: string) => {
    own.change({ ...plan, ...part }, label, true);
  };
  return { ...own, plan, order, steps, change };
}

export type OwnOrder = ReturnType<typeof useOrder>;

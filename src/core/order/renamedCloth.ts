import { lineKey } from './order';
import type { OrderPlan } from './plan';

/** What was decided about buying when a cloth has another name; where that is a cloth already, what was said of that one stays. */
export function orderWithCloth(plan: OrderPlan, from: string, to: string): OrderPlan {
  const named = (fabric: string) => (fabric === from ? to : fabric);
  const [fromKey, toKey] = [lineKey('cloth', from), lineKey('cloth', to)];
  const rekeyed = <T>(record: Readonly<Record<string, T>>): Record<string, T> => {
    const { [fromKey]: own, ...rest } = record;
    return own === undefined || toKey in rest ? rest : { ...rest, [toKey]: own };
  };
  const given = plan.givenCuts.map((cut) => ({ ...cut, fabric: named(cut.fabric) }));
  const isFirst = (cut: OrderPlan['givenCuts'][number], index: number) =>
    given.findIndex(({ blockId, fabric }) => blockId === cut.blockId && fabric === cut.fabric) === index;
  return {
    ...plan,
    givenCuts: given.filter(isFirst),
    topCloths: Object.fromEntries(
      Object.entries(plan.topCloths).map(([part, fabric]) => [part, named(fabric)]),
    ),
    stock: rekeyed(plan.stock),
    stockAt: rekeyed(plan.stockAt),
    suppliers: rekeyed(plan.suppliers),
  };
}

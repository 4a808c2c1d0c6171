import { orderOf, type OrderWanted } from './order';

/** What an order calls for: lines of which something is still to be bought, and lines of which too much is on its way. */
export interface OrderCalls {
  readonly toBuy: number;
  readonly tooMuch: number;
}

export function orderCalls(wanted: OrderWanted): OrderCalls {
  const { lines } = orderOf(wanted);
  return {
    toBuy: lines.filter(({ packs }) => packs > 0).length,
    tooMuch: lines.filter(({ over }) => over > 0).length,
  };
}

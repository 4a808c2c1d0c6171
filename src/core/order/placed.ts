import type { LineGroup, Order, OrderLine } from './order';

/** A line as it was ordered. */
export interface PlacedLine {
  readonly key: string;
  readonly group: LineGroup;
  readonly thing: string;
  readonly unit: string;
  readonly pack: number;
  readonly packs: number;
  readonly price: number;
  readonly supplier: string;
}

/** An order as it was sent off: it stays as it was ordered, whatever changes later. */
export interface PlacedOrder {
  readonly id: string;
  readonly name: string;
  /** ISO times. */
  readonly placedAt: string;
  readonly arrivedAt: string | null;
  readonly lines: readonly PlacedLine[];
}

/** What is ordered now: the lines of which something is still to buy, one for each size of pack. */
export function linesToPlace(
  { lines }: Order,
  suppliers: Readonly<Record<string, string>>,
): readonly PlacedLine[] {
  return lines.flatMap(({ key, group, thing, unit, buy }) =>
    buy.map(({ pack, packs, price }) => ({
      key,
      group,
      thing,
      unit,
      pack,
      packs,
      price,
      supplier: suppliers[key] ?? '',
    })),
  );
}

/** What is on its way, by line and in its unit. */
export function onTheWay(orders: readonly PlacedOrder[]): Record<string, number> {
  const sums: Record<string, number> = {};
  for (const { arrivedAt, lines } of orders)
    if (arrivedAt === null)
      for (const { key, pack, packs } of lines) sums[key] = (sums[key] ?? 0) + pack * packs;
  return sums;
}

/** A line of a placed order that would be ordered otherwise today. */
export interface ChangedLine {
  readonly line: PlacedLine;
  /** Packs that would be ordered today, were this order not on its way. */
  readonly now: number;
}

/** What of an order that has not come yet is too little or too much by now. */
export function changedSince({ arrivedAt, lines }: PlacedOrder, { lines: today }: Order): readonly ChangedLine[] {
  if (arrivedAt !== null) return [];
  return lines.flatMap((line): ChangedLine[] => {
    const now = today.find(({ key }) => key === line.key);
    const packs = now ? packsWithout(now, line) : 0;
    return packs === line.packs ? [] : [{ line, now: packs }];
  });
} // prettier-ignore

function packsWithout({ left, stock, ordered }: OrderLine, { pack, packs }: PlacedLine): number {
  return Math.max(0, Math.ceil((left - stock - (ordered - pack * packs)) / pack - 1e-9));
}

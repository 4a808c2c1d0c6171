import type { UnitSystem } from '../length';
import { plainMoney, shownUnit, type Order, type OrderLine } from '../order';
import { csvText } from './csvText';

/** What to buy, for a spreadsheet: lengths of cloth and thread in metres or yards, the rest in its own unit; money in the currency of the order, by its code. */
export function orderCsv(
  { lines }: Pick<Order, 'lines'>,
  suppliers: Readonly<Record<string, string>>,
  system: UnitSystem,
  currency: string,
): string {
  const row = (line: OrderLine) => {
    const { unit, size } = shownUnit(line, system);
    const amount = (value: number) => (line.group === 'cloth' ? (value / size).toFixed(3) : String(Math.round((value / size) * 100) / 100));
    // What is not bought now is still sold somehow.
    const buy = line.buy.length > 0 ? line.buy : line.sizes.slice(0, 1).map((size) => ({ ...size, packs: 0 }));
    return [
      line.group,
      line.thing,
      unit,
      amount(line.needed),
      amount(line.left),
      amount(line.stock),
      amount(line.ordered),
      buy.map(({ packs, pack }) => `${packs} × ${amount(pack)} ${unit}`).join(' + '),
      buy.map(({ price }) => plainMoney(price, currency)).join(' + '),
      plainMoney(line.cost, currency),
      suppliers[line.key] ?? '',
      currency,
    ];
  };
  return csvText([
    ['group', 'thing', 'unit', 'all bags', 'not packed yet', 'in stock', 'on its way', 'to buy', 'price of one', 'cost', 'supplier', 'currency'],
    ...lines.map(row),
  ]);
} // prettier-ignore

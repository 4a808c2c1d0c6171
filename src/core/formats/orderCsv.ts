import { MM_PER_INCH, type UnitSystem } from '../length';
import type { NamedShelf, Order, OrderFigures } from '../order';
import { csvText } from './csvText';

/** What to buy, for a spreadsheet: lengths of cloth in metres or yards, packs, spools; money as it was typed. */
export function orderCsv(
  { cloth, papers, threadMetres, spools, makers, cost }: Order,
  shelf: NamedShelf,
  { papersInPack, packPrice, spoolMetres, spoolPrice, notionsPrice }: OrderFigures,
  system: UnitSystem,
): string {
  const [unit, mm] = system === 'inch' ? (['yd', 36 * MM_PER_INCH] as const) : (['m', 1000] as const);
  const money = (value: number) => value.toFixed(2);
  const cloths = cloth.map(({ fabric, needMm, stockMm, buyMm, cost: own }) => {
    const price = ((shelf.find(({ name }) => name === fabric)?.pricePerMetre ?? 0) * mm) / 1000;
    const lengths = [needMm, stockMm, buyMm].map((length) => (length / mm).toFixed(3));
    return ['cloth', fabric, ...lengths, unit, money(price), money(own)];
  });
  const packs = papers.map(({ what, total, packs: count }) => ['papers', what, String(total), '0', String(count), `pack of ${papersInPack}`, money(packPrice), money(count * packPrice)]);
  return csvText([
    ['group', 'thing', 'needed', 'in stock', 'to buy', 'unit', 'price of one', 'cost'],
    ...cloths,
    ...packs,
    ['thread', 'sewing thread', `${threadMetres.toFixed(1)} m`, '0', String(spools), `spool of ${spoolMetres} m`, money(spoolPrice), money(cost.thread)],
    ['notions', 'for each maker', String(makers), '0', String(makers), 'set', money(notionsPrice), money(cost.notions)],
  ]);
} // prettier-ignore

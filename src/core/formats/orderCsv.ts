import type { ClothNeed, ShelfCloth } from '../cloth';
import { MM_PER_INCH, type UnitSystem } from '../length';
import { csvText } from './csvText';

/** What to buy of each cloth, for a spreadsheet: lengths in metres or yards, money as it was typed. */
export function orderCsv(
  needs: readonly ClothNeed[],
  shelf: readonly (ShelfCloth & { readonly name: string })[],
  system: UnitSystem,
): string {
  const [unit, mm] = system === 'inch' ? (['yd', 36 * MM_PER_INCH] as const) : (['m', 1000] as const);
  const head = ['cloth', `needed ${unit}`, `in stock ${unit}`, `to buy ${unit}`, `price per ${unit}`, 'cost', 'width mm'];
  const rows = needs.map(({ fabric, needMm, stockMm, buyMm, cost }) => {
    const cloth = shelf.find(({ name }) => name === fabric);
    const price = ((cloth?.pricePerMetre ?? 0) * mm) / 1000;
    const lengths = [needMm, stockMm, buyMm].map((length) => (length / mm).toFixed(3));
    return [fabric, ...lengths, price.toFixed(2), cost.toFixed(2), (cloth?.widthMm ?? 0).toFixed(0)];
  });
  return csvText([head, ...rows]);
} // prettier-ignore

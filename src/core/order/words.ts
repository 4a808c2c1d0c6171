import { boltUnit, formatBolt, threadUnit, type UnitSystem } from '../length';
import type { LineGroup, OrderLine } from './order';
import type { PackSize } from './packs';

type Measured = { readonly group: LineGroup; readonly unit: string };

/** What a line is counted in where it is shown, and how much of the line's own unit that is: cloth is kept in mm, thread in metres. */
export function shownUnit(
  { group, unit }: Measured,
  system: UnitSystem,
): { readonly unit: string; readonly size: number } {
  const own = threadUnit(system);
  if (group === 'cloth') return { unit: own.unit, size: boltUnit(system) };
  return group === 'thread' ? { unit: own.unit, size: own.metres } : { unit, size: 1 };
}

/** An amount of a line as it is shown: cloth as lengths of the bolt, papers as a count, thread in metres or yards. */
export function sayAmount(line: Measured, amount: number, system: UnitSystem): string {
  if (line.group === 'cloth') return formatBolt(amount, system);
  const { unit, size } = shownUnit(line, system);
  const rounded = String(Math.round((amount / size) * 10) / 10);
  return line.group === 'papers' ? rounded : `${rounded} ${unit}`;
}

/** So many packs of a line: cloth as one length, the rest as packs. */
export function sayPacks(line: Measured & Pick<PackSize, 'pack'>, packs: number, system: UnitSystem): string {
  if (line.group === 'cloth') return formatBolt(packs * line.pack, system);
  return `${packs} × ${line.group === 'thread' ? 'spool' : 'pack'} of ${sayAmount(line, line.pack, system)}`;
}

/** What is to be bought of a line, in words. */
export function sayToBuy(line: OrderLine, system: UnitSystem): string {
  const say = (pack: number, packs: number) =>
    sayPacks({ group: line.group, unit: line.unit, pack }, packs, system);
  if (line.packs > 0) return line.buy.map(({ pack, packs }) => say(pack, packs)).join(' + ');
  if (line.over > 0) return `nothing; ${say(line.sizes[0]?.pack ?? 1, line.over)} too much on its way`;
  return line.ordered > 0 ? 'on its way' : 'enough in stock';
}

/** Lines are called by what they are; papers are said to be papers. */
export const sayThing = ({ group, thing }: Pick<OrderLine, 'group' | 'thing'>) => {
  if (group === 'papers') return `Papers: ${thing}`;
  return `${thing[0]?.toUpperCase() ?? ''}${thing.slice(1)}`;
};

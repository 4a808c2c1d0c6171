import type { UnitSystem } from './formatLength';
import { MM_PER_INCH } from './parseLength';

const YARD_MM = 36 * MM_PER_INCH;

/** A length of cloth as shops say it: metres or yards, to the hundredth. */
export function formatBolt(mm: number, system: UnitSystem): string {
  return system === 'inch' ? `${(mm / YARD_MM).toFixed(2)} yd` : `${(mm / 1000).toFixed(2)} m`;
}

/** Mm in a metre or a yard: what bolts and prices are counted by. */
export const boltUnit = (system: UnitSystem) => (system === 'inch' ? YARD_MM : 1000);

/** What thread is counted in, and how many metres that is. */
export function threadUnit(system: UnitSystem): { readonly unit: 'yd' | 'm'; readonly metres: number } {
  return { unit: system === 'inch' ? 'yd' : 'm', metres: boltUnit(system) / 1000 };
}

/** A length of thread, given in metres, as it is laid ready: rounded up, in yards or metres, to the tenth below ten. */
export function formatThread(metres: number, system: UnitSystem): string {
  const own = threadUnit(system);
  const amount = metres / own.metres;
  const parts = amount < 10 ? 10 : 1;
  // A hair above a tenth is the tenth.
  return `${Math.max(1, Math.ceil(amount * parts - 1e-9)) / parts} ${own.unit}`;
}

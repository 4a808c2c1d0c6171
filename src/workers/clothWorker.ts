/** Web worker of the cloth station: lays pieces on cloth off the main thread; what it found so far is told as it goes. */
import { expose } from 'comlink';
import { smallestCut, standardCuts, yieldsOf, type StandardCut, type Yield } from '@/core/cutting';
import type { UnitSystem } from '@/core/length';
import { nest, type NestCloth, type Nested, type PieceKind, type Turns } from '@/core/nesting';

/** Seconds for each standard cut that is tried. */
const CUT_SECONDS = 1.5;

const clock = (seconds: number) => {
  const begin = performance.now();
  return () => (performance.now() - begin) / (1000 * seconds);
};

const api = {
  /** Lays pieces for so many seconds; `onBetter` hears each better layout, and what share of the time is spent. */
  lay(
    kinds: readonly PieceKind[],
    cloth: NestCloth,
    system: UnitSystem,
    seconds: number,
    onBetter: (nested: Nested, spent: number) => void,
  ): Nested {
    const spent = clock(seconds);
    return nest(kinds, cloth, {
      spent,
      system,
      onBetter: (nested) => onBetter(nested, Math.min(1, spent())),
    });
  },
  /** How many of a paper the cuts that shops sell give, and a remnant before them where there is one. */
  yields(
    kind: Omit<PieceKind, 'count'>,
    usableMm: number,
    turns: Turns,
    system: UnitSystem,
    remnant: StandardCut | undefined,
    own: readonly StandardCut[],
  ): Yield[] {
    const cuts = [...(remnant ? [remnant] : []), ...standardCuts(usableMm, system, own)];
    return yieldsOf(kind, cuts, turns, system);
  },
  /** The smallest cut that shops sell and that holds all pieces. */
  smallest(
    kinds: readonly PieceKind[],
    usableMm: number,
    turns: Turns,
    system: UnitSystem,
    own: readonly StandardCut[],
  ): StandardCut | undefined {
    return smallestCut(kinds, standardCuts(usableMm, system, own), turns, () => clock(CUT_SECONDS))?.cut;
  },
};

export type ClothWorker = typeof api;

expose(api);

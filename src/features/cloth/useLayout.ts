'use client';
import { proxy } from 'comlink';
import { useState } from 'react';
import { usableWidth, type ShelfCloth } from '@/core/cloth';
import type { StandardCut } from '@/core/cutting';
import type { UnitSystem } from '@/core/length';
import type { Nested, PieceKind } from '@/core/nesting';
import { useClothWorker } from './useClothWorker';

/** Seconds that a layout is improved for, unless it is stopped. */
const SECONDS = 12;

/** A rectangle of the cloth that cannot be used: it was cut out, or it has a flaw; mm from the rim at the left and from the cut edge. */
export interface UsedArea {
  readonly x: number;
  readonly y: number;
  readonly widthMm: number;
  readonly lengthMm: number;
}

/** What of a cloth says where pieces may lie. */
export type Ground = Pick<ShelfCloth, 'widthMm' | 'selvedgeMm' | 'turns'>;

/** Whether pieces that were laid on one lie so on the other. */
export const isSameGround = (a: Ground, b: Ground): boolean =>
  a.widthMm === b.widthMm && a.selvedgeMm === b.selvedgeMm && a.turns === b.turns;

interface LayoutWish {
  readonly used: readonly UsedArea[];
  readonly ownCuts: readonly StandardCut[];
}

const cornersOf = ({ x, y, widthMm, lengthMm }: UsedArea) => [
  { x, y },
  { x: x + widthMm, y },
  { x: x + widthMm, y: y + lengthMm },
  { x, y: y + lengthMm },
];

export interface Layout {
  /** The cloth as it was when it was laid. */
  readonly of: Ground;
  /** The best so far. */
  readonly nested: Nested | undefined;
  /** Share of the time that is spent; 1 when it is done or was stopped. */
  readonly spent: number;
  /** The smallest standard cut that holds all; null where none was found, undefined while it is looked for. */
  readonly cut: StandardCut | null | undefined;
}

/** Lays the pieces of one bag on its cloth in a worker. Stopping keeps the best so far. */
export function useLayout(system: UnitSystem) {
  const [layout, setLayout] = useState<Layout | undefined>();
  const { begin, end } = useClothWorker();
  const start = async (kinds: readonly PieceKind[], cloth: ShelfCloth, { used, ownCuts }: LayoutWish) => {
    const { api, isStill } = begin();
    setLayout({ of: cloth, nested: undefined, spent: 0, cut: undefined });
    const roll = { width: cloth.widthMm, length: Infinity, selvedge: cloth.selvedgeMm, turns: cloth.turns, used: used.map(cornersOf) };
    const hear = proxy((nested: Nested, spent: number) => {
      if (isStill()) setLayout({ of: cloth, nested, spent, cut: undefined });
    });
    const nested = await api.lay(kinds, roll, system, SECONDS, hear);
    if (!isStill()) return;
    setLayout({ of: cloth, nested, spent: 1, cut: undefined });
    const cut = await api.smallest(kinds, usableWidth(cloth), cloth.turns, system, ownCuts);
    if (!isStill()) return;
    setLayout({ of: cloth, nested, spent: 1, cut: cut ?? null });
    end();
  }; // prettier-ignore
  const stop = () => {
    end();
    setLayout((now) => now && { ...now, spent: 1, cut: now.cut ?? null });
  };
  const clear = () => {
    end();
    setLayout(undefined);
  };
  return { layout, start, stop, clear };
}

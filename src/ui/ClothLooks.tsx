'use client';
import { createContext, useContext, type ReactNode } from 'react';
import { lookByNumber, type ClothLook } from '@/core/cloth';

type Looks = Readonly<Record<string, ClothLook>>;

const Context = createContext<Looks>({});

/** Says to all drawings below how each cloth looks. */
export function ClothLooks({ looks, children }: { looks: Looks; children: ReactNode }) {
  return <Context value={looks}>{children}</Context>;
}

/** The looks that are kept, by the cloths' names. */
export function useClothLooks(): Looks {
  return useContext(Context);
}

/** How a cloth looks: as it is kept; one that is not kept yet by its place among those drawn. */
export function useClothLook(): (fabric: string, fabrics: readonly string[]) => ClothLook {
  const looks = useContext(Context);
  return (fabric, fabrics) => looks[fabric] ?? lookByNumber(Math.max(0, fabrics.indexOf(fabric)));
}

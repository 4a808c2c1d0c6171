import { proxy } from 'comlink';
import { useState } from 'react';
import { outlineAbout } from '@/core/fussy';
import type { Point } from '@/core/geometry';
import type { UnitSystem } from '@/core/length';
import type { PieceKind } from '@/core/nesting';
import type { FussyPaper } from './fussyRequest';
import { useClothWorker } from './useClothWorker';
import type { FussyAnswer } from './useFussy';

/** A paper laid beside the sets, as it lies on the cloth. */
export interface GapPiece {
  readonly id: string;
  readonly outline: readonly Point[];
}

/** Seconds that the gaps are filled for, and the most pieces of one paper that are tried. */
const [SECONDS, MOST_PIECES] = [4, 300];

/** Fills what the sets leave of their piece with other papers of the same cloth, as many as go. */
export function useGaps(system: UnitSystem) {
  const [pieces, setPieces] = useState<readonly GapPiece[] | 'busy' | undefined>();
  const { begin, end } = useClothWorker();
  const fill = async (answer: FussyAnswer, papers: readonly FussyPaper[]) => {
    const { api, isStill } = begin();
    setPieces('busy');
    const { cloth, lengthMm } = answer;
    const kinds = wantedIn(answer, papers);
    const ground = { width: cloth.widthMm, length: lengthMm, selvedge: cloth.selvedgeMm, turns: cloth.turns, used: cutsOf(answer) };
    const { placed } = await api.lay(kinds, ground, system, SECONDS, proxy(() => undefined));
    if (!isStill()) return;
    setPieces(placed.map(({ kind, turnDeg, x, y }) => ({ id: kinds[kind]?.id ?? '', outline: moved(kinds[kind]?.polygon ?? [], turnDeg, x, y) })));
    end();
  };
  const clear = () => {
    end();
    setPieces(undefined);
  };
  return { pieces, fill, clear };
} // prettier-ignore

/** The sets as they lie on the cloth. */
const cutsOf = ({ found, points }: FussyAnswer) =>
  found.placed.flatMap(({ point, x, y }) => {
    const own = points[point];
    return own ? [moved(outlineAbout(own.paper.cut, own.motif), 0, x, y)] : [];
  });

/** What the bags take of each paper of the cloth besides the sets. */
export function wantedIn({ found, points }: FussyAnswer, papers: readonly FussyPaper[]): PieceKind[] {
  return papers.flatMap((paper) => {
    const inSets = found.placed.filter(({ point }) => points[point]?.paper === paper).length;
    const count = Math.min(MOST_PIECES, paper.count * paper.bags - inSets);
    return count > 0 ? [{ id: `${paper.block}: ${paper.id}`, polygon: paper.cut, count }] : [];
  });
}

function moved(polygon: readonly Point[], turnDeg: number, x: number, y: number): Point[] {
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  return polygon.map((p) => ({ x: cos * p.x - sin * p.y + x, y: sin * p.x + cos * p.y + y }));
}

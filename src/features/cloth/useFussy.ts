import { useRef, useState } from 'react';
import type { ShelfCloth } from '@/core/cloth';
import type { Motif } from '@/core/fussy';
import { formatLength, type UnitSystem } from '@/core/length';
import { counted } from '@/core/words';
import { send } from '@/ui/api';
import { useSend } from '@/ui/useSend';
import { fussyRequest, readFound, type FussyFound, type FussyPaper } from './fussyRequest';

interface Wish {
  readonly paper: FussyPaper;
  readonly cloth: ShelfCloth;
  readonly motif: Motif;
  readonly setOf: number;
  readonly lengthMm: number;
}

/** What was found for a wish, and what would give more. */
export interface FussyAnswer extends Wish {
  readonly found: FussyFound;
  /** Undefined while it is looked for. */
  readonly more?: readonly string[];
}

/** Finds the most whole sets on a piece of cloth, then what would give more of them. */
export function useFussy(projectId: string, system: UnitSystem) {
  const [answer, setAnswer] = useState<FussyAnswer | undefined>();
  const { error, isBusy, run } = useSend();
  const latest = useRef(0);
  const ask = async (outline: FussyPaper['cut'], wish: Wish) =>
    readFound(await send('POST', `/api/projects/${projectId}/fussy`, fussyRequest(outline, wish)));
  const find = (wish: Wish) =>
    run(async () => {
      const own = ++latest.current;
      const found = await ask(wish.paper.cut, wish);
      if (own !== latest.current) return;
      setAnswer({ ...wish, found });
      const { repeatHeightMm } = wish.cloth;
      const longer = await ask(wish.paper.cut, { ...wish, lengthMm: wish.lengthMm + repeatHeightMm });
      const tighter = await ask(wish.paper.tighter, wish);
      const gain = (other: FussyFound) => other.sets - found.sets;
      const more = [
        gain(longer) > 0 ? `A piece longer by one repeat (${formatLength(repeatHeightMm, system)}) gives ${counted(gain(longer), 'set')} more.` : '',
        gain(tighter) > 0 ? `An allowance narrower by 1/16″ (1.6 mm) gives ${counted(gain(tighter), 'set')} more.` : '',
      ].filter(Boolean);
      if (own === latest.current) setAnswer({ ...wish, found, more });
    });
  const clear = () => {
    latest.current += 1;
    setAnswer(undefined);
  };
  return { answer, error, isBusy, find, clear };
} // prettier-ignore
